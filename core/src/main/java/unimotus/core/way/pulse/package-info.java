/**
 * Positions as pulses to a step driver: how their inputs are wired, how many pulses are a position,
 * what is to be seen of it and what can be wrong with it.
 */
@NullMarked
package unimotus.core.way.pulse;

import org.jspecify.annotations.NullMarked;

/**
 * Positions that a controller sends to a servo drive behind a station: units of the program to
 * counts, counts to turns of the shaft, and what can be wrong with each.
 */
@NullMarked
package unimotus.core.way.motion;

import org.jspecify.annotations.NullMarked;

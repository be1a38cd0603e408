/** The process loop in a drive: what its signals mean, and when a pump falls asleep. */
@NullMarked
package unimotus.core.process;

import org.jspecify.annotations.NullMarked;

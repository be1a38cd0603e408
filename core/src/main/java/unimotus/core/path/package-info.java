/**
 * The signal path of an axis: from the number in the controller's program to the motion of the
 * machine, and back through the actual value.
 *
 * <p>{@link unimotus.core.path.SignalPath} is a chain of {@link unimotus.core.path.Stage}s between
 * {@link unimotus.core.path.Station}s; touch any station and {@link
 * unimotus.core.path.SignalPath#at} gives all others, each with its limits, its step and its sum.
 * The reference reaches the drive over a {@link unimotus.core.path.ReferenceLink}, which the way of
 * command brings; motor and mechanics bring what follows. {@link unimotus.core.path.PathChecks}
 * says what is wrong with a path before it is wired.
 */
@NullMarked
package unimotus.core.path;

import org.jspecify.annotations.NullMarked;

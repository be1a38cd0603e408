/**
 * The wire schedule: the list from which a panel is wired, and which comes back corrected.
 *
 * <p>{@link unimotus.core.schedule.WireSchedule} makes it from a project, with the voltage to be
 * expected on each wire at rest and in action; {@link unimotus.core.schedule.Placement} turns the
 * lines of a schedule from elsewhere into wires and reports every line that cannot be placed.
 */
@NullMarked
package unimotus.core.schedule;

import org.jspecify.annotations.NullMarked;

/**
 * The dry-run through the wires: buttons, outputs, supplies and faults are played in time, the
 * solved circuit says what each input sees after every change, and the drive acts on that.
 *
 * <p>{@code bench} is the drive's ramps, the motor and the load underneath.
 */
@NullMarked
package unimotus.core.dryrun;

import org.jspecify.annotations.NullMarked;

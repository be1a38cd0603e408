/**
 * Drive settings: which follow from plate, reference, load and wiring, in which order they are
 * entered, and what is off in them.
 *
 * <p>{@link unimotus.core.settings.DerivedSettings} fills in what follows; {@link
 * unimotus.core.settings.SettingGraph} knows what rewrites, locks and spoils what; {@link
 * unimotus.core.settings.EntrySheet} is the order of entry and {@link
 * unimotus.core.settings.DriveMemory} the virtual drive it is tried on; {@link
 * unimotus.core.settings.Habits} lays a reset first beside the difference; {@link
 * unimotus.core.settings.SettingChecks} and {@link unimotus.core.settings.RecordChecks} say what is
 * off. What a drive's settings amount to once defaults are filled in stands with the machine, in
 * {@code EffectiveSettings}.
 */
@NullMarked
package unimotus.core.settings;

import org.jspecify.annotations.NullMarked;

/**
 * Drive settings: which follow from plate, reference and wiring, and what is off in them.
 *
 * <p>{@link unimotus.core.settings.DerivedSettings} fills in what follows, {@link
 * unimotus.core.settings.SettingChecks} says what is off. What a drive's settings amount to once
 * defaults are filled in stands with the machine, in {@code EffectiveSettings}.
 */
@NullMarked
package unimotus.core.settings;

import org.jspecify.annotations.NullMarked;

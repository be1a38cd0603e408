package unimotus.core.settings;

import unimotus.core.derivation.Derivation;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * A setting that follows from what is known of an axis.
 *
 * @param setting the setting
 * @param value its value
 * @param reason why it has to be so, in a sentence
 * @param sum how the number came about; {@link Derivation#NONE} for a choice
 */
public record DerivedSetting(
    SettingDefinition setting, SettingValue value, String reason, Derivation sum) {}

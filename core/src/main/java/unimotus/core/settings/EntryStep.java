package unimotus.core.settings;

import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;

/**
 * One line of an entry sheet.
 *
 * @param number its place in the order, from 1
 * @param setting what is entered
 * @param was what the drive shows when one arrives there; null where it was not read
 * @param value what is entered
 * @param keys key presses from the entry before, in words
 * @param presses the same counted
 * @param twice whether it has to be entered a second time
 * @param atStandstill whether the motor has to stand
 * @param procedure the guarded procedure by which alone it is taken, in words; empty where it is
 *     entered like any other
 * @param why why here: what it opens, rewrites or waits for; empty where only the way decides
 */
public record EntryStep(
    int number,
    SettingDefinition setting,
    @Nullable SettingValue was,
    SettingValue value,
    String keys,
    int presses,
    boolean twice,
    boolean atStandstill,
    String procedure,
    String why) {}

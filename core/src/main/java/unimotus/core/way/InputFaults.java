package unimotus.core.way;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Unusable;
import unimotus.core.sheet.SettingRole;

/** Switch positions and settings of a drive's analog terminal that cannot be used. */
public final class InputFaults {
  private static final Set<SettingRole> OF_A_TERMINAL =
      EnumSet.of(
          SettingRole.ANALOG_RANGE,
          SettingRole.FREQUENCY_AT_LOW,
          SettingRole.FREQUENCY_AT_HIGH,
          SettingRole.ANALOG_INVERT,
          SettingRole.DEAD_BAND,
          SettingRole.LOSS_ACTION,
          SettingRole.ANSWER_RANGE,
          SettingRole.ANSWER_FULL_SCALE,
          SettingRole.ANSWER_MEANING,
          SettingRole.ANSWER_FULL_SHARE,
          SettingRole.ANSWER_LOW);

  private InputFaults() {}

  /** The first fault of a terminal, in words; empty where all can be used. */
  public static Optional<String> of(AxisAssembly axis, String terminal) {
    return Stream.concat(
            Unusable.selectors(axis.drive(), axis.driveSheet(), s -> terminal.equals(s.terminal()))
                .stream(),
            Unusable.settings(
                axis.drive(),
                axis.driveSheet(),
                s -> OF_A_TERMINAL.contains(s.role()) && terminal.equals(s.terminal()))
                .stream())
        .filter(Unusable::isKnown)
        .map(Unusable::text)
        .findFirst();
  }
}

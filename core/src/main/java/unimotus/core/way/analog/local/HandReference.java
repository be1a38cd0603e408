package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.discrete.HandMode;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.InputFaults;

/**
 * Whose reference the drive follows in Hand.
 *
 * @param source an analog input of the drive, or {@code keypad}; null where it cannot be told
 * @param fault why not, in words; empty where it can
 * @param isUnwired whether the reason is that nothing gives a reference there
 */
record HandReference(@Nullable String source, String fault, boolean isUnwired) {

  private static final String NONE = "";

  /** On an axis with a selector that starts in Hand. */
  static HandReference of(AxisAssembly axis) {
    Optional<HandMode> mode = HandMode.inHand(axis).stream().findFirst();
    if (mode.isEmpty()) {
      return untold("the selector starts nothing in Hand");
    }
    if (!mode.get().followsPotentiometer()) {
      return untold(
          mode.get().requested()
              ? "the drive gives the manual request to the " + mode.get().owner().word()
              : "Hand closes no manual-request input");
    }
    String chosen =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .choice(SettingRole.MANUAL_REFERENCE, NONE);
    return chosen.equals(NONE) ? byWires(axis) : bySetting(axis, chosen);
  }

  /** The drive has a selector of its own for the reference of a manual request. */
  private static HandReference bySetting(AxisAssembly axis, String chosen) {
    if (chosen.equals(Option.KEYPAD.word())) {
      return new HandReference(chosen, "", false);
    }
    return PotentiometerWires.at(axis, chosen).isPresent()
        ? at(axis, chosen)
        : unwired("in Hand the drive follows %s, which no potentiometer is on".formatted(chosen));
  }

  /** Where the sheet tells of none, the potentiometer that is wired is the one. */
  private static HandReference byWires(AxisAssembly axis) {
    List<String> inputs =
        PotentiometerWires.inputs(axis).stream()
            .filter(i -> !i.equals(axis.axis().reference().input()))
            .toList();
    if (inputs.size() > 1) {
      return untold("potentiometers are on %s".formatted(String.join(" and ", inputs)));
    }
    return inputs.isEmpty()
        ? unwired("no potentiometer is on an analog input of the drive")
        : at(axis, inputs.get(0));
  }

  private static HandReference at(AxisAssembly axis, String input) {
    return InputFaults.of(axis, input)
        .map(HandReference::untold)
        .orElseGet(() -> new HandReference(input, "", false));
  }

  private static HandReference untold(String why) {
    return new HandReference(null, why, false);
  }

  private static HandReference unwired(String why) {
    return new HandReference(null, why, true);
  }
}

package unimotus.core.way.analog.local;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/**
 * The reference while a selector stands at Hand: a potentiometer or the keypad, by the manual
 * request. What commands the axis in Auto is another way.
 */
public final class HandWay implements WayOfCommand {
  /** The position of a selector that asks for it. */
  private static final String HAND = "hand";

  @Override
  public String name() {
    return "in Hand";
  }

  @Override
  public String key() {
    return HAND;
  }

  @Override
  public boolean isBeside() {
    return true;
  }

  /** Never alone: an axis without a way in Auto is not commanded by its selector. */
  @Override
  public boolean isOnlyBeside() {
    return true;
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return axis.axis().reference().local() == null
        && axis.parts().stream().anyMatch(p -> p.sheet().positions().contains(HAND))
        && (Stream.of(Meaning.START, Meaning.START_DELAYED)
                .anyMatch(m -> settings.inputFor(m.word()).isPresent())
            || isTwoWire(settings));
  }

  /** A maintained run in Hand; without a manual request Hand changes nothing of the reference. */
  private static boolean isTwoWire(EffectiveSettings settings) {
    return settings.is(SettingRole.CONTROL_WIRING, Option.TWO_WIRE, Option.TWO_WIRE)
        && Stream.of(Meaning.RUN_FORWARD, Meaning.MANUAL_REQUEST)
            .allMatch(m -> settings.inputFor(m.word()).isPresent());
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return Optional.of(HandReference.of(axis).fault()).filter(f -> !f.isEmpty());
  }

  /** That another port owns the request is said where inputs and selector are looked at. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    HandReference reference = HandReference.of(axis);
    if (reference.isUnwired()) {
      findings.add(
          Severity.ERROR,
          Rule.HAND_UNWIRED,
          "wires/hand",
          reference.fault(),
          "The motor starts in Hand and nobody there can set its speed.",
          "Wire the potentiometer to the input the drive follows in Hand.");
    }
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(LocalIntent.HAND_OFF_AUTO);
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    String source = HandReference.of(axis).source();
    return Option.KEYPAD.word().equals(source)
        ? KeypadLink.of(axis, Mode.HAND)
        : Knobs.link(axis, source, Mode.HAND);
  }
}

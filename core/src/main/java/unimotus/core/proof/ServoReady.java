package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.motion.ServoAxis;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/**
 * What is seen to on a servo axis in addition, in its order: link, stations, copies of the scaling,
 * loading with a restart of the controller, gains, home, limits (common practice).
 */
final class ServoReady {
  private static final String GROUP = "Set up";
  private static final double LINK_TOLERANCE = 0.1;

  private final AxisAssembly axis;
  private final List<Prediction> items = new ArrayList<>();

  private ServoReady(AxisAssembly axis) {
    this.axis = axis;
  }

  /** The items of a servo axis; empty for another. */
  static List<Prediction> of(AxisAssembly axis) {
    if (axis.motor().plate().kind() != MotorKind.PERMANENT_MAGNET) {
      return List.of();
    }
    ServoReady ready = new ServoReady(axis);
    ready.link();
    if (!axis.stations().isEmpty()) {
      ready.stations();
    }
    if (axis.axis().motion() != null) {
      ready.motion();
    }
    return ready.items;
  }

  private void link() {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    boolean regulated = settings.is(SettingRole.INFEED_KIND, Option.REGULATED, Option.PLAIN);
    double mains = axis.feed().mainsVolts();
    double volts =
        regulated ? LinkVoltage.regulatedVolts(mains) : LinkVoltage.rectifiedVolts(mains);
    items.add(
        new Prediction(
            ReadyList.PREFIX + "servo.link",
            GROUP,
            "D.c. link as the drive shows it, infeed ready",
            new Expectation.Amount(volts, LINK_TOLERANCE * volts, MeasureUnit.VOLT_UNIT),
            null,
            Double.NaN,
            "drive",
            "drive's display",
            "Mains on, drive not enabled. Read it on the drive; nobody measures inside.",
            EnumSet.of(Part.POWER, Part.DRIVE),
            Derivation.of(
                new Step(
                    "d.c. link",
                    regulated ? "1.5 · line" : "√2 · line",
                    "%s V".formatted(mains),
                    volts,
                    MeasureUnit.VOLT_UNIT,
                    regulated ? "regulated infeed (common practice)" : "plain rectifier"))));
  }

  private void stations() {
    tick(
        "stations",
        "Stations answer as they are configured",
        "Search at Process-data bus: every station online, none strange, none pending.",
        EnumSet.of(Part.CONTROLLER));
  }

  private void motion() {
    tick(
        "copies",
        "Scaling read in drive, bus and motion axis, and entered alike",
        "Encoder, gear, feed, unit and direction of each copy, from the device itself.",
        EnumSet.of(Part.CONTROLLER, Part.PROGRAM, Part.DRIVE, Part.MOTOR, Part.MECHANICS));
    tick(
        "loaded",
        "Configuration loaded and the controller restarted",
        "A changed bus or axis counts after a restart only; saved is not loaded.",
        EnumSet.of(Part.CONTROLLER, Part.PROGRAM));
    tick(
        "gains",
        "Gains entered and stored in the drive",
        gains(),
        EnumSet.of(Part.DRIVE, Part.MOTOR, Part.MECHANICS));
    tick(
        "home",
        "Home found, and its position kept after power off and on",
        "Where the encoder is not absolute, home after every power-on instead; say so in the note.",
        EnumSet.of(Part.CONTROLLER, Part.DRIVE, Part.MOTOR, Part.MECHANICS));
    tick(
        "limits",
        "Limits of the travel tried at slow jog",
        limits(),
        EnumSet.of(Part.PROGRAM, Part.DRIVE, Part.MECHANICS, Part.WIRES));
  }

  private String gains() {
    return axis.axis().motion() != null && axis.axis().motion().gains() == null
        ? "None are entered here yet: see Motion, Loops."
        : "As at Motion, Loops; from working memory into the stored one, read back after power off.";
  }

  private String limits() {
    Optional<ServoAxis> servo = ServoAxis.of(axis);
    return servo
        .map(s -> s.design().travel())
        .filter(t -> t.isLimited())
        .map(
            t ->
                "From %s to %s %s in the motion axis, then each limit switch by hand: the axis stops."
                    .formatted(number(t.least()), number(t.most()), servo.get().unit().symbol()))
        .orElse("No travel is entered: try each limit switch by hand, the axis stops.");
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  private void tick(String key, String title, String how, Set<Part> parts) {
    items.add(ReadyList.prediction("servo." + key, GROUP, title, how, parts, Derivation.NONE));
  }
}

package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DrivePlate;
import unimotus.core.power.PowerItem;
import unimotus.core.power.PowerSide;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.settings.TuningState;
import unimotus.core.sheet.DriveIdentity;

/**
 * What has to be seen to and ticked before an axis is ready, station by station. It is kept like
 * evidence: who, when, with what value, and stale once what it rests on has changed.
 */
public final class ReadyList {
  /** What the keys of all these begin with. */
  public static final String PREFIX = "ready.";

  private static final List<String> TICKS = List.of("done", "not done");
  private static final double MAINS_TOLERANCE = 0.10;
  private static final String CLASS_PLATE = "It is a %s, its suffix and firmware are written down.";

  private final AxisAssembly axis;
  private final List<Prediction> items = new ArrayList<>();

  private ReadyList(AxisAssembly axis) {
    this.axis = axis;
  }

  /** Whether a key is one of such a list. */
  static boolean asks(String key) {
    return key.startsWith(PREFIX);
  }

  /** Everything to be ticked, in the order it is done. */
  public static List<Prediction> of(AxisAssembly axis) {
    ReadyList list = new ReadyList(axis);
    list.identification();
    list.power();
    list.setUp();
    list.items.addAll(ServoReady.of(axis));
    return List.copyOf(list.items);
  }

  private void identification() {
    Set<Part> drive = EnumSet.of(Part.POWER);
    tick(
        "identify.drive",
        "Plate of the drive read",
        CLASS_PLATE.formatted(axis.driveSheet().name()),
        drive);
    tick(
        "identify.controller",
        "Plate of the controller read",
        "It is a %s.".formatted(axis.controllerSheet().name()),
        EnumSet.of(Part.CONTROLLER));
    tick(
        "identify.motor",
        "Plate of the motor read",
        "Column of the connection in use.",
        EnumSet.of(Part.MOTOR));
    tick(
        "identify.sound",
        "Drive, motor and controller undamaged",
        "No dents, no damp, nothing loose, nothing missing.",
        drive);
    tick(
        "identify.software",
        "Software not older than the firmware",
        "What programs drive and controller knows their firmware.",
        EnumSet.of(Part.POWER, Part.CONTROLLER));
    modules(axis.driveSheet().identity(), axis.record().plate());
    double volts = axis.feed().mainsVolts();
    items.add(
        new Prediction(
            PREFIX + "identify.mains",
            "Identify",
            "Mains, line to line, measured at the isolator",
            new Expectation.Amount(volts, MAINS_TOLERANCE * volts, MeasureUnit.VOLT_UNIT),
            null,
            Double.NaN,
            "isolator",
            "multimeter",
            "Licensed people measure live mains.",
            drive,
            Derivation.of(
                new Step(
                    "mains", "", "", volts, MeasureUnit.VOLT_UNIT, "power cables of the drive"))));
  }

  private void modules(@Nullable DriveIdentity identity, DrivePlate plate) {
    if (identity != null && !identity.modules().isEmpty()) {
      String fitted =
          plate.modules().isEmpty() ? "none is fitted" : String.join(", ", plate.modules());
      tick(
          "identify.modules",
          "Option modules recognised by the drive",
          "Meant: %s.".formatted(fitted),
          EnumSet.of(Part.POWER));
    }
  }

  private void power() {
    for (PowerItem item : PowerSide.of(axis.driveSheet().power(), axis.feed())) {
      if (!item.key().equals("mains")) {
        items.add(
            prediction(
                "wire." + item.key(),
                "Wire",
                item.title(),
                item.wanted() + ".",
                EnumSet.of(Part.POWER),
                item.sum()));
      }
    }
  }

  private void setUp() {
    Set<Part> settings = EnumSet.of(Part.DRIVE);
    tick(
        "set-up.entered",
        "Settings entered in the order of the sheet",
        "None was overwritten by a later one.",
        settings);
    tick(
        "set-up.read-back",
        "Settings read back after power off and on",
        "As left is as designed; stored, not only working.",
        settings);
    if (TuningState.of(axis) != TuningState.NONE) {
      tick(
          "set-up.tuned",
          "Auto-tune done with the shaft free",
          "On the motor data as they are now.",
          EnumSet.of(Part.DRIVE, Part.MOTOR));
    }
  }

  private void tick(String key, String title, String how, Set<Part> parts) {
    String station = key.startsWith("identify") ? "Identify" : "Set up";
    items.add(prediction(key, station, title, how, parts, Derivation.NONE));
  }

  static Prediction prediction(
      String key, String station, String title, String how, Set<Part> parts, Derivation sum) {
    return new Prediction(
        PREFIX + key,
        station,
        title,
        new Expectation.Word("done", TICKS),
        null,
        Double.NaN,
        "machine",
        "eyes",
        how,
        parts,
        sum);
  }
}

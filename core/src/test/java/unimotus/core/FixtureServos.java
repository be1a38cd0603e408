package unimotus.core;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.PdoEntry;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.Transmission;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.servo.LoopGains;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.DriveSheetBuilder;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.Stops;

/** A servo axis behind a station, in any image, with any mechanics. */
public final class FixtureServos {
  public static final PdoEntry TARGET = PdoEntry.of(0x607A, 0, 32, "Target position", "DINT");

  /** Kv 40 /s, no feed-forward. */
  public static final LoopGains GAINS = new LoopGains(40, 0.05, 0, 0);

  private FixtureServos() {}

  /** 0.4 kW with so many counts a turn; 0 N·m of brake for none. */
  public static ServoPlate plate(int counts, double brake) {
    double seconds = brake > 0 ? 0.05 : 0;
    return new ServoPlate(
        1.5, 1.76, 3000, 1.27, 0.85, 51.4, 8, counts, brake, 400, 6e-5, 4.5, 5000, seconds,
        seconds);
  }

  /** Cyclic synchronous position: control word, mode and target position. */
  public static EsiDevice device() {
    return FixtureStations.device(null, FixtureStations.CONTROL, FixtureStations.MODE, TARGET);
  }

  /** One copy for all three holders, 100 mm at 200 mm/s and 1000 mm/s² and back, half a second. */
  public static MotionDesign design(AxisScaling copy, double length) {
    return new MotionDesign(
        1,
        copy,
        copy,
        copy,
        TravelRange.between(-length, 10 * length),
        new MoveSequence(
            0,
            MoveLimits.of(2 * length, 10 * length),
            List.of(
                new MoveStep.Absolute(length),
                new MoveStep.Dwell(0.5),
                new MoveStep.Absolute(0),
                new MoveStep.Dwell(0.5)),
            3),
        0.001,
        Transmission.RIGID,
        GAINS,
        null,
        null);
  }

  /** A slide of 60 mm a turn behind 17 bits. */
  public static MotionDesign slide() {
    return design(AxisScaling.direct(131_072, new BigDecimal(60), MeasureUnit.MILLIMETRE), 100);
  }

  /** The sheets, the terminal drive as a servo drive, beside the description of a device. */
  public static SheetCatalogue sheets(EsiDevice device) {
    List<DeviceSheet> sheets = new ArrayList<>();
    for (DeviceSheet sheet : Lines.SHEETS.all(DeviceSheet.class)) {
      sheets.add(
          sheet instanceof DriveSheet drive && drive.id().equals(Stops.TERMINAL_DRIVE)
              ? DriveSheetBuilder.builder(drive)
                  .driveKind(new DriveKind.Servo(List.of(MotorKind.PERMANENT_MAGNET), 1))
                  .build()
              : sheet);
    }
    DescriptionCatalogue catalogue =
        new DescriptionCatalogue(
            List.of(
                new DeviceDescription(
                    FixtureStations.station("st").vendor(),
                    "",
                    List.of(),
                    List.of(device),
                    List.of())));
    return new SheetCatalogue(sheets, () -> catalogue);
  }

  /** An axis. */
  public static Project project(
      Mechanics mechanics,
      ServoPlate plate,
      @Nullable MotionDesign design,
      BusStation... stations) {
    Project bare = Lines.bare("controller-modular", Stops.TERMINAL_DRIVE);
    Axis axis =
        bare.axes()
            .get(0)
            .withMechanics(mechanics)
            .withLoad(new Load(3e-4, 0.05, 0, 0, 0.95))
            .withMotion(design);
    return bare.with(axis)
        .with(bare.motors().get(0).withPlate(plate))
        .withStations(Arrays.asList(stations));
  }

  /** An axis with everything looked up, its station in cyclic synchronous position mode. */
  public static AxisAssembly axis(Mechanics mechanics, ServoPlate plate, MotionDesign design) {
    return Lines.axis(
        sheets(device()), project(mechanics, plate, design, FixtureStations.station("st")));
  }

  /** The slide. */
  public static AxisAssembly axis(MotionDesign design) {
    return axis(new Mechanics.Screw(1, 0.06), plate(131_072, 0), design);
  }
}

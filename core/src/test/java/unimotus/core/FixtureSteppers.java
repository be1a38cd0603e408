package unimotus.core;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.machine.StepDesign;
import unimotus.core.machine.Transmission;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StepDriver;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.sheet.SwitchTable;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** An axis on pulses: controllers with every kind of pulse output, two drivers, resistors. */
public final class FixtureSteppers {
  public static final String PULSES = "pulse-controller";
  public static final String LINES = "line-controller";
  public static final String RELAYS = "controller-compact-relay";

  /** Enabled while its third input is open; full range of switches. */
  public static final String OPEN_DRIVER = "driver-open";

  /** Enabled while its third input is driven. */
  public static final String DRIVEN_DRIVER = "driver-driven";

  /** 8 leads: 1.98 A a half coil, so 1.4 A in series and 2.8 A in parallel. */
  public static final StepperPlate EIGHT =
      new StepperPlate(200, 1.9, 1.98, 1.6, 0.0024, 8, 4.8e-5, AmpereKind.RMS, 520, null);

  private FixtureSteppers() {}

  /** Sheets of this test beside the others. */
  public static SheetCatalogue sheets() {
    List<DeviceSheet> all = new ArrayList<>(Lines.SHEETS.all(DeviceSheet.class));
    all.add(controller(PULSES, transistors(), jumpers()));
    all.add(controller(LINES, lineDrivers(), List.of()));
    all.add(driver(OPEN_DRIVER, Meaning.DISABLE));
    all.add(driver(DRIVEN_DRIVER, Meaning.ENABLE));
    for (double ohms : new double[] {680, 1800, 2200}) {
      all.add(resistor(ohms, 0.5));
    }
    all.add(resistor(330, 0.25));
    return new SheetCatalogue(all);
  }

  /** A resistor. */
  public static PartSheet resistor(double ohms, double watts) {
    return new PartSheet(
        "resistor-%.0f".formatted(ohms),
        "Resistor %.0f".formatted(ohms),
        List.of(
            new Terminal(
                "1",
                "One end",
                TerminalRole.RESISTOR,
                "2",
                Map.of(Figure.OHMS.key(), ohms, Figure.BEARS_WATTS.key(), watts)),
            new Terminal("2", "Other end", TerminalRole.JUNCTION, null, Map.of())),
        List.of(),
        List.of());
  }

  private static ControllerSheet controller(
      String id, List<Terminal> outputs, List<Selector> selectors) {
    ControllerSheet like =
        Lines.SHEETS.find(ControllerSheet.class, "controller-compact-sinking").orElseThrow();
    List<Terminal> terminals = new ArrayList<>(outputs);
    terminals.addAll(like.terminals());
    return new ControllerSheet(id, id, terminals, selectors, 12, null);
  }

  private static List<Terminal> transistors() {
    List<Terminal> all = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      all.add(
          new Terminal(
              "PT" + i,
              "Pulse output " + i,
              TerminalRole.PULSE_OUTPUT,
              "0V",
              figures(
                  Figure.DROP_VOLTS,
                  0.5,
                  Figure.LEAKAGE_AMPERES,
                  1e-4,
                  Figure.LIMIT_AMPERES,
                  0.3,
                  Figure.MOST_HERTZ,
                  20_000)));
    }
    return all;
  }

  private static List<Selector> jumpers() {
    return List.of(
        new Selector(
            "sense", "Jumper", SelectorRole.OUTPUT_LOGIC, null, List.of("sink", "source"), "sink"),
        new Selector(
            "volts", "Voltage", SelectorRole.OUTPUT_VOLTS, null, List.of("24 V", "5 V"), "24 V"));
  }

  private static List<Terminal> lineDrivers() {
    List<Terminal> all = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      all.add(
          new Terminal(
              "LD%d+".formatted(i),
              "Line driver " + i,
              TerminalRole.LINE_DRIVER,
              "LD%d-".formatted(i),
              figures(
                  Figure.VOLTS,
                  4.5,
                  Figure.OHMS,
                  25,
                  Figure.LIMIT_AMPERES,
                  0.05,
                  Figure.MOST_HERTZ,
                  500_000)));
      all.add(
          new Terminal(
              "LD%d-".formatted(i), "Inverted " + i, TerminalRole.JUNCTION, null, Map.of()));
    }
    return all;
  }

  private static DriveSheet driver(String id, Meaning enable) {
    List<Terminal> terminals = new ArrayList<>();
    opto(terminals, "ST", Meaning.STEP);
    opto(terminals, "DR", Meaning.DIRECTION);
    opto(terminals, "EN", enable);
    return new DriveSheet(
        id,
        id,
        new DriveKind.Step(List.of(MotorKind.STEPPER), data()),
        terminals,
        List.of(
            new Selector(
                "steps",
                "Pulses a turn",
                SelectorRole.STEPS_PER_TURN,
                null,
                List.of("200", "400", "800", "1000", "1600", "2000"),
                "400"),
            new Selector(
                "current",
                "Phase current",
                SelectorRole.PHASE_CURRENT,
                null,
                data().currents().values().stream().map("%.1f A"::formatted).toList(),
                "0.4 A")),
        12,
        new DriveRatings(100, 3.5, 36, 1, 1),
        List.of(),
        null,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** 0.4 A and 0.1, 0.2, 0.4, 0.8, 1.6 A more; 20 to 50 V; half at rest. */
  public static StepDriver data() {
    List<SwitchTable.Row> steps = new ArrayList<>();
    double[] values = {200, 400, 800, 1000, 1600, 2000};
    for (int i = 0; i < values.length; i++) {
      steps.add(new SwitchTable.Row(List.of((i & 1) != 0, (i & 2) != 0, (i & 4) != 0), values[i]));
    }
    return new StepDriver(
        new SwitchTable(1, steps),
        SwitchTable.weighted(4, 0.4, List.of(0.1, 0.2, 0.4, 0.8, 1.6)),
        AmpereKind.RMS,
        200,
        20,
        50,
        200_000,
        0.5);
  }

  private static void opto(List<Terminal> terminals, String id, Meaning function) {
    terminals.add(
        new Terminal(
            id + "+",
            id + " plus",
            TerminalRole.OPTO_INPUT,
            id + "-",
            figures(
                Figure.FORWARD_VOLTS,
                1.2,
                Figure.INPUT_OHMS,
                270,
                Figure.ON_VOLTS,
                2.8,
                Figure.OFF_VOLTS,
                1,
                Figure.ON_AMPERES,
                0.006,
                Figure.OFF_AMPERES,
                0.001,
                Figure.BEARS_AMPERES,
                0.018),
            null,
            function));
    terminals.add(new Terminal(id + "-", id + " minus", TerminalRole.JUNCTION, null, Map.of()));
  }

  private static Map<String, Double> figures(Object... pairs) {
    Map<String, Double> all = new TreeMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      all.put(((Figure) pairs[i]).key(), ((Number) pairs[i + 1]).doubleValue());
    }
    return all;
  }

  /** Moves of 40 mm and back at 50 mm/s and 500 mm/s², half a second each time at both ends. */
  public static MotionDesign design(@Nullable AxisScaling program, StepDesign steps) {
    return new MotionDesign(
        1,
        null,
        null,
        program,
        TravelRange.between(-10, 300),
        new MoveSequence(
            0,
            MoveLimits.of(50, 500),
            List.of(
                new MoveStep.Absolute(40),
                new MoveStep.Dwell(0.5),
                new MoveStep.Absolute(0),
                new MoveStep.Dwell(0.5)),
            3),
        0.001,
        Transmission.RIGID,
        null,
        null,
        steps);
  }

  /** 400 pulses on 5 mm, halves in series, 36 V. */
  public static MotionDesign sound() {
    return design(
        AxisScaling.direct(400, new BigDecimal(5), MeasureUnit.MILLIMETRE),
        new StepDesign(CoilConnection.SERIES, 36, 0, 32, 0, List.of()));
  }

  /** An axis on a screw of 5 mm, nothing wired, the current as the coils bear. */
  public static Project bare(String controller, String driver, MotionDesign design) {
    return bare(controller, driver, EIGHT, new Mechanics.Screw(1, 0.005), design);
  }

  /** An axis, nothing wired. */
  public static Project bare(
      String controller,
      String driver,
      StepperPlate plate,
      Mechanics mechanics,
      @Nullable MotionDesign design) {
    Project bare = Lines.bare(controller, driver);
    Axis axis =
        bare.axes()
            .get(0)
            .withMechanics(mechanics)
            .withLoad(new Load(2e-5, 0.05, 0, 0, 1))
            .withMotion(design);
    Drive drive = bare.drives().get(0).withSelector("current", "1.4 A");
    return bare.with(axis).with(drive).with(bare.motors().get(0).withPlate(plate));
  }

  /** With everything looked up. */
  public static AxisAssembly axis(Project project) {
    return Lines.axis(sheets(), project);
  }
}

package unimotus.core.plant;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.FixtureSteppers;
import unimotus.core.Lines;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Part;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.Response;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.StepDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * A feeder on a screw of 5 mm with 400 pulses a turn: home between −3 and 0 mm, end switches with 8
 * mm behind each, a valve and the switch that its cylinder operates.
 */
final class FixturePlants {
  static final double PULSES_PER_MM = 80;
  static final double HOME_FROM = -3;
  static final double HOME_TO = 0;
  static final double LOW_STOP = -20;
  static final double LOW_END = -12;
  static final double HIGH_END = 290;
  static final double HIGH_STOP = 298;
  static final String WORDS =
      "jog back until home within 30 s; move to 40 mm; valve on until tied within 3 s; wait 0.5 s;"
          + " move to 0 mm";

  private static final String POSITION = "test-position";
  private static final String PROXIMITY = "test-proximity";
  private static final String VALVE = "test-valve";

  private FixturePlants() {}

  static SheetCatalogue sheets() {
    List<DeviceSheet> all = new ArrayList<>(FixtureSteppers.sheets().all(DeviceSheet.class));
    all.add(
        part(
            POSITION,
            terminal("11", TerminalRole.RELAY_COMMON, null, List.of()),
            terminal("12", TerminalRole.RELAY_CONTACT, "11", List.of("free")),
            terminal("23", TerminalRole.RELAY_COMMON, null, List.of()),
            terminal("24", TerminalRole.RELAY_CONTACT, "23", List.of("operated"))));
    all.add(
        part(
            PROXIMITY,
            terminal(
                "1",
                TerminalRole.POWER_INPUT,
                "3",
                List.of(),
                Figure.INPUT_OHMS,
                2400,
                Figure.OFF_VOLTS,
                8,
                Figure.ON_VOLTS,
                10),
            terminal("3", TerminalRole.COMMON_0V, null, List.of()),
            terminal(
                "4",
                TerminalRole.SOURCING_OUTPUT,
                "1",
                List.of("operated"),
                Figure.DROP_VOLTS,
                1.8,
                Figure.LEAKAGE_AMPERES,
                1e-4,
                Figure.LIMIT_AMPERES,
                0.2)));
    all.add(
        new PartSheet(
            VALVE,
            VALVE,
            List.of(
                terminal(
                    "A1",
                    TerminalRole.COIL,
                    "A2",
                    List.of(),
                    Figure.OHMS,
                    128,
                    Figure.PULL_IN_VOLTS,
                    20.4),
                terminal("A2", TerminalRole.JUNCTION, null, List.of())),
            List.of(),
            List.of()));
    return new SheetCatalogue(all);
  }

  private static PartSheet part(String id, Terminal... terminals) {
    return new PartSheet(id, id, List.of(terminals), List.of(), List.of("free", "operated"));
  }

  private static Terminal terminal(
      String id, TerminalRole role, String common, List<String> closedIn, Object... figures) {
    Map<String, Double> electrical = new TreeMap<>();
    for (int i = 0; i < figures.length; i += 2) {
      electrical.put(((Figure) figures[i]).key(), ((Number) figures[i + 1]).doubleValue());
    }
    return new Terminal(id, id, role, common, electrical, closedIn);
  }

  /** Ends on opening contacts, home on a proximity switch, all wired. */
  static Project project() {
    Project bare =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            design(10, MoveLimits.of(50, 500)));
    for (String position : List.of("low", "high", "tied")) {
      bare = bare.with(new Part(position, position, POSITION, Map.of()));
    }
    bare = bare.with(new Part("home", "home", PROXIMITY, Map.of()));
    bare = bare.with(new Part("valve", "valve", VALVE, Map.of()));
    bare = bare.with(new Part("rs", "rs", "resistor-1800", Map.of()));
    bare = bare.with(new Part("rd", "rd", "resistor-1800", Map.of()));
    return Lines.plus(
        bare,
        "plc:24V – drive:ST+",
        "drive:ST- – rs:1",
        "rs:2 – plc:PT0",
        "plc:24V – drive:DR+",
        "drive:DR- – rd:1",
        "rd:2 – plc:PT1",
        "plc:24V – home:1",
        "home:3 – plc:0V",
        "home:4 – plc:DI0",
        "plc:24V – low:11",
        "low:12 – plc:DI1",
        "plc:24V – high:11",
        "high:12 – plc:DI2",
        "plc:24V – tied:23",
        "tied:24 – plc:DI3",
        "plc:24V – valve:A1",
        "valve:A2 – plc:DS0");
  }

  static MotionDesign design(double creep, MoveLimits limits) {
    MotionDesign sound =
        FixtureSteppers.design(
            AxisScaling.direct(400, new BigDecimal(5), MeasureUnit.MILLIMETRE),
            new StepDesign(
                CoilConnection.SERIES,
                36,
                0,
                32,
                creep,
                List.of(
                    new PlacedSwitch("home", SwitchUse.HOME, HOME_FROM, HOME_TO),
                    new PlacedSwitch("low", SwitchUse.LOW_END, LOW_STOP, LOW_END),
                    new PlacedSwitch("high", SwitchUse.HIGH_END, HIGH_END, HIGH_STOP))));
    MoveSequence was = sound.moves();
    return sound.withMoves(new MoveSequence(was.start(), limits, was.steps(), was.times()));
  }

  static Project with(Project project, MotionDesign design) {
    return project.with(project.axes().get(0).withMotion(design));
  }

  static SequenceDesign sequence(String words) {
    Map<String, TerminalRef> signals = new LinkedHashMap<>();
    signals.put("home", Lines.ref("plc:DI0"));
    signals.put("low end", Lines.ref("plc:DI1"));
    signals.put("tied", Lines.ref("plc:DI3"));
    signals.put("valve", Lines.ref("plc:DS0"));
    return new SequenceDesign(
        Lines.AXIS, "Feed", words, signals, List.of(new Response("tied", "valve", 0.4, 0.3)));
  }

  static AxisAssembly axis(Project project) {
    return Lines.axis(sheets(), project);
  }

  static Plant plant(Project project, SequenceDesign design) {
    return Plant.of(project, sheets(), axis(project), design);
  }

  static SequencePlayed play(Project project, String words, PlantSchedule schedule) {
    return SequencePlay.run(plant(project, sequence(words)), schedule, () -> false);
  }

  static SequencePlayed play(Project project, double from) {
    return play(project, WORDS, PlantSchedule.started(from, 60));
  }
}

package unimotus.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveIdentity;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveRatings;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.EntryProcedure;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.NumberSetting;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StatusText;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;

/**
 * A sound axis to start from: a 4–20 mA conveyor that every rule is content with. Tests change the
 * one thing they are about.
 */
public final class Fixtures {
  /** A four-pole 4 kW motor whose plate hangs together. */
  public static final InductionPlate PLATE =
      new InductionPlate(4000, 400, 8.05, 50, 1456, 0.81, 1.0, 0.0135);

  private static final List<String> RANGES =
      List.of("0-10 V", "±10 V", "2-10 V", "0-5 V", "0-20 mA", "4-20 mA");
  private static final List<String> FULL_SCALES = List.of("27648", "32767", "4095", "1000");

  private Fixtures() {}

  public static ControllerSheet controllerSheet() {
    return new ControllerSheet(
        "test-controller",
        "Test controller",
        List.of(
            terminal("24V", TerminalRole.SUPPLY_24V, "0V"),
            terminal("0V", TerminalRole.COMMON_0V, null),
            terminal("DO0", TerminalRole.SOURCING_OUTPUT, "24V"),
            terminal("DO1", TerminalRole.SOURCING_OUTPUT, "24V"),
            terminal("DS0", TerminalRole.SINKING_OUTPUT, "0V"),
            terminal("RC", TerminalRole.RELAY_COMMON, null),
            new Terminal(
                "RO", "RO", TerminalRole.RELAY_CONTACT, "RC", Map.of("leastAmperes", 0.001)),
            new Terminal(
                "ROP", "ROP", TerminalRole.RELAY_CONTACT, "RC", Map.of("leastAmperes", 0.1)),
            new Terminal(
                "DOT", "DOT", TerminalRole.SOURCING_OUTPUT, "24V", Map.of("leakageAmperes", 0.004)),
            terminal("DI0", TerminalRole.DIGITAL_INPUT, "0V"),
            terminal("AO0", TerminalRole.ANALOG_OUTPUT, "AO0-"),
            terminal("AO0-", TerminalRole.ANALOG_COMMON, null),
            terminal("AI0", TerminalRole.ANALOG_INPUT, "AI0-"),
            terminal("AI0-", TerminalRole.ANALOG_COMMON, null)),
        List.of(
            selector("AO0.range", SelectorRole.CHANNEL_RANGE, "AO0", RANGES),
            selector("AO0.fs", SelectorRole.RAW_FULL_SCALE, "AO0", FULL_SCALES),
            selector("AI0.range", SelectorRole.CHANNEL_RANGE, "AI0", RANGES),
            selector("AI0.fs", SelectorRole.RAW_FULL_SCALE, "AI0", FULL_SCALES)),
        16);
  }

  public static DriveSheet driveSheet() {
    List<SettingDefinition> settings = new ArrayList<>();
    settings.add(
        number("P1", SettingRole.MOTOR_CURRENT, null, MeasureUnit.AMPERE_UNIT, 0.1, 20, 8.05));
    settings.add(number("P2", SettingRole.MOTOR_POLES, null, MeasureUnit.ONE, 2, 12, 4));
    settings.add(
        number("P3", SettingRole.OVERLOAD_CURRENT, null, MeasureUnit.AMPERE_UNIT, 0.1, 20, 8.05));
    settings.add(
        number("P4", SettingRole.MINIMUM_FREQUENCY, null, MeasureUnit.HERTZ_UNIT, 0, 400, 0));
    settings.add(
        number("P5", SettingRole.MAXIMUM_FREQUENCY, null, MeasureUnit.HERTZ_UNIT, 1, 400, 50));
    settings.add(
        number("P6", SettingRole.CURRENT_LIMIT, null, MeasureUnit.AMPERE_UNIT, 0.1, 20, 12));
    settings.add(
        number("P7", SettingRole.ACCELERATION_TIME, null, MeasureUnit.SECOND_UNIT, 0, 3600, 5));
    settings.add(
        number("P8", SettingRole.DECELERATION_TIME, null, MeasureUnit.SECOND_UNIT, 0, 3600, 5));
    settings.add(choice("P9", SettingRole.STOP_MODE, null, "ramp", "coast"));
    settings.add(choice("P10", SettingRole.COMMAND_SOURCE, null, "terminals", "keypad"));
    settings.add(choice("P11", SettingRole.REFERENCE_SOURCE, null, "AI1", "keypad"));
    settings.add(choice("P12", SettingRole.CONTROL_WIRING, null, "two-wire", "three-wire"));
    settings.add(choice("P13", SettingRole.RESTART_AT_POWER_UP, null, "blocked", "allowed"));
    settings.add(choice("P14", SettingRole.INPUT_LEVEL, null, "active-high", "active-low"));
    settings.add(choice("P15", SettingRole.SLIP_COMPENSATION, null, "off", "on"));
    settings.add(
        choice("P16", SettingRole.INPUT_FUNCTION, "DI1", "run-forward", "none", "enable", "start"));
    settings.add(
        choice(
            "P17",
            SettingRole.INPUT_FUNCTION,
            "DI2",
            "none",
            "run-reverse",
            "enable",
            "start-delayed",
            "pulse-reference",
            "manual-request"));
    settings.add(choice("P27", SettingRole.MANUAL_OWNER, null, "terminals", "fieldbus"));
    settings.add(
        choice("P18", SettingRole.ANALOG_RANGE, "AI1", "4-20 mA", "0-20 mA", "0-10 V", "±10 V"));
    settings.add(
        number("P19", SettingRole.FREQUENCY_AT_LOW, "AI1", MeasureUnit.HERTZ_UNIT, 0, 400, 0));
    settings.add(
        number("P20", SettingRole.FREQUENCY_AT_HIGH, "AI1", MeasureUnit.HERTZ_UNIT, 1, 400, 50));
    settings.add(choice("P21", SettingRole.ANALOG_INVERT, "AI1", "off", "on"));
    settings.add(number("P22", SettingRole.DEAD_BAND, "AI1", MeasureUnit.PERCENT, 0, 50, 0));
    settings.add(choice("P23", SettingRole.LOSS_ACTION, "AI1", "fault", "none"));
    settings.add(choice("P24", SettingRole.ANSWER_RANGE, "AO1", "0-10 V", "4-20 mA"));
    settings.add(
        number("P25", SettingRole.ANSWER_FULL_SCALE, "AO1", MeasureUnit.HERTZ_UNIT, 1, 400, 50));
    settings.add(choice("P26", SettingRole.OUTPUT_FUNCTION, "FR", "healthy", "fault"));
    return new DriveSheet(
        "test-drive",
        "Test drive",
        new DriveKind.Frequency(List.of(MotorKind.INDUCTION)),
        List.of(
            terminal("P24", TerminalRole.SUPPLY_24V, "COM"),
            terminal("COM", TerminalRole.INPUT_COMMON, null),
            terminal("DI1", TerminalRole.DIGITAL_INPUT, "COM"),
            terminal("DI2", TerminalRole.DIGITAL_INPUT, "COM"),
            terminal("AI1", TerminalRole.ANALOG_INPUT, "AG"),
            terminal("AG", TerminalRole.ANALOG_COMMON, null),
            terminal("AO1", TerminalRole.ANALOG_OUTPUT, "AG"),
            terminal("STO1", TerminalRole.SAFE_TORQUE_OFF, null),
            terminal("STO2", TerminalRole.SAFE_TORQUE_OFF, null),
            terminal("FC", TerminalRole.RELAY_COMMON, null),
            terminal("FR", TerminalRole.RELAY_CONTACT, "FC")),
        List.of(
            selector("logic", SelectorRole.INPUT_LOGIC, null, List.of("source", "sink")),
            selector("AI1.kind", SelectorRole.INPUT_KIND, "AI1", List.of("current", "voltage")),
            selector("jumper", SelectorRole.STO_JUMPER, null, List.of("fitted", "removed"))),
        12,
        new DriveRatings(4000, 9.5, 400, 1.5, 60),
        settings,
        null,
        null,
        null,
        null,
        null,
        null,
        null);
  }

  /** The usual drive with more settings, and with rules about them. */
  public static DriveSheet driveSheet(List<SettingDefinition> more, List<SettingRule> rules) {
    List<SettingDefinition> settings = new ArrayList<>(driveSheet().settings());
    settings.addAll(more);
    return driveSheetOf(settings, rules);
  }

  /** A holding register that may be read and written, of any value. */
  public static RegisterEntry register(
      String name, int address, ValueType type, double scale, String unit) {
    return new RegisterEntry(
        DriveValue.named(
            name, type, Scaling.of(scale, unit), new Limits(-1e9, 1e9), Access.READ_WRITE),
        RegisterPlace.of(RegisterTable.HOLDING_REGISTER, address));
  }

  /** The usual drive with these settings alone, and with rules about them. */
  public static DriveSheet driveSheetOf(List<SettingDefinition> settings, List<SettingRule> rules) {
    DriveSheet usual = driveSheet();
    return new DriveSheet(
        usual.id(),
        usual.name(),
        usual.driveKind(),
        usual.terminals(),
        usual.selectors(),
        usual.converterBits(),
        usual.ratings(),
        settings,
        null,
        rules,
        null,
        null,
        null,
        null,
        null);
  }

  /**
   * A sheet with what it tells of identity, display and guarded entries put in; null for nothing.
   */
  public static DriveSheet telling(
      DriveSheet usual,
      @Nullable DriveIdentity identity,
      @Nullable List<StatusText> texts,
      @Nullable List<EntryProcedure> procedures) {
    return new DriveSheet(
        usual.id(),
        usual.name(),
        usual.driveKind(),
        usual.terminals(),
        usual.selectors(),
        usual.converterBits(),
        usual.ratings(),
        usual.settings(),
        usual.menu(),
        usual.rules(),
        usual.power(),
        identity,
        texts,
        procedures,
        null);
  }

  /** The axis of a project with another sheet for its drive. */
  public static AxisAssembly assembly(Project project, DriveSheet sheet) {
    SheetCatalogue sheets = new SheetCatalogue(List.of(controllerSheet(), sheet));
    return AxisAssembly.of(project, sheets, axis(project)).orElseThrow();
  }

  public static SheetCatalogue sheets() {
    return new SheetCatalogue(
        List.of(controllerSheet(), driveSheet(), selectorSheet(), relaySheet(), supplySheet()));
  }

  /** A selector off – hand – auto with one contact that closes in hand. */
  public static PartSheet selectorSheet() {
    return new PartSheet(
        "test-selector",
        "Test selector",
        List.of(
            terminal("3", TerminalRole.RELAY_COMMON, null),
            new Terminal("4", "4", TerminalRole.RELAY_CONTACT, "3", Map.of(), List.of("hand")),
            new Terminal("6", "6", TerminalRole.RELAY_CONTACT, "3", Map.of(), List.of("hand"))),
        List.of(),
        List.of("off", "hand", "auto"));
  }

  /** A relay with a changeover contact. */
  public static PartSheet relaySheet() {
    return new PartSheet(
        "test-relay",
        "Test relay",
        List.of(
            terminal("A1", TerminalRole.COIL, "A2"),
            terminal("A2", TerminalRole.JUNCTION, null),
            terminal("11", TerminalRole.RELAY_COMMON, null),
            new Terminal(
                "12", "12", TerminalRole.RELAY_CONTACT, "11", Map.of(), List.of("released")),
            new Terminal(
                "14", "14", TerminalRole.RELAY_CONTACT, "11", Map.of(), List.of("energised"))),
        List.of(),
        List.of("released", "energised"));
  }

  /** A supply with a mains selector. */
  public static PartSheet supplySheet() {
    return new PartSheet(
        "test-supply",
        "Test supply",
        List.of(
            terminal("+", TerminalRole.SUPPLY_24V, "-"),
            terminal("-", TerminalRole.COMMON_0V, null)),
        List.of(
            selector("mains", SelectorRole.MAINS_VOLTAGE, null, List.of("230 V", "115 V")),
            selector("feed", SelectorRole.MAINS_FEED, null, List.of("230 V", "115 V"))),
        List.of());
  }

  /** A project with a panel part more. */
  public static Project withPart(Project project, String id, String sheet) {
    return project.with(new Part(id, id, sheet, Map.of()));
  }

  public static Project project() {
    Controller controller =
        new Controller("plc", "Controller", "test-controller", Map.of("AO0.range", "4-20 mA"));
    Drive drive = new Drive("drive", "Drive", "test-drive", Map.of(), Map.of());
    Motor motor = new Motor("motor", "Motor", PLATE);
    Axis axis =
        new Axis(
            "belt",
            "Belt",
            "",
            "plc",
            "drive",
            "motor",
            new Reference("AO0", "AI1", 0, 25, 0, 50, 27648, 0.05),
            new Answer("AO1", "AI0", 25, 27648),
            new Mechanics.Drum(91.5, 0.5),
            new Load(20, 60, 0, 0, 0.9));
    List<Wire> wires =
        List.of(
            wire("w1", "plc:DO0", "drive:DI1"),
            wire("w2", "plc:0V", "drive:COM"),
            wire("w3", "plc:AO0", "drive:AI1"),
            wire("w4", "plc:AO0-", "drive:AG"),
            wire("w5", "drive:AO1", "plc:AI0"),
            wire("w6", "drive:AG", "plc:AI0-"));
    return new Project(
        "Test line",
        List.of(controller),
        List.of(drive),
        List.of(),
        List.of(motor),
        List.of(axis),
        wires,
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  /** A reference in holding register 1, in steps of {@code scale}. */
  public static RegisterEntry reference(ValueType type, double scale, String unit, double most) {
    return new RegisterEntry(
        DriveValue.named(
            "Frequency reference",
            type,
            Scaling.of(scale, unit),
            new Limits(0, most),
            Access.READ_WRITE),
        new RegisterPlace(RegisterTable.HOLDING_REGISTER, 1, WordOrder.ABCD, "command"));
  }

  /** The belt without analog channels: its reference goes into a register. */
  public static Project overRegister(RegisterEntry entry) {
    Project analog = project();
    Project project = withReference(analog, axis(analog).reference().withTerminals(null, null));
    DriveRecord record = project.record("drive");
    return project.with(record.withFieldbus(record.fieldbus().withRegisters(List.of(entry))));
  }

  public static AxisAssembly assembly() {
    return assembly(project());
  }

  public static AxisAssembly assembly(Project project) {
    return AxisAssembly.of(project, sheets(), project.axes().get(0)).orElseThrow();
  }

  public static Axis axis(Project project) {
    return project.axes().get(0);
  }

  public static Project withSetting(Project project, String code, double value) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Number(value)));
  }

  public static Project withSetting(Project project, String code, String value) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Choice(value)));
  }

  public static Project withDriveSelector(Project project, String id, String position) {
    return project.with(project.drives().get(0).withSelector(id, position));
  }

  public static Project withChannel(Project project, String id, String position) {
    return project.with(project.controllers().get(0).withSelector(id, position));
  }

  public static Project without(Project project, String wireId) {
    return project.withWires(project.wires().stream().filter(w -> !w.id().equals(wireId)).toList());
  }

  public static Project withPlate(Project project, InductionPlate plate) {
    return project.with(project.motors().get(0).withPlate(plate));
  }

  public static Project withReference(Project project, Reference reference) {
    return project.with(axis(project).withReference(reference));
  }

  public static Wire wire(String id, String from, String to) {
    return new Wire(id, ref(from), ref(to));
  }

  public static TerminalRef ref(String text) {
    String[] halves = text.split(":");
    return new TerminalRef(halves[0], halves[1]);
  }

  private static Terminal terminal(String id, TerminalRole role, String common) {
    return new Terminal(id, id, role, common, Map.of());
  }

  private static Selector selector(
      String id, SelectorRole role, String terminal, List<String> options) {
    return new Selector(id, id, role, terminal, options, options.get(0));
  }

  public static NumberSetting number(
      String code,
      SettingRole role,
      String terminal,
      MeasureUnit unit,
      double low,
      double high,
      double usual) {
    return new NumberSetting(code, role.name(), "all", role, terminal, unit, low, high, usual);
  }

  public static ChoiceSetting choice(
      String code, SettingRole role, String terminal, String... options) {
    return new ChoiceSetting(
        code,
        role.name(),
        "all",
        role,
        terminal,
        List.of(options).stream().map(o -> new ChoiceSetting.Option(o, o)).toList(),
        options[0]);
  }
}

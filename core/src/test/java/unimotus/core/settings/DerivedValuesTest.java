package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.ChoiceSetting;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.EntryProcedure;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;

/** What follows from plate, reference and load for a drive's settings, each worked by hand. */
class DerivedValuesTest {
  private static Project line() {
    Project project = Lines.bare("controller-modular", "terminal-drive-4kw");
    return project.with(
        project
            .axes()
            .get(0)
            .withReference(new Reference("AO0", "AI1", 0, 25, 0, 50, 27648, 0.05))
            .withAnswer(new Answer("AO1", "AI0", 25, 27648)));
  }

  private static Map<String, DerivedSetting> derived(AxisAssembly axis) {
    Map<String, DerivedSetting> all = new LinkedHashMap<>();
    DerivedSettings.withReasons(axis).forEach(d -> all.put(d.setting().code(), d));
    return all;
  }

  private static Map<String, DerivedSetting> derived(Project project) {
    return derived(Lines.axis(project));
  }

  private static Project plate(InductionPlate plate) {
    return Fixtures.withPlate(line(), plate);
  }

  private static double number(DerivedSetting d) {
    return ((SettingValue.Number) d.value()).value();
  }

  private static String word(DerivedSetting d) {
    return ((SettingValue.Choice) d.value()).value();
  }

  @Test
  void thePlateIsCopiedInTheUnitsOfTheDrive() {
    Map<String, DerivedSetting> d = derived(line());
    assertThat(number(d.get("M10"))).as("4000 W in kW").isCloseTo(4, within(1e-9));
    assertThat(number(d.get("M11"))).isEqualTo(400);
    assertThat(number(d.get("M12"))).isEqualTo(8.05);
    assertThat(number(d.get("M13"))).isEqualTo(50);
    assertThat(number(d.get("M14"))).isEqualTo(1456);
    assertThat(number(d.get("M15"))).isEqualTo(4);
    assertThat(number(d.get("M16"))).isEqualTo(8.05);
    assertThat(number(d.get("L21"))).isEqualTo(50);
    assertThat(d.get("M15").reason()).contains("pole count");
    assertThat(d.get("M15").sum().text()).contains("IEC 60034-1");
    assertThat(d.get("M16").reason()).contains("exactly");
    assertThat(d.get("M12").sum().text()).contains("current: 8.05 A");
    assertThat(d.keySet()).startsWith("M10", "M11", "M12", "M13", "M14", "M15", "A02");
  }

  /** 50 and 60 Hz rewrite; between them 55 decides, and a spindle's 100 Hz is no mains. */
  @ParameterizedTest
  @CsvSource({
    "50, 1456, 50",
    "54, 1560, 50",
    "56, 1620, 60",
    "60, 1750, 60",
    "64, 1850, 60",
    "65, 1890, 50",
    "100, 2950, 50"
  })
  void theBaseFollowsThePlate(double hertz, double rpm, String base) {
    InductionPlate plate = new InductionPlate(4000, 400, 8.05, hertz, rpm, 0.81, 1, 0.0135);
    assertThat(word(derived(plate(plate)).get("A02"))).isEqualTo(base);
  }

  /** A plate whose speed no pole count explains tells none. */
  @Test
  void anImpossibleSpeedTellsNoPoles() {
    InductionPlate two = new InductionPlate(4000, 400, 8.05, 50, 2950, 0.81, 1, 0.0135);
    assertThat(number(derived(plate(two)).get("M15"))).isEqualTo(2);
    InductionPlate none = new InductionPlate(4000, 400, 8.05, 50, 3000, 0.81, 1, 0.0135);
    assertThat(derived(plate(none))).doesNotContainKey("M15");
  }

  @Test
  void theCurveFollowsTheLoad() {
    Project fan = line().with(line().axes().get(0).withLoad(new Load(1, 0, 0, 1e-5, 1)));
    assertThat(word(derived(fan).get("M19"))).isEqualTo("quadratic");
    assertThat(derived(fan).get("M19").reason()).contains("square of the speed");
    assertThat(word(derived(line()).get("M19"))).isEqualTo("constant");
    assertThat(derived(line()).get("M19").reason()).contains("at any speed");
  }

  @Test
  void commandsAndReferenceComeOverWires() {
    Map<String, DerivedSetting> d = derived(line());
    assertThat(word(d.get("C40"))).isEqualTo("terminals");
    assertThat(word(d.get("C41"))).isEqualTo("AI1");
    assertThat(word(d.get("I60"))).isEqualTo("0-10 V");
    assertThat(d.get("I60").reason()).isEqualTo("AO0 of the controller sends 0-10 V.");
    assertThat(d).doesNotContainKeys("I65", "I70", "I72");
    assertThat(number(d.get("I61"))).isZero();
    assertThat(number(d.get("I62"))).isEqualTo(50);
    assertThat(d.get("I62").reason()).contains("by 100 %");
    assertThat(d.get("I61").sum().text()).contains("at 0 %: 0 Hz");
    Map<String, DerivedSetting> live =
        derived(Fixtures.withChannel(line(), "AO0.range", "4-20 mA"));
    assertThat(word(live.get("I60"))).isEqualTo("4-20 mA");
    assertThat(word(live.get("I65"))).as("a lost live zero faults").isEqualTo("fault");
    Project unwired =
        Fixtures.withReference(line(), new Reference(null, null, 0, 25, 0, 50, 27648, 0.05));
    assertThat(derived(unwired)).doesNotContainKeys("C41", "I60", "I61", "I62");
    Project far =
        Fixtures.withReference(line(), new Reference(null, "AI1", 0, 25, 5, 40, 27648, 0.05));
    assertThat(derived(far)).containsKeys("C41", "I61", "I62").doesNotContainKey("I60");
    assertThat(number(derived(far).get("I61"))).isEqualTo(5);
    assertThat(number(derived(far).get("L21"))).isEqualTo(40);
  }

  @Test
  void theAnswerIsSetToWhatTheControllerReads() {
    Map<String, DerivedSetting> d = derived(Fixtures.withChannel(line(), "AI0.range", "4-20 mA"));
    assertThat(word(d.get("O80"))).isEqualTo("4-20 mA");
    assertThat(d.get("O80").reason()).isEqualTo("AI0 of the controller reads 4-20 mA.");
    assertThat(number(d.get("O81"))).isEqualTo(50);
    assertThat(d.get("O81").sum().text()).contains("full scale: 50 Hz");
    Project half = line().with(line().axes().get(0).withAnswer(new Answer("AO1", null, 25, 27648)));
    assertThat(derived(half)).doesNotContainKeys("O80", "O81");
    Project other =
        line().with(line().axes().get(0).withAnswer(new Answer(null, "AI0", 25, 27648)));
    assertThat(derived(other)).doesNotContainKeys("O80", "O81");
  }

  /** A value the drive does not take is not derived: 600 A is beyond its 12 A. */
  @Test
  void whatTheDriveDoesNotTakeIsLeftOut() {
    InductionPlate large = new InductionPlate(4000, 400, 600, 50, 1456, 0.81, 1, 0.0135);
    assertThat(derived(plate(large))).doesNotContainKeys("M12", "M16").containsKey("M11");
    assertThat(DerivedSettings.of(Lines.axis(line())))
        .containsKeys("M12", "C40")
        .hasSize(derived(line()).size());
  }

  /**
   * By hand: I_m² = I²·(1 − cos²φ) … at the limit of the plate current the motor gives its rated
   * torque of 26.2 N·m; J = 0.0135 + m·r² behind the gear; least ramp J·ω/T.
   */
  @Test
  void rampsFollowLoadAndLimit() {
    Project loaded = line().with(line().axes().get(0).withLoad(new Load(8000, 60, 0, 0, 1)));
    Map<String, DerivedSetting> d = derived(loaded);
    double inertia = 0.0135 + 8000 / 1600.0;
    double speed = 1500 * 2 * Math.PI / 60;
    double rated = 4000 / (1456 * 2 * Math.PI / 60);
    double down = inertia * speed / rated;
    double up = inertia * speed / (rated - 60 / 40.0);
    DerivedSetting ramp = d.get("R31");
    assertThat(ramp.sum().steps().get(0).value()).isCloseTo(rated, within(0.02 * rated));
    assertThat(ramp.sum().steps().get(1).value()).isCloseTo(down, within(0.02 * down));
    assertThat(number(ramp)).isEqualTo(Math.ceil(1.5 * ramp.sum().steps().get(1).value()));
    assertThat(d.get("R30").sum().steps().get(1).value()).isCloseTo(up, within(0.02 * up));
    assertThat(ramp.sum().text())
        .contains("half as long again, counted to the ramp base, whole seconds")
        .contains("1.5·");
    Project patient = Fixtures.withSetting(Fixtures.withSetting(loaded, "R31", 300), "R30", 300);
    assertThat(number(derived(patient).get("R31"))).as("long enough, as it stands").isEqualTo(300);
    assertThat(derived(patient).get("R31").reason()).startsWith("Long enough");
    // At twice the limit there is more torque, and the ramp may be shorter.
    Project strong = Fixtures.withSetting(loaded, "L22", 14);
    assertThat(number(derived(strong).get("R31"))).isLessThan(number(ramp));
    // A load the motor cannot lift at its limit has no ramp up.
    Project stuck = line().with(line().axes().get(0).withLoad(new Load(10, 2000, 0, 0, 1)));
    assertThat(derived(stuck)).doesNotContainKey("R30").containsKey("R31");
  }

  @Test
  void theCurrentLimitShowsBothSchools() {
    InductionPlate factor = new InductionPlate(4000, 400, 8, 50, 1456, 0.81, 1.15, 0.0135);
    DerivedSetting limit = derived(plate(factor)).get("L22");
    assertThat(number(limit)).as("8 A at 1.15").isCloseTo(9.2, within(1e-9));
    assertThat(limit.sum().steps()).hasSize(3);
    assertThat(limit.sum().steps().get(0).value())
        .as("9.5 A at 1.5")
        .isCloseTo(14.25, within(1e-9));
    assertThat(limit.sum().steps().get(2).text()).contains("8·1.15");
    // Without load and inertia of its own it needs the magnetising current and its rotor's ramp.
    double needs = limit.sum().steps().get(1).value();
    assertThat(needs).isBetween(4.0, 8.0);
    Project heavy =
        plate(factor).with(plate(factor).axes().get(0).withLoad(new Load(8000, 60, 0, 0, 1)));
    assertThat(derived(heavy).get("L22").sum().steps().get(1).value()).isGreaterThan(2 * needs);
  }

  /** The macro that leaves least to enter, where one of them helps. */
  @Test
  void aMacroIsChosenForWhatItSaves() {
    Project live = Fixtures.withChannel(line(), "AO0.range", "4-20 mA");
    DerivedSetting macro = derived(live).get("A01");
    assertThat(macro).isNotNull();
    assertThat(word(macro)).isIn("standard", "voltage-reference", "live-zero", "fan-and-pump");
    assertThat(macro.reason()).isNotBlank();
  }

  @Test
  void valuesAreWordedAsReadersAndDrivesShowThem() {
    SettingDefinition amps =
        Fixtures.number("P1", SettingRole.MOTOR_CURRENT, null, MeasureUnit.AMPERE_UNIT, 0, 20, 8);
    assertThat(SettingText.of(amps, new SettingValue.Number(8.05))).isEqualTo("8.05 A");
    ChoiceSetting mode =
        new ChoiceSetting(
            "P9",
            "Stop",
            "all",
            SettingRole.STOP_MODE,
            null,
            List.of(
                new ChoiceSetting.Option("ramp", "1"), new ChoiceSetting.Option("coast", "coast")),
            "ramp");
    assertThat(SettingText.of(mode, new SettingValue.Choice("ramp"))).isEqualTo("ramp");
    assertThat(SettingText.of(mode, new SettingValue.Number(3), QuantityFormat.PLAIN))
        .isEqualTo("3");
    assertThat(SettingText.shown(mode, new SettingValue.Choice("ramp"))).isEqualTo("1 ramp");
    assertThat(SettingText.shown(mode, new SettingValue.Choice("coast"))).isEqualTo("coast");
    assertThat(SettingText.shown(mode, new SettingValue.Choice("other"))).isEqualTo("other");
    assertThat(SettingText.shown(amps, new SettingValue.Number(8))).isEqualTo("8 A");
  }

  /** Rules of a small drive: who rewrites whom, what is locked, confirmed, at standstill. */
  private static final List<SettingRule> RULES =
      List.of(
          new SettingRule.Rewrites(
              "X1",
              "fan",
              Map.of("P5", new SettingValue.Number(60), "P9", new SettingValue.Choice("coast"))),
          new SettingRule.Rewrites(
              "X2",
              null,
              Map.of("P5", new SettingValue.Number(50), "P10", new SettingValue.Choice("keypad"))),
          new SettingRule.Locked(List.of("P6"), "X3", "extended"),
          new SettingRule.Confirmed(List.of("P3"), 5),
          new SettingRule.AtStandstill(List.of("P2")),
          new SettingRule.OfTheLink(List.of("P27")),
          new SettingRule.SpoilsTuning(List.of("P1")));

  private static final DriveSheet SMALL =
      Fixtures.driveSheet(
          List.of(
              Fixtures.choice("X1", SettingRole.MACRO, null, "standard", "fan"),
              Fixtures.choice("X2", SettingRole.BASE_FREQUENCY, null, "50", "60"),
              Fixtures.choice("X3", SettingRole.ACCESS_LEVEL, null, "basic", "extended")),
          RULES);

  @Test
  void rulesAreReadFromTheSheet() {
    SettingGraph graph = new SettingGraph(SMALL);
    assertThat(graph.rewrites("X1")).containsExactlyInAnyOrder("P5", "P9");
    assertThat(graph.rewrites("P5")).isEmpty();
    assertThat(graph.rewriters("P5")).containsExactly("X1", "X2");
    assertThat(graph.rewriters("P9")).containsExactly("X1");
    assertThat(graph.rewriters("P1")).isEmpty();
    assertThat(graph.rewritten("X1", new SettingValue.Choice("standard"))).isEmpty();
    assertThat(graph.rewritten("X1", new SettingValue.Choice("fan"))).containsOnlyKeys("P5", "P9");
    assertThat(graph.rewritten("X2", new SettingValue.Choice("60"))).containsOnlyKeys("P5", "P10");
    assertThat(graph.lock("P6").orElseThrow().by()).isEqualTo("X3");
    assertThat(graph.lock("P5")).isEmpty();
    assertThat(graph.confirmSeconds("P3")).isEqualTo(5);
    assertThat(graph.confirmSeconds("P1")).isZero();
    assertThat(graph.needsStandstill("P2")).isTrue();
    assertThat(graph.needsStandstill("P1")).isFalse();
    assertThat(graph.isOfTheLink("P27")).isTrue();
    assertThat(graph.isOfTheLink("P1")).isFalse();
    assertThat(graph.spoilsTuning("P1")).isTrue();
    assertThat(graph.silences("X2", new SettingValue.Choice("60")))
        .as("back to the keypad")
        .isTrue();
    assertThat(graph.silences("X1", new SettingValue.Choice("fan"))).isFalse();
    assertThat(graph.silences("P10", new SettingValue.Choice("terminals"))).isFalse();
    assertThat(graph.letsStart("P10", new SettingValue.Choice("terminals"))).isTrue();
    assertThat(graph.letsStart("P10", new SettingValue.Choice("keypad"))).isFalse();
    assertThat(graph.letsStart("P11", new SettingValue.Choice("AI1"))).isTrue();
    assertThat(graph.letsStart("P1", new SettingValue.Number(5))).isFalse();
  }

  private static EntrySheet sheet(
      DriveSheet drive, Project project, Map<String, SettingValue> found) {
    Map<String, SettingValue> all = new LinkedHashMap<>(SettingGraph.works(drive));
    all.putAll(found);
    AxisAssembly axis = Fixtures.assembly(project, drive);
    return Habits.of(axis, DriveMemory.holding(drive, all), EntrySheet.Way.KEYPAD).difference();
  }

  private static EntryStep step(EntrySheet sheet, String code) {
    return sheet.steps().stream()
        .filter(s -> s.setting().code().equals(code))
        .findFirst()
        .orElseThrow();
  }

  /** Every entry says why it stands where it stands. */
  @Test
  void entriesSayWhyTheyStandThere() {
    Project fan = Fixtures.project();
    fan = fan.with(fan.drives().get(0).withSetting("X1", new SettingValue.Choice("fan")));
    fan =
        Fixtures.withSetting(
            Fixtures.withSetting(Fixtures.withSetting(fan, "P5", 45.0), "P6", 10.0), "P1", 7.0);
    fan = Fixtures.withSetting(Fixtures.withSetting(fan, "P3", 7.0), "P2", 6.0);
    EntrySheet sheet = sheet(SMALL, fan, Map.of());
    assertThat(step(sheet, "X1").why()).isEqualTo("before what it rewrites: P5, P9");
    assertThat(step(sheet, "P5").why()).isEqualTo("after X1, which rewrites it");
    assertThat(step(sheet, "P6").why()).isEqualTo("after X3, which locks it");
    assertThat(step(sheet, "X3").why()).isEqualTo("opens what is locked");
    assertThat(sheet.steps().get(sheet.steps().size() - 1).why())
        .isEqualTo("put back when all else is entered");
    assertThat(step(sheet, "P3").twice()).isTrue();
    assertThat(step(sheet, "P1").twice()).isFalse();
    assertThat(step(sheet, "P2").atStandstill()).isTrue();
    assertThat(step(sheet, "P1").atStandstill()).isFalse();
    for (int i = 0; i < sheet.steps().size(); i++) {
      assertThat(sheet.steps().get(i).number()).isEqualTo(i + 1);
    }
    assertThat(sheet.presses())
        .isEqualTo(sheet.steps().stream().mapToInt(EntryStep::presses).sum());
    assertThat(step(sheet, "P5").was())
        .as("as the macro left it")
        .isEqualTo(new SettingValue.Number(60));
  }

  /** The motor comes before what lets it start: command source last (common practice). */
  @Test
  void theMotorComesFirst() {
    Project design = Fixtures.withSetting(Fixtures.project(), "P1", 7.0);
    EntrySheet sheet =
        sheet(
            Fixtures.driveSheet(),
            design,
            Map.of(
                "P10",
                new SettingValue.Choice("keypad"),
                "P11",
                new SettingValue.Choice("keypad")));
    assertThat(step(sheet, "P1").why()).matches("the motor first: P1[01] lets it start");
    List<String> codes = sheet.steps().stream().map(s -> s.setting().code()).toList();
    assertThat(codes.indexOf("P1")).isLessThan(codes.indexOf("P10"));
    assertThat(step(sheet, "P10").why()).isEmpty();
  }

  /** A level that is opened for something already right is not opened at all. */
  @Test
  void nothingIsOpenedForNothing() {
    Project design = Fixtures.withSetting(Fixtures.project(), "P1", 7.0);
    EntrySheet sheet = sheet(SMALL, design, Map.of());
    assertThat(sheet.steps()).extracting(s -> s.setting().code()).containsExactly("P1");
    assertThat(sheet(SMALL, Fixtures.project(), Map.of()).steps()).isEmpty();
    assertThat(sheet(SMALL, Fixtures.project(), Map.of()).presses()).isZero();
  }

  /** A guarded entry brings its procedure, with the value as the display shows it. */
  @Test
  void aProcedureStandsBesideItsEntry() {
    DriveSheet usual = Fixtures.driveSheet();
    DriveSheet guarded =
        Fixtures.telling(
            usual,
            null,
            null,
            List.of(
                new EntryProcedure(
                    "P1", List.of(), List.of("Turn to {value}"), "ok", 0, "", List.of())));
    Project design =
        Fixtures.withSetting(Fixtures.withSetting(Fixtures.project(), "P1", 7.0), "P7", 8.0);
    EntrySheet sheet = sheet(guarded, design, Map.of());
    assertThat(step(sheet, "P1").procedure()).isEqualTo("1. Turn to 7 A. The display shows ok.");
    assertThat(step(sheet, "P7").procedure()).isEmpty();
  }
}

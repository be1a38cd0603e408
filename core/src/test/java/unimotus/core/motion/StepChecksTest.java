package unimotus.core.motion;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.FixtureSteppers;
import unimotus.core.Lines;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.StepDesign;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PullOutCurve;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StepperPlate;
import unimotus.core.sheet.Terminal;
import unimotus.core.way.LinkIntents;

/** Coils, switches, pulses and moves of axes on pulses: sound ones, wrong ones, unfinished ones. */
class StepChecksTest {
  private static Project sound() {
    return FixtureSteppers.bare(
        FixtureSteppers.PULSES, FixtureSteppers.OPEN_DRIVER, FixtureSteppers.sound());
  }

  private static List<Finding> check(Project project) {
    return StepChecks.check(FixtureSteppers.axis(project));
  }

  private static List<Finding> changed(UnaryOperator<MotionDesign> change) {
    return check(
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            change.apply(FixtureSteppers.sound())));
  }

  private static Finding only(List<Finding> found, Rule rule) {
    List<Finding> those = found.stream().filter(f -> f.rule() == rule).toList();
    assertThat(those).as(found.toString()).hasSize(1);
    return those.get(0);
  }

  private static UnaryOperator<MotionDesign> steps(UnaryOperator<StepDesign> change) {
    return d -> d.withSteps(change.apply(d.stepping()));
  }

  private static UnaryOperator<MotionDesign> moves(MoveLimits limits, MoveStep... steps) {
    return d ->
        d.withMoves(d.moves().with().limits(limits).steps(List.of(steps)).times(100).build());
  }

  private static StepAxis axis(Project project) {
    return StepAxis.of(FixtureSteppers.axis(project)).orElseThrow();
  }

  @Test
  void aSoundAxisHasNothingAgainstIt() {
    assertThat(check(sound())).filteredOn(f -> f.severity() != Severity.NOTE).isEmpty();
    StepAxis axis = axis(sound());
    assertThat(axis.pulsesPerTurn()).isEqualTo(400);
    assertThat(axis.peakHertz()).as("50 mm/s · 80 pulses/mm").isCloseTo(4000, within(1e-6));
  }

  /**
   * Handbook, section 10: 0.125 in a turn, 2000 pulses a turn: 300 mm are 188 976 pulses, one is
   * 1.5875 µm.
   */
  @Test
  void theScrewOfTheHandbook() {
    AxisScaling program = AxisScaling.direct(2000, new BigDecimal("3.175"), MeasureUnit.MILLIMETRE);
    Project bare =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            FixtureSteppers.EIGHT,
            new Mechanics.Screw(1, 0.003175),
            FixtureSteppers.sound().withProgramScaling(program));
    Project project = bare.with(bare.drives().get(0).withSelector("steps", "2000"));
    StepAxis axis = axis(project);
    assertThat(axis.scale().pulses(new BigDecimal(300)).whole()).isEqualTo(188_976);
    assertThat(axis.scale().travelPerPulse()).isCloseTo(1.5875e-3, within(1e-9));
    assertThat(check(project)).noneMatch(f -> f.rule() == Rule.SCALING_COPY);
  }

  /** Handbook, section 10: a move that is a neat ratio wrong is a microstep or unit mismatch. */
  @ParameterizedTest
  @CsvSource({"800, 0.5", "2000, 0.2", "200, 2"})
  void switchesThatStandOtherwise(String position, String ratio) {
    Project project = sound().with(sound().drives().get(0).withSelector("steps", position));
    Finding finding = only(check(project), Rule.SCALING_COPY);
    assertThat(finding.seen()).contains("counts %s times".formatted(ratio));
  }

  @Test
  void anInchForMillimetres() {
    Finding finding =
        only(
            changed(
                d ->
                    d.withProgramScaling(
                        AxisScaling.direct(400, new BigDecimal(127), MeasureUnit.MILLIMETRE))),
            Rule.SCALING_COPY);
    assertThat(finding.seen()).contains("inches against millimetres");
  }

  /** Handbook, section 10: 2.8 A in parallel, a driver with 2.7 A: choose 2.7. */
  @Test
  void theHighestSettingNotAboveTheRating() {
    UnaryOperator<MotionDesign> parallel = steps(s -> s.withCoils(CoilConnection.PARALLEL));
    Project bare =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            parallel.apply(FixtureSteppers.sound()));
    Project over = bare.with(bare.drives().get(0).withSelector("current", "2.9 A"));
    Finding finding = only(check(over), Rule.PHASE_CURRENT);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.seen()).contains("2.9 A").contains("2.8001 A");
    assertThat(finding.remedy()).contains("2.8 A: SW4");
    Project under = bare.with(bare.drives().get(0).withSelector("current", "1.4 A"));
    assertThat(only(check(under), Rule.PHASE_CURRENT).severity()).isEqualTo(Severity.NOTE);
  }

  /** A driver in peak amperes bears √2 of the plate's r.m.s. (common practice). */
  @Test
  void peakAgainstRms() {
    StepperPlate peak = FixtureSteppers.EIGHT.withAmperes(AmpereKind.PEAK);
    Project project =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            peak,
            new Mechanics.Screw(1, 0.005),
            FixtureSteppers.sound());
    assertThat(only(check(project), Rule.PHASE_CURRENT).seen())
        .as("1.4 A peak are 0.99 A r.m.s.")
        .contains("bear 0.99 A r.m.s.");
  }

  @Test
  void coilsThatCannotBe() {
    assertThat(only(changed(steps(s -> s.withCoils(null))), Rule.COILS).severity())
        .isEqualTo(Severity.WARNING);
    assertThat(only(changed(steps(s -> s.withCoils(CoilConnection.WHOLE))), Rule.COILS).seen())
        .contains("8 leads");
    assertThat(only(changed(steps(s -> s.withCoils(CoilConnection.UNIPOLAR))), Rule.COILS).why())
        .contains("short circuit");
  }

  @Test
  void supplyOfTheDriver() {
    assertThat(only(changed(steps(s -> s.withSupplyVolts(0))), Rule.STEP_SUPPLY).severity())
        .isEqualTo(Severity.WARNING);
    assertThat(only(changed(steps(s -> s.withSupplyVolts(60))), Rule.STEP_SUPPLY).seen())
        .contains("60 V")
        .contains("20 to 50 V");
    assertThat(only(changed(steps(s -> s.withSupplyVolts(12))), Rule.STEP_SUPPLY).severity())
        .isEqualTo(Severity.ERROR);
  }

  /** Handbook, sections 10 and 15.22: 16 bits end at 32 767 / 400 = 81 turns. */
  @Test
  void sixteenBitsEndAtEightyOneTurns() {
    UnaryOperator<MotionDesign> far =
        d -> d.withTravel(TravelRange.between(-10, 410)).withSteps(d.stepping().withWordBits(16));
    assertThat(only(changed(far), Rule.POSITION_BITS).seen()).contains("81 turns");
    assertThat(changed(d -> far.apply(d).withTravel(TravelRange.between(-10, 409))))
        .noneMatch(f -> f.rule() == Rule.POSITION_BITS);
  }

  /** 300 mm/s · 80 pulses/mm = 24 kHz; the output gives 20, the driver takes 200. */
  @Test
  void ratesOfOutputAndDriver() {
    Project wired =
        LinkIntents.planFirstAxis(
                FixtureSteppers.bare(
                    FixtureSteppers.PULSES,
                    FixtureSteppers.OPEN_DRIVER,
                    moves(MoveLimits.of(300, 500), new MoveStep.Absolute(250))
                        .apply(FixtureSteppers.sound())),
                FixtureSteppers.sheets(),
                "belt")
            .project();
    Finding finding = only(check(wired), Rule.PULSE_RATE);
    assertThat(finding.seen()).contains("24").contains("20").contains("output");
    List<Finding> fast = changed(moves(MoveLimits.of(3000, 5e5), new MoveStep.Absolute(250)));
    assertThat(only(fast, Rule.PULSE_RATE).seen()).contains("driver takes");
  }

  /**
   * The bare motor starts at 520 full steps a second; with J_L = 2e-5 on 4.8e-5 kg·m² at 520/√(1 +
   * 0.4167) = 437, which are 874 pulses at 400 a turn.
   */
  @Test
  void pullInFallsWithTheLoad() {
    assertThat(axis(sound()).pullInHertz().orElseThrow()).isCloseTo(873.8, within(0.5));
    assertThat(changed(steps(s -> s.withStartHertz(870))))
        .noneMatch(f -> f.rule() == Rule.START_RATE);
    assertThat(only(changed(steps(s -> s.withStartHertz(880))), Rule.START_RATE).seen())
        .contains("880 Hz");
  }

  /** A curve of 0.2 N·m up to 4000 and nothing at 4001 steps a second. */
  @Test
  void aMoveThatFallsOutOfStep() {
    StepperPlate weak =
        FixtureSteppers.EIGHT.withPullOut(
            new PullOutCurve(
                List.of(
                    new PullOutCurve.Point(0, 0.2),
                    new PullOutCurve.Point(1900, 0.1),
                    new PullOutCurve.Point(2100, 0.02)),
                false));
    Project project =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            weak,
            new Mechanics.Screw(1, 0.005),
            FixtureSteppers.sound());
    Finding finding = only(check(project), Rule.STEP_STALL);
    assertThat(finding.severity()).isEqualTo(Severity.ERROR);
    assertThat(finding.seen()).contains("its catalogue's curve");
  }

  /** A third of a millimetre is 26.667 pulses of 80 a millimetre: 0.33 pulses off each time. */
  @Test
  void whatRoundingLosesAddsUp() {
    Finding finding =
        only(
            changed(moves(MoveLimits.of(50, 500), new MoveStep.Incremental(0.33333))),
            Rule.PULSE_ROUNDING);
    assertThat(finding.seen()).contains("in 100");
    assertThat(changed(moves(MoveLimits.of(50, 500), new MoveStep.Incremental(0.5))))
        .noneMatch(f -> f.rule() == Rule.PULSE_ROUNDING);
  }

  @Test
  void whatIsMissingIsNamed() {
    assertThat(only(changed(d -> d.withProgramScaling(null)), Rule.SCALING_NOT_READ).remedy())
        .contains("Scaling");
    Project undesigned =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            FixtureSteppers.EIGHT,
            new Mechanics.Screw(1, 0.005),
            null);
    assertThat(only(check(undesigned), Rule.MOTION_UNKNOWN).seen()).contains("not entered yet");
    Project odd = sound().with(sound().drives().get(0).withSelector("steps", "777"));
    assertThat(only(check(odd), Rule.MOTION_UNKNOWN).seen()).contains("777");
    StepperPlate finer = new StepperPlate(48, 1.9, 1.98, 1.6, 0.0024, 8, 4.8e-5);
    Project other =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            finer,
            new Mechanics.Screw(1, 0.005),
            FixtureSteppers.sound());
    assertThat(axis(other).pulsesPerTurn()).as("2 pulses for each of 48 steps").isEqualTo(96);
    assertThat(only(changed(moves(MoveLimits.of(50, 500))), Rule.MOTION_UNKNOWN).seen())
        .contains("no moves");
    assertThat(
            only(
                    changed(moves(MoveLimits.of(50, 500), new MoveStep.Absolute(500))),
                    Rule.MOVE_RANGE)
                .seen())
        .contains("500");
  }

  /** 3 % of the 62.5 µs of 16 kHz are 1.9 µs; the input wants 2.5 µs on and off. */
  @Test
  void pulsesHaveToLast() {
    assertThat(rates(0.03, 2.5e-6)).containsExactly(Rule.PULSE_RATE);
    assertThat(rates(0.97, 2.5e-6)).as("off too shortly").containsExactly(Rule.PULSE_RATE);
    assertThat(rates(0.05, 2.5e-6)).isEmpty();
    assertThat(rates(0.03, 0)).as("its sheet is silent").isEmpty();
  }

  private static List<Rule> rates(double duty, double shortest) {
    SheetCatalogue sheets =
        changed(
            changed(FixtureSteppers.sheets(), FixtureSteppers.PULSES, "PT0", Figure.DUTY, duty),
            FixtureSteppers.OPEN_DRIVER,
            "ST+",
            Figure.SHORTEST_SECONDS,
            shortest);
    Project bare =
        FixtureSteppers.bare(
            FixtureSteppers.PULSES,
            FixtureSteppers.OPEN_DRIVER,
            moves(MoveLimits.of(200, 300), new MoveStep.Absolute(200))
                .apply(FixtureSteppers.sound()));
    Project wired =
        Lines.plus(
            bare.with(new Part("rs", "rs", "resistor-1800", Map.of())),
            "plc:24V – drive:ST+",
            "drive:ST- – rs:1",
            "rs:2 – plc:PT0");
    return StepChecks.check(Lines.axis(sheets, wired)).stream()
        .map(Finding::rule)
        .filter(r -> r == Rule.PULSE_RATE)
        .toList();
  }

  /** The sheets with a figure of one terminal set; 0 leaves it out. */
  private static SheetCatalogue changed(
      SheetCatalogue sheets, String sheet, String terminal, Figure figure, double value) {
    List<DeviceSheet> all = new ArrayList<>();
    for (DeviceSheet each : sheets.all(DeviceSheet.class)) {
      List<Terminal> terminals = new ArrayList<>();
      for (Terminal t : each.terminals()) {
        Map<String, Double> figures = new TreeMap<>(t.electrical());
        if (value > 0) {
          figures.put(figure.key(), value);
        }
        terminals.add(t.id().equals(terminal) ? t.withElectrical(figures) : t);
      }
      all.add(each.id().equals(sheet) ? each.withTerminals(terminals) : each);
    }
    return new SheetCatalogue(all);
  }
}

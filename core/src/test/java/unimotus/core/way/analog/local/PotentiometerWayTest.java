package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Prediction;
import unimotus.core.review.AxisReview;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.sheet.SettingRole;

/**
 * A potentiometer of 5 kΩ on the drive's 10 V: half way it has 5 V, less 1.2 % where the input
 * takes 100 kΩ (0.5/(1 + 0.25·5/100)); 50 Hz are 25 r/min of the drum.
 */
class PotentiometerWayTest {
  private static final double HALF_LOADED = 10 * 0.5 / (1 + 0.25 * 5 / 100);

  @ParameterizedTest
  @ValueSource(strings = {"pump-drive-5k5", "terminal-drive-4kw", "vector-drive-15kw"})
  void aWiredPotentiometerHasNothingToSay(String sheet) {
    Project project = Locals.potentiometer(sheet);
    assertThat(Locals.told(project)).as("%s", Locals.review(project).findings()).isEmpty();
    Project released = Lines.with(project, CommonLink.ENABLE);
    assertThat(Locals.review(released).obstacles().all()).isEmpty();
  }

  @Test
  void theWayIsKnobThenVoltsThenHertzThenTurns() {
    SignalPath path = Locals.review(Locals.potentiometer("pump-drive-5k5")).path();
    assertThat(path.has(Station.COUNTS)).as("no controller counts").isFalse();
    assertThat(path.value(Station.PERCENT, 12.5)).isEqualTo(50);
    assertThat(path.value(Station.SIGNAL, 12.5)).isCloseTo(HALF_LOADED, within(1e-9));
    assertThat(path.value(Station.FREQUENCY, 12.5)).isCloseTo(5 * HALF_LOADED, within(0.02));
    assertThat(path.value(Station.SIGNAL, 25)).isEqualTo(10);
    assertThat(path.value(Station.FREQUENCY, 25)).isEqualTo(50);
    assertThat(path.link().label(Station.PERCENT)).isEqualTo("Knob");
    assertThat(path.at(Station.NUMBER, 30).derivation(Station.PERCENT).steps())
        .anyMatch(s -> s.source().startsWith("knob: 0 to 25"));
  }

  @Test
  void voltsDisplayAndSpeedsArePredictedAndNothingOfAController() {
    Project project = Locals.potentiometer("terminal-drive-4kw");
    assertThat(Locals.predicted(project, "ref50.signal")).isCloseTo(HALF_LOADED, within(0.01));
    assertThat(Locals.predicted(project, "ref100.frequency")).isEqualTo(50);
    assertThat(Locals.predictions(Locals.review(project)))
        .extracting(Prediction::key)
        .noneMatch(k -> k.endsWith(".counts"));
    assertThat(Locals.predictions(Locals.review(project)))
        .filteredOn(p -> p.key().equals("ref50.signal"))
        .allMatch(p -> p.how().contains("knob turned to 50 %"));
  }

  @Test
  void endsExchangedTurnItRound() {
    Project right = Locals.potentiometer("pump-drive-5k5");
    Project turned = exchanged(right);
    assertThat(Locals.told(turned)).containsExactly("POTENTIOMETER_ENDS");
    assertThat(Locals.predicted(turned, "ref0.signal")).isCloseTo(10, within(0.02));
    assertThat(Locals.predicted(turned, "ref100.frequency")).isCloseTo(0, within(0.1));
    assertThat(Locals.predicted(turned, "ref25.frequency")).isCloseTo(37.3, within(0.5));
  }

  /** The two wires at the ends of the track, at the potentiometer. */
  static Project exchanged(Project project) {
    String part = part(project);
    TerminalRef lower = Lines.ref(part + ":3");
    TerminalRef upper = Lines.ref(part + ":1");
    return project.withWires(
        project.wires().stream()
            .map(w -> w.withEnds(turned(w.from(), lower, upper), turned(w.to(), lower, upper)))
            .toList());
  }

  private static TerminalRef turned(TerminalRef end, TerminalRef one, TerminalRef other) {
    return end.equals(one) ? other : end.equals(other) ? one : end;
  }

  static String part(Project project) {
    return project.parts().stream()
        .filter(p -> p.sheet().startsWith("potentiometer"))
        .map(Part::id)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void anOpenEndIsToldAndPredictedAsItIs() {
    Project right = Locals.potentiometer("pump-drive-5k5");
    Project noFeed = Lines.minus(right, part(right) + ":1");
    assertThat(Locals.told(noFeed)).containsExactly("POTENTIOMETER_TRAVEL");
    assertThat(Locals.predicted(noFeed, "ref100.signal")).isCloseTo(0, within(0.05));
    Project noReturn = Lines.minus(right, part(right) + ":3");
    assertThat(Locals.told(noReturn)).containsExactly("POTENTIOMETER_TRAVEL");
    assertThat(Locals.predicted(noReturn, "ref0.signal")).isBetween(9.4, 9.8);
    assertThat(Locals.predicted(noReturn, "ref0.frequency")).isBetween(47.0, 49.0);
  }

  @Test
  void anOpenWiperIsUnwiredAndNothingIsPredictedOfSpeeds() {
    Project right = Locals.potentiometer("pump-drive-5k5");
    Project open = Lines.minus(right, part(right) + ":2");
    assertThat(Locals.told(open)).containsExactly("REFERENCE_UNWIRED");
    assertThat(Locals.predictions(Locals.review(open)))
        .extracting(Prediction::key)
        .noneMatch(k -> k.endsWith(".frequency"));
  }

  @Test
  void aTrackOnTheInputsSupplyIsFullEarly() {
    Project right = Locals.potentiometer("terminal-drive-4kw");
    Project high =
        Lines.plus(Lines.minus(right, part(right) + ":1"), "drive:P24 – " + part(right) + ":1");
    high = joinedReturn(high);
    assertThat(Locals.told(high)).contains("POTENTIOMETER_TRAVEL");
    assertThat(Locals.predicted(high, "ref50.frequency")).as("12 V at half").isEqualTo(50);
  }

  /** The 24 V and the analog inputs count from one zero. */
  private static Project joinedReturn(Project project) {
    return Lines.plus(project, "drive:COM – drive:AG");
  }

  @Test
  void anInputForMilliampsLoadsTheWiper() {
    Project right = Locals.potentiometer("pump-drive-5k5");
    String input = right.axes().get(0).reference().input();
    Project current = right.with(right.drives().get(0).withSelector(input + ".kind", "current"));
    assertThat(Locals.told(current)).contains("INPUT_SELECTOR");
    double half = Locals.predicted(current, "ref50.signal");
    assertThat(half).as("250 Ω beside 2.5 kΩ").isCloseTo(10 * 0.5 / (1 + 0.25 * 20), within(0.1));
  }

  @Test
  void anotherSourceIsAnError() {
    Project other = Locals.set(Locals.potentiometer("pump-drive-5k5"), "W16", "keypad");
    assertThat(Locals.told(other)).containsExactly("REFERENCE_SOURCE");
    AxisReview review = Locals.review(other);
    assertThat(review.findings())
        .anyMatch(f -> f.seen().contains("from keypad, it is set by the potentiometer"));
    assertThat(review.obstacles().hinderMotion()).isTrue();
  }

  @Test
  void whatFollowsForTheDriveIsZeroToTenVoltsFromThatInput() {
    var derived =
        DerivedSettings.withReasons(Lines.axis(Locals.potentiometer("terminal-drive-4kw")));
    assertThat(derived)
        .filteredOn(d -> d.setting().role() == SettingRole.ANALOG_RANGE)
        .extracting(d -> d.value().toString())
        .singleElement()
        .asString()
        .contains("0-10 V");
    assertThat(derived)
        .filteredOn(d -> d.setting().role() == SettingRole.REFERENCE_SOURCE)
        .hasSize(1);
  }

  @Test
  void aPotentiometerAndAnOutputOfTheControllerExcludeEachOther() {
    Project both =
        Locals.with(Locals.potentiometer("pump-drive-5k5"), r -> r.withTerminals("AO0", r.input()));
    assertThat(Locals.review(both).signalPath()).isEmpty();
    assertThat(Locals.review(both).whyNoPath()).contains("AO0");
  }

  @Test
  void anAnalogReferenceTakesThePotentiometersPlaceAndLeavesItsInput() {
    Project project = Locals.potentiometer("terminal-drive-4kw");
    Project analog = Lines.with(project, Links.ANALOG_REFERENCE);
    var reference = analog.axes().get(0).reference();
    assertThat(reference.local()).isNull();
    assertThat(reference.input()).isNotEqualTo(project.axes().get(0).reference().input());
  }

  @Test
  void theKeypadIsHertzAndLimitsAlone() {
    Project project = Locals.keypad("pump-drive-5k5");
    assertThat(project.axes().get(0).reference().local()).isEqualTo(LocalReference.KEYPAD);
    assertThat(Locals.told(project)).isEmpty();
    SignalPath path = Locals.review(project).path();
    assertThat(path.value(Station.COUNTS, 12.5)).isEqualTo(25);
    assertThat(path.value(Station.COUNTS, 12.52))
        .as("steps of a tenth")
        .isCloseTo(25, within(1e-9));
    assertThat(path.value(Station.FREQUENCY, 25)).isEqualTo(50);
    assertThat(path.has(Station.SIGNAL)).isFalse();
    assertThat(Locals.predicted(project, "ref75.counts")).isCloseTo(37.5, within(1e-9));
    assertThat(Locals.review(project).obstacles().all()).isEmpty();
  }

  @Test
  void aKeypadBehindAClampOrBesideATerminalIsTold() {
    Project project = Locals.keypad("terminal-drive-4kw");
    String maximum =
        Lines.axis(project)
            .driveSheet()
            .setting(SettingRole.MAXIMUM_FREQUENCY)
            .orElseThrow()
            .code();
    assertThat(Locals.told(Locals.set(project, maximum, 40))).containsExactly("CLAMPED_MAXIMUM");
    assertThat(Locals.predicted(Locals.set(project, maximum, 40), "ref100.frequency"))
        .isEqualTo(40);
    Project both = Locals.with(project, r -> r.withTerminals(null, "AI1"));
    assertThat(Locals.review(both).whyNoPath()).contains("AI1");
  }
}

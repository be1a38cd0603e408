package unimotus.core.way.preset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.DesignDigest;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.review.AxisReview;
import unimotus.core.settings.DerivedSettings;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.way.Designs;
import unimotus.core.wiring.Meanings;

/**
 * Preset speeds of each school: inputs count 1, 2, 4, 8 and add up, or the closed one gives its
 * number; any closed input overrides the reference, or the presets have to be the source (common
 * practice). Soak 10, dry 17.5, purge 25 r/min are 20, 35 and 50 Hz of an axis of 2 Hz a turn.
 */
class PresetWayTest {
  private static final Preset SOAK = new Preset(1, "soak", 10);
  private static final Preset DRY = new Preset(2, "dry", 17.5);
  private static final Preset PURGE = new Preset(3, "purge", 25);

  private static Project fan() {
    return Presets.entered(Presets.axis(Presets.OVERRIDING, 2, SOAK, DRY, PURGE), 20, 35, 50);
  }

  private static double hertz(SignalPath path, double speed) {
    return path.value(Station.FREQUENCY, speed);
  }

  @Test
  void aSoundAxisOnPresetsAloneHasNothingToSayAboutThem() {
    assertThat(Presets.told(fan())).isEmpty();
    AxisReview review = Presets.review(fan());
    assertThat(review.beside()).as("the only chain is the main one").isEmpty();
    assertThat(review.signalPath().orElseThrow().link().label()).isEqualTo("preset inputs");
  }

  /** Nothing analog is there, so nothing analog is missed or predicted. */
  @Test
  void nothingAnalogIsMissedOrPredicted() {
    AxisReview review = Presets.review(fan());
    assertThat(review.findings())
        .extracting(Finding::rule)
        .doesNotContain(
            Rule.REFERENCE_UNWIRED,
            Rule.SIGNAL_KIND,
            Rule.LIVE_ZERO,
            Rule.RESOLUTION,
            Rule.REFERENCE_SOURCE);
    assertThat(review.path().has(Station.SIGNAL)).isFalse();
    List<Prediction> predictions = predictions(review);
    assertThat(predictions).noneMatch(p -> p.key().startsWith("ref"));
    assertThat(predictions).noneMatch(p -> p.key().endsWith(".signal"));
  }

  private static List<Prediction> predictions(AxisReview review) {
    return Predictor.predict(
        review.assembly(), review.path(), review.beside(), review.stops(), review.obstacles());
  }

  private static double predicted(AxisReview review, String key) {
    return predictions(review).stream()
        .filter(p -> p.key().equals(key))
        .map(p -> ((Expectation.Amount) p.expectation()).value())
        .findFirst()
        .orElseThrow(() -> new AssertionError("no prediction " + key));
  }

  @Test
  void theWayIsBitsThenHertzThenTurnsThenMachine() {
    SignalPath path = Presets.review(fan()).path();
    assertThat(path.value(Station.COUNTS, 10)).isEqualTo(1);
    assertThat(path.value(Station.COUNTS, 17.5)).isEqualTo(2);
    assertThat(path.value(Station.COUNTS, 25)).as("both closed").isEqualTo(3);
    assertThat(hertz(path, 10)).isEqualTo(20);
    assertThat(hertz(path, 17.5)).isEqualTo(35);
    assertThat(hertz(path, 25)).isEqualTo(50);
    // Four poles: 20 Hz turn at no more than 600 r/min, less the slip.
    assertThat(path.value(Station.SHAFT, 10)).isBetween(560.0, 600.0);
    assertThat(path.at(Station.NUMBER, 17.5).derivation(Station.FREQUENCY).steps())
        .extracting(s -> s.substitution())
        .anyMatch(s -> s.contains("2.12 Preset frequency 2"));
  }

  @Test
  void everyCombinationIsPredicted() {
    AxisReview review = Presets.review(fan());
    for (int number = 1; number <= 3; number++) {
      assertThat(predicted(review, "preset%d.counts".formatted(number))).isEqualTo(number);
    }
    assertThat(predicted(review, "preset1.frequency")).isEqualTo(20);
    assertThat(predicted(review, "preset2.frequency")).isEqualTo(35);
    assertThat(predicted(review, "preset3.frequency")).isEqualTo(50);
    assertThat(predictions(review))
        .filteredOn(p -> p.key().equals("preset3.frequency"))
        .allMatch(p -> p.group().equals("Preset 3 (purge)"))
        .allMatch(p -> p.how().contains("input preset 1 and preset 2 closed"));
  }

  /** The drive does what stands in it, whatever was wanted; that it differs is a finding. */
  @Test
  void predictionsFollowTheSettingsAsTheyStand() {
    Project wrong = Presets.set(fan(), "2.12", 40);
    assertThat(Presets.told(wrong)).containsExactly("PRESET_VALUE axis/belt/drive/2.12");
    assertThat(predicted(Presets.review(wrong), "preset2.frequency")).isEqualTo(40);
  }

  @Test
  void besideAnAnalogReferenceThePresetsAreAChainOfTheirOwn() {
    Project both = Lines.with(fan(), Links.ANALOG_REFERENCE);
    AxisReview review = Presets.review(both);
    assertThat(review.path().has(Station.SIGNAL)).isTrue();
    assertThat(review.beside()).extracting(Chain::key).containsExactly("preset");
    Chain presets = review.beside().get(0);
    assertThat(hertz(presets.path(), 17.5)).isEqualTo(35);
    assertThat(review.obstacles().all()).isEmpty();
    assertThat(predicted(review, "ref50.frequency"))
        .as("10 V are 60 Hz by factory default")
        .isEqualTo(30);
    assertThat(predicted(review, "preset2.frequency")).isEqualTo(35);
    Prediction dry =
        predictions(review).stream()
            .filter(p -> p.key().equals("preset2.counts"))
            .findFirst()
            .orElseThrow();
    assertThat(dry.sum(review.path()).steps())
        .as("its sum goes over its own path")
        .extracting(s -> s.quantity())
        .contains("combination");
  }

  @Test
  void aDriveThatTakesPresetsAsSourceHasToBeSetToThem() {
    Project sound =
        Lines.with(
            Presets.entered(Presets.axis(Presets.AS_SOURCE, 2, SOAK, DRY, PURGE), 20, 35, 50),
            CommonLink.ENABLE);
    assertThat(Presets.told(sound)).isEmpty();
    AxisReview review = Presets.review(sound);
    assertThat(review.obstacles().all()).isEmpty();
    assertThat(predicted(review, "preset3.frequency")).isEqualTo(50);
    assertThat(predicted(review, "preset0.frequency"))
        .as("with no input closed the base preset holds")
        .isEqualTo(0);
    Project other = Presets.set(sound, "E-02", "keypad");
    assertThat(Presets.told(other)).containsExactly("PRESET_SOURCE axis/belt/drive/E-02");
    assertThat(Presets.review(other).signalPath()).as("nothing is told of it").isEmpty();
  }

  @Test
  void whereOneOfNCountsBothClosedIsTheGreater() {
    Project sound = Presets.entered(Presets.axis(Presets.ONE_OF_N, 2, SOAK, DRY), 20, 35);
    assertThat(Presets.told(sound)).isEmpty();
    assertThat(predictions(Presets.review(sound)))
        .extracting(Prediction::key)
        .contains("preset1.frequency", "preset2.frequency")
        .doesNotContain("preset3.frequency");
    Project third = Presets.entered(Presets.axis(Presets.ONE_OF_N, 2, SOAK, PURGE), 20, 35, 50);
    assertThat(Presets.told(third)).containsExactly("PRESET_MISSING axis/belt/reference/preset-3");
  }

  @Test
  void whatCannotBeChosenIsTold() {
    Project one = Presets.entered(Presets.axis(Presets.OVERRIDING, 1, SOAK, DRY), 20, 35);
    assertThat(Presets.told(one)).containsExactly("PRESET_MISSING axis/belt/reference/preset-2");
    Project base =
        Presets.entered(
            Presets.axis(Presets.OVERRIDING, 2, new Preset(0, "base", 5), SOAK), 20, 35, 50);
    assertThat(Presets.told(base))
        .as("with none closed the reference holds on this drive")
        .containsExactly("PRESET_MISSING axis/belt/reference/preset-0");
  }

  @Test
  void aPresetBeyondTheLimitsIsTold() {
    Project low = Presets.set(fan(), "2.01", 25);
    assertThat(Presets.told(low)).containsExactly("PRESET_LIMITS axis/belt/drive/2.11");
    assertThat(predicted(Presets.review(low), "preset1.frequency")).isEqualTo(25);
    Project high = Presets.set(fan(), "2.02", 40);
    assertThat(Presets.told(high)).containsExactly("PRESET_LIMITS axis/belt/drive/2.13");
    assertThat(predicted(Presets.review(high), "preset3.frequency")).isEqualTo(40);
  }

  @Test
  void twoPresetsOfOneFrequencyAreTold() {
    assertThat(Presets.told(Presets.set(fan(), "2.11", 35)))
        .contains("PRESET_EQUAL axis/belt/reference/preset-2");
  }

  /** Exchanged in the drive or on the wires: told, and no speed is predicted beside it. */
  @Test
  void twoExchangedInputsAreToldAndNothingIsPredictedBesideThem() {
    Project sound = fan();
    String first = terminalOf(sound, "preset-1");
    String second = terminalOf(sound, "preset-2");
    Project inDrive =
        Presets.set(
            Presets.set(declared(sound), functionOf(sound, first), "preset-2"),
            functionOf(sound, second),
            "preset-1");
    Project onWires =
        declared(sound)
            .withWires(sound.wires().stream().map(w -> exchanged(w, first, second)).toList());
    for (Project wrong : List.of(inDrive, onWires)) {
      AxisReview review = Presets.review(wrong);
      assertThat(review.findings())
          .filteredOn(f -> f.severity() == Severity.ERROR)
          .extracting(Finding::rule)
          .containsAnyOf(Rule.INPUT_PURPOSE, Rule.SWAPPED, Rule.NOT_AS_MEANT);
      assertThat(predictions(review))
          .extracting(Prediction::key)
          .noneMatch(k -> k.startsWith("preset") && k.endsWith(".frequency"));
    }
  }

  /** A dead output leaves its input off: told, and nothing is predicted of any combination. */
  @Test
  void aPresetInputThatDoesNotArriveHidesNoError() {
    Project sound = fan();
    Project cut = Lines.minus(declared(sound), "drive:" + terminalOf(sound, "preset-2"));
    AxisReview review = Presets.review(cut);
    assertThat(review.findings()).extracting(Finding::severity).contains(Severity.ERROR);
    assertThat(predictions(review)).noneMatch(p -> p.key().endsWith(".frequency"));
  }

  private static String terminalOf(Project project, String function) {
    Drive drive = project.drives().get(0);
    return new EffectiveSettings(drive, Lines.axis(project).driveSheet())
        .inputFor(function)
        .orElseThrow();
  }

  private static String functionOf(Project project, String terminal) {
    return Lines.axis(project)
        .driveSheet()
        .setting(SettingRole.INPUT_FUNCTION, terminal)
        .orElseThrow()
        .code();
  }

  /**
   * With what each input is meant for written down, so that it stays when wires and settings go.
   */
  private static Project declared(Project project) {
    return project.withIntents(Meanings.of(Lines.axis(project)));
  }

  private static Wire exchanged(Wire wire, String one, String other) {
    return wire.withEnds(exchanged(wire.from(), one, other), exchanged(wire.to(), one, other));
  }

  private static TerminalRef exchanged(TerminalRef end, String one, String other) {
    boolean isOne = end.equals(new TerminalRef("drive", one));
    boolean isOther = end.equals(new TerminalRef("drive", other));
    return isOne ? new TerminalRef("drive", other) : isOther ? new TerminalRef("drive", one) : end;
  }

  @Test
  void aDriveWhoseSheetIsSilentIsToldOf() {
    Project silent = Lines.bare("controller-modular", "terminal-drive-4kw");
    var axis = silent.axes().get(0);
    Project wanted = silent.with(axis.withReference(axis.reference().withPresets(List.of(SOAK))));
    assertThat(Presets.told(wanted)).containsExactly("PRESET_UNKNOWN axis/belt/reference");
    assertThat(Presets.review(wanted).signalPath()).isEmpty();
  }

  @Test
  void theValuesFollowFromTheWantedSpeeds() {
    var derived = DerivedSettings.of(Lines.axis(fan()));
    assertThat(derived)
        .containsEntry("2.11", new SettingValue.Number(20))
        .containsEntry("2.12", new SettingValue.Number(35))
        .containsEntry("2.13", new SettingValue.Number(50));
    Project source = Presets.axis(Presets.AS_SOURCE, 2, SOAK);
    assertThat(DerivedSettings.of(Lines.axis(source)))
        .containsEntry("E-02", new SettingValue.Choice("presets"))
        .containsEntry("P-02", new SettingValue.Number(20));
  }

  /** Soak, dry, purge one after the other: after each ramp the shaft turns at its preset. */
  @Test
  void aSequenceIsDryRun() {
    AxisReview review = Presets.review(fan());
    BenchSetup setup = BenchSetup.of(review.assembly(), review.path());
    for (Preset preset : List.of(SOAK, DRY, PURGE)) {
      double top = review.path().value(Station.SHAFT, preset.speed());
      assertThat(
              Bench.secondsUntil(
                  setup,
                  Scenario.runAndStop(preset.speed(), 60, 80),
                  0.1,
                  rpm -> rpm >= 0.98 * top))
          .as(preset.name())
          .isPresent();
    }
    Trace trace = Bench.run(setup, Scenario.runAndStop(SOAK.speed(), 60, 61));
    assertThat(trace.value(Trace.Channel.SHAFT, trace.indexAt(59)))
        .isCloseTo(review.path().value(Station.SHAFT, SOAK.speed()), within(15.0));
  }

  /** A changed preset makes its own readings stale, and those of no other reference. */
  @Test
  void onlyWhatTheyDecideDependsOnPresets() {
    AxisReview review = Presets.review(Lines.with(fan(), Links.ANALOG_REFERENCE));
    for (Prediction prediction : predictions(review)) {
      assertThat(prediction.dependsOn().contains(Part.PRESETS))
          .as(prediction.key())
          .isEqualTo(prediction.key().startsWith("preset"));
    }
    Project changed = withoutPurge(fan());
    assertThat(Designs.digest(Presets.review(changed).assembly()).byPart())
        .containsEntry(
            Part.PROGRAM,
            Designs.digest(Presets.review(fan()).assembly()).byPart().get(Part.PROGRAM))
        .doesNotContainEntry(
            Part.PRESETS,
            Designs.digest(Presets.review(fan()).assembly()).byPart().get(Part.PRESETS));
  }

  /** Evidence of before presets had a part of their own holds as long as neither changed. */
  @Test
  void evidenceThatCountedPresetsWithTheProgramStaysFresh() {
    DesignDigest digest = Designs.digest(Presets.review(fan()).assembly());
    DesignDigest changed = Designs.digest(Presets.review(withoutPurge(fan())).assembly());
    Map<String, String> old = Map.of("PROGRAM", digest.programWithPresets());
    for (Part part : List.of(Part.PROGRAM, Part.PRESETS)) {
      assertThat(digest.isUnchanged(part, old)).isTrue();
      assertThat(changed.isUnchanged(part, old)).isFalse();
      assertThat(digest.isUnchanged(part, Map.of())).isFalse();
    }
    assertThat(digest.isUnchanged(Part.DRIVE, old)).isFalse();
    assertThat(changed.isUnchanged(Part.PROGRAM, digest.asBasis())).isTrue();
    assertThat(changed.isUnchanged(Part.PRESETS, digest.asBasis())).isFalse();
  }

  private static Project withoutPurge(Project project) {
    var axis = project.axes().get(0);
    return project.with(axis.withReference(axis.reference().without(3)));
  }
}

package unimotus.core.way.analog.local;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.derivation.Step;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.Carrier;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.ReferenceLink;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Station;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;

/** The stages of knob and keypad, and what their links call things. */
class LocalStageTest {
  private static final Knob KNOB = new Knob(10, 5000, 100_000, Knob.Ends.RIGHT);
  private static final KeypadEntry ENTRY = new KeypadEntry(5, 45);

  private static SignalPath path(Project project) {
    return Locals.review(project).path();
  }

  private static ReferenceLink hand(Project project) {
    return Locals.review(project).beside().get(0).path().link();
  }

  @Test
  void aKnobIsADividerBetweenItsEnds() {
    assertThat(KNOB.from()).isEqualTo(Station.PERCENT);
    assertThat(KNOB.to()).isEqualTo(Station.SIGNAL);
    assertThat(KNOB.unit()).isEqualTo(MeasureUnit.VOLT_UNIT);
    assertThat(KNOB.low()).isZero();
    assertThat(KNOB.high()).isEqualTo(10);
    assertThat(KNOB.forward(-5)).as("a knob ends at its stop").isZero();
    assertThat(KNOB.forward(105)).isEqualTo(10);
    assertThat(KNOB.with(Knob.Ends.EXCHANGED).forward(25))
        .isCloseTo(KNOB.forward(75), within(1e-12));
    assertThat(KNOB.with(Knob.Ends.DEAD).forward(80)).isZero();
    assertThat(KNOB.on(24).forward(100)).isEqualTo(24);
    // 250 Ω beside the lower 2.5 kΩ: 227 Ω of 2727 Ω.
    assertThat(KNOB.into(250).forward(50)).isCloseTo(10 * 227.27 / 2727.27, within(0.001));
    assertThat(KNOB.inverse(0)).isZero();
    assertThat(KNOB.origin()).isEqualTo("potentiometer of 5000 Ω on 10 V");
    Step sum = KNOB.sum(50, KNOB.forward(50));
    assertThat(sum.substitution()).startsWith("10·0.5/(1 + 0.5·(1 − 0.5)·5000/100");
    assertThat(sum.value()).isEqualTo(KNOB.forward(50));
    assertThat(KNOB.condition(50)).isEmpty();
  }

  @Test
  void aKeypadTakesTenthsOfAHertz() {
    assertThat(ENTRY.from()).isEqualTo(Station.PERCENT);
    assertThat(ENTRY.to()).isEqualTo(Station.COUNTS);
    assertThat(ENTRY.unit()).isEqualTo(MeasureUnit.HERTZ_UNIT);
    assertThat(ENTRY.forward(0)).isEqualTo(5);
    assertThat(ENTRY.forward(50)).isEqualTo(25);
    assertThat(ENTRY.forward(50.1)).as("25.04 Hz").isCloseTo(25, within(1e-9));
    assertThat(ENTRY.forward(50.2)).as("25.08 Hz").isCloseTo(25.1, within(1e-9));
    assertThat(ENTRY.inverse(25)).isEqualTo(50);
    assertThat(ENTRY.low()).isEqualTo(5);
    assertThat(ENTRY.high()).isEqualTo(45);
    assertThat(ENTRY.step()).isEqualTo(0.1);
    assertThat(ENTRY.origin()).isEqualTo("entered at the drive");
    assertThat(ENTRY.sum(50, 25).substitution()).isEqualTo("5 + 50/100·(45 − 5)");
  }

  @Test
  void theDriveKeepsAnEntryBetweenItsLimits() {
    KeypadDrive drive = new KeypadDrive(new FrequencyLimits(10, 40));
    assertThat(drive.from()).isEqualTo(Station.COUNTS);
    assertThat(drive.to()).isEqualTo(Station.FREQUENCY);
    assertThat(drive.unit()).isEqualTo(MeasureUnit.HERTZ_UNIT);
    assertThat(drive.forward(5)).isEqualTo(10);
    assertThat(drive.forward(45)).isEqualTo(40);
    assertThat(drive.forward(25)).isEqualTo(25);
    assertThat(drive.inverse(25)).isEqualTo(25);
    assertThat(drive.low()).isEqualTo(10);
    assertThat(drive.high()).isEqualTo(40);
    assertThat(drive.origin()).contains("minimum and maximum");
    assertThat(drive.condition(45).orElseThrow()).contains("maximum frequency");
    assertThat(drive.condition(25)).isEmpty();
    assertThat(drive.sum(45, 40).value()).isEqualTo(40);
  }

  @Test
  void aPotentiometersStationsHaveNamesOfTheirOwn() {
    ReferenceLink link = path(Locals.potentiometer("pump-drive-5k5")).link();
    assertThat(link.label()).isEqualTo("potentiometer");
    assertThat(link.commander()).isEqualTo("knob");
    assertThat(link.isProgrammed()).isFalse();
    assertThat(link.label(Station.NUMBER)).isEqualTo("Wanted");
    assertThat(link.label(Station.SIGNAL)).isEqualTo("Wiper");
    assertThat(link.label(Station.SHAFT)).isEqualTo(Station.SHAFT.label());
    assertThat(link.where(Station.NUMBER)).isEqualTo("wanted by the operator");
    assertThat(link.where(Station.PERCENT)).isEqualTo("position of the knob");
    assertThat(link.where(Station.SIGNAL)).isEqualTo("at the wiper");
    assertThat(link.where(Station.SHAFT)).isEqualTo(Station.SHAFT.where());
    assertThat(link.carrier(Station.SIGNAL)).isEqualTo(Carrier.WIRES);
    assertThat(link.carrier(Station.PERCENT)).isEqualTo(Carrier.WITHIN);
    assertThat(link.isOfManualRequest()).isFalse();
    assertThat(((ReadableLink) link).readWord()).isEqualTo("Wiper");
    assertThat(((ReadableLink) link).settingShare()).isEqualTo(0.01);
    assertThat(((ReadableLink) link).parts())
        .containsExactlyInAnyOrder(Part.PROGRAM, Part.WIRES, Part.DRIVE);
  }

  @Test
  void aKeypadsStationsHaveNamesOfTheirOwn() {
    SpeedLink link = path(Locals.keypad("pump-drive-5k5")).speedFor("a test");
    ReadableLink readable = (ReadableLink) link;
    assertThat(link.label()).isEqualTo("keypad");
    assertThat(link.commander()).isEqualTo("keypad");
    assertThat(link.isProgrammed()).isFalse();
    assertThat(link.label(Station.NUMBER)).isEqualTo("Wanted");
    assertThat(link.label(Station.COUNTS)).isEqualTo("Keypad");
    assertThat(link.label(Station.SHAFT)).isEqualTo(Station.SHAFT.label());
    assertThat(link.where(Station.NUMBER)).isEqualTo("wanted by the operator");
    assertThat(link.where(Station.PERCENT)).isEqualTo("share of the span");
    assertThat(link.where(Station.COUNTS)).isEqualTo("entered at the drive");
    assertThat(link.where(Station.SHAFT)).isEqualTo(Station.SHAFT.where());
    assertThat(link.carrier(Station.COUNTS)).isEqualTo(Carrier.WITHIN);
    assertThat(link.frequencyAtFullHertz()).isEqualTo(50);
    assertThat(link.maximumHertz()).isEqualTo(50);
    assertThat(link.standingAt(17).limits()).isEqualTo(new FrequencyLimits(17, 17));
    assertThat(readable.readWord()).isEqualTo("Entry");
    assertThat(readable.parts()).containsExactlyInAnyOrder(Part.PROGRAM, Part.DRIVE);
    assertThat(link.isOfManualRequest()).isFalse();
  }

  @Test
  void inHandTheyAreOfTheManualRequest() {
    ReferenceLink knob = hand(Locals.hand("pump-drive-5k5"));
    assertThat(knob.isOfManualRequest()).isTrue();
    assertThat(knob.label(Station.PERCENT)).isEqualTo("Knob");
    Project keypad = Locals.set(Locals.hand("vector-drive-15kw"), "E-07", "keypad");
    ReferenceLink key = hand(Lines.with(keypad, CommonLink.ENABLE));
    assertThat(key.isOfManualRequest()).isTrue();
    assertThat(key.label(Station.COUNTS)).isEqualTo("Keypad");
  }

  @Test
  void whatIsCommandedIsToldInWords() {
    AxisReview review = Locals.review(Locals.keypad("pump-drive-5k5"));
    assertThat(Locals.predictions(review))
        .filteredOn(p -> p.key().equals("ref25.counts"))
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.group()).isEqualTo("Reference 25 %");
              assertThat(p.how())
                  .startsWith("Run with the keypad at the frequency of 25 %. Entry and display");
              assertThat(p.where()).isEqualTo("keypad of the drive");
            });
    assertThat(Locals.predictions(Locals.review(Locals.hand("pump-drive-5k5"))))
        .filteredOn(p -> p.key().equals("hand50.signal"))
        .singleElement()
        .satisfies(
            p -> {
              assertThat(p.group()).isEqualTo("Hand 50 %");
              assertThat(p.how()).startsWith("Selector at Hand. Run with the knob turned to 50 %.");
              assertThat(p.where()).endsWith("against its common");
              assertThat(p.number()).isEqualTo(12.5);
            });
  }

  @Test
  void aPotentiometerIsFoundOnItsInputAlone() {
    AxisAssembly axis = Lines.axis(Locals.potentiometer("terminal-drive-4kw"));
    assertThat(PotentiometerWires.inputs(axis)).isEqualTo(List.of("AI1"));
    assertThat(PotentiometerWires.at(axis, "AI2")).isEmpty();
    PotentiometerWires wires = PotentiometerWires.at(axis, "AI1").orElseThrow();
    assertThat(wires.trackOhms()).isEqualTo(5000);
    assertThat(wires.volts(50).orElseThrow()).isCloseTo(KNOB.forward(50), within(0.01));
  }
}

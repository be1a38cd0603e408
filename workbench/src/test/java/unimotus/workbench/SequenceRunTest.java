package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import unimotus.core.bench.Trace;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.plant.SequencePlayed;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/** Sequences of the demo line and of lines changed from it, on the shipped sheets. */
class SequenceRunTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  private static SequenceRun run(Project project, SequenceDesign design, String events) {
    return SequenceRun.of(
        project,
        SHEETS,
        LineReview.of(project, SHEETS).axis(design.axis()).orElseThrow(),
        design,
        events,
        () -> false);
  }

  private static TerminalRef of(String terminal) {
    return new TerminalRef("controller-1", terminal);
  }

  /** Soak at 20 Hz, dry at 35 Hz, purge at 50 Hz by two preset inputs, as the drive is set. */
  @Test
  void soakDryPurgeRunsTheFanThroughItsPresets() {
    SequenceDesign design =
        new SequenceDesign(
            "drying-fan",
            "Cycle",
            "soak on; run on; wait 20 s; dry on; soak off; wait 20 s; soak on; wait 20 s; run off;"
                + " soak off; dry off",
            Map.of("run", of("RO0"), "soak", of("DO3"), "dry", of("DO4")),
            List.of());
    Project project = Demo.project().with(design);
    SequenceRun run = run(project, design, "");
    assertThat(run.played().end()).isEqualTo(SequencePlayed.End.DONE);
    Trace trace = Objects.requireNonNull(run.drive()).trace();
    assertThat(hertzAt(trace, 19)).isCloseTo(20, within(0.05));
    assertThat(hertzAt(trace, 39)).isCloseTo(35, within(0.05));
    assertThat(hertzAt(trace, 59)).isCloseTo(50, within(0.05));
    assertThat(LineReview.of(project, SHEETS).findings())
        .extracting(Finding::rule)
        .as("its own axis is what it is there to command")
        .doesNotContain(Rule.TWO_OWNERS);
  }

  private static double hertzAt(Trace trace, double seconds) {
    int at = 0;
    while (trace.seconds(at) < seconds) {
      at++;
    }
    return trace.value(Trace.Channel.OUTPUT, at);
  }

  /** The same outputs from another axis are a second owner. */
  @Test
  void anotherAxisThatSwitchesThemIsASecondOwner() {
    SequenceDesign design =
        new SequenceDesign(
            "rinse-drum",
            "Rinse",
            "dry on; wait 2 s; dry off",
            Map.of("dry", of("DO4")),
            List.of());
    assertThat(LineReview.of(Demo.project().with(design), SHEETS).findings())
        .filteredOn(f -> f.rule() == Rule.TWO_OWNERS)
        .singleElement()
        .matches(f -> f.seen().contains("of Drying fan"));
  }

  @Test
  void aSelfTestThatIsOnIsRefusedByName() {
    Project demo = Demo.project();
    Project tested =
        demo.with(demo.drive("bale-tie-driver").orElseThrow().withSelector("self-test", "on"));
    assertThatThrownBy(() -> run(tested, tested.sequences().get(0), ""))
        .hasMessageContaining("self-test of Bale-tie driver is on");
  }

  /** Where there is a home switch, the machine begins beside it and not on it. */
  @Test
  void theBenchBeginsOffTheHomeSwitch() {
    Project placed =
        SequenceEdits.travelSwitch(
                "bale-tie", new PlacedSwitch("bale-tie-closed", SwitchUse.HOME, -40, 0))
            .change()
            .apply(Demo.project());
    SequenceDesign design =
        placed.sequences().get(0).withWords("jog back until 'tie is closed' within 20 s");
    SequenceRun run = run(placed, design.withResponses(List.of()), "");
    assertThat(run.schedule().startsAt()).isEqualTo(40);
    assertThat(run.played().end()).isEqualTo(SequencePlayed.End.DONE);
    assertThat(run.played().notes()).isEmpty();
  }
}

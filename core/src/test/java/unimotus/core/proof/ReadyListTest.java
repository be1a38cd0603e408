package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.DriveIdentity;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.way.Designs;

/** What has to be ticked before an axis is ready, in the order it is done (common practice). */
class ReadyListTest {
  private static List<Prediction> list(Project project) {
    return ReadyList.of(Lines.axis(project));
  }

  @Test
  void everythingIsInTheOrderItIsDone() {
    List<Prediction> list = list(Lines.bare("controller-modular", "terminal-drive-4kw"));
    assertThat(list)
        .extracting(Prediction::key)
        .startsWith(
            "ready.identify.drive",
            "ready.identify.controller",
            "ready.identify.motor",
            "ready.identify.sound",
            "ready.identify.software",
            "ready.identify.mains")
        .containsSubsequence("ready.set-up.entered", "ready.set-up.read-back")
        .doesNotContain("ready.wire.mains");
    assertThat(list).extracting(Prediction::group).startsWith("Identify").endsWith("Set up");
    assertThat(list.stream().filter(p -> p.group().equals("Wire")))
        .isNotEmpty()
        .allSatisfy(p -> assertThat(p.how()).endsWith("."));
    assertThat(list.get(0).how()).contains("Terminal drive 4 kW");
    assertThat(list.get(1).how()).contains("controller");
    assertThat(list)
        .filteredOn(p -> !p.key().endsWith(".mains"))
        .allSatisfy(
            p -> {
              assertThat(p.expectation())
                  .isEqualTo(new Expectation.Word("done", List.of("done", "not done")));
              assertThat(p.instrument()).isEqualTo("eyes");
            });
  }

  /** A mains of 480 V may be off by a tenth (IEC 60038, from memory). */
  @Test
  void theMainsIsMeasured() {
    Project project = Lines.bare("controller-modular", "terminal-drive-4kw");
    Project american = project.with(project.record("drive").withFeed(Feed.USUAL.withMains(480, 3)));
    Prediction mains =
        list(american).stream().filter(p -> p.key().endsWith("mains")).findFirst().orElseThrow();
    Expectation.Amount volts = (Expectation.Amount) mains.expectation();
    assertThat(volts.value()).isEqualTo(480);
    assertThat(volts.tolerance()).isCloseTo(48, within(1e-9));
    assertThat(mains.where()).isEqualTo("isolator");
    assertThat(mains.how()).contains("Licensed people");
  }

  @Test
  void modulesAreAskedForWhereTheDriveCanHaveSome() {
    AxisAssembly bare = Fixtures.assembly();
    assertThat(ReadyList.of(bare))
        .extracting(Prediction::key)
        .doesNotContain("ready.identify.modules");
    DriveSheet with = withModules(List.of("fieldbus module"));
    assertThat(module(Fixtures.assembly(Fixtures.project(), with)).how())
        .isEqualTo("Meant: none is fitted.");
    Project fitted = Fixtures.project();
    fitted =
        fitted.with(
            fitted
                .record("drive")
                .withPlate(new DrivePlate("", "", List.of("fieldbus module"), true)));
    assertThat(module(Fixtures.assembly(fitted, with)).how()).isEqualTo("Meant: fieldbus module.");
    assertThat(ReadyList.of(Fixtures.assembly(fitted, withModules(List.of()))))
        .extracting(Prediction::key)
        .doesNotContain("ready.identify.modules");
  }

  private static Prediction module(AxisAssembly axis) {
    return ReadyList.of(axis).stream()
        .filter(p -> p.key().equals("ready.identify.modules"))
        .findFirst()
        .orElseThrow();
  }

  private static DriveSheet withModules(List<String> modules) {
    DriveSheet usual = Fixtures.driveSheet();
    return Fixtures.telling(usual, new DriveIdentity("1.0", List.of(), modules), null, null);
  }

  /** A tick counts as evidence like a reading, and is no reading nobody asked for. */
  @Test
  void aTickIsNotUnasked() {
    Reading tick =
        new Reading(
            "belt", "ready.identify.drive", null, "done", "", "2026-01-01T00:00:00Z", "", Map.of());
    Reading stray =
        new Reading(
            "belt", "nothing.of.the.kind", 3.0, null, "", "2026-01-01T00:00:00Z", "", Map.of());
    AxisProof proof =
        Prover.judge(List.of(), List.of(tick, stray), Designs.digest(Fixtures.assembly()));
    assertThat(proof.unasked()).containsExactly(stray);
    assertThat(proof.state()).isEqualTo(AxisProof.State.UNPROVEN);
    Verdict verdict =
        Prover.judge(
                ReadyList.of(Fixtures.assembly()),
                List.of(tick),
                Designs.digest(Fixtures.assembly()))
            .verdicts()
            .get(0);
    assertThat(verdict.readingText(QuantityFormat.PLAIN)).isEqualTo("done");
  }
}

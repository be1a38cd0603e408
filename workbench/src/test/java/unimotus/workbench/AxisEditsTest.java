package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Project;
import unimotus.core.proof.Predictor;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.way.Designs;
import unimotus.formats.project.ProjectFile;
import unimotus.formats.sheet.SheetLibrary;

/** Axes renamed, moved, copied and removed, on every axis of the demo, the empty ones too. */
class AxisEditsTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  private final Project demo = Demo.project();

  private Axis axis(String id) {
    return demo.axis(id).orElseThrow();
  }

  private static List<String> names(Project project) {
    return project.axes().stream().map(Axis::name).toList();
  }

  /** Findings of the others before and after: nothing of theirs changes, nothing is left over. */
  @ParameterizedTest
  @ValueSource(
      strings = {"rinse-drum", "header-pump", "infeed-belt", "drying-fan", "slicer-x", "bale-tie"})
  void anAxisGoesWithAllThatOnlyItUses(String id) throws Exception {
    if (demo.axis(id).isEmpty()) {
      return;
    }
    Project next = AxisEdits.remove(SHEETS, axis(id)).change().apply(demo);
    assertThat(next.axis(id)).isEmpty();
    assertThat(next.toString()).doesNotContain(id + "-selector").doesNotContain(id + "-safety");
    for (Axis other : next.axes()) {
      assertThat(findings(next, other)).isEqualTo(findings(demo, other));
      assertThat(digest(next, other)).isEqualTo(digest(demo, other));
    }
    // What is left names nothing that is gone.
    assertThat(ProjectFile.read("left", ProjectFile.write(next)).project()).isEqualTo(next);
    assertThat(LineReview.of(next, SHEETS).findings())
        .noneMatch(f -> f.place().contains(id) || f.seen().contains("no longer"));
  }

  private static List<String> findings(Project project, Axis axis) {
    return LineReview.of(project, SHEETS).axis(axis.id()).orElseThrow().findings().stream()
        .map(Finding::seen)
        .toList();
  }

  private static Object digest(Project project, Axis axis) {
    return AxisAssembly.of(project, SHEETS, project.axis(axis.id()).orElseThrow())
        .map(a -> Designs.digest(a).byPart())
        .orElse(null);
  }

  @Test
  void whatGoesAlongIsNamed() {
    List<String> along = AxisEdits.goingAlong(demo, SHEETS, axis("rinse-drum"));
    assertThat(along)
        .contains("Rinse drum drive", "Rinse drum guard lock", "Rinse drum selector", "1 stop")
        .doesNotContain("Line controller");
    assertThat(along).anyMatch(w -> w.endsWith(" wires"));
    assertThat(AxisEdits.goingAlong(demo, SHEETS, axis("slicer-x")))
        .as("relay and guard stay with the other axis")
        .containsExactly("Slicer X motor", "1 stop");
  }

  @Test
  void anAxisMovesAndStaysWithinTheLine() {
    List<String> before = names(demo);
    Project down = AxisEdits.move(axis("rinse-drum"), 1).change().apply(demo);
    assertThat(names(down)).startsWith(before.get(1), before.get(0));
    Project up = AxisEdits.move(down.axes().get(0), -1).change().apply(down);
    assertThat(names(up)).isEqualTo(names(down));
  }

  /** The copy stands on points of its own and predicts what the original does. */
  @ParameterizedTest
  @ValueSource(strings = {"rinse-drum", "header-pump", "drying-fan"})
  void aCopyHasItsOwnDriveMotorAndPoints(String id) {
    Axis was = axis(id);
    Project next = AxisCopies.duplicate(SHEETS, was).change().apply(demo);
    Axis copy = next.axes().get(next.axes().indexOf(was) + 1);
    assertThat(copy.name()).isEqualTo(was.name() + " 2");
    assertThat(copy.drive()).isNotEqualTo(was.drive());
    assertThat(copy.motor()).isNotEqualTo(was.motor());
    assertThat(copy.controller()).isEqualTo(was.controller());
    assertThat(next.drive(copy.drive()).orElseThrow().settings())
        .isEqualTo(next.drive(was.drive()).orElseThrow().settings());
    if (copy.reference().output() != null) {
      assertThat(copy.reference().output()).isNotEqualTo(was.reference().output());
    }
    if (copy.reference().output() != null) {
      assertThat(predicted(next, copy)).isEqualTo(predicted(demo, was));
    }
    // No point is used twice, and the original is as it was.
    assertThat(findings(next, was)).isEqualTo(findings(demo, was));
    Project third = AxisCopies.duplicate(SHEETS, was).change().apply(next);
    assertThat(names(third)).contains(was.name() + " 3");
  }

  /** What is predicted between the program and the shaft; the answer is not wired yet. */
  private static List<String> predicted(Project project, Axis axis) {
    return LineReview.of(project, SHEETS).axis(axis.id()).stream()
        .flatMap(r -> Predictor.references(r.assembly(), r.path()).stream())
        .map(p -> p.key() + " " + p.expectation())
        .toList();
  }

  @Test
  void anIncompleteAxisIsCopiedAsItIs() {
    Project next = AxisCopies.duplicate(SHEETS, axis("slicer-x")).change().apply(demo);
    assertThat(names(next)).contains(axis("slicer-x").name() + " 2");
  }

  /** A drive on the fieldbus, and one whose speed a knob sets, stay what they are. */
  @Test
  void anAxisThatIsCommandedOtherwiseIsNotMadeIntoAnother() {
    Axis belt = axis("infeed-belt");
    copiedUnwired(demo, belt);
    Axis pump = axis("header-pump");
    Axis knob =
        pump.withReference(
            pump.reference().setBy(LocalReference.POTENTIOMETER).withTerminals(null, "A1"));
    copiedUnwired(demo.with(knob), knob);
  }

  /** Into an empty line, a line with such a controller, and one with another class. */
  @ParameterizedTest
  @ValueSource(strings = {"rinse-drum", "header-pump", "infeed-belt", "drying-fan", "slicer-x"})
  void anAxisGoesIntoAnotherLine(String id) throws Exception {
    Axis was = axis(id);
    Project alone =
        ProjectFile.read("clipboard", ProjectFile.write(AxisCopies.alone(demo, was))).project();
    Project empty = AxisCopies.paste(SHEETS, alone).change().apply(Project.empty("Other"));
    assertThat(empty.controllers()).hasSize(was.controller() == null ? 0 : 1);
    Project other =
        Project.empty("Other")
            .with(new Controller("x", "X", "controller-compact-sinking", Map.of()));
    Project mixed = AxisCopies.paste(SHEETS, alone).change().apply(other);
    Project twice = AxisCopies.paste(SHEETS, alone).change().apply(mixed);
    assertThat(names(twice)).containsExactly(was.name(), was.name() + " 2");
    assertThat(twice.controllers()).hasSize(was.controller() == null ? 1 : 2);
    for (Project next : List.of(empty, mixed, twice)) {
      Axis copy = next.axes().get(next.axes().size() - 1);
      assertThat(copy.mechanics()).isEqualTo(was.mechanics());
      assertThat(copy.load()).isEqualTo(was.load());
      if (copy.drive() != null) {
        assertThat(next.drive(copy.drive()).orElseThrow().settings())
            .isEqualTo(demo.drive(String.valueOf(was.drive())).orElseThrow().settings());
      }
      if (copy.reference().output() != null) {
        assertThat(predicted(next, copy)).isEqualTo(predicted(demo, was));
      }
    }
  }

  @Test
  void aLineIsNoAxis() {
    assertThatThrownBy(() -> AxisCopies.paste(SHEETS, demo)).hasMessageContaining("7 axes");
  }

  private static void copiedUnwired(Project project, Axis was) {
    Project next = AxisCopies.duplicate(SHEETS, was).change().apply(project);
    Axis copy = next.axes().get(next.axes().indexOf(was) + 1);
    assertThat(next.drive(copy.drive()).orElseThrow().settings())
        .isEqualTo(next.drive(was.drive()).orElseThrow().settings());
    assertThat(copy.reference()).isEqualTo(was.reference());
    assertThat(next.wires()).isEqualTo(project.wires());
    assertThat(AxisCopies.unwiredBecause(next, SHEETS, was, copy).orElseThrow())
        .contains("commanded otherwise");
  }
}

package unimotus.desktop.stop;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.StopDesigns;

/** Designs side by side: what each hides and by how many faults its stop is lost. */
final class ComparePane extends VBox {
  ComparePane() {
    super(10);
    setId("designs");
  }

  void show(List<StopDesigns.Design> designs) {
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(6);
    String[] heads = {"Design", "hidden", "lost by one", "lost by two", "resumes"};
    for (int i = 0; i < heads.length; i++) {
      grid.add(Parts.label(heads[i], "ink-caption"), i, 0);
    }
    int row = 1;
    for (StopDesigns.Design design : designs) {
      addRow(grid, row++, design);
    }
    getChildren()
        .setAll(
            Parts.prose(
                "Every design is built on a copy of the line and the same faults are injected. Fewer is better; the second faults count only where a first one hides.",
                "ink-label"),
            grid);
  }

  private static void addRow(GridPane grid, int row, StopDesigns.Design design) {
    Node name =
        Parts.prose(
            design.built() ? design.name() + " – as designed" : design.name(),
            design.built() ? "ink-strong" : "ink-label");
    grid.add(name, 0, row);
    FaultRun run = design.run();
    JudgedStop judged = design.judged();
    StopCircuit circuit = judged == null ? null : judged.circuit();
    if (run == null || judged == null || circuit == null) {
      grid.add(Parts.prose(design.refusal(), "ink-caption"), 1, row, 4, 1);
      return;
    }
    number(grid, 1, row, run.hidden().size(), false);
    number(grid, 2, row, run.lostByOne().size(), true);
    number(grid, 3, row, run.lostByTwo().size(), false);
    List<StopEvent> way = judged.verdict().resumption();
    grid.add(
        way.isEmpty()
            ? Parts.label("no", "ink-label")
            : Parts.prose(StopEvent.text(way, circuit), "ink-attention"),
        4,
        row);
  }

  private static void number(GridPane grid, int column, int row, int count, boolean bad) {
    grid.add(
        Parts.label(String.valueOf(count), bad && count > 0 ? "ink-attention" : "ink-strong"),
        column,
        row);
  }
}

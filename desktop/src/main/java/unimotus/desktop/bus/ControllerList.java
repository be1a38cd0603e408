package unimotus.desktop.bus;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.TextArea;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.ImageComparison;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StationSetup;
import unimotus.core.quantity.Count;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.formats.esi.VariableList;
import unimotus.formats.json.FileFault;

/** The variables a controller has for a station, laid beside its image. */
final class ControllerList {
  private static final String PASTED = "what is pasted";

  private final Desk desk;
  private final TextArea text = new TextArea();
  private final VBox told = Parts.column(8);
  private final VBox node;
  private Direction side = Direction.OUTPUTS;
  private @Nullable StationSetup shown;

  ControllerList(Desk desk) {
    this.desk = desk;
    text.setId("controller-list");
    text.setAccessibleText("variables of the controller");
    text.setPromptText("Controlword : UINT;\nTarget_velocity : INT;\n\nor CSV: name,type,offset");
    text.setPrefRowCount(7);
    text.setMinHeight(120);
    text.textProperty().addListener((o, was, is) -> compare());
    ChoiceField<Direction> sides =
        new ChoiceField<>(
            "side of the image",
            List.of(Direction.values()),
            Direction::label,
            d -> {
              side = d;
              compare();
            });
    sides.setId("controller-list-side");
    node =
        Parts.column(
            10,
            Parts.sheet(
                8,
                Parts.flow(
                    8,
                    Parts.label("The controller's", "ink-strong"),
                    sides.show(side),
                    Parts.action("controller-list-read", "Read a file", this::read),
                    Parts.quiet("controller-list-clear", "clear", text::clear)),
                text),
            told);
    node.setId("station-controller-list");
  }

  /** The card for a station. */
  Node of(StationSetup setup) {
    shown = setup;
    compare();
    return node;
  }

  private void read() {
    desk.dialogs().importFile().ifPresent(this::read);
  }

  private void read(Path file) {
    try {
      text.setText(Files.readString(file, StandardCharsets.UTF_8));
    } catch (IOException broken) {
      desk.refuse("%s cannot be read: %s".formatted(file.getFileName(), broken.getMessage()));
    }
  }

  private void compare() {
    told.getChildren().clear();
    if (shown == null) {
      return;
    }
    if (text.getText().isBlank()) {
      told.getChildren()
          .add(
              Parts.prose(
                  "Paste the declarations of the controller or its list, or read them from a file:"
                      + " the first variable that does not stand where the image has it is named,"
                      + " and what each later one reads.",
                  "ink-label"));
      return;
    }
    try {
      show(
          ImageComparison.of(
              ProcessImage.of(shown).side(side),
              VariableList.read(PASTED, text.getText().getBytes(StandardCharsets.UTF_8))));
    } catch (FileFault fault) {
      told.getChildren().add(Parts.prose(String.valueOf(fault.getMessage()), "ink-attention"));
    }
  }

  private void show(ImageComparison comparison) {
    told.getChildren().add(verdict(comparison));
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(3);
    int line = 0;
    for (ImageComparison.Row each : comparison.rows()) {
      grid.addRow(
          line++,
          Cells.whole("%d.%d".formatted(each.bit() / Byte.SIZE, each.bit() % Byte.SIZE)),
          Cells.whole(each.variable().name()),
          Cells.whole(each.variable().type(), "ink-label"),
          Parts.prose(
              each.agrees() ? "as meant" : "reads " + each.reads(),
              each.agrees() ? "ink-label" : "ink-attention"));
    }
    told.getChildren().add(Parts.sheet(0, grid));
  }

  private static Node verdict(ImageComparison comparison) {
    VBox verdict = Parts.column(4);
    verdict
        .getChildren()
        .add(
            comparison
                .first()
                .<Node>map(
                    f ->
                        Parts.row(
                            9,
                            new Mark(Mark.Kind.ATTENTION, "differs"),
                            Parts.prose("First difference: " + f.fault())))
                .orElseGet(
                    () ->
                        Parts.row(
                            9,
                            new Mark(Mark.Kind.DONE, "agrees"),
                            Parts.prose("Every variable is where the image has it."))));
    if (!comparison.left().isEmpty()) {
      verdict
          .getChildren()
          .add(
              Parts.prose(
                  "%s of the image without a variable: %s"
                      .formatted(
                          Count.of(comparison.left().size(), "value"),
                          String.join(
                              ", ",
                              comparison.left().stream().map(ControllerList::words).toList())),
                  "ink-attention"));
    }
    return verdict;
  }

  private static String words(ImagePlace place) {
    return "%s at %s".formatted(place.name(), place.place());
  }
}

package unimotus.desktop.bus;

import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.machine.BusStation;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationDesign;
import unimotus.core.quantity.Count;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.StationEdits;

/** The stations as they hang on the cable, the controller first; more are added at its end. */
final class CablePane extends VBox {
  private final Desk desk;
  private final Consumer<String> choose;
  private final ScanCard scan;

  /** A device that can be added. */
  private record Offer(DeviceDescription description, EsiDevice device) {
    String words() {
      return "%s, revision 0x%08X".formatted(device.type(), device.revision());
    }
  }

  CablePane(Desk desk, Consumer<String> choose) {
    this.desk = desk;
    this.choose = choose;
    this.scan = new ScanCard(desk);
    setId("bus-cable");
    setFillWidth(true);
  }

  void show(List<StationDesign> designs, @Nullable String chosen) {
    getChildren().setAll(Parts.label("Cable", "ink-strong"));
    boolean isAlone = designs.isEmpty();
    getChildren().add(onCable(false, !isAlone, Parts.label("controller", "ink-label")));
    for (int i = 0; i < designs.size(); i++) {
      StationDesign each = designs.get(i);
      Node box = box(each, each.station().id().equals(chosen));
      getChildren().add(onCable(true, i < designs.size() - 1, box));
    }
    Region spacer = new Region();
    spacer.setMinHeight(14);
    Region gap = new Region();
    gap.setMinHeight(14);
    scan.refresh(
        IntStream.range(0, designs.size())
            .filter(i -> designs.get(i).station().id().equals(chosen))
            .findFirst()
            .orElse(-1));
    getChildren().addAll(spacer, adding(), gap, scan);
  }

  /** Something at a knot of the cable, which comes from above and goes on below. */
  private static Node onCable(boolean fromAbove, boolean goesOn, Node what) {
    VBox strokes = new VBox(stroke(fromAbove), stroke(goesOn));
    strokes.setAlignment(Pos.CENTER);
    Region knot = new Region();
    knot.getStyleClass().add("cable-knot");
    StackPane cable = new StackPane(strokes, knot);
    cable.setMinWidth(12);
    HBox row = new HBox(2, cable, what);
    row.setAlignment(Pos.CENTER_LEFT);
    row.setFillHeight(true);
    row.setMinHeight(26);
    HBox.setHgrow(what, Priority.ALWAYS);
    return row;
  }

  private static Region stroke(boolean isThere) {
    Region stroke = new Region();
    stroke.getStyleClass().add("cable-stroke");
    stroke.setVisible(isThere);
    VBox.setVgrow(stroke, Priority.ALWAYS);
    return stroke;
  }

  private Node box(StationDesign design, boolean isChosen) {
    BusStation station = design.station();
    Button button = new Button();
    button.setId("station-" + station.id());
    button.getStyleClass().setAll("axis-item");
    if (isChosen) {
      button.getStyleClass().add("chosen");
    }
    button.setMaxWidth(Double.MAX_VALUE);
    List<String> facts = facts(design);
    VBox words = new VBox(2, Parts.label(station.name(), "ink-strong"));
    facts.forEach(f -> words.getChildren().add(Parts.label(f, "ink-caption")));
    words.getChildren().add(Parts.label(desk.live().standing(station).brief(), "ink-caption"));
    button.setGraphic(new HBox(9, mark(design), words));
    button.setAccessibleText("%s, %s".formatted(station.name(), String.join(", ", facts)));
    button.setOnAction(e -> choose.accept(station.id()));
    // Before the arrows lead to the next control.
    button.addEventFilter(KeyEvent.KEY_PRESSED, e -> key(e, station));
    return button;
  }

  private void key(KeyEvent event, BusStation station) {
    if (event.getCode() == KeyCode.DELETE) {
      desk.apply(StationEdits.remove(station));
      event.consume();
    } else if (event.isAltDown()
        && event.isShiftDown()
        && (event.getCode() == KeyCode.UP || event.getCode() == KeyCode.DOWN)) {
      desk.apply(StationEdits.move(station, event.getCode() == KeyCode.UP ? -1 : 1));
      event.consume();
    }
  }

  private static List<String> facts(StationDesign design) {
    BusStation station = design.station();
    String alias = station.alias() == 0 ? "no alias" : "alias %d".formatted(station.alias());
    String sizes =
        design
            .known()
            .map(ProcessImage::of)
            .map(
                image ->
                    ", %d B out, %d B in"
                        .formatted(image.bytes(Direction.OUTPUTS), image.bytes(Direction.INPUTS)))
            .orElse("");
    return List.of(
        "%s, revision 0x%08X".formatted(station.type(), station.revision()), alias + sizes);
  }

  /** What the description says of it; done only where nothing is left open. */
  private static Mark mark(StationDesign design) {
    if (design.known().isEmpty()) {
      return new Mark(Mark.Kind.ATTENTION, "not described");
    }
    StartUpCheck check = StartUpCheck.of(design.known().get(), design.startUp());
    long errors = (long) design.known().get().doubts().size() + check.refused().size();
    if (errors > 0) {
      return new Mark(Mark.Kind.ATTENTION, Count.of(errors, "error"));
    }
    return check.undetermined().isEmpty()
        ? new Mark(Mark.Kind.DONE, "checked against its description")
        : new Mark(Mark.Kind.OPEN, "%d undetermined".formatted(check.undetermined().size()));
  }

  private Node adding() {
    DescriptionCatalogue catalogue = desk.session().sheets().descriptions();
    List<Offer> offers =
        catalogue.descriptions().stream()
            .flatMap(d -> d.devices().stream().map(e -> new Offer(d, e)))
            .toList();
    ChoiceField<Offer> field =
        new ChoiceField<>(
            "device to add",
            offers,
            Offer::words,
            o -> desk.apply(StationEdits.add(o.description(), o.device())));
    field.setId("bus-add");
    field.setPromptText("add a station");
    field.setMaxWidth(Double.MAX_VALUE);
    return field;
  }
}

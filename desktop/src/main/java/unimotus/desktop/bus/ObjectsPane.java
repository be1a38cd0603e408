package unimotus.desktop.bus;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.core.esi.DictionaryObject;
import unimotus.core.esi.ObjectPart;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationSetup;
import unimotus.core.quantity.Count;
import unimotus.desktop.kit.Parts;

/** The objects of a station with a search over numbers and names. */
final class ObjectsPane {
  /** More would take long to lay out, and nobody reads so many. */
  private static final int MOST_SHOWN = 200;

  private final TextField search = new TextField();
  private final VBox rows = Parts.sheet(4);
  private final VBox all = Parts.column(8);
  private List<Line> lines = List.of();

  private record Line(DictionaryObject object, ObjectPart part) {
    String number() {
      return "0x%04X:%d".formatted(object.index(), part.subindex());
    }

    String name() {
      return object.parts().size() == 1
          ? object.name()
          : "%s: %s".formatted(object.name(), part.name());
    }

    boolean fits(String wanted) {
      return (number() + " " + name() + " " + part.dataType())
          .toLowerCase(Locale.ROOT)
          .contains(wanted);
    }
  }

  ObjectsPane() {
    search.setId("bus-object-search");
    search.setPromptText("number or name, such as 6040 or velocity");
    search.setAccessibleText("search in the objects");
    search.textProperty().addListener((o, was, is) -> show());
    search.setMaxWidth(360);
    all.getChildren().addAll(search, rows);
  }

  Node of(StationSetup setup) {
    lines = new ArrayList<>();
    for (DictionaryObject object : StartUpCheck.dictionary(setup).objects()) {
      object.parts().forEach(p -> lines.add(new Line(object, p)));
    }
    show();
    return all;
  }

  private void show() {
    String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
    List<Line> fitting = lines.stream().filter(l -> l.fits(wanted)).toList();
    rows.getChildren().setAll(Parts.label(heading(fitting.size()), "ink-label"));
    if (fitting.isEmpty()) {
      return;
    }
    GridPane grid = new GridPane();
    grid.setId("station-objects");
    grid.setHgap(14);
    grid.setVgap(3);
    grid.addRow(
        0,
        Cells.whole("object", "ink-caption"),
        Parts.label("name", "ink-caption"),
        Cells.whole("type", "ink-caption"),
        Cells.whole("access", "ink-caption"),
        Cells.whole("in the image", "ink-caption"),
        Cells.whole("range", "ink-caption"));
    int row = 1;
    for (Line line : fitting.subList(0, Math.min(MOST_SHOWN, fitting.size()))) {
      ObjectPart part = line.part();
      grid.addRow(
          row++,
          Cells.whole(line.number()),
          Parts.prose(line.name()),
          Cells.whole(part.dataType(), "ink-label"),
          Cells.whole(part.access().label(), "ink-label"),
          Cells.whole(part.mappable() ? "can be" : "", "ink-label"),
          Cells.whole(range(part), "ink-label"));
    }
    rows.getChildren().add(grid);
  }

  private String heading(int fitting) {
    if (lines.isEmpty()) {
      return "the description has no object dictionary";
    }
    String words = "%s of %d".formatted(Count.of(fitting, "value"), lines.size());
    return fitting > MOST_SHOWN ? "%s, the first %d".formatted(words, MOST_SHOWN) : words;
  }

  private static String range(ObjectPart part) {
    Long least = part.least();
    Long most = part.most();
    if (least == null && most == null) {
      return "";
    }
    return least == null
        ? "up to %d".formatted(most)
        : most == null ? "from %d".formatted(least) : "%d to %d".formatted(least, most);
  }
}

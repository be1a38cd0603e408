package unimotus.desktop.bus;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import unimotus.core.esi.Direction;
import unimotus.core.esi.Pdo;
import unimotus.core.machine.BusStation;
import unimotus.core.processdata.StationSetup;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.StationEdits;

/**
 * Which process data objects are in the image. Choosing one takes out those that exclude it; the
 * delivered image comes back with one button.
 */
final class ImageChoice {
  private final Desk desk;
  private final BusStation station;
  private final StationSetup setup;
  private final Set<Integer> in = new TreeSet<>();

  ImageChoice(Desk desk, BusStation station, StationSetup setup) {
    this.desk = desk;
    this.station = station;
    this.setup = setup;
    for (Direction direction : Direction.values()) {
      setup.assigned(direction).forEach(p -> in.add(p.index()));
    }
  }

  Node node() {
    FlowPane row = Parts.flow(12, Parts.label("in the image", "ink-label"));
    setup.available().forEach(p -> row.getChildren().add(box(p)));
    if (station.image() != null) {
      row.getChildren()
          .add(
              Parts.quiet(
                  "image-delivered",
                  "as delivered",
                  () -> desk.apply(StationEdits.image(station, null))));
    }
    return row;
  }

  private CheckBox box(Pdo pdo) {
    CheckBox box =
        new CheckBox("0x%04X %s, %d bit".formatted(pdo.index(), pdo.name(), pdo.bitLength()));
    box.setId("pdo-%04x".formatted(pdo.index()));
    box.setSelected(in.contains(pdo.index()));
    box.setOnAction(e -> choose(pdo, box.isSelected()));
    return box;
  }

  private void choose(Pdo pdo, boolean isIn) {
    Set<Integer> next = new HashSet<>(in);
    if (isIn) {
      next.removeAll(pdo.excludes());
      setup.available().stream()
          .filter(p -> p.excludes().contains(pdo.index()))
          .forEach(p -> next.remove(p.index()));
      next.add(pdo.index());
    } else {
      next.remove(pdo.index());
    }
    List<Integer> ordered = new ArrayList<>(new TreeSet<>(next));
    desk.apply(StationEdits.image(station, ordered));
  }
}

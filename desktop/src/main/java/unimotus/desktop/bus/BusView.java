package unimotus.desktop.bus;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.processdata.StationChecks;
import unimotus.core.processdata.StationDesign;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Tabs;
import unimotus.desktop.station.View;
import unimotus.workbench.StationLists;

/** The stations of the line in the order of the cable, and what is in the one chosen. */
public final class BusView implements View {
  private static final double CABLE = 244;

  private static final String CYCLE =
      StationChecks.CYCLE.substring(StationChecks.CYCLE.indexOf('/') + 1);

  private enum Side {
    IMAGE("Process image"),
    CONTROLLER_LIST("Controller's list"),
    START_UP("Start-up list"),
    OBJECTS("Objects"),
    CYCLE("Cycle");

    private final String words;

    Side(String words) {
      this.words = words;
    }
  }

  private final Desk desk;
  private final CablePane cable;
  private final StationHead head;
  private final Tabs<Side> tabs;
  private final VBox station = Parts.column(10);
  private final ObjectsPane objects = new ObjectsPane();
  private final ControllerList list;
  private final Node node;
  private Side side = Side.IMAGE;
  private @Nullable String chosen;

  /** A view of the bus of whatever line is open. */
  public BusView(Desk desk) {
    this.desk = desk;
    this.cable = new CablePane(desk, this::choose);
    this.head = new StationHead(desk);
    this.list = new ControllerList(desk);
    this.tabs =
        new Tabs<>(
            "bus-",
            Side.class,
            s -> s.words,
            s -> {
              side = s;
              refresh();
            });
    VBox left = new VBox(Parts.scrolling(cable));
    VBox.setVgrow(left.getChildren().get(0), Priority.ALWAYS);
    left.setMinWidth(CABLE);
    left.setMaxWidth(CABLE);
    VBox right = new VBox(Parts.scrolling(station));
    VBox.setVgrow(right.getChildren().get(0), Priority.ALWAYS);
    right.setMinWidth(0);
    HBox all = new HBox(16, left, right);
    HBox.setHgrow(right, Priority.ALWAYS);
    all.setPadding(new Insets(12, 16, 12, 16));
    this.node = all;
  }

  @Override
  public Node node() {
    return node;
  }

  private void choose(String id) {
    chosen = id;
    refresh();
  }

  @Override
  public void refresh() {
    List<StationDesign> designs =
        StationLists.designs(desk.session().project(), desk.session().sheets().descriptions());
    desk.navigation().takeAim().ifPresent(this::aim);
    Optional<StationDesign> shown =
        designs.stream()
            .filter(d -> d.station().id().equals(chosen))
            .findFirst()
            .or(() -> designs.stream().findFirst());
    chosen = shown.map(d -> d.station().id()).orElse(null);
    cable.show(designs, chosen);
    station.getChildren().clear();
    if (shown.isEmpty()) {
      station
          .getChildren()
          .add(
              Parts.prose(
                  "No stations yet. Add them in the order of the cable: a coupler, a drive. Their"
                      + " descriptions (ESI) say what is in their images.",
                  "ink-label"));
      return;
    }
    tabs.show(side);
    station.getChildren().addAll(head.of(shown.get()), tabs, content(shown.get()));
  }

  /** At a station, or at the cycle that all have. */
  private void aim(String place) {
    if (place.equals(CYCLE)) {
      side = Side.CYCLE;
    } else {
      chosen = place;
    }
  }

  private Node content(StationDesign design) {
    if (side == Side.CYCLE) {
      return new CyclePane(desk);
    }
    if (design.known().isEmpty()) {
      return Parts.prose(
          "%s. Nothing can be said of its image without it.".formatted(design.obstacle()),
          "ink-attention");
    }
    return switch (side) {
      case IMAGE ->
          new ImagePane(
              design.known().get(), new ImageChoice(desk, design.station(), design.known().get()));
      case CONTROLLER_LIST -> list.of(design.known().get());
      case START_UP -> new StartUpPane(desk, design);
      case OBJECTS -> objects.of(design.known().get());
      case CYCLE -> new CyclePane(desk);
    };
  }
}

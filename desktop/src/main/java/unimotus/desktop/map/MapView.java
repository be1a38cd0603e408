package unimotus.desktop.map;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.View;

/** The station Map: what the number becomes on its way, and what the words of a fieldbus say. */
public final class MapView implements View {
  private enum Mode {
    PATH("Signal path"),
    WORDS("Words"),
    FRAMES("Frames"),
    LIVE("Live");

    private final String label;

    Mode(String label) {
      this.label = label;
    }
  }

  private final View path;
  private final Map<Mode, Button> tabs = new EnumMap<>(Mode.class);
  private final Map<Mode, Node> nodes = new EnumMap<>(Mode.class);
  private final VBox node;
  private Mode mode = Mode.PATH;

  /**
   * The station for a desk.
   *
   * @param path the signal path
   */
  public MapView(Desk desk, View path) {
    this.path = path;
    nodes.put(Mode.PATH, path.node());
    nodes.put(Mode.WORDS, new WordsPane(desk));
    nodes.put(Mode.FRAMES, new FramesPane());
    nodes.put(Mode.LIVE, new LivePane(desk));
    HBox bar = Parts.row(2);
    bar.setPadding(new Insets(6, 16, 0, 16));
    for (Mode each : Mode.values()) {
      Button tab =
          Parts.action("map-" + each.name().toLowerCase(Locale.ROOT), each.label, () -> show(each));
      tab.getStyleClass().add("tab");
      tabs.put(each, tab);
      bar.getChildren().add(tab);
    }
    node = new VBox(bar, path.node());
    show(mode);
  }

  private void show(Mode next) {
    mode = next;
    tabs.forEach(
        (m, b) -> {
          b.getStyleClass().remove("chosen");
          if (m == mode) {
            b.getStyleClass().add("chosen");
          }
        });
    Node shown = nodes.get(mode);
    VBox.setVgrow(shown, Priority.ALWAYS);
    node.getChildren().set(1, shown);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    path.refresh();
  }
}

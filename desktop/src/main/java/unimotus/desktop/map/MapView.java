package unimotus.desktop.map;

import java.util.EnumMap;
import java.util.Map;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Tabs;
import unimotus.desktop.station.View;

/** The station Map: what the number becomes on its way, and what the words of a fieldbus say. */
public final class MapView implements View {
  private enum Mode {
    PATH("Signal path"),
    WORDS("Words"),
    REGISTERS("Registers"),
    FRAMES("Frames"),
    LIVE("Live");

    private final String label;

    Mode(String label) {
      this.label = label;
    }
  }

  private final View path;
  private final RegistersPane registers;
  private final LivePane live;
  private final Tabs<Mode> tabs = new Tabs<>("map-", Mode.class, m -> m.label, this::show);
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
    registers = new RegistersPane(desk);
    nodes.put(Mode.REGISTERS, registers);
    nodes.put(Mode.FRAMES, new FramesPane());
    live = new LivePane(desk);
    nodes.put(Mode.LIVE, live);
    tabs.setPadding(new Insets(6, 16, 0, 16));
    node = new VBox(tabs, path.node());
    show(mode);
  }

  private void show(Mode next) {
    mode = next;
    tabs.show(mode);
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
    registers.refresh();
    live.refresh();
  }
}

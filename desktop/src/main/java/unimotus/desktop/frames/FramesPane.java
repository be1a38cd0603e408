package unimotus.desktop.frames;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Tabs;
import unimotus.formats.capture.Packet;
import unimotus.workbench.capture.Frame;

/** Frames of either fieldbus, with every byte explained. */
public final class FramesPane extends VBox {
  private enum Bus {
    REGISTERS("Modbus"),
    PROCESS_DATA("Process data");

    private final String label;

    Bus(String label) {
      this.label = label;
    }
  }

  private final Tabs<Bus> tabs = new Tabs<>("frames-", Bus.class, b -> b.label, this::show);
  private final Map<Bus, Node> nodes = new EnumMap<>(Bus.class);

  /**
   * The pane.
   *
   * @param frames gives the frames of the last link under Live
   * @param packets gives the packets of the last connection to a station under Live
   */
  public FramesPane(Desk desk, Supplier<List<Frame>> frames, Supplier<List<Packet>> packets) {
    nodes.put(Bus.REGISTERS, new ModbusFrames(desk, frames).node());
    nodes.put(Bus.PROCESS_DATA, new TelegramFrames(desk, packets).node());
    tabs.setPadding(new Insets(6, 16, 0, 16));
    getChildren().addAll(tabs, nodes.get(Bus.REGISTERS));
    show(Bus.REGISTERS);
  }

  private void show(Bus bus) {
    Node node = Objects.requireNonNull(nodes.get(bus));
    VBox.setVgrow(node, Priority.ALWAYS);
    getChildren().set(1, node);
    tabs.show(bus);
  }
}

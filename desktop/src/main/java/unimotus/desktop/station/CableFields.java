package unimotus.desktop.station;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import unimotus.desktop.kit.ChoiceField;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.workbench.live.StationSearch;

/** Where the cable of a process-data fieldbus is: an address for UDP, or a network interface. */
public final class CableFields extends FlowPane {
  private static final double GAP = 6;
  private static final int COLUMNS = 12;

  /** How telegrams get to the stations. */
  private enum Way {
    UDP("UDP"),
    ETHERNET("Ethernet");

    private final String label;

    Way(String label) {
      this.label = label;
    }
  }

  private final ChoiceField<Way> ways;
  private final TextField address;
  private final TextField face;
  private Way way = Way.UDP;

  /**
   * Fields for this machine's own address and the usual port.
   *
   * @param prefix what their ids begin with
   */
  public CableFields(String prefix) {
    super(GAP, GAP);
    ways = new ChoiceField<>("how", List.of(Way.values()), w -> w.label, this::show);
    ways.setId(prefix + "-way");
    address = field(prefix + "-address", "address and port", "127.0.0.1:" + StationSearch.PORT);
    face = field(prefix + "-interface", "network interface", "eth0");
    show(way);
  }

  private static TextField field(String id, String name, String text) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(COLUMNS);
    return field;
  }

  private void show(Way next) {
    way = next;
    ways.show(next);
    getChildren().setAll(List.<Node>of(ways, next == Way.UDP ? address : face));
  }

  /** Shows a port of this machine. */
  public void show(int port) {
    show(Way.UDP);
    address.setText("127.0.0.1:" + port);
  }

  /**
   * The cable as it stands in the fields.
   *
   * @throws IllegalArgumentException naming what is wrong
   */
  public Cable cable() {
    if (way == Way.ETHERNET) {
      return Cable.ethernet(face.getText().strip());
    }
    String text = address.getText().strip();
    int colon = text.lastIndexOf(':');
    try {
      return Cable.udp(text.substring(0, colon), Integer.parseInt(text.substring(colon + 1)));
    } catch (IndexOutOfBoundsException | NumberFormatException none) {
      throw new IllegalArgumentException(
          "address '%s'; expected a host and a port, such as 127.0.0.1:34980".formatted(text));
    }
  }
}

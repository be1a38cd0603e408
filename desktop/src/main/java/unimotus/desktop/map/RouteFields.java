package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.Route;
import unimotus.devices.registers.Target;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;

/** Where a drive is: an address, or a serial port with its settings, and a unit number. */
final class RouteFields extends VBox {
  private static final List<Integer> BAUDS =
      List.of(1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200);

  /** How bytes get to the drive. */
  enum Way {
    TCP("Modbus TCP"),
    SERIAL_OVER_TCP("serial over TCP"),
    SERIAL("serial port");

    private final String label;

    Way(String label) {
      this.label = label;
    }

    String label() {
      return label;
    }
  }

  private final TextField host = field("live-host", "address", "127.0.0.1", 9);
  private final TextField port = field("live-port", "port", "502", 5);
  private final TextField device = field("live-device", "serial port", "/dev/ttyUSB0", 12);
  private final TextField unit = field("live-unit", "unit number", "1", 3);
  private final ChoiceField<Way> ways;
  private final ChoiceField<Integer> bauds;
  private final ChoiceField<Parity> parities;
  private final ChoiceField<Integer> stops;
  private final FlowPane first = Parts.flow(8);
  private final FlowPane second = Parts.flow(8);
  private Way way = Way.TCP;
  private SerialSettings settings = SerialSettings.STANDARD;

  RouteFields() {
    super(8);
    ways = new ChoiceField<>("how", List.of(Way.values()), Way::label, this::show);
    ways.setId("live-way");
    bauds =
        new ChoiceField<>(
            "baud",
            BAUDS,
            b -> b + " baud",
            b -> set(new SerialSettings(b, settings.parity(), settings.stopBits())));
    bauds.setId("live-baud");
    parities =
        new ChoiceField<>(
            "parity",
            List.of(Parity.values()),
            p -> "parity " + p.label(),
            p -> set(new SerialSettings(settings.baud(), p, settings.stopBits())));
    parities.setId("live-parity");
    stops =
        new ChoiceField<>(
            "stop bits",
            List.of(1, 2),
            n -> n + " stop",
            n -> set(new SerialSettings(settings.baud(), settings.parity(), n)));
    stops.setId("live-stop-bits");
    getChildren().addAll(first, second);
    show(way);
    set(settings);
  }

  private static TextField field(String id, String name, String text, int columns) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    return field;
  }

  private void show(Way next) {
    way = next;
    ways.show(next);
    List<Node> nodes = new ArrayList<>(List.of(ways));
    if (next == Way.SERIAL) {
      nodes.add(device);
    } else {
      nodes.addAll(List.of(host, word("port"), port));
    }
    nodes.addAll(List.of(word("unit"), unit));
    first.getChildren().setAll(nodes);
    second.getChildren().clear();
    if (next == Way.SERIAL) {
      second.getChildren().addAll(bauds, parities, stops);
    }
    second.setManaged(next == Way.SERIAL);
  }

  private static Label word(String text) {
    Label label = Parts.label(text, "ink-label");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private void set(SerialSettings next) {
    settings = next;
    bauds.show(next.baud());
    parities.show(next.parity());
    stops.show(next.stopBits());
  }

  /** Shows a way. */
  void show(Route route) {
    if (route instanceof Route.Tcp tcp) {
      show(Way.TCP);
      host.setText(tcp.host());
      port.setText(String.valueOf(tcp.port()));
    } else if (route instanceof Route.SerialOverTcp tcp) {
      show(Way.SERIAL_OVER_TCP);
      host.setText(tcp.host());
      port.setText(String.valueOf(tcp.port()));
    } else if (route instanceof Route.Serial serial) {
      show(Way.SERIAL);
      device.setText(serial.name());
      set(serial.settings());
    }
  }

  /** Shows a unit number. */
  void showUnit(int number) {
    unit.setText(String.valueOf(number));
  }

  /**
   * The way as it stands in the fields.
   *
   * @throws IllegalArgumentException naming what is wrong
   */
  Route route() {
    return switch (way) {
      case TCP -> new Route.Tcp(host.getText().strip(), number("port", port));
      case SERIAL_OVER_TCP -> new Route.SerialOverTcp(host.getText().strip(), number("port", port));
      case SERIAL -> new Route.Serial(device.getText().strip(), settings);
    };
  }

  /**
   * Way and unit.
   *
   * @throws IllegalArgumentException naming what is wrong
   */
  Target target() {
    return new Target(route(), number("unit", unit));
  }

  private static int number(String name, TextField field) {
    try {
      return Integer.parseInt(field.getText().strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "%s '%s' is no whole number".formatted(name, field.getText().strip()));
    }
  }
}

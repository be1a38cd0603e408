package unimotus.desktop.map;

import java.util.HexFormat;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.ComposedTelegram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.modbus.explain.ExplainedFrame;

/** A telegram of one datagram put together field by field. */
final class ComposeTelegramCard extends VBox {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  private final Consumer<String> show;
  private final TextField index = field("telegram-index", "index of the datagram", "1");
  private final TextField position = field("telegram-position", "position on the cable", "0");
  private final TextField station = field("telegram-station", "address of the station", "0x1001");
  private final TextField place = field("telegram-place", "place in the memory", "0x0130");
  private final TextField logical = field("telegram-logical", "logical address", "0x10000");
  private final TextField length = field("telegram-length", "bytes that are read", "6");
  private final TextField data = field("telegram-data", "bytes that are written", "02 00");
  private final FlowPane row = Parts.flow(6);
  private final Label trouble = Parts.passing("ink-attention");
  private Command command = Command.FPRD;

  /**
   * A card.
   *
   * @param show receives the bytes in hexadecimal
   */
  ComposeTelegramCard(Consumer<String> show) {
    super(6);
    this.show = show;
    ChoiceField<Command> commands =
        new ChoiceField<>(
            "command",
            ComposedTelegram.commands(),
            Command::name,
            c -> {
              command = c;
              fields();
              compose();
            });
    commands.setId("telegram-command");
    commands.show(command);
    data.setPrefColumnCount(32);
    trouble.setId("telegram-trouble");
    getChildren()
        .addAll(Parts.flow(8, Parts.label("Compose", "ink-strong"), commands), row, trouble);
    fields();
  }

  private TextField field(String id, String name, String text) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(6);
    field.textProperty().addListener((o, was, is) -> compose());
    return field;
  }

  /** Only what the command has. */
  private void fields() {
    row.getChildren().clear();
    add("index", index);
    switch (command.addressing()) {
      case POSITION -> add("position", position);
      case STATION -> add("station", station);
      case ALL, NONE, LOGICAL -> {
        // Nobody is named.
      }
    }
    boolean isLogical = command.addressing() == Command.Addressing.LOGICAL;
    add(isLogical ? "logical" : "place", isLogical ? logical : place);
    if (command.writes()) {
      add("data", data);
    } else {
      add("length", length);
    }
  }

  private void add(String words, TextField field) {
    row.getChildren().addAll(Parts.label(words, "ink-label"), field);
  }

  private void compose() {
    try {
      boolean isLogical = command.addressing() == Command.Addressing.LOGICAL;
      byte[] bytes =
          new Telegram(
                  List.of(
                      ComposedTelegram.datagram(
                          command,
                          small(index),
                          whom(),
                          number(isLogical ? logical : place),
                          command.writes() ? 0 : small(length),
                          command.writes() ? ExplainedFrame.bytes(data.getText()) : new byte[0])))
              .bytes();
      trouble.setText("");
      show.accept(HEX.formatHex(bytes));
    } catch (IllegalArgumentException why) {
      trouble.setText(why.getMessage());
    }
  }

  private long whom() {
    return switch (command.addressing()) {
      case POSITION -> number(position);
      case STATION -> number(station);
      case ALL, NONE, LOGICAL -> 0;
    };
  }

  private static int small(TextField field) {
    return (int) Math.max(-1, Math.min(number(field), Integer.MAX_VALUE));
  }

  private static long number(TextField field) {
    String text = field.getText().strip();
    try {
      return Long.decode(text);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s '%s' is no whole number; 16 and 0x10 are".formatted(field.getAccessibleText(), text));
    }
  }
}

package unimotus.desktop.frames;

import java.util.HexFormat;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
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
  private final ComposeFields row = new ComposeFields(this::compose);
  private final TextField index = row.field("telegram-index", "index of the datagram", "1", 6);
  private final TextField position =
      row.field("telegram-position", "position on the cable", "0", 6);
  private final TextField station =
      row.field("telegram-station", "address of the station", "0x1001", 6);
  private final TextField place = row.field("telegram-place", "place in the memory", "0x0130", 6);
  private final TextField logical = row.field("telegram-logical", "logical address", "0x10000", 6);
  private final TextField length = row.field("telegram-length", "bytes that are read", "6", 6);
  private final TextField data = row.field("telegram-data", "bytes that are written", "02 00", 6);
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

  /** Only what the command has. */
  private void fields() {
    row.getChildren().clear();
    row.add("index", index);
    switch (command.addressing()) {
      case POSITION -> row.add("position", position);
      case STATION -> row.add("station", station);
      case ALL, NONE, LOGICAL -> {
        // Nobody is named.
      }
    }
    boolean isLogical = command.addressing() == Command.Addressing.LOGICAL;
    row.add(isLogical ? "logical" : "place", isLogical ? logical : place);
    if (command.writes()) {
      row.add("data", data);
    } else {
      row.add("length", length);
    }
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

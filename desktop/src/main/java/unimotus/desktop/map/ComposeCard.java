package unimotus.desktop.map;

import java.util.HexFormat;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.Composed;
import unimotus.devices.modbus.ExplainedFrame;
import unimotus.devices.modbus.Request;

/** A request put together field by field. */
final class ComposeCard extends VBox {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final String TCP = "TCP";
  private static final String SERIAL = "serial";

  private final Consumer<String> show;
  private final TextField transaction = field("compose-transaction", "transaction", "1");
  private final TextField unit = field("compose-unit", "unit", "1");
  private final TextField address = field("compose-address", "address", "0");
  private final TextField count = field("compose-count", "count", "10");
  private final TextField values = field("compose-values", "values", "1");
  private final TextField readAddress = field("compose-read-address", "read address", "0");
  private final HBox row = Parts.row(6);
  private final Label trouble = Parts.passing("ink-attention");
  private int function = 3;
  private String framing = TCP;

  /**
   * A card.
   *
   * @param show receives the bytes in hexadecimal
   */
  ComposeCard(Consumer<String> show) {
    super(6);
    this.show = show;
    ChoiceField<Integer> functions =
        new ChoiceField<>(
            "function",
            Composed.FUNCTIONS,
            f -> "%d  %s".formatted(f, ExplainedFrame.functionName(f)),
            f -> {
              function = f;
              fields();
              compose();
            });
    functions.setId("compose-function");
    functions.show(function);
    ChoiceField<String> framings =
        new ChoiceField<>(
            "frame of",
            List.of(TCP, SERIAL),
            f -> f,
            f -> {
              framing = f;
              fields();
              compose();
            });
    framings.setId("compose-framing");
    framings.show(framing);
    values.setPrefColumnCount(16);
    trouble.setId("compose-trouble");
    getChildren()
        .addAll(
            Parts.row(8, Parts.label("Compose a request", "ink-strong"), framings, functions),
            row,
            trouble);
    fields();
  }

  private TextField field(String id, String name, String text) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(5);
    field.textProperty().addListener((o, was, is) -> compose());
    return field;
  }

  /** Only what the function has. */
  private void fields() {
    row.getChildren().clear();
    if (framing.equals(TCP)) {
      add("transaction", transaction);
    }
    add("unit", unit);
    add(function == 43 ? "object" : function == 23 ? "write from" : "from", address);
    if (function <= 4 || function == 23) {
      add("count", count);
    } else if (function == 43) {
      add("code 1–4", count);
    }
    if (function == 23) {
      add("read from", readAddress);
    }
    if (function > 4 && function != 43) {
      add(function == 22 ? "and, or" : "values", values);
    }
  }

  private void add(String words, TextField field) {
    row.getChildren().addAll(Parts.label(words, "ink-label"), field);
  }

  private void compose() {
    try {
      Request request =
          Composed.request(
              function,
              number(address),
              number(count),
              Composed.values(values.getText()),
              number(readAddress));
      byte[] frame =
          Composed.frame(framing.equals(SERIAL), number(transaction), number(unit), request);
      trouble.setText("");
      show.accept(HEX.formatHex(frame));
    } catch (IllegalArgumentException why) {
      trouble.setText(why.getMessage());
    }
  }

  private static int number(TextField field) {
    List<Integer> one = Composed.values(field.getText());
    if (one.size() != 1) {
      throw new IllegalArgumentException(field.getAccessibleText() + " needs one number");
    }
    return one.get(0);
  }
}

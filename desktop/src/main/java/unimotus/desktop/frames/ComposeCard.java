package unimotus.desktop.frames;

import java.util.HexFormat;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.Composed;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.FunctionCode;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;

/** A request put together field by field. */
final class ComposeCard extends VBox {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();
  private static final String TCP = "TCP";
  private static final String SERIAL = "serial";

  private final BiConsumer<String, Boolean> show;
  private final ComposeFields row = new ComposeFields(this::compose);
  private final TextField transaction = row.field("compose-transaction", "transaction", "1", 5);
  private final TextField unit = row.field("compose-unit", "unit", "1", 5);
  private final TextField address = row.field("compose-address", "address", "0", 5);
  private final TextField count = row.field("compose-count", "count", "10", 5);
  private final TextField values = row.field("compose-values", "values", "1", 5);
  private final TextField readAddress = row.field("compose-read-address", "read address", "0", 5);
  private final Label trouble = Parts.passing("ink-attention");
  private final TextField read = row.field("compose-read", "what is read", "0", 5);
  private final ChoiceField<ExceptionCode> refusals;
  private Kind kind = Kind.REQUEST;
  private int function = 3;

  /** What is put together. */
  enum Kind {
    REQUEST("request"),
    ANSWER("answer"),
    REFUSAL("refusal");

    private final String label;

    Kind(String label) {
      this.label = label;
    }
  }

  private String framing = TCP;

  /**
   * A card.
   *
   * @param show receives the bytes in hexadecimal, and whether they are an answer
   */
  ComposeCard(BiConsumer<String, Boolean> show) {
    super(6);
    this.show = show;
    ChoiceField<Integer> functions =
        new ChoiceField<>(
            "function",
            Composed.FUNCTIONS,
            f -> "%d  %s".formatted(f, FunctionCode.labelOf(f)),
            f -> {
              function = f;
              fields();
              compose();
            });
    functions.setId("compose-function");
    functions.show(function);
    ChoiceField<Kind> kinds =
        new ChoiceField<>(
            "what",
            List.of(Kind.values()),
            k -> k.label,
            k -> {
              kind = k;
              fields();
              compose();
            });
    kinds.setId("compose-kind");
    kinds.show(kind);
    refusals =
        new ChoiceField<>(
            "exception",
            List.of(ExceptionCode.values()),
            e -> "%02X  %s".formatted(e.code(), e.label()),
            e -> compose());
    refusals.setId("compose-exception");
    refusals.setValue(ExceptionCode.ILLEGAL_DATA_ADDRESS);
    read.setPrefColumnCount(16);
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
            Parts.flow(8, Parts.label("Compose", "ink-strong"), framings, kinds, functions),
            row,
            trouble);
    fields();
  }

  /** Only what the function has. */
  private void fields() {
    row.getChildren().clear();
    if (framing.equals(TCP)) {
      row.add("transaction", transaction);
    }
    row.add("unit", unit);
    if (kind == Kind.REFUSAL) {
      row.getChildren().addAll(Parts.label("with", "ink-label"), refusals);
      return;
    }
    row.add(function == 43 ? "object" : function == 23 ? "write from" : "from", address);
    if (function <= 4 || function == 23) {
      row.add("count", count);
    } else if (function == 43) {
      row.add("code 1–4", count);
    }
    if (function == 23) {
      row.add("read from", readAddress);
    }
    boolean reads = function <= 4 || function == 23;
    if (kind == Kind.ANSWER && reads) {
      row.add("read", read);
    }
    if (function > 4 && function != 43) {
      row.add(function == 22 ? "and, or" : "values", values);
    }
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
      trouble.setText("");
      show.accept(HEX.formatHex(frame(request)), kind != Kind.REQUEST);
    } catch (IllegalArgumentException why) {
      trouble.setText(why.getMessage());
    }
  }

  private byte[] frame(Request request) {
    boolean serial = framing.equals(SERIAL);
    int of = number(transaction);
    int to = number(unit);
    return switch (kind) {
      case REQUEST -> Composed.frame(serial, of, to, request);
      case ANSWER ->
          Composed.frame(serial, of, to, Composed.answer(request, Composed.values(read.getText())));
      case REFUSAL ->
          Composed.frame(serial, of, to, new Response.Refusal(function, refusals.getValue()));
    };
  }

  private static int number(TextField field) {
    List<Integer> one = Composed.values(field.getText());
    if (one.size() != 1) {
      throw new IllegalArgumentException(field.getAccessibleText() + " needs one number");
    }
    return one.get(0);
  }
}

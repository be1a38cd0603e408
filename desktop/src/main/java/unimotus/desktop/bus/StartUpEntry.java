package unimotus.desktop.bus;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import unimotus.core.esi.ObjectPart;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.machine.BusStation;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationSetup;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.StationEdits;

/** One more object of the start-up list, as it is entered: when, which, and what. */
final class StartUpEntry {
  /** Object access is there from PRE-OP on: nothing can be written on the way there. */
  private static final List<String> TRANSITIONS = List.of("PS", "SO");

  private static final Pattern OBJECT =
      Pattern.compile("(?:0x)?([0-9a-f]{1,4})(?::(?:0x)?([0-9a-f]{1,2}))?");
  private static final int HEX = 16;

  private final Desk desk;
  private final BusStation station;
  private final StationSetup setup;
  private final TextField object = field("start-up-object", "such as 0x6060:0", 11);
  private final TextField value = field("start-up-value", "value", 7);
  private final TextField comment = field("start-up-comment", "what for", 9);
  private String transition = "PS";

  StartUpEntry(Desk desk, BusStation station, StationSetup setup) {
    this.desk = desk;
    this.station = station;
    this.setup = setup;
  }

  private static TextField field(String id, String name, int columns) {
    TextField field = new TextField();
    field.setId(id);
    field.setPromptText(name);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    return field;
  }

  Node node() {
    ChoiceField<String> when =
        new ChoiceField<>("when", TRANSITIONS, StartUpEntry::words, t -> transition = t);
    when.setId("start-up-transition");
    for (TextField each : List.of(object, value, comment)) {
      each.setOnAction(e -> add());
    }
    return Parts.flow(
        8,
        Parts.label("Write one more", "ink-label"),
        when.show(transition),
        object,
        value,
        comment,
        Parts.action("start-up-add", "Add", this::add));
  }

  /** Puts an object into the fields; its value is still to be entered. */
  void begin(StartUpCommand command) {
    object.setText(command.object());
    comment.setText(command.comment());
    value.clear();
    value.requestFocus();
  }

  private static String words(String transition) {
    return transition.equals("PS") ? "PS, on the way to SAFE-OP" : "SO, on the way to OP";
  }

  private void add() {
    try {
      desk.apply(StationEdits.addStartUp(station, entered()));
    } catch (IllegalArgumentException refused) {
      desk.refuse(String.valueOf(refused.getMessage()));
    }
  }

  private StartUpCommand entered() {
    Matcher at = OBJECT.matcher(object.getText().strip().toLowerCase(Locale.ROOT));
    if (!at.matches()) {
      throw new IllegalArgumentException(
          "object '%s'; expected index and subindex in hex, such as 0x6060:0"
              .formatted(object.getText().strip()));
    }
    int index = Integer.parseInt(at.group(1), HEX);
    int subindex = at.group(2) == null ? 0 : Integer.parseInt(at.group(2), HEX);
    Optional<ObjectPart> part =
        StartUpCheck.dictionary(setup).object(index).flatMap(o -> o.part(subindex));
    if (part.isEmpty()) {
      throw new IllegalArgumentException(
          "the description has no 0x%04X:%d: the device would refuse it at every power-up"
              .formatted(index, subindex));
    }
    int bytes = (part.get().bitLength() + Byte.SIZE - 1) / Byte.SIZE;
    if (bytes > Long.BYTES) {
      throw new IllegalArgumentException(
          "0x%04X:%d has %d bytes; up to 8 can be entered as a number"
              .formatted(index, subindex, bytes));
    }
    return StartUpCommand.number(
        transition, index, subindex, number(part.get(), bytes), bytes, comment.getText().strip());
  }

  /** A number of the type the object has: what does not fit would be cut off. */
  private long number(ObjectPart part, int bytes) {
    String text = value.getText().strip();
    long number;
    try {
      number = Long.decode(text);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "value '%s' is no whole number; 12, -3 and 0x1F are".formatted(text));
    }
    int bits = Byte.SIZE * bytes;
    boolean isLong = bits == Long.SIZE;
    long least = part.isSigned() ? (isLong ? Long.MIN_VALUE : -(1L << bits - 1)) : 0;
    long most = isLong ? Long.MAX_VALUE : part.isSigned() ? (1L << bits - 1) - 1 : (1L << bits) - 1;
    if (number < least || number > most) {
      throw new IllegalArgumentException(
          "%d does not fit into %s (%s), %d to %d"
              .formatted(number, part.name(), part.dataType(), least, most));
    }
    return number;
  }
}

package unimotus.formats.schedule;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.function.Function;
import unimotus.core.machine.Shield;
import unimotus.core.schedule.WireSchedule.Row;

/** The columns of a wire schedule: heading, other headings that are understood, and content. */
enum ScheduleColumn {
  WIRE("Wire", List.of("wire no", "wire number", "number", "conductor"), r -> r.wire().id()),
  FROM_DEVICE("From device", List.of("from", "device 1"), r -> r.wire().from().device()),
  FROM_TERMINAL("From terminal", List.of("terminal 1"), r -> r.wire().from().terminal()),
  TO_DEVICE("To device", List.of("to", "device 2"), r -> r.wire().to().device()),
  TO_TERMINAL("To terminal", List.of("terminal 2"), r -> r.wire().to().terminal()),
  SIGNAL("Signal", List.of("function"), r -> r.wire().make().signal()),
  SIZE(
      "Size",
      List.of("gauge", "cross-section", "size (mm²)"),
      r -> r.wire().make().size().toString()),
  COLOUR("Colour", List.of("color"), r -> r.wire().make().colour()),
  CABLE("Cable", List.of(), r -> r.wire().make().cable()),
  CORE("Core", List.of(), r -> r.wire().make().core()),
  SHIELD("Shield", List.of("screen"), r -> shield(r.wire().make().shield())),
  LENGTH("Length (m)", List.of("length"), r -> metres(r.wire().make().lengthMetres())),
  AGAINST(
      "Measured against",
      List.of(),
      r -> r.expectation() == null ? "" : r.expectation().against().toString()),
  REST(
      "At rest (V)",
      List.of(),
      r -> r.expectation() == null ? "" : volts(r.expectation().restVolts())),
  ACTION(
      "In action (V)",
      List.of(),
      r -> r.expectation() == null ? "" : volts(r.expectation().actionVolts())),
  ACTION_STATE("Action", List.of(), r -> r.expectation() == null ? "" : r.expectation().action());

  private final String heading;
  private final List<String> synonyms;
  private final Function<Row, String> content;

  ScheduleColumn(String heading, List<String> synonyms, Function<Row, String> content) {
    this.heading = heading;
    this.synonyms = synonyms;
    this.content = content;
  }

  String heading() {
    return heading;
  }

  String content(Row row) {
    return content.apply(row);
  }

  boolean isCalled(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    return heading.toLowerCase(Locale.ROOT).equals(plain) || synonyms.contains(plain);
  }

  /** Whether a schedule is of no use without this column. */
  boolean isNeeded() {
    return this == WIRE
        || this == FROM_DEVICE
        || this == FROM_TERMINAL
        || this == TO_DEVICE
        || this == TO_TERMINAL;
  }

  /** Whether the content is a number. */
  boolean isNumber() {
    return this == LENGTH || this == REST || this == ACTION;
  }

  private static String shield(Shield shield) {
    return shield == Shield.NONE ? "" : shield.label();
  }

  private static String metres(double metres) {
    return metres == 0 ? "" : Double.toString(metres);
  }

  private static String volts(OptionalDouble volts) {
    return volts.isEmpty()
        ? "floating"
        : String.format(Locale.ROOT, "%.2f", Math.round(volts.getAsDouble() * 100) / 100.0 + 0.0);
  }
}

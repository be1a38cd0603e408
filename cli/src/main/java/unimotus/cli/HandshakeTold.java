package unimotus.cli;

import java.io.PrintWriter;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntSupplier;
import java.util.stream.Collectors;
import unimotus.core.motion.ServoAxis;
import unimotus.core.positioning.Handshake;
import unimotus.core.positioning.HandshakeCase;
import unimotus.core.positioning.PositioningWords;
import unimotus.core.positioning.Reply;
import unimotus.core.positioning.Request;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** The timeline of positioning by bits, as text and as a document. */
final class HandshakeTold {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;

  private final ServoAxis axis;
  private final HandshakeCase shown;
  private final Handshake handshake;

  /**
   * A timeline.
   *
   * @param key the word for its case
   * @throws IllegalArgumentException where there is no such case, or the axis cannot show it
   */
  HandshakeTold(ServoAxis axis, String key) {
    this.axis = axis;
    this.shown =
        Arrays.stream(HandshakeCase.values())
            .filter(c -> c.key().equals(key))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "--bits: '%s' is not one of %s"
                            .formatted(
                                key,
                                Arrays.stream(HandshakeCase.values())
                                    .map(HandshakeCase::key)
                                    .collect(Collectors.joining(", ")))));
    this.handshake = shown.play(axis.table(), axis.design().moves().start());
  }

  void tell(Output output) {
    if (output.isJson()) {
      output.document(document());
    } else {
      print(output.text());
    }
  }

  private void print(PrintWriter out) {
    out.printf("%s: %s%n", shown.label(), shown.meaning());
    PositioningWords bits = axis.design().positioning().words();
    Columns columns = new Columns("  ", Set.of(0, 2, 6));
    columns.row("time", "to the drive", "number", "", "from the drive", "", "position", "");
    for (Handshake.Moment each : handshake.moments()) {
      columns.row(
          PLAIN.text(each.time(), MeasureUnit.SECOND_UNIT),
          words(each.requests(), Request::label),
          Integer.toString(each.number()),
          word(() -> bits.command(each.requests(), each.number())),
          words(each.replies(), Reply::label),
          word(() -> bits.status(each.replies())),
          PLAIN.text(each.position(), axis.unit()),
          each.note());
    }
    columns.print(out);
    out.printf(
        "Homing is drawn as %s: it takes as long as it takes. A simulation is not a proof.%n",
        PLAIN.text(Handshake.HOMING_SECONDS, MeasureUnit.SECOND_UNIT));
  }

  /** A word as it stands on the bus; a bit that is named nowhere makes none. */
  private static String word(IntSupplier of) {
    try {
      return "0x%04X".formatted(of.getAsInt());
    } catch (IllegalArgumentException unnamed) {
      return "–";
    }
  }

  private static <T extends Enum<T>> String words(Collection<T> bits, Function<T, String> label) {
    return bits.stream().sorted().map(label).collect(Collectors.joining(", "));
  }

  private Map<String, Object> document() {
    List<Map<String, Object>> moments =
        handshake.moments().stream()
            .map(
                m ->
                    Map.<String, Object>of(
                        "time", m.time(),
                        "requests", keys(m.requests()),
                        "number", m.number(),
                        "replies", keys(m.replies()),
                        "position", m.position(),
                        "note", m.note()))
            .toList();
    return Map.of(
        "axis",
        axis.axis().id(),
        "case",
        shown.key(),
        "unit",
        axis.unit().symbol(),
        "moments",
        moments);
  }

  private static <T extends Enum<T>> List<String> keys(Collection<T> bits) {
    return bits.stream()
        .sorted()
        .map(b -> b.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'))
        .toList();
  }
}

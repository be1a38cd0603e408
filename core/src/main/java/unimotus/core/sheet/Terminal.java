package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * One terminal of a device with its electrical model: its role, the terminal its circuit closes to,
 * and the role's figures.
 *
 * @param id the marking on the device, unique within it, such as {@code DI1}
 * @param label what it is for, in words
 * @param role what it does electrically
 * @param common the terminal its circuit closes to: the group's common of an input, the supply of a
 *     sourcing output, 0 V of a sinking one, the other end of a contact; null where it has none
 * @param electrical figures of the electrical model by {@link Figure#key()}; possibly empty
 * @param closedIn positions of the part in which this contact is closed; empty for contacts that
 *     close on command and for all other terminals; null in a constructor call stands for empty
 * @param function what on means at an input that cannot be set to anything else; null where a
 *     setting of the drive says it, or nothing does
 */
@RecordBuilder
public record Terminal(
    String id,
    String label,
    TerminalRole role,
    @Nullable String common,
    Map<String, Double> electrical,
    List<String> closedIn,
    @Nullable Meaning function)
    implements TerminalBuilder.With {

  /** Sorts and freezes the electrical figures. */
  public Terminal(
      String id,
      String label,
      TerminalRole role,
      @Nullable String common,
      Map<String, Double> electrical,
      @Nullable List<String> closedIn,
      @Nullable Meaning function) {
    this.id = id;
    this.label = label;
    this.role = role;
    this.common = common;
    this.electrical = Collections.unmodifiableMap(new TreeMap<>(electrical));
    this.closedIn = closedIn == null ? List.of() : List.copyOf(closedIn);
    this.function = function;
  }

  /** A terminal that has no function of its own. */
  public Terminal(
      String id,
      String label,
      TerminalRole role,
      @Nullable String common,
      Map<String, Double> electrical,
      @Nullable List<String> closedIn) {
    this(id, label, role, common, electrical, closedIn, null);
  }

  /** A terminal that is no contact of a part. */
  public Terminal(
      String id,
      String label,
      TerminalRole role,
      @Nullable String common,
      Map<String, Double> electrical) {
    this(id, label, role, common, electrical, null);
  }

  /** The figure, or what is typical for the role where the sheet gives none. */
  public double figure(Figure figure) {
    Double given = electrical.get(figure.key());
    return given != null ? given : role.typical().getOrDefault(figure, Double.NaN);
  }

  /** The figure as the sheet gives it; empty where it gives none. */
  public Optional<Double> given(Figure figure) {
    return Optional.ofNullable(electrical.get(figure.key()));
  }

  /** The figures of the role that the sheet leaves out; empty where the model is complete. */
  public List<Figure> missingFigures() {
    return role.typical().keySet().stream().filter(f -> !electrical.containsKey(f.key())).toList();
  }

  /** This terminal with another marking and other words. */
  public Terminal withWords(String nextId, String nextLabel) {
    return with().id(nextId).label(nextLabel).build();
  }

  /** This terminal in another role, with the figures typical for it. */
  public Terminal withRole(TerminalRole next) {
    Map<String, Double> figures = new TreeMap<>();
    next.typical().forEach((f, v) -> figures.put(f.key(), electrical.getOrDefault(f.key(), v)));
    return with()
        .role(next)
        .electrical(figures)
        .closedIn(next.isPositioned() ? closedIn : List.of())
        .function(next.isBinaryInput() ? function : null)
        .build();
  }

  /** This terminal without a common. */
  public Terminal withoutCommon() {
    return new Terminal(id, label, role, null, electrical, closedIn, function);
  }

  /** This terminal with one figure changed. */
  public Terminal withFigure(Figure figure, double value) {
    Map<String, Double> figures = new TreeMap<>(electrical);
    figures.put(figure.key(), value);
    return withElectrical(figures);
  }
}

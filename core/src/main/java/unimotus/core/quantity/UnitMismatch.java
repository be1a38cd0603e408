package unimotus.core.quantity;

import java.util.stream.Collectors;

/** A number came with a unit that cannot measure what was asked for. */
public final class UnitMismatch extends IllegalArgumentException {
  private static final long serialVersionUID = 1L;

  /** Says which unit was given and which ones would have fitted. */
  public UnitMismatch(MeasureUnit given, Dimension wanted) {
    super(
        "'%s' measures %s; a %s is wanted (%s)"
            .formatted(given.symbol(), given.dimension().label(), wanted.label(), fitting(wanted)));
  }

  /** The same, naming the thing whose number it is. */
  UnitMismatch(String name, MeasureUnit given, Dimension wanted) {
    super(name + ": " + new UnitMismatch(given, wanted).getMessage());
  }

  private static String fitting(Dimension wanted) {
    return MeasureUnit.of(wanted).stream()
        .map(MeasureUnit::symbol)
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining(", "));
  }
}

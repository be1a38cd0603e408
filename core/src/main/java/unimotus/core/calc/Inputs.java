package unimotus.core.calc;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.ConductorSize;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/** The numbers given to a calculator, each in the unit its parameter asks for. */
public final class Inputs {
  private final Map<String, Double> values = new TreeMap<>();
  private final Map<String, ConductorSize> conductors = new TreeMap<>();

  /**
   * Reads the typed texts.
   *
   * @throws IllegalArgumentException naming what is missing, unknown, unreadable or negative
   */
  Inputs(List<Parameter> parameters, Map<String, String> texts, char decimalMark) {
    for (String name : texts.keySet()) {
      if (parameters.stream().noneMatch(p -> p.name().equals(name))) {
        throw new IllegalArgumentException(
            "'%s' is not asked for; give %s".formatted(name, names(parameters)));
      }
    }
    for (Parameter parameter : parameters) {
      String text = texts.get(parameter.name());
      if (text != null && parameter.unit() == MeasureUnit.SQUARE_MILLIMETRE) {
        ConductorSize size = ConductorSize.parse(text);
        conductors.put(parameter.name(), size);
        values.put(parameter.name(), size.squareMillimetres());
      } else {
        values.put(parameter.name(), read(parameter, text, decimalMark));
      }
    }
  }

  private static double read(Parameter parameter, @Nullable String text, char decimalMark) {
    if (text == null) {
      if (parameter.fallback() == null) {
        throw new IllegalArgumentException(
            "%s is missing: %s, in %s"
                .formatted(parameter.name(), parameter.about(), unitName(parameter)));
      }
      return parameter.fallback();
    }
    double value =
        QuantityText.parse(parameter.name(), text, parameter.unit(), decimalMark)
            .in(parameter.unit());
    Optional<String> fault = parameter.fault(value);
    if (fault.isPresent()) {
      throw new IllegalArgumentException(
          "%s: %s %s, but is %s"
              .formatted(parameter.name(), parameter.about(), fault.get(), text.strip()));
    }
    return value;
  }

  private static String unitName(Parameter parameter) {
    return parameter.unit().symbol().isEmpty() ? "plain numbers" : parameter.unit().symbol();
  }

  private static String names(List<Parameter> parameters) {
    return parameters.stream().map(Parameter::name).collect(Collectors.joining(", "));
  }

  /** The number of this name in its parameter's unit. */
  public double get(String name) {
    return Objects.requireNonNull(values.get(name), name);
  }

  /** The conductor of this name, metric or American as it was typed. */
  ConductorSize conductor(String name) {
    return Objects.requireNonNull(conductors.get(name), name);
  }

  /**
   * Refuses a number that does not go with the others.
   *
   * @param why what it has to be, such as {@code must be over the signal at 0 %}
   * @throws IllegalArgumentException naming the number, its value and the limit
   */
  void require(boolean holds, String name, String why) {
    if (!holds) {
      throw new IllegalArgumentException(
          "%s %s, but is %s".formatted(name, why, QuantityFormat.PLAIN.number(get(name))));
    }
  }

  /**
   * The number of this name as a whole number.
   *
   * @throws IllegalArgumentException where it is not whole
   */
  public int whole(String name) {
    double value = get(name);
    if (value != Math.rint(value) || value > Integer.MAX_VALUE) {
      throw new IllegalArgumentException(
          "%s must be a whole number, not %s".formatted(name, value));
    }
    return (int) value;
  }
}

package unimotus.core.fieldbus;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.ValueType;

/**
 * Finds where a known value stands among registers, and how: every place, type, order and usual
 * scale is tried, and what says every known value is kept.
 */
public final class RegisterSearch {
  /**
   * What manuals scale by: powers of ten, and parts of 0x4000 or 0x7FFF for 100 (common practice).
   */
  private static final double[] SCALES = {
    0.01, 0.1, 1, 0.001, 0.0001, 10, 100, 100 / 16_384.0, 100 / 32_767.0
  };

  private static final List<ValueType> TYPES =
      List.of(
          ValueType.UNSIGNED_16,
          ValueType.SIGNED_16,
          ValueType.FLOAT_32,
          ValueType.UNSIGNED_32,
          ValueType.SIGNED_32);

  private RegisterSearch() {}

  /**
   * All that fits, the plainest first. Values that stand still tell nothing: at least two different
   * ones are needed.
   *
   * @throws IllegalArgumentException where there are fewer
   */
  public static List<RegisterFit> fits(List<KnownValue> known) {
    if (known.stream().mapToDouble(KnownValue::value).distinct().count() < 2) {
      throw new IllegalArgumentException(
          "two different known values are needed at least, such as 10.0 and 25.0 Hz");
    }
    KnownValue first = known.get(0);
    List<RegisterFit> fits = new ArrayList<>();
    for (int i = 0; i < first.words().size(); i++) {
      for (ValueType type : TYPES) {
        for (WordOrder order : orders(type)) {
          fit(known, first.address() + i, type, order).ifPresent(fits::add);
        }
      }
    }
    fits.sort(
        Comparator.<RegisterFit>comparingInt(f -> f.type().words() > 1 ? 1 : 0)
            .thenComparingInt(f -> usual(f.scale()))
            .thenComparingInt(f -> f.order().ordinal()));
    return fits;
  }

  private static int usual(double scale) {
    for (int i = 0; i < SCALES.length; i++) {
      if (SCALES[i] == scale) {
        return i;
      }
    }
    return SCALES.length;
  }

  private static List<WordOrder> orders(ValueType type) {
    return type.words() == 1 ? List.of(WordOrder.ABCD) : List.of(WordOrder.values());
  }

  private static Optional<RegisterFit> fit(
      List<KnownValue> known, int address, ValueType type, WordOrder order) {
    for (double scale : SCALES) {
      if (type == ValueType.FLOAT_32 && scale != 1) {
        continue;
      }
      List<String> evidence = new ArrayList<>();
      for (KnownValue one : known) {
        int at = address - one.address();
        if (at < 0 || at + type.words() > one.words().size()) {
          return Optional.empty();
        }
        double raw = order.raw(type, words(one, at, type.words()));
        double step = type == ValueType.FLOAT_32 ? 0 : scale;
        if (!(Math.abs(raw * scale - one.value()) <= (one.resolution() + step) / 2)) {
          break;
        }
        evidence.add(line(raw, scale, one.value()));
      }
      if (evidence.size() == known.size()) {
        RegisterTable table = known.get(0).table();
        return Optional.of(new RegisterFit(table, address, type, order, scale, evidence));
      }
    }
    return Optional.empty();
  }

  private static int[] words(KnownValue one, int at, int count) {
    return one.words().subList(at, at + count).stream().mapToInt(w -> w).toArray();
  }

  private static String line(double raw, double scale, double value) {
    QuantityFormat format = QuantityFormat.PLAIN;
    return "%s · %s = %s, known %s"
        .formatted(
            format.number(raw),
            format.number(scale),
            format.number(raw * scale),
            format.number(value));
  }

  /**
   * Whether a value stands one place beside where the map has it.
   *
   * @return what was expected and found; empty where it stands where it should, or elsewhere
   */
  public static Optional<MapDoubt> offByOne(RegisterEntry expected, List<RegisterFit> fits) {
    boolean right = fits.stream().anyMatch(f -> isAt(f, expected, 0));
    return fits.stream()
        .filter(f -> !right && (isAt(f, expected, 1) || isAt(f, expected, -1)))
        .findFirst()
        .map(
            f ->
                new MapDoubt(
                    MapDoubt.Kind.SHIFTED,
                    expected.name(),
                    "the map has it at %d, the known values are at %d: %s"
                        .formatted(
                            expected.address(), f.address(), String.join("; ", f.evidence())),
                    f.address() < expected.address()
                        ? "The manual counts from 1: move the map one down."
                        : "Move the map one up."));
  }

  private static boolean isAt(RegisterFit fit, RegisterEntry entry, int beside) {
    return fit.table() == entry.table()
        && fit.address() == entry.address() + beside
        && fit.type().words() == entry.type().words();
  }
}

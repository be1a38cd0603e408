package unimotus.core.way.preset;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.sheet.NumberSetting;

/** Presets as they would be under each cause. */
final class PresetCauses {
  private final PresetLink link;
  private final SignalPath path;

  PresetCauses(PresetLink link, SignalPath path) {
    this.link = link;
    this.path = path;
  }

  List<Variant> variants(PresetCause cause) {
    return switch (cause) {
      case PRESET_VALUE -> defaults();
      case PRESET_EXCHANGED -> exchanged();
      case PRESET_DEAD ->
          inputs().stream()
              .map(i -> seen("preset input %d stays off".formatted(i), c -> without(c, i)))
              .toList();
      case PRESET_STUCK ->
          inputs().stream()
              .map(i -> seen("preset input %d stays on".formatted(i), c -> with(c, i)))
              .toList();
      case PRESET_NOT_TAKEN -> List.of(seen("", c -> new TreeSet<>()));
    };
  }

  private SortedSet<Integer> inputs() {
    return link.table().inputs();
  }

  private List<Variant> defaults() {
    List<Variant> variants = new ArrayList<>();
    link.table()
        .values()
        .forEach(
            (number, setting) -> {
              Double stands = link.drive().hertz().get(number);
              if (stands != null && stands != setting.defaultValue()) {
                variants.add(standing(number, setting));
              }
            });
    return variants;
  }

  private Variant standing(int number, NumberSetting setting) {
    Map<Integer, Double> next = new TreeMap<>(link.drive().hertz());
    next.put(number, setting.defaultValue());
    return variant(
        "%s stands at %s".formatted(setting.code(), text(setting.defaultValue(), HERTZ_UNIT)),
        next);
  }

  private List<Variant> exchanged() {
    List<Variant> variants = new ArrayList<>();
    for (int one : inputs()) {
      for (int other : inputs().tailSet(one + 1)) {
        variants.add(
            seen("preset inputs %d and %d".formatted(one, other), c -> swapped(c, one, other)));
      }
    }
    return variants;
  }

  /**
   * The values as they come out when the drive sees other inputs closed than the program closes.
   */
  private Variant seen(String text, UnaryOperator<SortedSet<Integer>> closed) {
    Map<Integer, Double> next = new TreeMap<>();
    for (PresetChoice choice : link.program().choices()) {
      SortedSet<Integer> arrives = closed.apply(new TreeSet<>(choice.closed()));
      Double hertz = link.table().hertz().get(link.table().rule().counting().number(arrives));
      next.put(
          choice.number(), hertz == null || nothing(arrives) ? minimum() : hertz.doubleValue());
    }
    return variant(text, next);
  }

  /** With nothing closed the reference in force holds, which nobody commands here. */
  private boolean nothing(SortedSet<Integer> closed) {
    return closed.isEmpty() && !link.table().combinations().contains(0);
  }

  private double minimum() {
    return link.limits().minimumHertz();
  }

  private static SortedSet<Integer> without(SortedSet<Integer> closed, int input) {
    closed.remove(input);
    return closed;
  }

  private static SortedSet<Integer> with(SortedSet<Integer> closed, int input) {
    closed.add(input);
    return closed;
  }

  private static SortedSet<Integer> swapped(SortedSet<Integer> closed, int one, int other) {
    boolean first = closed.remove(one);
    boolean second = closed.remove(other);
    if (first) {
      closed.add(other);
    }
    if (second) {
      closed.add(one);
    }
    return closed;
  }

  private Variant variant(String text, Map<Integer, Double> hertz) {
    return Variant.of(text, path.with(link.with(link.drive().with(hertz))));
  }
}

package unimotus.core.calc;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** All calculators. */
public final class Calculators {
  private static final List<Calculator> ALL =
      Stream.of(
              MotorCalculators.all(),
              PowerCalculators.all(),
              AnalogCalculators.all(),
              MotionCalculators.all(),
              PulseCalculators.all(),
              ProcessCalculators.all())
          .flatMap(List::stream)
          .toList();

  private Calculators() {}

  /** Every calculator, by subject. */
  public static List<Calculator> all() {
    return ALL;
  }

  /** The calculator of this name; empty where there is none. */
  public static Optional<Calculator> find(String name) {
    return ALL.stream().filter(c -> c.name().equals(name)).findFirst();
  }
}

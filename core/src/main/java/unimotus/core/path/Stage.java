package unimotus.core.path;

import java.util.Optional;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;

/**
 * One link of the chain: turns the value at one station into the value at the next.
 *
 * <p>{@link #forward} is what really happens, with steps, limits and signs; {@link #inverse} undoes
 * the straight part of it, so that a wanted value can be traced back.
 */
public interface Stage {

  /** The station whose value goes in. */
  Station from();

  /** The station whose value comes out. */
  Station to();

  /** Unit of the value that comes out. */
  MeasureUnit unit();

  /** What comes out for what goes in, limits and steps included. */
  double forward(double in);

  /** What has to go in for what should come out, limits and steps left aside. */
  double inverse(double out);

  /** Least value that can come out; −∞ where nothing limits it. */
  default double low() {
    return Double.NEGATIVE_INFINITY;
  }

  /** Greatest value that can come out; ∞ where nothing limits it. */
  default double high() {
    return Double.POSITIVE_INFINITY;
  }

  /** Smallest change of the value that comes out; 0 where it is continuous. */
  default double step() {
    return 0;
  }

  /** Where the numbers of this stage come from, such as a setting's code. */
  String origin();

  /** The sum with the numbers put in. */
  Step sum(double in, double out);

  /** What holds the value back at this input, in words; empty where nothing does. */
  default Optional<String> condition(double in) {
    return Optional.empty();
  }
}

package unimotus.core.stepper;

import java.util.Optional;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * The resistor before an opto input whose voltage is under that of the output.
 *
 * @param ohms of the standard series
 * @param amperes that then flow
 * @param watts it turns to heat
 * @param sum how it was found
 */
public record SeriesResistor(double ohms, double amperes, double watts, Derivation sum) {
  /** E12 of IEC 60063, from memory. */
  private static final double[] E12 = {1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};

  private static final int DECADES = 7;

  /** The resistor is chosen for twice its heat (common practice). */
  private static final double HEAT_MARGIN = 2;

  /** Ratings that are sold (common practice). */
  private static final double[] RATINGS = {0.25, 0.5, 1, 2, 3, 5};

  /**
   * An input of light-emitting diode and resistor.
   *
   * @param forwardVolts across the diode, 0 or more
   * @param ohms inside the input in series with it, 0 or more
   * @param leastAmperes at which it is on for certain, over 0
   * @param mostAmperes that it bears
   */
  public record Input(double forwardVolts, double ohms, double leastAmperes, double mostAmperes) {
    /** Checks the numbers. */
    public Input {
      if (!(forwardVolts >= 0) || !(ohms >= 0) || !(leastAmperes > 0)) {
        throw new IllegalArgumentException(
            "input: %s V, %s Ω and %s A must not be negative, the current over 0"
                .formatted(forwardVolts, ohms, leastAmperes));
      }
      if (!(mostAmperes > leastAmperes)) {
        throw new IllegalArgumentException(
            "input: what it bears (%s A) must be over what it needs (%s A)"
                .formatted(mostAmperes, leastAmperes));
      }
    }

    /** Current at a voltage of the output, with a resistor before it. */
    public double amperes(double volts, double resistorOhms) {
      return Math.max(0, (volts - forwardVolts) / (ohms + resistorOhms));
    }
  }

  /**
   * The resistor for an output; empty where no standard value brings the current into the window of
   * the input, or none is needed.
   *
   * @param volts of the output while it is on
   */
  public static Optional<SeriesResistor> of(double volts, Input input) {
    if (input.ohms() > 0 && input.amperes(volts, 0) <= input.mostAmperes()) {
      return Optional.empty();
    }
    double drop = volts - input.forwardVolts();
    double least = drop / input.mostAmperes() - input.ohms();
    double most = drop / input.leastAmperes() - input.ohms();
    // In the middle of the window by ratio, so that supply and tolerance may go either way.
    double middle = Math.sqrt(Math.max(least, 1) * Math.max(most, 1));
    double chosen = nearest(middle);
    return chosen >= least && chosen <= most
        ? Optional.of(fitted(volts, input, chosen))
        : Optional.empty();
  }

  private static double nearest(double wanted) {
    double best = E12[0];
    for (int decade = 0; decade < DECADES; decade++) {
      for (double each : E12) {
        double value = Math.rint(each * Math.pow(10, decade + 1)) / 10;
        if (Math.abs(Math.log(value / wanted)) < Math.abs(Math.log(best / wanted))) {
          best = value;
        }
      }
    }
    return best;
  }

  private static SeriesResistor fitted(double volts, Input input, double ohms) {
    double amperes = input.amperes(volts, ohms);
    double watts = amperes * amperes * ohms;
    Step current =
        new Step(
            "current",
            "I = (U − U_F)/(R + R_input)",
            "(%s − %s)/(%s + %s)"
                .formatted(
                    number(volts),
                    number(input.forwardVolts()),
                    number(ohms),
                    number(input.ohms())),
            amperes,
            MeasureUnit.AMPERE_UNIT,
            "Ohm's law");
    Step heat =
        new Step(
            "heat of the resistor",
            "P = I²·R",
            "%s²·%s".formatted(number(amperes), number(ohms)),
            watts,
            MeasureUnit.WATT_UNIT,
            "Joule heat");
    return new SeriesResistor(ohms, amperes, watts, Derivation.of(current, heat));
  }

  /** The rating to buy: twice the heat, of those that are sold; not-a-number where none is. */
  public double ratedWatts() {
    for (double rating : RATINGS) {
      if (rating >= HEAT_MARGIN * watts) {
        return rating;
      }
    }
    return Double.NaN;
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

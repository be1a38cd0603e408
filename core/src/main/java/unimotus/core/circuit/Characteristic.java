package unimotus.core.circuit;

import java.util.Arrays;

/**
 * A current that rises with the voltage along straight pieces: i = slope·v + offset between two
 * knots. Resistors, diodes, inputs, transistor outputs and real sources are all of this kind.
 *
 * <p>The current never falls with rising voltage; with that a network of such branches has one
 * solution. Where a piece would be level it keeps a slope of {@value #LEAST_SLOPE} A/V, a leak of a
 * hundred megohms, ten times what a meter itself loads.
 */
public final class Characteristic implements Law {
  /** Slope of a level piece, in amperes per volt. */
  public static final double LEAST_SLOPE = 1e-8;

  /** Volts over which a current source gives up at the end of its compliance. */
  private static final double COMPLIANCE_BEND_VOLTS = 0.05;

  private final double[] volts;
  private final double[] amperes;
  private final double firstSlope;
  private final double lastSlope;
  private final int likely;

  private Characteristic(
      double[] volts, double[] amperes, double firstSlope, double lastSlope, int likely) {
    this.likely = likely;
    this.volts = volts;
    this.amperes = amperes;
    this.firstSlope = firstSlope;
    this.lastSlope = lastSlope;
  }

  /**
   * A characteristic through knots.
   *
   * @param volts voltages of the knots, rising
   * @param amperes currents there, rising by at least {@link #LEAST_SLOPE} per volt
   * @param firstSlope slope below the first knot, in amperes per volt
   * @param lastSlope slope above the last knot, in amperes per volt
   * @throws IllegalArgumentException where the current would fall
   */
  public static Characteristic of(
      double[] volts, double[] amperes, double firstSlope, double lastSlope) {
    if (volts.length == 0 || volts.length != amperes.length) {
      throw new IllegalArgumentException(
          "a characteristic needs as many currents as voltages, not %d and %d"
              .formatted(amperes.length, volts.length));
    }
    for (int i = 1; i < volts.length; i++) {
      if (!(volts[i] > volts[i - 1] && amperes[i] > amperes[i - 1])) {
        throw new IllegalArgumentException(
            "knot %d (%s V, %s A) must lie above knot %d (%s V, %s A) in both"
                .formatted(i, volts[i], amperes[i], i - 1, volts[i - 1], amperes[i - 1]));
      }
    }
    if (!(firstSlope >= LEAST_SLOPE && lastSlope >= LEAST_SLOPE)) {
      throw new IllegalArgumentException(
          "end slopes %s and %s A/V must be at least %s A/V"
              .formatted(firstSlope, lastSlope, LEAST_SLOPE));
    }
    Characteristic made =
        new Characteristic(volts.clone(), amperes.clone(), firstSlope, lastSlope, 0);
    return made.likely(made.pieceAt(0));
  }

  private Characteristic likely(int piece) {
    return new Characteristic(volts, amperes, firstSlope, lastSlope, piece);
  }

  /** The piece to try first: where elements of this kind usually work. */
  int likelyPiece() {
    return likely;
  }

  /** A resistor, over 0 Ω. */
  public static Characteristic resistor(double ohms) {
    double slope = 1 / positive("resistance", ohms);
    return new Characteristic(new double[] {0}, new double[] {0}, slope, slope, 0);
  }

  /** A voltage source that also takes current: volts behind a resistance over 0 Ω. */
  public static Characteristic source(double volts, double ohms) {
    double slope = 1 / positive("internal resistance", ohms);
    return new Characteristic(new double[] {volts}, new double[] {0}, slope, slope, 0);
  }

  /**
   * A regulated supply: holds its voltage behind a resistance, gives no more than its limit, takes
   * nothing back.
   */
  public static Characteristic supply(double volts, double ohms, double limitAmperes) {
    double bend = volts - positive("limit", limitAmperes) * positive("internal resistance", ohms);
    return level(new double[] {bend, volts}, new double[] {-limitAmperes, 0}).likely(1);
  }

  /** A voltage source that gives and takes no more than its limit. */
  public static Characteristic limitedSource(double volts, double ohms, double limitAmperes) {
    double reach = positive("limit", limitAmperes) * positive("internal resistance", ohms);
    return level(
            new double[] {volts - reach, volts + reach}, new double[] {-limitAmperes, limitAmperes})
        .likely(1);
  }

  /**
   * A current source that drives its current out of the branch's first node as long as the voltage
   * there stays below its compliance; then it gives up within 0.05 V.
   */
  public static Characteristic currentSource(double amperes, double complianceVolts) {
    if (amperes < 1e-12) {
      return level(new double[] {0}, new double[] {0});
    }
    return level(
        new double[] {complianceVolts - COMPLIANCE_BEND_VOLTS, complianceVolts},
        new double[] {-amperes, 0});
  }

  /**
   * A diode: nothing but the leak below its forward voltage, then a resistance. Without voltage it
   * carries no current, so that an open input reads 0 V.
   */
  public static Characteristic diode(double forwardVolts, double ohms) {
    return Characteristic.of(
        new double[] {forwardVolts},
        new double[] {forwardVolts * LEAST_SLOPE},
        LEAST_SLOPE,
        1 / positive("resistance", ohms));
  }

  /** A diode with a resistance and an electronic limit of the current. */
  public static Characteristic limitedDiode(double forwardVolts, double ohms, double limitAmperes) {
    double bend = forwardVolts + positive("limit", limitAmperes) * positive("resistance", ohms);
    return level(
        new double[] {forwardVolts, bend}, new double[] {forwardVolts * LEAST_SLOPE, limitAmperes});
  }

  /** Two {@linkplain #limitedDiode limited diodes} back to back: takes either polarity. */
  public static Characteristic eitherWay(double forwardVolts, double ohms, double limitAmperes) {
    double bend = forwardVolts + positive("limit", limitAmperes) * positive("resistance", ohms);
    double leak = forwardVolts * LEAST_SLOPE;
    return level(
        new double[] {-bend, -forwardVolts, forwardVolts, bend},
        new double[] {-limitAmperes, -leak, leak, limitAmperes});
  }

  private static Characteristic level(double[] volts, double[] amperes) {
    return Characteristic.of(volts, amperes, LEAST_SLOPE, LEAST_SLOPE);
  }

  private static double positive(String what, double value) {
    if (!(value > 0 && Double.isFinite(value))) {
      throw new IllegalArgumentException("%s must be over 0, not %s".formatted(what, value));
    }
    return value;
  }

  /** Voltages of the knots, a copy. */
  public double[] knotVolts() {
    return volts.clone();
  }

  /** Current at a voltage. */
  public double amperesAt(double v) {
    return amperesAt(v, pieceAt(v));
  }

  /** Current at a voltage on a given piece, which may reach a little beyond its ends. */
  double amperesAt(double v, int piece) {
    return slope(piece) * v + offset(piece);
  }

  /** The piece a voltage lies on: 0 below the first knot, then counted upward. */
  int pieceAt(double v) {
    int found = Arrays.binarySearch(volts, v);
    return found >= 0 ? found + 1 : -found - 1;
  }

  /** Voltage where a piece begins; minus infinity for the first. */
  double begin(int piece) {
    return piece == 0 ? Double.NEGATIVE_INFINITY : volts[piece - 1];
  }

  /** Voltage where a piece ends; infinity for the last. */
  double end(int piece) {
    return piece == volts.length ? Double.POSITIVE_INFINITY : volts[piece];
  }

  double slope(int piece) {
    if (piece == 0) {
      return firstSlope;
    }
    return piece == volts.length
        ? lastSlope
        : (amperes[piece] - amperes[piece - 1]) / (volts[piece] - volts[piece - 1]);
  }

  double offset(int piece) {
    int knot = Math.max(0, piece - 1);
    return amperes[knot] - slope(piece) * volts[knot];
  }
}

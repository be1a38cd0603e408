package unimotus.core.machine;

import static unimotus.core.quantity.MeasureUnit.SQUARE_MILLIMETRE;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import unimotus.core.quantity.QuantityText;

/**
 * The cross-section of a copper conductor, metric or American.
 *
 * <p>Resistance of metric sizes is the highest allowed for plain flexible copper, class 5, at 20 °C
 * (IEC 60228, from memory). A size outside that table and every American size takes ρ/A with ρ =
 * 1/58 Ω·mm²/m (IEC 60028). An American gauge n has the diameter 0.127 mm · 92^((36 − n)/39) by its
 * definition (ASTM B258, from memory).
 *
 * @param american whether {@code number} is a gauge number instead of square millimetres
 * @param number square millimetres, or the gauge: 0 for 1/0, −1 for 2/0 up to −3 for 4/0
 */
public record ConductorSize(boolean american, double number) {
  /** The usual control wire. */
  public static final ConductorSize USUAL = metric(0.75);

  /** Resistivity of annealed copper at 20 °C in Ω·mm²/m (IEC 60028). */
  public static final double COPPER_OHM_MM2_PER_METRE = 1.0 / 58;

  private static final Map<Double, Double> CLASS_5_OHMS_PER_KM =
      new TreeMap<>(
          Map.ofEntries(
              Map.entry(0.5, 39.0),
              Map.entry(0.75, 26.0),
              Map.entry(1.0, 19.5),
              Map.entry(1.5, 13.3),
              Map.entry(2.5, 7.98),
              Map.entry(4.0, 4.95),
              Map.entry(6.0, 3.30),
              Map.entry(10.0, 1.91),
              Map.entry(16.0, 1.21),
              Map.entry(25.0, 0.780),
              Map.entry(35.0, 0.554),
              Map.entry(50.0, 0.386),
              Map.entry(70.0, 0.272),
              Map.entry(95.0, 0.206),
              Map.entry(120.0, 0.161),
              Map.entry(150.0, 0.129),
              Map.entry(185.0, 0.106),
              Map.entry(240.0, 0.0801)));

  private static final double LEAST_MM2 = 0.05;
  private static final double MOST_MM2 = 400;
  private static final int THINNEST_GAUGE = 40;

  /** 4/0, the thickest with a gauge; the noughts go down from 0. */
  private static final int THICKEST_GAUGE = -3;

  private static final Pattern AMERICAN =
      Pattern.compile("(?:AWG *([0-9]+(?:/0)?)|([0-9]+(?:/0)?) *AWG)");

  /** Checks that such a conductor exists. */
  public ConductorSize {
    boolean gauge = number >= THICKEST_GAUGE && number <= THINNEST_GAUGE;
    if (american && !(gauge && number == Math.rint(number))) {
      throw new IllegalArgumentException(
          "conductor gauge AWG %s is outside AWG 4/0 to AWG %d"
              .formatted(gaugeText(number), THINNEST_GAUGE));
    }
    if (!american && !(number >= LEAST_MM2 && number <= MOST_MM2)) {
      throw new IllegalArgumentException(
          "conductor size %s mm² is outside %s to %s mm²".formatted(number, LEAST_MM2, MOST_MM2));
    }
  }

  /** A metric size. */
  public static ConductorSize metric(double squareMillimetres) {
    return new ConductorSize(false, squareMillimetres);
  }

  /** An American wire gauge. */
  public static ConductorSize awg(int gauge) {
    return new ConductorSize(true, gauge);
  }

  /**
   * Reads {@code 0.75 mm²}, {@code 0,75} or {@code AWG 18}.
   *
   * @throws IllegalArgumentException where it is no size, or an impossible one
   */
  public static ConductorSize parse(String text) {
    String plain = text.strip().toUpperCase(Locale.ROOT);
    Matcher american = AMERICAN.matcher(plain);
    if (american.matches()) {
      String gauge = american.group(1) == null ? american.group(2) : american.group(1);
      return new ConductorSize(true, gauge(gauge));
    }
    boolean number = !plain.isEmpty() && Character.isDigit(plain.charAt(0));
    if (!number) {
      throw new IllegalArgumentException(
          "conductor size '%s' is neither mm² (0.75 mm²) nor a gauge (AWG 18)"
              .formatted(text.strip()));
    }
    return metric(
        QuantityText.parseIn(
            "conductor size", text.strip().replaceFirst("(?i)qmm$", "mm²"), SQUARE_MILLIMETRE));
  }

  /** 2/0 is two noughts: one below 0. */
  private static double gauge(String text) {
    int slash = text.indexOf('/');
    return slash < 0 ? Double.parseDouble(text) : 1 - Double.parseDouble(text.substring(0, slash));
  }

  private static String gaugeText(double gauge) {
    return gauge <= 0 && gauge == Math.rint(gauge)
        ? "%d/0".formatted(1 - (long) gauge)
        : String.valueOf(gauge);
  }

  /** Area in square millimetres. */
  public double squareMillimetres() {
    if (!american) {
      return number;
    }
    double diameter = 0.127 * Math.pow(92, (36 - number) / 39);
    return Math.PI / 4 * diameter * diameter;
  }

  /** Resistance at 20 °C in ohms per kilometre of one conductor. */
  public double ohmsPerKilometre() {
    Double table = american ? null : CLASS_5_OHMS_PER_KM.get(number);
    return table != null ? table : COPPER_OHM_MM2_PER_METRE / squareMillimetres() * 1000;
  }

  /** The sizes usually kept in stock for control wiring, smallest first. */
  public static ConductorSize[] usualSizes() {
    double[] metric = {0.25, 0.34, 0.5, 0.75, 1, 1.5, 2.5};
    int[] gauges = {24, 22, 20, 18, 16, 14};
    ConductorSize[] sizes = new ConductorSize[metric.length + gauges.length];
    Arrays.setAll(
        sizes, i -> i < metric.length ? metric(metric[i]) : awg(gauges[i - metric.length]));
    return sizes;
  }

  /** The size as it is written on a schedule. */
  @Override
  public String toString() {
    String plain =
        number == Math.rint(number) ? Long.toString((long) number) : Double.toString(number);
    return american ? "AWG " + (number <= 0 ? gaugeText(number) : plain) : plain + " mm²";
  }
}

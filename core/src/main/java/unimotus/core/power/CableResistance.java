package unimotus.core.power;

import unimotus.core.machine.ConductorSize;

/**
 * What a conductor of a three-core cable opposes to alternating current, by temperature and
 * frequency.
 *
 * @param size the conductor
 * @param celsius its temperature, in degrees Celsius
 * @param hertz frequency of the current
 */
public record CableResistance(ConductorSize size, double celsius, double hertz) {
  /** Of low-voltage cables, in ohms per kilometre at 50 Hz (common practice). */
  private static final double REACTANCE_AT_50 = 0.08;

  private static final double COPPER_PER_KELVIN = 0.00393;

  /** A conductor in touch with its neighbours: diameter over distance of the axes. */
  private static final double DIAMETER_OVER_SPACING = 0.75;

  /** R·(1 + 0.00393·(θ − 20)) in ohms per kilometre, with direct current. */
  public double directOhmsPerKilometre() {
    return size.ohmsPerKilometre() * (1 + COPPER_PER_KELVIN * (celsius - 20));
  }

  /**
   * R·(1 + y_s + y_p) in ohms per kilometre: with the skin effect and that of the neighbouring
   * cores (IEC 60287-1-1, from memory). Nothing to speak of up to 95 mm², over a tenth at 400 mm².
   */
  public double ohmsPerKilometre() {
    double direct = directOhmsPerKilometre();
    double x2 = 8 * Math.PI * hertz / (direct / 1000) * 1e-7;
    double y = x2 * x2 / (192 + 0.8 * x2 * x2);
    double near = DIAMETER_OVER_SPACING * DIAMETER_OVER_SPACING;
    double neighbours = y * near * (0.312 * near + 1.18 / (y + 0.27));
    return direct * (1 + y + neighbours);
  }

  /** Reactance in ohms per kilometre. */
  public double reactanceOhmsPerKilometre() {
    return REACTANCE_AT_50 * hertz / 50;
  }

  /**
   * √3·I·l·(R·cos φ + X·sin φ) in volts: what a three-phase load loses between its lines.
   *
   * @param powerFactor of the load, 0 to 1
   */
  public double lostVolts(double amperes, double metres, double powerFactor) {
    double sine = Math.sqrt(1 - powerFactor * powerFactor);
    double ohms = ohmsPerKilometre() * powerFactor + reactanceOhmsPerKilometre() * sine;
    return Math.sqrt(3) * amperes * metres / 1000 * ohms;
  }
}

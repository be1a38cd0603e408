package unimotus.core.process;

import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * A pump and the pipe it works on: head H_s + b·Q².
 *
 * @param staticMetres height to lift to and pressure to lift against, 0 or more
 * @param friction metres lost for each (m³/h)² in the pipe, 0 or more
 */
public record PumpSystem(PumpCurve pump, double staticMetres, double friction) {
  private static final String AFFINITY = "affinity laws of centrifugal pumps";

  /** Checks the numbers. */
  public PumpSystem {
    if (!(staticMetres >= 0 && friction >= 0) || Double.isInfinite(staticMetres + friction)) {
      throw new IllegalArgumentException(
          "pump: static head and friction must be 0 or more, not %s m and %s m/(m³/h)²"
              .formatted(staticMetres, friction));
    }
  }

  /** The same pump and pipe against another static head. */
  public PumpSystem against(double metres) {
    return new PumpSystem(pump, metres, friction);
  }

  /** What flows at a frequency, in m³/h; 0 at the shut-off frequency and below. */
  public double flow(double hertz) {
    return flow(hertz, staticMetres);
  }

  /** What flows at a frequency against another static head, in m³/h. */
  double flow(double hertz, double metres) {
    double ratio = hertz / pump.hertz();
    double left = pump.shutOffMetres() * ratio * ratio - metres;
    return left > 0 ? Math.sqrt(left / (pump.fall() + friction)) : 0;
  }

  /** The frequency at which this flows, whatever the drive can give. */
  public double hertz(double flow) {
    double metres = staticMetres + (pump.fall() + friction) * flow * flow;
    return pump.hertz() * Math.sqrt(metres / pump.shutOffMetres());
  }

  /** The frequency below which nothing flows. */
  public double shutOffHertz() {
    return hertz(0);
  }

  /** How the frequency for a flow was found. */
  public Derivation sum(double flow) {
    return Derivation.of(
            new Step(
                "head for the flow",
                "H_s + (a + b)·Q²",
                "%s + (%s + %s)·%s²"
                    .formatted(
                        number(staticMetres), number(pump.fall()), number(friction), number(flow)),
                staticMetres + (pump.fall() + friction) * flow * flow,
                MeasureUnit.METRE_UNIT,
                "curve of the pump and of the pipe"))
        .then(
            new Step(
                "frequency that holds it",
                "f_N·√(H/H₀)",
                "%s·√(%s/%s)"
                    .formatted(
                        number(pump.hertz()),
                        number(staticMetres + (pump.fall() + friction) * flow * flow),
                        number(pump.shutOffMetres())),
                hertz(flow),
                MeasureUnit.HERTZ_UNIT,
                AFFINITY));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

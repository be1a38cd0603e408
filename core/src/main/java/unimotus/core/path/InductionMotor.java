package unimotus.core.path;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * An induction motor: its field follows the frequency by its poles, its shaft the field by its
 * slip.
 *
 * @param poles frequency to synchronous speed
 * @param slip synchronous to shaft speed
 */
public record InductionMotor(MotorPoles poles, SlipStage slip) implements MotorLink {
  private static final List<Integer> POLES = List.of(2, 4, 6, 8);
  private static final List<Integer> SLIP_FACTORS = List.of(2, 3, 4);

  @Override
  public List<Stage> stages() {
    return List.of(poles, slip);
  }

  @Override
  public double topRpm() {
    return poles.high();
  }

  @Override
  public double lagRpm(double hertz) {
    double field = poles.forward(hertz);
    return Math.abs(field - slip.forward(field));
  }

  @Override
  public InductionMotor turned() {
    return with(new MotorPoles(poles.poles(), -poles.direction(), poles.maximumHertz()));
  }

  @Override
  public Map<String, MotorLink> misread() {
    Map<String, MotorLink> others = new LinkedHashMap<>();
    for (int other : POLES) {
      if (other != poles.poles()) {
        others.put(
            "%d instead of %d".formatted(other, poles.poles()),
            with(new MotorPoles(other, poles.direction(), poles.maximumHertz())));
      }
    }
    return others;
  }

  @Override
  public Map<String, MotorLink> sagging() {
    Map<String, MotorLink> others = new LinkedHashMap<>();
    for (int factor : SLIP_FACTORS) {
      others.put(
          "%d times the slip".formatted(factor),
          new InductionMotor(
              poles,
              new SlipStage(
                  slip.ratedSlipRpm() * factor,
                  slip.ratedTorqueNewtonMetres(),
                  slip.load(),
                  false)));
    }
    return others;
  }

  private InductionMotor with(MotorPoles next) {
    return new InductionMotor(next, slip);
  }
}

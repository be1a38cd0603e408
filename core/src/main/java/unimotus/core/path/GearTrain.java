package unimotus.core.path;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;

/**
 * From the shaft to what moves.
 *
 * @param gear shaft to gear output
 * @param product gear output to machine speed
 */
public record GearTrain(GearStage gear, ProductStage product) {

  /** Its stages, from {@link Station#SHAFT} to {@link Station#MACHINE}. */
  List<Stage> stages() {
    return List.of(gear, product);
  }

  /** Machine speed at a shaft speed. */
  public double machine(double shaftRpm) {
    return product.forward(gear.forward(shaftRpm));
  }

  /** Shaft speed at a machine speed. */
  public double shaftRpm(double machine) {
    return gear.inverse(product.inverse(machine));
  }

  /** Unit of the machine speed. */
  public MeasureUnit unit() {
    return product.unit();
  }

  /** This train with another ratio. */
  public GearTrain withRatio(double next) {
    return new GearTrain(new GearStage(next), product);
  }
}

package unimotus.core.path;

import java.util.List;
import unimotus.core.machine.Mechanics;
import unimotus.core.quantity.MeasureUnit;

/**
 * From the shaft to what moves.
 *
 * @param gear shaft to gear output
 * @param product gear output to machine speed
 */
public record GearTrain(GearStage gear, ProductStage product) {

  /** Mechanics as their speed or their position is looked at. */
  public static GearTrain of(Commanded what, Mechanics mechanics) {
    return what == Commanded.POSITION
        ? positioned(mechanics, mechanics.travelUnit())
        : new GearTrain(
            new GearStage(mechanics.gearRatio()),
            new ProductStage(mechanics.unitsPerTurn(), mechanics.unit(), mechanics.factorText()));
  }

  /**
   * Mechanics as their position is looked at, in another unit where that measures the same.
   *
   * @param unit a length or an angle; the mechanics' own where they travel otherwise
   */
  public static GearTrain positioned(Mechanics mechanics, MeasureUnit unit) {
    MeasureUnit own = mechanics.travelUnit();
    MeasureUnit shown = own.dimension() == unit.dimension() ? unit : own;
    return new GearTrain(
        new GearStage(mechanics.gearRatio(), MeasureUnit.REVOLUTION),
        new ProductStage(
            own.convert(mechanics.travelPerTurn(), shown),
            shown,
            mechanics.factorText(),
            Commanded.POSITION));
  }

  /** Its stages, from {@link Station#SHAFT} to {@link Station#MACHINE}. */
  List<Stage> stages() {
    return List.of(gear, product);
  }

  /** Machine speed at a shaft speed, or position at so many turns. */
  public double machine(double shaftRpm) {
    return product.forward(gear.forward(shaftRpm));
  }

  /** Shaft speed at a machine speed, or turns at a position. */
  public double shaftRpm(double machine) {
    return gear.inverse(product.inverse(machine));
  }

  /** Unit of what moves. */
  public MeasureUnit unit() {
    return product.unit();
  }

  /** This train with another ratio. */
  public GearTrain withRatio(double next) {
    return new GearTrain(new GearStage(next, gear.unit()), product);
  }
}

package unimotus.core.machine;

import unimotus.core.quantity.MeasureUnit;

/**
 * What sits between the motor shaft and the moving thing.
 *
 * <p>Machine speed is counted in the unit of {@link #unit()}: metres per minute for a drum or a
 * screw, revolutions per minute for a turning output, units per minute for a product count.
 */
public sealed interface Mechanics {

  /** Motor turns for one turn of the gear's output. */
  double gearRatio();

  /** Machine units for one turn of the gear's output. */
  double unitsPerTurn();

  /** The unit machine speed is counted in. */
  MeasureUnit unit();

  /** Travel for one turn of the gear's output, in {@link #travelUnit()}. */
  default double travelPerTurn() {
    return unitsPerTurn();
  }

  /** The unit a position is counted in. */
  MeasureUnit travelUnit();

  /** This mechanics with another gear ratio. */
  Mechanics withGearRatio(double ratio);

  /** The factor from output turns to machine units, as a formula in words. */
  String factorText();

  /** A drum, roller or wheel whose rim moves the product. */
  record Drum(double gearRatio, double diameterMetres) implements Mechanics {
    /** Checks that both are positive. */
    public Drum {
      positive("gear ratio", gearRatio);
      positive("drum diameter", diameterMetres);
    }

    @Override
    public double unitsPerTurn() {
      return Math.PI * diameterMetres;
    }

    @Override
    public MeasureUnit unit() {
      return MeasureUnit.METRES_PER_MINUTE;
    }

    @Override
    public double travelPerTurn() {
      return 1000 * unitsPerTurn();
    }

    @Override
    public MeasureUnit travelUnit() {
      return MeasureUnit.MILLIMETRE;
    }

    @Override
    public Drum withGearRatio(double ratio) {
      return new Drum(ratio, diameterMetres);
    }

    @Override
    public String factorText() {
      return "π·d";
    }
  }

  /** A screw that moves a nut. */
  record Screw(double gearRatio, double leadMetres) implements Mechanics {
    /** Checks that both are positive. */
    public Screw {
      positive("gear ratio", gearRatio);
      positive("screw lead", leadMetres);
    }

    @Override
    public double unitsPerTurn() {
      return leadMetres;
    }

    @Override
    public MeasureUnit unit() {
      return MeasureUnit.METRES_PER_MINUTE;
    }

    @Override
    public double travelPerTurn() {
      return 1000 * unitsPerTurn();
    }

    @Override
    public MeasureUnit travelUnit() {
      return MeasureUnit.MILLIMETRE;
    }

    @Override
    public Screw withGearRatio(double ratio) {
      return new Screw(ratio, leadMetres);
    }

    @Override
    public String factorText() {
      return "lead";
    }
  }

  /** An output whose turning itself is the product: a fan, a pump, a mixer. */
  record Turning(double gearRatio) implements Mechanics {
    /** Checks that the ratio is positive. */
    public Turning {
      positive("gear ratio", gearRatio);
    }

    @Override
    public double unitsPerTurn() {
      return 1;
    }

    @Override
    public MeasureUnit unit() {
      return MeasureUnit.RPM;
    }

    @Override
    public MeasureUnit travelUnit() {
      return MeasureUnit.REVOLUTION;
    }

    @Override
    public Turning withGearRatio(double ratio) {
      return new Turning(ratio);
    }

    @Override
    public String factorText() {
      return "1";
    }
  }

  /** A product counted per turn, such as bales. */
  record Counting(double gearRatio, double unitsPerTurn, String unitName) implements Mechanics {
    /** Checks that the numbers are positive and the unit has a name. */
    public Counting {
      positive("gear ratio", gearRatio);
      positive("units per turn", unitsPerTurn);
      if (unitName.isBlank()) {
        throw new IllegalArgumentException("mechanics: the counted unit needs a name");
      }
    }

    @Override
    public MeasureUnit unit() {
      return MeasureUnit.PER_MINUTE;
    }

    @Override
    public MeasureUnit travelUnit() {
      return MeasureUnit.ONE;
    }

    @Override
    public Counting withGearRatio(double ratio) {
      return new Counting(ratio, unitsPerTurn, unitName);
    }

    @Override
    public String factorText() {
      return unitName + " per turn";
    }
  }

  private static void positive(String name, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "mechanics: %s must be positive, not %s".formatted(name, value));
    }
  }
}

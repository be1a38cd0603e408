package unimotus.core.motor;

import unimotus.core.sheet.InductionPlate;

/** The arithmetic of the three-phase induction motor. */
public final class MotorFormulas {
  /** Largest pole count considered; slower motors than 48 poles are not built for drives. */
  private static final int MOST_POLES = 48;

  private MotorFormulas() {}

  /** n_s = 120·f/p in revolutions per minute (IEC 60034-1). */
  public static double synchronousRpm(double frequencyHertz, int poles) {
    checkPoles(poles);
    return 120 * frequencyHertz / poles;
  }

  /** f = n_s·p/120 in hertz, the inverse of {@link #synchronousRpm}. */
  public static double frequencyHertz(double synchronousRpm, int poles) {
    checkPoles(poles);
    return synchronousRpm * poles / 120;
  }

  /**
   * The pole count whose synchronous speed is the least one not below the rated speed.
   *
   * @throws IllegalArgumentException where the speed is above the synchronous speed of two poles or
   *     not positive
   */
  public static int poles(double frequencyHertz, double ratedRpm) {
    if (!(ratedRpm > 0) || ratedRpm > synchronousRpm(frequencyHertz, 2)) {
      throw new IllegalArgumentException(
          "no pole count turns %s rpm on %s Hz; two poles turn %s rpm at most"
              .formatted(ratedRpm, frequencyHertz, synchronousRpm(frequencyHertz, 2)));
    }
    int poles = 2;
    while (poles + 2 <= MOST_POLES && synchronousRpm(frequencyHertz, poles + 2) >= ratedRpm) {
      poles += 2;
    }
    return poles;
  }

  /** s = (n_s − n)/n_s, a ratio (IEC 60034-1). */
  public static double slip(double synchronousRpm, double shaftRpm) {
    if (synchronousRpm == 0) {
      throw new IllegalArgumentException("slip is not defined at a synchronous speed of 0 rpm");
    }
    return (synchronousRpm - shaftRpm) / synchronousRpm;
  }

  /** T = P/ω in newton metres; with kW and rpm the well-known 9550·P/n. */
  public static double torqueNewtonMetres(double powerWatts, double speedRpm) {
    if (speedRpm == 0) {
      throw new IllegalArgumentException("torque from power is not defined at 0 rpm");
    }
    return powerWatts / (2 * Math.PI * speedRpm / 60);
  }

  /** P = T·ω in watts. */
  public static double powerWatts(double torqueNewtonMetres, double speedRpm) {
    return torqueNewtonMetres * 2 * Math.PI * speedRpm / 60;
  }

  /** P_in = √3·U·I·cos φ in watts. */
  public static double inputWatts(double voltageVolts, double currentAmperes, double powerFactor) {
    return Math.sqrt(3) * voltageVolts * currentAmperes * powerFactor;
  }

  /** I = P/(√3·U·cos φ·η) in amperes. */
  public static double currentAmperes(
      double powerWatts, double voltageVolts, double powerFactor, double efficiency) {
    return powerWatts / (Math.sqrt(3) * voltageVolts * powerFactor * efficiency);
  }

  /** η = P_out/P_in of the plate, a ratio. */
  public static double efficiency(InductionPlate plate) {
    return plate.powerWatts()
        / inputWatts(plate.voltageVolts(), plate.currentAmperes(), plate.powerFactor());
  }

  /** Poles of the plate from its frequency and speed. */
  public static int poles(InductionPlate plate) {
    return poles(plate.frequencyHertz(), plate.speedRpm());
  }

  /** Rated torque of the plate in newton metres. */
  public static double ratedTorqueNewtonMetres(InductionPlate plate) {
    return torqueNewtonMetres(plate.powerWatts(), plate.speedRpm());
  }

  /** Rated slip speed n_s − n of the plate in revolutions per minute. */
  public static double ratedSlipRpm(InductionPlate plate) {
    return synchronousRpm(plate.frequencyHertz(), poles(plate)) - plate.speedRpm();
  }

  /**
   * Current at a torque, I = √(I_m² + (I_w·T/T_n)²), with I_m = I_n·sin φ and I_w = I_n·cos φ. An
   * estimate that takes the magnetising current as constant (common practice).
   */
  public static double currentEstimateAmperes(InductionPlate plate, double torqueRatio) {
    double cos = plate.powerFactor();
    double active = plate.currentAmperes() * cos * torqueRatio;
    double magnetising = plate.currentAmperes() * Math.sqrt(1 - cos * cos);
    return Math.hypot(magnetising, active);
  }

  /** Torque over rated torque at a current, the inverse of {@link #currentEstimateAmperes}. */
  public static double torqueRatioAt(InductionPlate plate, double currentAmperes) {
    double cos = plate.powerFactor();
    double magnetising = plate.currentAmperes() * Math.sqrt(1 - cos * cos);
    double squared = currentAmperes * currentAmperes - magnetising * magnetising;
    return squared <= 0 ? 0 : Math.sqrt(squared) / (plate.currentAmperes() * cos);
  }

  private static void checkPoles(int poles) {
    if (poles < 2 || poles % 2 != 0 || poles > MOST_POLES) {
      throw new IllegalArgumentException(
          "poles must be an even number from 2 to %d, not %d".formatted(MOST_POLES, poles));
    }
  }
}

package unimotus.core.sheet;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * The plate of a permanent-magnet servo motor.
 *
 * @param stallNewtonMetres continuous torque at standstill
 * @param stallAmperes continuous current at standstill, r.m.s. of a phase
 * @param ratedRpm rated speed
 * @param ratedNewtonMetres torque at rated speed
 * @param torqueNewtonMetresPerAmpere torque constant, for r.m.s. amperes
 * @param backVoltsPerThousandRpm r.m.s. voltage between two lines at 1000 rpm; 0 where not stated
 * @param poles pole count
 * @param encoderCounts counts of the feedback a turn
 * @param brakeNewtonMetres torque of the holding brake; 0 for none
 * @param voltageVolts mains voltage of the drives it is wound for, line to line
 * @param inertiaKgM2 moment of inertia of the rotor
 * @param peakNewtonMetres torque for a short time; 0 where not stated
 * @param mostRpm highest speed; 0 where not stated
 * @param brakeOpenSeconds until the brake lets go; 0 for none, or where not stated
 * @param brakeCloseSeconds until the brake holds; 0 for none, or where not stated
 */
@RecordBuilder
public record ServoPlate(
    double stallNewtonMetres,
    double stallAmperes,
    double ratedRpm,
    double ratedNewtonMetres,
    double torqueNewtonMetresPerAmpere,
    double backVoltsPerThousandRpm,
    int poles,
    int encoderCounts,
    double brakeNewtonMetres,
    double voltageVolts,
    double inertiaKgM2,
    double peakNewtonMetres,
    double mostRpm,
    double brakeOpenSeconds,
    double brakeCloseSeconds)
    implements MotorPlate, ServoPlateBuilder.With {
  private static final double THOUSAND_RPM = 1000 * 2 * Math.PI / 60;

  /** Two statements of the same thing on a plate agree this far, or one is mistyped. */
  private static final double AGREE = 0.10;

  /** Checks the numbers. */
  public ServoPlate {
    if (!(stallNewtonMetres > 0
        && stallAmperes > 0
        && ratedRpm > 0
        && ratedNewtonMetres > 0
        && torqueNewtonMetresPerAmpere > 0)) {
      throw new IllegalArgumentException(
          "servo plate: torque, current, speed and torque constant must be over 0");
    }
    if (!(voltageVolts > 0 && inertiaKgM2 > 0)) {
      throw new IllegalArgumentException("servo plate: voltage and inertia must be over 0");
    }
    if (poles < 2 || poles % 2 != 0) {
      throw new IllegalArgumentException("servo plate: poles must be even, not " + poles);
    }
    if (!(peakNewtonMetres >= 0 && mostRpm >= 0)
        || !(brakeOpenSeconds >= 0 && brakeCloseSeconds >= 0)) {
      throw new IllegalArgumentException(
          "servo plate: peak torque, highest speed and times of the brake must not be negative");
    }
    if (peakNewtonMetres > 0 && peakNewtonMetres < stallNewtonMetres) {
      throw new IllegalArgumentException(
          "servo plate: peak torque %s must not be under the continuous %s"
              .formatted(peakNewtonMetres, stallNewtonMetres));
    }
    if (encoderCounts < 1 || brakeNewtonMetres < 0 || backVoltsPerThousandRpm < 0) {
      throw new IllegalArgumentException(
          "servo plate: counts must be 1 or more, brake and voltage not negative");
    }
  }

  /** A plate that states no peak torque, highest speed or times of its brake. */
  public ServoPlate(
      double stallNewtonMetres,
      double stallAmperes,
      double ratedRpm,
      double ratedNewtonMetres,
      double torqueNewtonMetresPerAmpere,
      double backVoltsPerThousandRpm,
      int poles,
      int encoderCounts,
      double brakeNewtonMetres,
      double voltageVolts,
      double inertiaKgM2) {
    this(
        stallNewtonMetres,
        stallAmperes,
        ratedRpm,
        ratedNewtonMetres,
        torqueNewtonMetresPerAmpere,
        backVoltsPerThousandRpm,
        poles,
        encoderCounts,
        brakeNewtonMetres,
        voltageVolts,
        inertiaKgM2,
        0,
        0,
        0,
        0);
  }

  @Override
  public MotorKind kind() {
    return MotorKind.PERMANENT_MAGNET;
  }

  /** f = n·p/120 at rated speed, in hertz. */
  public double ratedHertz() {
    return ratedRpm * poles / 120;
  }

  /** Rated power T·ω in watts. */
  public double ratedWatts() {
    return ratedNewtonMetres * 2 * Math.PI * ratedRpm / 60;
  }

  /**
   * Torque constant that follows from the back voltage: all electrical power turns into torque, so
   * √3·E·I = T·ω and k_T = √3·k_E with both r.m.s.
   *
   * @return newton metres an ampere; 0 where the plate states no back voltage
   */
  public double torqueConstantFromBackVolts() {
    return torqueConstant(backVoltsPerThousandRpm);
  }

  /** k_T = √3·E/ω in newton metres an ampere, E r.m.s. between two lines at 1000 rpm. */
  public static double torqueConstant(double backVoltsPerThousandRpm) {
    return Math.sqrt(3) * backVoltsPerThousandRpm / THOUSAND_RPM;
  }

  /** Whether torque constant and back voltage tell the same; true where only one is stated. */
  public boolean constantsAgree() {
    return backVoltsPerThousandRpm == 0
        || agrees(torqueConstantFromBackVolts(), torqueNewtonMetresPerAmpere);
  }

  /** Whether stall torque is stall current times the torque constant. */
  public boolean stallAgrees() {
    return agrees(stallAmperes * torqueNewtonMetresPerAmpere, stallNewtonMetres);
  }

  private static boolean agrees(double a, double b) {
    return Math.abs(a - b) <= AGREE * b;
  }

  /** This plate with another torque constant. */
  public ServoPlate withTorqueConstant(double next) {
    return withTorqueNewtonMetresPerAmpere(next);
  }

  /** This plate with another back voltage at 1000 rpm. */
  public ServoPlate withBackVolts(double next) {
    return withBackVoltsPerThousandRpm(next);
  }

  /** This plate with other figures at standstill. */
  public ServoPlate withStall(double newtonMetres, double amperes) {
    return with().stallNewtonMetres(newtonMetres).stallAmperes(amperes).build();
  }

  /** This plate with other figures at rated speed. */
  public ServoPlate withRated(double rpm, double newtonMetres) {
    return with().ratedRpm(rpm).ratedNewtonMetres(newtonMetres).build();
  }

  /** This plate with another feedback and pole count. */
  public ServoPlate withFeedback(int nextPoles, int counts) {
    return with().poles(nextPoles).encoderCounts(counts).build();
  }

  /** This plate with another holding brake; 0 for none. */
  public ServoPlate withBrake(double newtonMetres) {
    return withBrakeNewtonMetres(newtonMetres);
  }
}

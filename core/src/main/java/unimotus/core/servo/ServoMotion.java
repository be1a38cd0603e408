package unimotus.core.servo;

/**
 * A servo motor and its load in motion, tick by tick: under its loops, or without torque; with the
 * brake open or closed. Angles are in radians of the motor. Not thread-safe.
 */
public final class ServoMotion {
  /** Steps a tick: beyond it the coupling swings far above what any loop sees. */
  private static final int MOST_STEPS = 200;

  private final ServoPlant plant;
  private final int steps;
  private final double countSize;
  private final double countsPerRadian;
  private final double perSecond;
  private final double kv;
  private final double kp;
  private final double forward;
  private final double available;
  private double most;
  private final double perTick;
  private double seen;
  private double integral;

  /**
   * A motor at rest, with the torque there that carries a suspended load.
   *
   * @throws IllegalArgumentException where the coupling is too stiff to be taken as elastic
   */
  public ServoMotion(ServoSetup setup, double start) {
    double tick = setup.tickSeconds();
    perSecond = 1 / tick;
    kv = setup.gains().position();
    kp = setup.gains().velocity();
    forward = setup.gains().feedForward();
    available = setup.mostNewtonMetres();
    most = available;
    steps = ServoPlant.steps(setup.load(), tick);
    if (steps > MOST_STEPS) {
      throw new IllegalArgumentException(
          "a stiffness of %s N·m/rad swings too fast to be reckoned; take it as rigid (0)"
              .formatted(setup.load().stiffnessNewtonMetres()));
    }
    plant = new ServoPlant(setup.load(), setup.lagSeconds(), start, tick / steps);
    countSize = setup.countsPerTurn() == 0 ? 0 : 2 * Math.PI / setup.countsPerTurn();
    countsPerRadian = setup.countsPerTurn() / (2 * Math.PI);
    double time = setup.gains().integralSeconds();
    perTick = time == 0 ? 0 : kp * tick / time;
    take();
  }

  /** Takes hold of the motor: the loops begin with the torque that carries what hangs on it. */
  public void take() {
    integral = plant.weight();
    seen = measured();
  }

  private double measured() {
    double position = plant.position();
    return countSize == 0 ? position : Math.floor(position * countsPerRadian + 0.5) * countSize;
  }

  /**
   * One tick under the loops.
   *
   * @param wanted position
   * @param velocityWanted radians a second, given ahead as far as the gains say
   */
  public void follow(double wanted, double velocityWanted) {
    follow(wanted, velocityWanted, 0);
  }

  /**
   * One tick under the loops.
   *
   * @param wanted position
   * @param velocityWanted radians a second, given ahead as far as the gains say
   * @param added radians a second, given to the velocity loop as they are
   */
  public void follow(double wanted, double velocityWanted, double added) {
    double now = measured();
    double speed = (now - seen) * perSecond;
    seen = now;
    double error = kv * (wanted - now) + forward * velocityWanted + added - speed;
    double asked = kp * error + integral;
    double given = asked > most ? most : asked < -most ? -most : asked;
    if (given == asked) {
      // At the limit the integral waits, or it would carry the axis past its place.
      integral += perTick * error;
    }
    plant.advance(given, steps);
  }

  /** The torque it gives at most from now on, as far as there is so much. */
  public void limit(double newtonMetres) {
    most = Math.min(available, newtonMetres);
  }

  /** One tick without torque. */
  public void free() {
    plant.advance(0, steps);
    seen = measured();
  }

  /** Torque with which a closed brake holds the motor; 0 while it is open. */
  public void brake(double newtonMetres) {
    plant.brake(newtonMetres);
  }

  /** Position of the motor. */
  public double position() {
    return plant.position();
  }

  /** Position of the load. */
  public double loadPosition() {
    return plant.loadPosition();
  }

  /** Speed of the motor in radians a second. */
  public double velocity() {
    return plant.velocity();
  }

  /** Torque of the motor in newton metres. */
  public double torque() {
    return plant.torque();
  }
}

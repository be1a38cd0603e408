package unimotus.core.servo;

/**
 * Motor and load in motion, in small steps of time: one piece, or two masses on a shaft that twists
 * and has play. Dry friction holds a mass at rest up to its torque.
 */
final class ServoPlant {
  /** Part of the critical damping that steel and couplings have by themselves (common practice). */
  private static final double OWN_DAMPING = 0.02;

  /**
   * So fine against the resonance that its frequency comes out within a hundredth: drift, kick,
   * drift errs by (ω·h)²/24.
   */
  private static final double FINENESS = 0.25;

  private final boolean rigid;
  private final double motorInertia;
  private final double loadInertia;
  private final double friction;
  private final double drag;
  private final double weight;
  private final double efficiency;
  private final double stiffness;
  private final double damping;
  private final double play;
  private final double halfPlay;
  private final double stepPerMotor;
  private final double stepPerLoad;
  private final double step;

  /** What is left of a difference in torque after a step, by the lag of the current loop. */
  private final double left;

  private final double lagsPerStep;
  private final double reciprocal;
  private final double full;
  private final double reduced;
  private double position;
  private double velocity;
  private double loadPosition;
  private double loadVelocity;
  private double torque;
  private double held;

  /**
   * Motor and load at rest.
   *
   * @param stepSeconds what {@link #advance} moves on by at a time
   */
  ServoPlant(ServoLoad load, double lagSeconds, double start, double stepSeconds) {
    rigid = load.isRigid();
    motorInertia = load.motorKgM2();
    loadInertia = load.loadKgM2();
    friction = load.frictionNewtonMetres();
    drag = load.dragNewtonMetreSeconds();
    weight = load.weightNewtonMetres();
    efficiency = load.efficiency();
    stiffness = load.stiffnessNewtonMetres();
    damping = rigid ? 0 : 2 * OWN_DAMPING * stiffness / load.resonance();
    play = load.backlashRadians();
    halfPlay = play / 2;
    stepPerMotor = stepSeconds / motorInertia;
    stepPerLoad = stepSeconds / loadInertia;
    step = stepSeconds;
    left = lagSeconds == 0 ? 0 : Math.exp(-step / lagSeconds);
    lagsPerStep = lagSeconds / step;
    reciprocal = 1 / efficiency;
    full = 1 / (motorInertia + reciprocal * loadInertia);
    reduced = 1 / (motorInertia + efficiency * loadInertia);
    position = start;
    // Held at rest: the torque that carries a suspended load is there, and its side of the play.
    torque = weight;
    loadPosition = rigid ? start : start - twisted(weight);
  }

  private double twisted(double carried) {
    return carried / stiffness + Math.signum(carried) * play / 2;
  }

  /** Torque of a closed brake on the motor; 0 while it is open. */
  void brake(double newtonMetres) {
    held = newtonMetres;
  }

  double weight() {
    return weight;
  }

  /** How many steps a tick needs. */
  static int steps(ServoLoad load, double tickSeconds) {
    return load.isRigid()
        ? 1
        : Math.max(1, (int) Math.ceil(load.resonance() * tickSeconds / FINENESS));
  }

  /** Moves on with a torque that is asked for, by so many steps. */
  void advance(double wanted, int steps) {
    for (int i = 0; i < steps; i++) {
      // Mean of an exponential approach over the step.
      double next = wanted + (torque - wanted) * left;
      double mean = wanted + (torque - next) * lagsPerStep;
      torque = next;
      if (rigid) {
        onePiece(mean, step);
      } else {
        twoMasses(mean, step);
      }
    }
  }

  private void onePiece(double motorTorque, double h) {
    double free = motorTorque - weight;
    double against = rubbing(velocity, free, friction + held) + drag * velocity + weight;
    double acceleration = (motorTorque - reciprocal * against) * full;
    boolean drives = (loadInertia * acceleration + against) * velocity >= 0;
    if (!drives) {
      acceleration = (motorTorque - efficiency * against) * reduced;
    }
    // At rest nothing moves while friction and brake hold, whatever the gear's losses make of it.
    boolean stays = velocity == 0 && Math.abs(free) <= friction + held;
    double next = stays ? 0 : stopped(velocity, velocity + acceleration * h, free, friction + held);
    position += (velocity + next) * 0.5 * h;
    velocity = next;
  }

  /** Half a step of way, the torques there, the other half with the speeds they leave. */
  private void twoMasses(double motorTorque, double h) {
    double half = 0.5 * h;
    position += velocity * half;
    loadPosition += loadVelocity * half;
    double twist = position - loadPosition;
    double taken = twist > halfPlay ? twist - halfPlay : twist < -halfPlay ? twist + halfPlay : 0;
    double carried = taken == 0 ? 0 : stiffness * taken + damping * (velocity - loadVelocity);
    double passed = carried * loadVelocity >= 0 ? carried * efficiency : carried * reciprocal;
    double free = passed - weight;
    double pull = free - rubbing(loadVelocity, free, friction) - drag * loadVelocity;
    double turning = motorTorque - carried;
    velocity = held == 0 ? velocity + turning * stepPerMotor : braked(turning);
    loadVelocity = stopped(loadVelocity, loadVelocity + pull * stepPerLoad, free, friction);
    position += velocity * half;
    loadPosition += loadVelocity * half;
  }

  /** Speed of the motor after a step under its brake. */
  private double braked(double turning) {
    double next = velocity + (turning - rubbing(velocity, turning, held)) * stepPerMotor;
    return stopped(velocity, next, turning, held);
  }

  /** Dry friction: against the motion; at rest what is needed to stay there, at most its torque. */
  private static double rubbing(double speed, double free, double most) {
    if (speed != 0) {
      return speed > 0 ? most : -most;
    }
    return Math.max(-most, Math.min(most, free));
  }

  /** A speed that changes its sign under friction passes rest, and stays there if it is held. */
  private static double stopped(double before, double after, double free, double most) {
    boolean passesRest = before * after < 0;
    return passesRest && Math.abs(free) <= most ? 0 : after;
  }

  double position() {
    return position;
  }

  double velocity() {
    return velocity;
  }

  double loadPosition() {
    return rigid ? position : loadPosition;
  }

  double torque() {
    return torque;
  }
}

package unimotus.devices.drive;

import java.util.List;
import java.util.Optional;
import java.util.function.LongSupplier;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.HomingMethod;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordState;
import unimotus.core.servo.ServoMotion;

/**
 * One axis of a servo drive with motor, encoder, brake and load; it knows no protocol. Its clock
 * runs on whenever it is asked: what passed since the last time is played in ticks of its loops
 * first. Positions are in counts. Several threads may ask at once; whoever needs several answers of
 * one moment holds its lock.
 */
public final class StandInServo {
  /** Modes it has. */
  public static final List<OperatingMode> MODES =
      List.of(
          OperatingMode.PROFILE_POSITION,
          OperatingMode.PROFILE_VELOCITY,
          OperatingMode.HOMING,
          OperatingMode.CYCLIC_POSITION,
          OperatingMode.CYCLIC_VELOCITY);

  /** Following error too large (IEC 61800-7-201, from memory). */
  public static final int FAULT_FOLLOWING = 0x8611;

  /** Communication lost (IEC 61800-7-201, from memory). */
  public static final int FAULT_LINK = 0x7500;

  private static final int HALT = 0x100;
  private static final int NEW_SET_POINT = 0x10;
  private static final int RELATIVE = 0x40;
  private static final int REACHED = 0x400;
  private static final int LIMITED = 0x800;
  private static final int MODE_LOW = 0x1000;
  private static final int MODE_HIGH = 0x2000;
  private static final double NEVER = 0xFFFF_FFFFL;

  /** A turn within which it counts as standing, for a second. */
  private static final double STANDS_TURNS = 0.002;

  private final ServoBuild build;
  private final ServoEnds ends;
  private final Supplier<ServoSetting> setting;
  private final TickClock clock;
  private final ServoMotion motion;
  private final ServoReference reference;
  private final double tick;
  private DriveState standing;
  private OperatingMode mode = OperatingMode.CYCLIC_POSITION;
  private final ServoBrake brake;
  private @Nullable ServoHoming homing;
  private double zero;
  private double goal;

  /** What the last start of a move asked for, in counts as shown; not-a-number where none did. */
  private double asked = Double.NaN;

  private boolean acknowledged;
  private boolean homed;
  private boolean torque;
  private boolean follows;
  private boolean lags;
  private int fault;
  private long setPoints;
  private long taken;
  private final LinkPatience patience = new LinkPatience();

  /** As it was told when it was asked last: what is written since does not reach into the past. */
  private ServoSetting told;

  /**
   * An axis that was just switched on, its brake closed.
   *
   * @param setting what it is told, asked whenever it counts
   * @param nanos a clock in nanoseconds
   */
  public StandInServo(ServoBuild build, Supplier<ServoSetting> setting, LongSupplier nanos) {
    this.build = build;
    this.ends = new ServoEnds(build);
    this.setting = setting;
    this.tick = build.setup().tickSeconds();
    this.clock = new TickClock(nanos, tick);
    this.motion = new ServoMotion(build.setup(), build.radians(build.start()));
    this.reference = new ServoReference(tick);
    this.brake = new ServoBrake(motion, build.brake(), tick);
    this.standing = new DriveState(DriveProfiles.cia402(mode));
    this.told = setting.get();
    reference.startAt(build.start(), 0);
  }

  private double raw() {
    return motion.position() / (2 * Math.PI) * build.countsPerTurn();
  }

  private double rawVelocity() {
    return motion.velocity() / (2 * Math.PI) * build.countsPerTurn();
  }

  /** Position in counts, as it is shown. */
  public synchronized double position() {
    play();
    return Math.rint(raw() - zero);
  }

  /** What is shown at the place where it stood at power on, less what was shown there then. */
  public synchronized double shift() {
    return -zero;
  }

  /** How far it is behind what it follows, in counts. */
  public synchronized double followingError() {
    play();
    return Math.rint(lag());
  }

  /** Speed in counts a second, as it is shown. */
  public synchronized double velocity() {
    play();
    return Math.rint(rawVelocity());
  }

  /** The mode it is in. */
  public synchronized OperatingMode mode() {
    return mode;
  }

  /**
   * Goes over to another mode; it stays where it is until it is told something new.
   *
   * @throws IllegalArgumentException where it has no such mode
   */
  public synchronized void speak(OperatingMode next) {
    if (!MODES.contains(next)) {
      throw new IllegalArgumentException("the drive has no mode " + next.label());
    }
    play();
    if (next != mode) {
      mode = next;
      standing = standing.in(DriveProfiles.cia402(next));
      reference.startAt(reference.position(), reference.velocity());
      goal = reference.position();
      asked = Double.NaN;
      homing = null;
      acknowledged = false;
      taken = setPoints;
    }
  }

  /** The state of its words. */
  public synchronized WordState state() {
    play();
    return standing.state();
  }

  /** The code of its fault; 0 for none. */
  public synchronized int fault() {
    play();
    return fault;
  }

  /** Whether its brake is closed. */
  public synchronized boolean isBraked() {
    play();
    return brake.isClosed();
  }

  /** The last control word. */
  public synchronized int control() {
    return standing.control();
  }

  /** Gives the permission for torque, as safe torque off does, or takes it away. */
  public synchronized void permit(boolean permitted) {
    play();
    standing.permit(permitted);
  }

  /** A control word came. */
  public synchronized void control(int word) {
    play();
    int before = standing.control();
    boolean ran = standing.is(WordState.Kind.RUNNING);
    standing.take(word);
    if (!standing.is(WordState.Kind.FAULT)) {
      fault = 0;
    }
    boolean rises = (word & NEW_SET_POINT) != 0 && (before & NEW_SET_POINT) == 0;
    boolean runs = ran && standing.is(WordState.Kind.RUNNING);
    if (runs && rises && mode == OperatingMode.PROFILE_POSITION) {
      boolean isRelative = (word & RELATIVE) != 0;
      asked = isRelative ? goal - zero + told.targetPosition() : told.targetPosition();
      goal = told.limits().within(asked) + zero;
      acknowledged = true;
    } else if (runs && rises && mode == OperatingMode.HOMING) {
      homed = false;
      homing = HomingMethod.of(told.homingMethod()).map(this::begin).orElse(null);
      if (homing != null && homing.isHere()) {
        found(raw());
      }
    }
    if ((word & NEW_SET_POINT) == 0) {
      acknowledged = false;
      homing = null;
    }
  }

  private ServoHoming begin(HomingMethod method) {
    return new ServoHoming(
        method,
        told.profileVelocity(),
        build.countsPerTurn(),
        !build.sense().home().equals(SwitchSense.Seen.NONE));
  }

  /** Set-points of a cycle came: they count from the next tick on. */
  public synchronized void setPointsCame() {
    play();
    setPoints++;
    patience.heard();
  }

  /** Somebody asked or told something: the link is there. */
  public synchronized void heard() {
    play();
    patience.heard();
  }

  /** From now on it faults where no set-points come for so long; 0 for never. */
  public synchronized void watch(double seconds) {
    play();
    patience.last(seconds);
  }

  /** The controller took it out of operation: a new command is awaited. */
  public synchronized void stopHere() {
    play();
    standing.stop();
  }

  /** Puts a fault into it, as if its own supervision had found it. */
  public synchronized void provoke(int code) {
    play();
    fail(code);
  }

  private void fail(int code) {
    fault = code;
    standing.fail();
  }

  /** Which of its switches act: 1 negative limit, 2 positive limit, 4 home (object 0x60FD). */
  public synchronized int switches() {
    play();
    return ends.acting(raw());
  }

  /** The status word. */
  public synchronized int status() {
    play();
    boolean running = standing.is(WordState.Kind.RUNNING);
    int word = standing.status(false, false, false);
    if (!running) {
      return word & ~(REACHED | MODE_LOW | MODE_HIGH);
    }
    word |= isHeld(1) || isHeld(-1) || isBeyondLimits() ? LIMITED : 0;
    boolean there =
        reference.velocity() == 0 && Math.abs(raw() - goal) < STANDS_TURNS * build.countsPerTurn();
    return switch (mode) {
      case CYCLIC_POSITION, CYCLIC_VELOCITY ->
          word | (follows ? MODE_LOW : 0) | (lags ? MODE_HIGH : 0);
      case PROFILE_POSITION ->
          word
              | (acknowledged ? MODE_LOW : 0)
              | (there && !acknowledged ? REACHED : 0)
              | (lags ? MODE_HIGH : 0);
      case PROFILE_VELOCITY ->
          word
              | (stands() ? MODE_LOW : 0)
              | (reference.velocity() == told.targetVelocity() ? REACHED : 0);
      default ->
          word
              | (homed ? MODE_LOW : 0)
              | (homing != null && homing.hasFailed() ? MODE_HIGH : 0)
              | (homing == null || homing.isOver() ? REACHED : 0);
    };
  }

  private void play() {
    for (long due = clock.due(); due > 0; due--) {
      tickOnce();
    }
    told = setting.get();
  }

  private void tickOnce() {
    if (patience.isOver(tick) && standing.is(WordState.Kind.RUNNING)) {
      fail(FAULT_LINK);
    }
    boolean wanted = standing.is(WordState.Kind.RUNNING) || standing.is(WordState.Kind.STOPPING);
    if (wanted && !torque) {
      motion.take();
      reference.startAt(raw(), 0);
      goal = raw();
      asked = Double.NaN;
      taken = setPoints;
    }
    torque = wanted;
    brake.tick(torque);
    follows = torque && !brake.isClosed();
    if (!torque) {
      motion.free();
      reference.startAt(raw(), 0);
      lags = false;
      return;
    }
    if (follows) {
      move();
    }
    motion.limit(told.limits().torqueShare() * build.ratedNewtonMetres());
    motion.follow(
        build.radians(reference.position()),
        build.radians(reference.velocity()),
        follows && isCyclic() ? build.radians(told.velocityOffset()) : 0);
    supervise();
  }

  private double lag() {
    return reference.position() - raw();
  }

  private void supervise() {
    double window = told.followingWindow();
    lags = window < NEVER && Math.abs(lag()) > window;
    if (lags && standing.is(WordState.Kind.RUNNING)) {
      fail(FAULT_FOLLOWING);
    }
  }

  private void move() {
    double ramp = told.acceleration();
    boolean held = (standing.control() & HALT) != 0;
    if (standing.is(WordState.Kind.STOPPING) || (held && !isCyclic())) {
      reference.towardsVelocity(0, ramp, ramp);
      goal = reference.position();
      if (standing.is(WordState.Kind.STOPPING) && reference.velocity() == 0 && stands()) {
        standing.quickStopEnds();
      }
      return;
    }
    if (stopsAtLimit(ramp)) {
      return;
    }
    switch (mode) {
      case CYCLIC_POSITION -> {
        if (taken != setPoints) {
          taken = setPoints;
          reference.setPoint(
              told.limits().within(told.targetPosition()) + zero, told.cycleSeconds());
        }
        reference.alongSetPoints();
      }
      case CYCLIC_VELOCITY ->
          reference.towardsVelocity(told.targetVelocity(), Double.MAX_VALUE, Double.MAX_VALUE);
      case PROFILE_VELOCITY -> reference.towardsVelocity(told.targetVelocity(), ramp, ramp);
      case PROFILE_POSITION -> reference.towardsPosition(goal, told.profileVelocity(), ramp, ramp);
      default -> home();
    }
  }

  /** A target is cut to the position limits (internal limit active). */
  private boolean isBeyondLimits() {
    double wanted =
        switch (mode) {
          case CYCLIC_POSITION -> told.targetPosition();
          case PROFILE_POSITION -> asked;
          default -> Double.NaN;
        };
    return !Double.isNaN(wanted) && told.limits().isBeyond(wanted);
  }

  /** Whether a limit keeps it from going on in a direction. */
  private boolean isHeld(int direction) {
    return ends.hold(mode, told.limits(), raw(), raw() - zero, direction);
  }

  /** Its own ramps end at a limit switch; a cyclic set-point beyond one is not followed. */
  private boolean stopsAtLimit(double ramp) {
    double way =
        switch (mode) {
          case PROFILE_VELOCITY, CYCLIC_VELOCITY -> told.targetVelocity();
          case PROFILE_POSITION -> goal - reference.position();
          case CYCLIC_POSITION -> told.targetPosition() + zero - reference.position();
          default -> 0;
        };
    if (way == 0 || !isHeld(way > 0 ? 1 : -1)) {
      return false;
    }
    reference.towardsVelocity(0, ramp, ramp);
    taken = setPoints;
    return true;
  }

  private boolean stands() {
    return Math.abs(rawVelocity()) < STANDS_TURNS * build.countsPerTurn();
  }

  private boolean isCyclic() {
    return mode == OperatingMode.CYCLIC_POSITION || mode == OperatingMode.CYCLIC_VELOCITY;
  }

  private void home() {
    ServoHoming now = homing;
    if (now == null || now.isOver()) {
      reference.towardsVelocity(0, told.acceleration(), told.acceleration());
      goal = reference.position();
      return;
    }
    Optional<Double> found = now.tick(raw(), ends.acting(raw()));
    reference.towardsVelocity(now.velocity(), told.acceleration(), told.acceleration());
    found.ifPresent(this::found);
  }

  private void found(double place) {
    zero = place - told.homeOffset();
    homed = true;
  }
}

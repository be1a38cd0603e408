package unimotus.devices.drive;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.LongSupplier;
import unimotus.core.bench.Action;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.LiveAxis;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;

/**
 * A drive with motor and load, its words and its values; it knows no protocol. Its clock runs on
 * whenever it is asked: what passed since the last time is played in ticks of a millisecond first.
 * Several threads may ask at once; whoever needs several answers of one moment holds its lock.
 */
public final class StandInDrive {
  /** Shown while the link was silent for longer than its time-out allows. */
  public static final int FAULT_LINK = 7;

  private static final long NANOS_PER_TICK = 1_000_000;

  /** What is longer ago than this is not played any more; nobody looked. */
  private static final long MOST_TICKS = 60_000;

  private static final double AT_REFERENCE_HERTZ = 0.1;
  private static final double STANDS_HERTZ = 0.01;
  private static final double STANDS_RPM = 1;

  private DriveState standing;
  private final LiveAxis axis;
  private final LongSupplier nanos;
  private final DriveObjects objects;

  /** What each value of the output frequency counts for one hertz. */
  private final Map<PlacedValue, Double> perHertz = new IdentityHashMap<>();

  private boolean strict;
  private LinkLoss.Action onSilence = LinkLoss.Action.FAULT;
  private int fault;
  private long playedTicks;
  private long startNanos;
  private long lastMessageTick;

  /** Goes up whenever a value may read otherwise than before. */
  private long changes;

  /**
   * A drive that was just switched on.
   *
   * @param setup drive, motor and load, with its reference in hertz
   * @param profile its words
   * @param values what it shows and takes; those without a role keep what is written
   * @param nanos a clock in nanoseconds
   * @throws IllegalArgumentException where the words' mode commands no speed
   */
  public StandInDrive(
      BenchSetup setup,
      WordProfile profile,
      List<? extends PlacedValue> values,
      LongSupplier nanos) {
    speedIsCommanded(profile);
    this.standing = new DriveState(profile);
    SpeedScale speeds = new SpeedScale(setup.maximumHertz(), MotorFormulas.poles(setup.plate()));
    this.objects = new DriveObjects(values, speeds);
    values.stream()
        .filter(v -> v.value().role() == ValueRole.OUTPUT_FREQUENCY)
        .forEach(v -> perHertz.put(v, speeds.value(1, DriveObjects.unit(v))));
    this.axis = new LiveAxis(setup);
    this.nanos = nanos;
    this.startNanos = nanos.getAsLong();
  }

  private static void speedIsCommanded(WordProfile profile) {
    if (!profile.commandsSpeed()) {
      throw new IllegalArgumentException(
          "the simulated drive turns at a speed; in %s mode nothing commands one"
              .formatted(profile.mode().label()));
    }
  }

  /**
   * Goes over to another mode of its profile; its state stays.
   *
   * @throws IllegalArgumentException where the mode commands no speed
   */
  public synchronized void speak(WordProfile profile) {
    speedIsCommanded(profile);
    change();
    standing = standing.in(profile);
    command();
  }

  /** Puts a fault into the drive, as if its own supervision had found it. */
  public synchronized void provoke(int code) {
    change();
    fail(code);
  }

  /** Gives the permission for torque, as safe torque off does, or takes it away. */
  public synchronized void permit(boolean permitted) {
    change();
    standing.permit(permitted);
    command();
  }

  /** Stops it as from its own keypad. */
  public synchronized void stopHere() {
    change();
    standing.stop();
    command();
  }

  /** Switches it off and on again; a lost moment of the mains does the same. */
  public synchronized void powerCycle() {
    change();
    standing.powerOn();
    fault = 0;
    objects.forgetReference();
    coast();
  }

  /**
   * Whether it refuses, as busy, a control word that it would ignore in its state. Most drives stay
   * silent about it.
   */
  public synchronized void refuseWhatIsIgnored(boolean next) {
    strict = next;
  }

  /**
   * What it does when no message comes; by the drive's own settings. A value with the role of a
   * time-out changes the time.
   *
   * @param seconds silence until it acts; 0 for never
   */
  public synchronized void onSilence(double seconds, LinkLoss.Action action) {
    changes++;
    objects.timeout(seconds);
    onSilence = action;
  }

  /** Puts what stands in a value without a role, as if it had been written. */
  public synchronized void hold(PlacedValue value, HeldValue held) {
    changes++;
    objects.hold(value, held);
  }

  /** What it does on a quick stop; to the quick-stop ramp and off without a word about it. */
  public synchronized void onQuickStop(QuickStop option) {
    standing.quickStop(option);
  }

  /** The state of the drive now. */
  public synchronized WordState state() {
    play();
    return standing.state();
  }

  /** Seconds since it was switched on, as far as they were played. */
  public synchronized double seconds() {
    return playedTicks / 1000.0;
  }

  /** A message came that asks for something; the link is alive. */
  public synchronized void heard() {
    play();
    lastMessageTick = playedTicks;
  }

  /** Counts what may have changed since it was switched on; two looks with one count are alike. */
  public synchronized long changes() {
    return changes;
  }

  /** What stands in a value at the moment that was played last. */
  public synchronized HeldValue read(PlacedValue value) {
    return switch (value.value().role()) {
      case CONTROL_WORD -> number(standing.control());
      case STATUS_WORD -> number(status());
      case OUTPUT_FREQUENCY ->
          number(Objects.requireNonNull(perHertz.get(value)) * axis.outputHertz());
      case SHAFT_SPEED -> number(axis.shaftRpm());
      case MOTOR_CURRENT -> number(axis.currentAmperes());
      case MOTOR_TORQUE -> number(axis.torqueNewtonMetres());
      case FAULT_CODE -> number(fault);
      default -> objects.get(value);
    };
  }

  private static HeldValue number(double value) {
    return new HeldValue.Number(value);
  }

  /**
   * Writes values, all or none.
   *
   * @throws WriteRefused where one of them does not take it; nothing is written then
   */
  public synchronized void write(Map<PlacedValue, HeldValue> next) throws WriteRefused {
    change();
    for (Map.Entry<PlacedValue, HeldValue> one : next.entrySet()) {
      if (one.getValue() instanceof HeldValue.Number number) {
        check(one.getKey(), number.value());
      }
    }
    lastMessageTick = playedTicks;
    next.forEach(this::take);
    command();
  }

  private void check(PlacedValue value, double number) throws WriteRefused {
    boolean word = value.value().role() == ValueRole.CONTROL_WORD;
    if (strict && word && standing.ignores((int) number)) {
      throw new WriteRefused(WriteRefused.Reason.BUSY);
    }
    if (!value.value().limits().hold(number)) {
      throw new WriteRefused(WriteRefused.Reason.OUTSIDE_LIMITS);
    }
  }

  private void take(PlacedValue value, HeldValue held) {
    objects.take(value, held);
    if (value.value().role() == ValueRole.CONTROL_WORD && held instanceof HeldValue.Number number) {
      control((int) number.value());
    }
  }

  private void control(int word) {
    if (standing.take(word)) {
      coast();
    }
    if (!standing.is(WordState.Kind.FAULT)) {
      fault = 0;
    }
  }

  private void change() {
    play();
    changes++;
  }

  private void fail(int code) {
    fault = code;
    standing.fail();
    coast();
  }

  private void loseLink() {
    switch (onSilence) {
      case FAULT -> fail(FAULT_LINK);
      case STOP -> {
        standing.stop();
        axis.act(Action.STOP, 0);
      }
      case HOLD -> {
        // The last words stand: the motor runs on.
      }
    }
  }

  private void play() {
    long due = (nanos.getAsLong() - startNanos) / NANOS_PER_TICK;
    if (due - playedTicks > MOST_TICKS) {
      startNanos += (due - playedTicks - MOST_TICKS) * NANOS_PER_TICK;
      due = playedTicks + MOST_TICKS;
    }
    if (playedTicks < due) {
      changes++;
    }
    double timeout = objects.timeoutSeconds();
    while (playedTicks < due) {
      playedTicks++;
      boolean silent = timeout > 0 && (playedTicks - lastMessageTick) > 1000 * timeout;
      if (silent && standing.is(WordState.Kind.RUNNING)) {
        loseLink();
      }
      axis.tick();
      if (standing.is(WordState.Kind.STOPPING) && stands() && standing.quickStopEnds()) {
        coast();
      }
    }
  }

  private boolean stands() {
    return Math.abs(axis.outputHertz()) < STANDS_HERTZ && Math.abs(axis.shaftRpm()) < STANDS_RPM;
  }

  private int status() {
    double reference = objects.referenceHertz();
    boolean reached =
        standing.is(WordState.Kind.RUNNING)
            && Math.abs(Math.abs(axis.outputHertz()) - Math.abs(reference)) < AT_REFERENCE_HERTZ;
    return standing.status(axis.outputHertz() < 0, reached, stands());
  }

  /** What state and reference mean to the axis. */
  private void command() {
    double reference = objects.referenceHertz();
    axis.act(
        Action.REFERENCE,
        switch (standing.ramp()) {
          case FOLLOWS -> Math.abs(reference);
          case HOLDS -> Math.abs(axis.outputHertz());
          case TO_ZERO -> 0;
        });
    boolean reverse = reference < 0 != standing.isReverse();
    switch (standing.state().kind()) {
      case RUNNING -> axis.act(reverse ? Action.REVERSE : Action.FORWARD, 0);
      case STOPPING, READY -> axis.act(Action.STOP, 0);
      case BLOCKED, FAULT -> coast();
    }
  }

  private void coast() {
    axis.act(Action.REVOKE, 0);
    axis.act(Action.PERMIT, 0);
  }
}

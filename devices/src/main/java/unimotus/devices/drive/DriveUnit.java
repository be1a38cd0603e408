package unimotus.devices.drive;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import unimotus.core.bench.Action;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.LiveAxis;
import unimotus.core.fieldbus.MapDoubt;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.settings.LinkLoss;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Unit;

/**
 * A drive with motor and load behind its registers. Its clock runs on whenever it is asked: what
 * passed since the last time is played in ticks of a millisecond first. Several clients may ask at
 * once.
 */
public final class DriveUnit implements Unit {
  /** Shown while the link was silent for longer than its time-out allows. */
  public static final int FAULT_LINK = 7;

  private static final long NANOS_PER_TICK = 1_000_000;

  /** What is longer ago than this is not played any more; nobody looked. */
  private static final long MOST_TICKS = 60_000;

  private static final double AT_REFERENCE_HERTZ = 0.1;
  private static final double STANDS_HERTZ = 0.01;
  private static final double STANDS_RPM = 1;

  /** Where the time since power on begins anew. */
  private static final long MILLISECONDS_SHOWN = 1L << 32;

  /** Different questions kept for a tick. */
  private static final int MOST_ANSWERED = 64;

  private record Asked(RegisterTable table, int address, int count) {}

  private final DriveState standing;
  private final LiveAxis axis;
  private final LongSupplier nanos;
  private final Map<Integer, String> identity;
  private final RegisterMap map;
  private final SpeedScale speeds;

  /** What was answered in this tick; many clients may ask within one, and nothing changes in it. */
  private final Map<Asked, List<Integer>> answered = new HashMap<>();

  /** What each entry of the output frequency counts for one hertz. */
  private final Map<RegisterEntry, Double> perHertz = new IdentityHashMap<>();

  private final HeldRegisters held;

  /** The time since power on, where the map shows it. */
  private final @Nullable RegisterEntry milliseconds;

  /** What the held registers mean, by role, in hertz and seconds. */
  private final Map<RegisterRole, Double> meant = new EnumMap<>(RegisterRole.class);

  private boolean strict;
  private LinkLoss.Action onSilence = LinkLoss.Action.FAULT;
  private int fault;
  private long playedTicks;
  private long startNanos;
  private long lastMessageTick;

  /**
   * A drive that was just switched on.
   *
   * @param setup drive, motor and load, with its reference in hertz
   * @param profile its words
   * @param map its registers; those without a role keep what is written
   * @param name its class, told on identification
   * @param nanos a clock in nanoseconds
   * @throws IllegalArgumentException where a register with a role is counted in a unit that does
   *     not measure it, or where the words' mode commands no speed
   */
  public DriveUnit(
      BenchSetup setup, WordProfile profile, RegisterMap map, String name, LongSupplier nanos) {
    map.doubts().stream()
        .filter(doubt -> doubt.kind() == MapDoubt.Kind.UNIT)
        .findFirst()
        .ifPresent(
            doubt -> {
              throw new IllegalArgumentException("%s: %s".formatted(doubt.entry(), doubt.seen()));
            });
    if (!profile.commandsSpeed()) {
      throw new IllegalArgumentException(
          "the stand-in turns at a speed; in %s mode nothing commands one"
              .formatted(profile.mode().label()));
    }
    this.standing = new DriveState(profile);
    this.map = map;
    this.held = new HeldRegisters(map);
    this.milliseconds =
        map.entries().stream()
            .filter(DriveRegisters.MILLISECONDS.entry()::equals)
            .findFirst()
            .orElse(null);
    this.speeds = new SpeedScale(setup.maximumHertz(), MotorFormulas.poles(setup.plate()));
    map.entries().stream()
        .filter(e -> e.role() == RegisterRole.OUTPUT_FREQUENCY)
        .forEach(e -> perHertz.put(e, speeds.value(1, e.unit())));
    this.axis = new LiveAxis(setup);
    this.nanos = nanos;
    this.startNanos = nanos.getAsLong();
    this.identity = Map.of(0, "Unimotus stand-in", 1, name, 2, "1.0");
    meant.put(RegisterRole.REFERENCE, 0.0);
    meant.put(RegisterRole.LINK_TIMEOUT, 0.0);
  }

  /** Puts a fault into the drive, as if its own supervision had found it. */
  public synchronized void provoke(int code) {
    play();
    answered.clear();
    fail(code);
  }

  /** Gives the permission for torque, as safe torque off does, or takes it away. */
  public synchronized void permit(boolean permitted) {
    play();
    answered.clear();
    standing.permit(permitted);
    command();
  }

  /** Stops it as from its own keypad. */
  public synchronized void stopHere() {
    play();
    answered.clear();
    standing.stop();
    command();
  }

  /** Switches it off and on again; a lost moment of the mains does the same. */
  public synchronized void powerCycle() {
    play();
    answered.clear();
    standing.powerOn();
    fault = 0;
    meant.put(RegisterRole.REFERENCE, 0.0);
    map.entry(RegisterRole.REFERENCE).ifPresent(e -> held.hold(e, new int[e.type().words()]));
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
   * What it does when no message comes; by the drive's own settings. A register with the role of a
   * time-out changes the time.
   *
   * @param seconds silence until it acts; 0 for never
   */
  public synchronized void onSilence(double seconds, LinkLoss.Action action) {
    answered.clear();
    meant.put(RegisterRole.LINK_TIMEOUT, seconds);
    map.entry(RegisterRole.LINK_TIMEOUT)
        .ifPresent(e -> held.hold(e, e.words(e.unit().equals("ms") ? 1000 * seconds : seconds)));
    onSilence = action;
  }

  /** Puts what stands in a register without a role, as if it had been written. */
  public synchronized void hold(RegisterEntry entry, int[] words) {
    answered.clear();
    held.hold(entry, words);
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
      answered.clear();
    }
    double timeout = meant(RegisterRole.LINK_TIMEOUT);
    while (playedTicks < due) {
      playedTicks++;
      boolean silent = timeout > 0 && (playedTicks - lastMessageTick) > 1000 * timeout;
      if (silent && standing.is(WordState.Kind.RUNNING)) {
        loseLink();
      }
      axis.tick();
      if (standing.is(WordState.Kind.STOPPING) && stands()) {
        if (standing.quickStopEnds()) {
          coast();
        }
      }
    }
  }

  @Override
  public synchronized List<Integer> read(RegisterTable table, int address, int count)
      throws Refused {
    play();
    lastMessageTick = playedTicks;
    Asked asked = new Asked(table, address, count);
    List<Integer> values = answered.get(asked);
    if (values == null) {
      values = List.copyOf(held.read(table, address, count, this::words));
      if (answered.size() < MOST_ANSWERED) {
        answered.put(asked, values);
      }
    }
    return values;
  }

  private int[] words(RegisterEntry entry) {
    double value =
        switch (entry.role()) {
          case CONTROL_WORD -> standing.control();
          case STATUS_WORD -> status();
          case OUTPUT_FREQUENCY -> Objects.requireNonNull(perHertz.get(entry)) * axis.outputHertz();
          case SHAFT_SPEED -> axis.shaftRpm();
          case MOTOR_CURRENT -> axis.currentAmperes();
          case MOTOR_TORQUE -> axis.torqueNewtonMetres();
          case FAULT_CODE -> fault;
          default -> Double.NaN;
        };
    if (entry == milliseconds) {
      value = playedTicks % MILLISECONDS_SHOWN / 1000.0;
    }
    return Double.isNaN(value) ? held.words(entry) : entry.heldWords(value);
  }

  private boolean stands() {
    return Math.abs(axis.outputHertz()) < STANDS_HERTZ && Math.abs(axis.shaftRpm()) < STANDS_RPM;
  }

  private double meant(RegisterRole role) {
    return Objects.requireNonNull(meant.get(role), role::name);
  }

  private int status() {
    double reference = meant(RegisterRole.REFERENCE);
    boolean reached =
        standing.is(WordState.Kind.RUNNING)
            && Math.abs(Math.abs(axis.outputHertz()) - Math.abs(reference)) < AT_REFERENCE_HERTZ;
    return standing.status(axis.outputHertz() < 0, reached, stands());
  }

  @Override
  public synchronized void write(RegisterTable table, int address, List<Integer> values)
      throws Refused {
    play();
    answered.clear();
    Map<RegisterEntry, int[]> next = held.written(table, address, values, this::words);
    for (Map.Entry<RegisterEntry, int[]> written : next.entrySet()) {
      check(written.getKey(), written.getValue());
    }
    lastMessageTick = playedTicks;
    next.forEach(this::take);
    command();
  }

  private void check(RegisterEntry entry, int[] words) throws Refused {
    double value = entry.value(words);
    if (strict && entry.role() == RegisterRole.CONTROL_WORD && standing.ignores((int) value)) {
      throw new Refused(ExceptionCode.SERVER_DEVICE_BUSY);
    }
    if (value < entry.minimum() || value > entry.maximum()) {
      throw new Refused(ExceptionCode.ILLEGAL_DATA_VALUE);
    }
  }

  private static double seconds(double value, String unit) {
    return MeasureUnit.ofSymbol(unit).orElseThrow().convert(value, MeasureUnit.SECOND_UNIT);
  }

  private void take(RegisterEntry entry, int[] words) {
    double value = entry.value(words);
    held.hold(entry, words);
    switch (entry.role()) {
      case CONTROL_WORD -> control((int) value);
      case REFERENCE -> meant.put(RegisterRole.REFERENCE, speeds.hertz(value, entry.unit()));
      case LINK_TIMEOUT -> meant.put(RegisterRole.LINK_TIMEOUT, seconds(value, entry.unit()));
      default -> {}
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

  /** What state and reference mean to the axis. */
  private void command() {
    double reference = meant(RegisterRole.REFERENCE);
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

  @Override
  public Map<Integer, String> identity() {
    return identity;
  }
}

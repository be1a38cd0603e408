package unimotus.devices.drive;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongSupplier;
import unimotus.core.bench.Action;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.LiveAxis;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.SpeedScale;
import unimotus.core.profile.WordBit;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
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

  /** Where the time since power on begins anew. */
  private static final long MILLISECONDS_SHOWN = 1L << 32;

  private final WordProfile profile;
  private final WordMachine machine;
  private final LiveAxis axis;
  private final LongSupplier nanos;
  private final Map<Integer, String> identity;
  private final RegisterMap map;
  private final SpeedScale speeds;
  private final HeldRegisters held;

  /** What the held registers mean, by role, in hertz and seconds. */
  private final Map<RegisterRole, Double> meant = new EnumMap<>(RegisterRole.class);

  private WordState state;
  private int control;
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
   */
  public DriveUnit(
      BenchSetup setup, WordProfile profile, RegisterMap map, String name, LongSupplier nanos) {
    this.profile = profile;
    this.map = map;
    this.held = new HeldRegisters(map);
    this.speeds = new SpeedScale(setup.maximumHertz(), MotorFormulas.poles(setup.plate()));
    this.machine = new WordMachine(profile);
    this.axis = new LiveAxis(setup);
    this.nanos = nanos;
    this.startNanos = nanos.getAsLong();
    this.identity = Map.of(0, "Unimotus stand-in", 1, name, 2, "1.0");
    this.state = poweredOn();
    meant.put(RegisterRole.REFERENCE, 0.0);
    meant.put(RegisterRole.LINK_TIMEOUT, 0.0);
  }

  /** A drive goes by itself from power on to where the first word is awaited. */
  private WordState poweredOn() {
    return profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.READY && isStart(s))
        .findFirst()
        .or(() -> profile.states().stream().filter(this::isStart).findFirst())
        .or(() -> first(WordState.Kind.READY))
        .orElse(profile.states().get(0));
  }

  private Optional<WordState> first(WordState.Kind kind) {
    return profile.states().stream().filter(s -> s.kind() == kind).findFirst();
  }

  private boolean isStart(WordState candidate) {
    return profile.transitions().stream()
        .anyMatch(t -> t.command() == null && t.to().equals(candidate.name()));
  }

  /** Puts a fault into the drive, as if its own supervision had found it. */
  public synchronized void provoke(int code) {
    play();
    fail(code);
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
    meant.put(RegisterRole.LINK_TIMEOUT, seconds);
    map.entry(RegisterRole.LINK_TIMEOUT)
        .ifPresent(e -> held.hold(e, e.words(e.unit().equals("ms") ? 1000 * seconds : seconds)));
    onSilence = action;
  }

  /** The state of the drive now. */
  public synchronized WordState state() {
    play();
    return state;
  }

  private void fail(int code) {
    fault = code;
    state =
        profile.states().stream()
            .filter(s -> s.kind() == WordState.Kind.FAULT && !isLeftByItself(s))
            .findFirst()
            .orElse(poweredOn());
    axis.act(Action.REVOKE, 0);
    axis.act(Action.PERMIT, 0);
  }

  private boolean isLeftByItself(WordState candidate) {
    return profile.transitions().stream()
        .anyMatch(t -> t.command() == null && t.from().equals(candidate.name()));
  }

  private void loseLink() {
    switch (onSilence) {
      case FAULT -> fail(FAULT_LINK);
      case STOP -> {
        state = first(WordState.Kind.READY).orElseGet(this::poweredOn);
        control = machine.stopWord();
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
    double timeout = meant.get(RegisterRole.LINK_TIMEOUT);
    while (playedTicks < due) {
      playedTicks++;
      boolean silent = timeout > 0 && (playedTicks - lastMessageTick) > 1000 * timeout;
      if (silent && state.kind() == WordState.Kind.RUNNING) {
        loseLink();
      }
      axis.tick();
    }
  }

  @Override
  public synchronized List<Integer> read(RegisterTable table, int address, int count)
      throws Refused {
    play();
    lastMessageTick = playedTicks;
    return held.read(table, address, count, this::words);
  }

  private int[] words(RegisterEntry entry) {
    double value =
        switch (entry.role()) {
          case CONTROL_WORD -> control;
          case STATUS_WORD -> status();
          case OUTPUT_FREQUENCY -> speeds.value(axis.outputHertz(), entry.unit());
          case SHAFT_SPEED -> axis.shaftRpm();
          case MOTOR_CURRENT -> axis.currentAmperes();
          case MOTOR_TORQUE -> axis.torqueNewtonMetres();
          case FAULT_CODE -> fault;
          default -> Double.NaN;
        };
    if (entry.equals(DriveRegisters.MILLISECONDS.entry())) {
      value = playedTicks % MILLISECONDS_SHOWN / 1000.0;
    }
    return Double.isNaN(value) ? held.words(entry) : entry.words(kept(entry, value));
  }

  /** What does not fit into a register is shown as the most it holds. */
  private static double kept(RegisterEntry entry, double value) {
    double a = entry.type().least() * entry.scale() + entry.offset();
    double b = entry.type().most() * entry.scale() + entry.offset();
    return Math.max(Math.min(a, b), Math.min(Math.max(a, b), value));
  }

  private int status() {
    boolean reached =
        state.kind() == WordState.Kind.RUNNING
            && Math.abs(Math.abs(axis.outputHertz()) - Math.abs(meant.get(RegisterRole.REFERENCE)))
                < AT_REFERENCE_HERTZ;
    int word = state.value();
    word |= status("voltage enabled", true);
    word |= status("remote", true);
    word |= status("commanded over the fieldbus", isListening(control));
    word |= status("in reverse", axis.outputHertz() < 0);
    word |= status("target reached", reached);
    word |= status("at reference", reached);
    return word;
  }

  private int status(String name, boolean set) {
    return set ? bit(profile.statusBits(), name) & ~state.mask() : 0;
  }

  /** The bit of a name; 0 where the profile has none such. */
  private static int bit(List<WordBit> bits, String name) {
    return bits.stream()
        .filter(b -> b.name().equals(name))
        .mapToInt(b -> 1 << b.bit())
        .findFirst()
        .orElse(0);
  }

  /** A drive that can be commanded from several places obeys a word only where it claims it. */
  private boolean isListening(int word) {
    int claim = bit(profile.controlBits(), "commanded from here");
    return (word & claim) == claim;
  }

  @Override
  public synchronized void write(RegisterTable table, int address, List<Integer> values)
      throws Refused {
    play();
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
    boolean ignored =
        strict
            && entry.role() == RegisterRole.CONTROL_WORD
            && (int) value != control
            && machine.react(state, (int) value, control).isIgnored();
    if (ignored) {
      throw new Refused(ExceptionCode.SERVER_DEVICE_BUSY);
    }
    if (value < entry.minimum() || value > entry.maximum()) {
      throw new Refused(ExceptionCode.ILLEGAL_DATA_VALUE);
    }
  }

  private void take(RegisterEntry entry, int[] words) {
    double value = entry.value(words);
    held.hold(entry, words);
    switch (entry.role()) {
      case CONTROL_WORD -> control((int) value);
      case REFERENCE -> meant.put(RegisterRole.REFERENCE, speeds.hertz(value, entry.unit()));
      case LINK_TIMEOUT ->
          meant.put(RegisterRole.LINK_TIMEOUT, entry.unit().equals("ms") ? value / 1000 : value);
      default -> {}
    }
  }

  private void control(int word) {
    if (isListening(word)) {
      state = machine.react(state, word, control).to();
    }
    control = word;
    if (state.kind() != WordState.Kind.FAULT) {
      fault = 0;
    }
  }

  /** What state and reference mean to the axis. */
  private void command() {
    double reference = meant.get(RegisterRole.REFERENCE);
    boolean let = (control & profile.extras()) == profile.extras();
    axis.act(Action.REFERENCE, let ? Math.abs(reference) : 0);
    boolean reverse = reference < 0 != ((control & profile.reverse()) != 0);
    switch (state.kind()) {
      case RUNNING -> axis.act(reverse ? Action.REVERSE : Action.FORWARD, 0);
      case STOPPING, READY -> axis.act(Action.STOP, 0);
      case BLOCKED, FAULT -> {
        axis.act(Action.REVOKE, 0);
        axis.act(Action.PERMIT, 0);
      }
    }
  }

  @Override
  public Map<Integer, String> identity() {
    return identity;
  }
}

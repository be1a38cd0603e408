package unimotus.devices.drive;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.LongSupplier;
import unimotus.core.bench.Action;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.LiveAxis;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.WordBit;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
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
  private final Map<DriveRegisters, Double> held = new EnumMap<>(DriveRegisters.class);

  private WordState state;
  private int control;
  private int fault;
  private long playedTicks;
  private long startNanos;
  private long lastWriteTick;

  /**
   * A drive that was just switched on.
   *
   * @param setup drive, motor and load, with its reference in hertz
   * @param profile its words
   * @param name its class, told on identification
   * @param nanos a clock in nanoseconds
   */
  public DriveUnit(BenchSetup setup, WordProfile profile, String name, LongSupplier nanos) {
    this.profile = profile;
    this.machine = new WordMachine(profile);
    this.axis = new LiveAxis(setup);
    this.nanos = nanos;
    this.startNanos = nanos.getAsLong();
    this.identity = Map.of(0, "Unimotus stand-in", 1, name, 2, "1.0");
    this.state = poweredOn();
    held.put(DriveRegisters.REFERENCE, 0.0);
    held.put(DriveRegisters.LINK_TIMEOUT, 0.0);
  }

  /** A drive goes by itself from power on to where the first word is awaited. */
  private WordState poweredOn() {
    return profile.states().stream()
        .filter(s -> s.kind() == WordState.Kind.READY && isStart(s))
        .findFirst()
        .or(() -> profile.states().stream().filter(this::isStart).findFirst())
        .orElse(profile.states().get(0));
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
            .orElseThrow();
    axis.act(Action.REVOKE, 0);
    axis.act(Action.PERMIT, 0);
  }

  private boolean isLeftByItself(WordState candidate) {
    return profile.transitions().stream()
        .anyMatch(t -> t.command() == null && t.from().equals(candidate.name()));
  }

  private void play() {
    long due = (nanos.getAsLong() - startNanos) / NANOS_PER_TICK;
    if (due - playedTicks > MOST_TICKS) {
      startNanos += (due - playedTicks - MOST_TICKS) * NANOS_PER_TICK;
      due = playedTicks + MOST_TICKS;
    }
    double timeout = held.get(DriveRegisters.LINK_TIMEOUT);
    while (playedTicks < due) {
      playedTicks++;
      boolean silent = timeout > 0 && (playedTicks - lastWriteTick) > 1000 * timeout;
      if (silent && state.kind() == WordState.Kind.RUNNING) {
        fail(FAULT_LINK);
      }
      axis.tick();
    }
  }

  @Override
  public synchronized List<Integer> read(RegisterTable table, int address, int count)
      throws Refused {
    play();
    List<Integer> values = new ArrayList<>();
    while (values.size() < count) {
      DriveRegisters register = at(table, address + values.size());
      int[] words = register.entry().words(value(register));
      int skipped = address + values.size() - register.entry().address();
      for (int i = skipped; i < words.length && values.size() < count; i++) {
        values.add(words[i]);
      }
    }
    return values;
  }

  private static DriveRegisters at(RegisterTable table, int address) throws Refused {
    for (DriveRegisters register : DriveRegisters.values()) {
      if (register.entry().table() == table
          && address >= register.entry().address()
          && address < register.entry().end()) {
        return register;
      }
    }
    throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
  }

  private double value(DriveRegisters register) {
    return switch (register) {
      case CONTROL_WORD -> control;
      case STATUS_WORD -> status();
      case OUTPUT -> axis.outputHertz();
      case SPEED -> axis.shaftRpm();
      case CURRENT -> axis.currentAmperes();
      case TORQUE -> axis.torqueNewtonMetres();
      case FAULT -> fault;
      case MILLISECONDS -> playedTicks % MILLISECONDS_SHOWN / 1000.0;
      default -> held.get(register);
    };
  }

  private int status() {
    boolean reached =
        state.kind() == WordState.Kind.RUNNING
            && Math.abs(Math.abs(axis.outputHertz()) - Math.abs(held.get(DriveRegisters.REFERENCE)))
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
    Map<DriveRegisters, Double> next = new EnumMap<>(DriveRegisters.class);
    for (int i = 0; i < values.size(); i++) {
      DriveRegisters register = at(table, address + i);
      double value = register.entry().value(new int[] {values.get(i)});
      if (!register.entry().access().isWritable()) {
        throw new Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
      }
      if (value < register.entry().minimum() || value > register.entry().maximum()) {
        throw new Refused(ExceptionCode.ILLEGAL_DATA_VALUE);
      }
      next.put(register, value);
    }
    lastWriteTick = playedTicks;
    next.forEach(this::take);
    command();
  }

  private void take(DriveRegisters register, double value) {
    if (register == DriveRegisters.CONTROL_WORD) {
      int word = (int) value;
      if (isListening(word)) {
        state = machine.react(state, word, control).to();
      }
      control = word;
      if (state.kind() != WordState.Kind.FAULT) {
        fault = 0;
      }
    } else {
      held.put(register, value);
    }
  }

  /** What state and reference mean to the axis. */
  private void command() {
    double reference = held.get(DriveRegisters.REFERENCE);
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

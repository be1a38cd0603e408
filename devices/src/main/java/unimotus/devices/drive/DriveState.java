package unimotus.devices.drive;

import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import unimotus.core.profile.WordBit;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;

/** How a drive stands by its words: its state, the last control word, what its status word says. */
final class DriveState {
  /** Takes the torque away at once, where the disabling of the operation ramps down. */
  private static final String SHUTDOWN = "shutdown";

  private final WordProfile profile;
  private final WordMachine machine;

  // Bits of the control word, 0 where the profile has none such.
  private final int claim;
  private final int halt;
  private final int enableRamp;
  private final int unlockRamp;
  private final int useReference;

  // Bits of the status word.
  private final int always;
  private final int commandedHere;
  private final int inReverse;
  private final int atReference;
  private final int speedIsZero;

  private WordState state;
  private int control;
  private boolean permitted = true;
  private QuickStop quickStop = QuickStop.QUICK_RAMP;

  /** Stopped by itself while commanded: the command has to be withdrawn before it counts again. */
  private boolean awaitsNewCommand;

  /** A drive that was just switched on. */
  DriveState(WordProfile profile) {
    this.profile = profile;
    List<WordBit> commands = profile.controlBits();
    claim = bit(commands, "commanded from here");
    halt = bit(commands, "halt");
    enableRamp = bit(commands, "enable ramp");
    unlockRamp = bit(commands, "unlock ramp");
    useReference = bit(commands, "use reference");
    List<WordBit> shown = profile.statusBits();
    always = bit(shown, "voltage enabled") | bit(shown, "remote");
    commandedHere = bit(shown, "commanded over the fieldbus");
    inReverse = bit(shown, "in reverse");
    atReference = bit(shown, "target reached") | bit(shown, "at reference");
    speedIsZero = bit(shown, "speed is 0");
    this.machine = new WordMachine(profile);
    this.state = poweredOn();
  }

  /** The same drive, spoken to in the words of another mode of its profile. */
  DriveState in(WordProfile next) {
    DriveState other = new DriveState(next);
    other.state = other.first(s -> s.name().equals(state.name())).orElse(other.state);
    other.control = control;
    other.permitted = permitted;
    other.quickStop = quickStop;
    other.awaitsNewCommand = awaitsNewCommand;
    return other;
  }

  /** A drive goes by itself from power on to where the first word is awaited. */
  private WordState poweredOn() {
    return first(s -> s.kind() == WordState.Kind.READY && isReachedByItself(s))
        .or(() -> first(this::isReachedByItself))
        .or(() -> first(s -> s.kind() == WordState.Kind.READY))
        .orElse(profile.states().get(0));
  }

  private Optional<WordState> first(Predicate<WordState> wanted) {
    return profile.states().stream().filter(wanted).findFirst();
  }

  private boolean isReachedByItself(WordState candidate) {
    return profile.transitions().stream()
        .anyMatch(t -> t.command() == null && t.to().equals(candidate.name()));
  }

  private boolean isLeftByItself(WordState candidate) {
    return profile.transitions().stream()
        .anyMatch(t -> t.command() == null && t.from().equals(candidate.name()));
  }

  WordState state() {
    return state;
  }

  boolean is(WordState.Kind kind) {
    return state.kind() == kind;
  }

  /** The last control word. */
  int control() {
    return control;
  }

  /** Power was off and comes back: no word is remembered, the permission is as it was. */
  void powerOn() {
    control = 0;
    state = poweredOn();
    permit(permitted);
  }

  /**
   * Gives the permission for torque or takes it away. A drive whose words know a blocked state
   * shows it; one that leaves it by itself does so as soon as the permission is back.
   */
  void permit(boolean next) {
    permitted = next;
    if (is(WordState.Kind.FAULT)) {
      return;
    }
    if (!permitted) {
      state = blocked().or(() -> first(s -> s.kind() == WordState.Kind.READY)).orElse(state);
    } else if (is(WordState.Kind.BLOCKED) && isLeftByItself(state)) {
      state = poweredOn();
    }
  }

  private Optional<WordState> blocked() {
    return first(s -> s.kind() == WordState.Kind.BLOCKED && !isLeftByItself(s))
        .or(() -> first(s -> s.kind() == WordState.Kind.BLOCKED));
  }

  /** Its own supervision found a fault. */
  void fail() {
    state = first(s -> s.kind() == WordState.Kind.FAULT && !isLeftByItself(s)).orElse(poweredOn());
  }

  /** It stops as if it had been told to. */
  void stop() {
    awaitsNewCommand = true;
    if (is(WordState.Kind.FAULT)) {
      // A stop clears no fault.
      return;
    }
    state = first(s -> s.kind() == WordState.Kind.READY).orElseGet(this::poweredOn);
    control = machine.stopWord();
  }

  /** Whether a control word would change nothing in this state. */
  boolean ignores(int word) {
    boolean turns =
        is(WordState.Kind.RUNNING) && profile.direction().isReverse(word) != isReverse();
    return word != control && !turns && machine.react(state, word, control).isIgnored();
  }

  /**
   * Takes a control word.
   *
   * @return whether it lets the motor coast: torque taken away while it ran, and no ramp
   */
  boolean take(int word) {
    boolean coasts = false;
    if (listensTo(word)) {
      WordMachine.Reaction reaction = machine.react(state, word, control);
      WordState next = reaction.to();
      boolean moves = next.kind() == WordState.Kind.RUNNING;
      boolean refused =
          (awaitsNewCommand && moves) || (!permitted && (is(WordState.Kind.BLOCKED) || moves));
      awaitsNewCommand &= moves;
      coasts =
          (is(WordState.Kind.RUNNING) || is(WordState.Kind.STOPPING))
              && !refused
              && (next.kind() == WordState.Kind.BLOCKED
                  || (next.kind() == WordState.Kind.READY
                      && reaction.commands().contains(SHUTDOWN)));
      state = refused ? state : next;
      if (is(WordState.Kind.STOPPING) && quickStop == QuickStop.COAST) {
        state = blocked().orElse(state);
        coasts = true;
      }
      permit(permitted);
    }
    control = word;
    return coasts;
  }

  /**
   * A quick stop has come to rest: torque goes off and the first word is awaited anew, or it stays
   * with torque where its option says so.
   *
   * @return whether torque goes off
   */
  boolean quickStopEnds() {
    if (quickStop.stays()) {
      return false;
    }
    state = blocked().orElse(state);
    return true;
  }

  void quickStop(QuickStop next) {
    quickStop = next;
  }

  /** A drive that can be commanded from several places obeys a word only where it claims it. */
  private boolean listensTo(int word) {
    return (word & claim) == claim;
  }

  boolean isReverse() {
    return profile.direction().isReverse(control);
  }

  /** What a word makes of the reference. */
  enum Ramp {
    /** It is followed. */
    FOLLOWS,
    /** What is put out now is held. */
    HOLDS,
    /** The ramp leads to standstill, with torque. */
    TO_ZERO
  }

  /**
   * What the word makes of the reference: halt, ramp disabled and reference not used lead to
   * standstill, a locked ramp holds (velocity mode of IEC 61800-7-201, from memory).
   */
  Ramp ramp() {
    if ((control & halt) != 0 || lacks(enableRamp) || lacks(useReference)) {
      return Ramp.TO_ZERO;
    }
    return lacks(unlockRamp) ? Ramp.HOLDS : Ramp.FOLLOWS;
  }

  /** Whether the mode wants a bit that the word does not have. */
  private boolean lacks(int bit) {
    int wanted = bit & profile.extras();
    return (control & wanted) != wanted;
  }

  /**
   * The status word.
   *
   * @param reverse whether the shaft turns backward
   * @param reached whether the reference is reached
   * @param stands whether the shaft stands
   */
  int status(boolean reverse, boolean reached, boolean stands) {
    return state.value()
        | (always
                | (listensTo(control) ? commandedHere : 0)
                | (reverse ? inReverse : 0)
                | (reached ? atReference : 0)
                | (stands ? speedIsZero : 0))
            & ~state.mask();
  }

  /** The bit of a name; 0 where the profile has none such. */
  private static int bit(List<WordBit> bits, String name) {
    return bits.stream()
        .filter(b -> b.name().equals(name))
        .mapToInt(b -> 1 << b.bit())
        .findFirst()
        .orElse(0);
  }
}

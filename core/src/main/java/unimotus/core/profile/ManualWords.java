package unimotus.core.profile;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/**
 * The words of a drive as its manual lists them, bit by bit.
 *
 * @param control the bits of the control word
 * @param status the bits of the status word
 */
public record ManualWords(List<ControlBit> control, List<StatusBit> status) {
  /** Nothing entered yet. */
  public static final ManualWords NONE = new ManualWords(List.of(), List.of());

  /** The name of the profile that is made of such bits. */
  public static final String NAME = "words from the manual";

  private static final int BITS = 16;

  /** What a bit of the control word does. */
  public enum ControlMeaning {
    RUN("1 runs, 0 stops"),
    RUN_WHEN_CLEAR("0 runs, 1 stops"),
    /** Where there is one, the bits that run are those of forward. */
    RUN_REVERSE("1 runs in reverse, alone"),
    REVERSE("1 turns the direction"),
    RESET("0→1 resets a fault"),
    ALWAYS_SET("has to be 1"),
    OTHER("something else");

    private final String label;

    ControlMeaning(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** What a bit of the status word says. */
  public enum StatusMeaning {
    READY("1 is ready"),
    RUNNING("1 runs"),
    FAULT("1 is a fault"),
    NO_FAULT("0 is a fault"),
    REVERSED("1 turns in reverse"),
    AT_REFERENCE("1 is at the reference"),
    OTHER("something else");

    private final String label;

    StatusMeaning(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /**
   * A bit of the control word.
   *
   * @param bit its number, 0 the least
   * @param meaning what it does
   * @param name its name in the manual; possibly empty
   */
  public record ControlBit(int bit, ControlMeaning meaning, String name) {}

  /**
   * A bit of the status word.
   *
   * @param bit its number, 0 the least
   * @param meaning what it says
   * @param name its name in the manual; possibly empty
   */
  public record StatusBit(int bit, StatusMeaning meaning, String name) {}

  /** Takes copies and checks the numbers of the bits. */
  public ManualWords {
    control = List.copyOf(control);
    status = List.copyOf(status);
    checkBits("control", control.stream().map(ControlBit::bit).toList());
    checkBits("status", status.stream().map(StatusBit::bit).toList());
  }

  private static void checkBits(String word, List<Integer> bits) {
    for (int i = 0; i < bits.size(); i++) {
      int bit = bits.get(i);
      if (bit < 0 || bit >= BITS) {
        throw new IllegalArgumentException(
            "%s word: a word has the bits 0 to 15, not %d".formatted(word, bit));
      }
      if (bits.indexOf(bit) < i) {
        throw new IllegalArgumentException("%s word: bit %d is listed twice".formatted(word, bit));
      }
    }
  }

  /** Whether nothing is entered. */
  public boolean isEmpty() {
    return control.isEmpty() && status.isEmpty();
  }

  /** These words with a bit of the control word; one without a meaning is taken away. */
  public ManualWords with(ControlBit bit, boolean kept) {
    List<ControlBit> next = new ArrayList<>(control);
    next.removeIf(b -> b.bit() == bit.bit());
    if (kept) {
      next.add(bit);
    }
    next.sort((a, b) -> a.bit() - b.bit());
    return new ManualWords(next, status);
  }

  /** These words with a bit of the status word; one without a meaning is taken away. */
  public ManualWords with(StatusBit bit, boolean kept) {
    List<StatusBit> next = new ArrayList<>(status);
    next.removeIf(b -> b.bit() == bit.bit());
    if (kept) {
      next.add(bit);
    }
    next.sort((a, b) -> a.bit() - b.bit());
    return new ManualWords(control, next);
  }

  /**
   * The profile these bits make.
   *
   * @throws IllegalArgumentException where no bit starts the drive, or none tells that it runs
   */
  public WordProfile profile() {
    int runs = mask(ControlMeaning.RUN);
    int backward = mask(ControlMeaning.RUN_REVERSE);
    int stops = mask(ControlMeaning.RUN_WHEN_CLEAR);
    int runMask = runs | backward | stops;
    int running = mask(StatusMeaning.RUNNING);
    if ((runs | stops) == 0) {
      throw new IllegalArgumentException("no bit of the control word starts the drive yet");
    }
    if (backward != 0 && runs == 0) {
      throw new IllegalArgumentException(
          "a bit of the control word runs in reverse, and none runs forward yet");
    }
    if (running == 0) {
      throw new IllegalArgumentException("no bit of the status word says that the drive runs yet");
    }
    List<WordCommand> commands = new ArrayList<>();
    commands.add(new WordCommand("run", runMask, runs, false));
    commands.add(new WordCommand("stop", runMask, stops, false));
    List<WordTransition> transitions = new ArrayList<>();
    transitions.add(new WordTransition(0, "ready", "run", "running"));
    if (backward != 0) {
      commands.add(new WordCommand("run in reverse", runMask, backward, false));
      transitions.add(new WordTransition(0, "ready", "run in reverse", "running"));
    }
    transitions.add(new WordTransition(0, "running", "stop", "ready"));
    if (stops != 0) {
      commands.add(new WordCommand("stop before all", stops, stops, false));
      transitions.add(new WordTransition(0, "running", "stop before all", "ready"));
    }
    boolean fails = (mask(StatusMeaning.FAULT) | mask(StatusMeaning.NO_FAULT)) != 0;
    int reset = mask(ControlMeaning.RESET);
    if (reset != 0 && fails) {
      commands.add(new WordCommand("reset", runMask | reset, stops | reset, true));
      transitions.add(new WordTransition(0, "fault", "reset", "ready"));
    }
    if (mask(StatusMeaning.READY) != 0) {
      transitions.add(new WordTransition(0, "not permitted", null, "ready"));
    }
    return new WordProfile(
        NAME,
        "entered bit by bit from the manual",
        states(running),
        commands,
        transitions,
        control.stream().map(b -> named(b)).toList(),
        status.stream().map(b -> named(b)).toList(),
        direction(runs, backward),
        mask(ControlMeaning.ALWAYS_SET),
        OperatingMode.NONE);
  }

  /** Where reverse has a bit of its own, forward has one as well. */
  private Direction direction(int runs, int backward) {
    return backward == 0
        ? Direction.turnedBy(mask(ControlMeaning.REVERSE))
        : new Direction(runs, backward | mask(ControlMeaning.REVERSE));
  }

  private List<WordState> states(int running) {
    int ready = mask(StatusMeaning.READY);
    int noFault = mask(StatusMeaning.NO_FAULT);
    int fault = mask(StatusMeaning.FAULT) | noFault;
    List<WordState> states = new ArrayList<>();
    if (fault != 0) {
      states.add(new WordState("fault", fault, fault & ~noFault, WordState.Kind.FAULT));
    }
    states.add(
        new WordState(
            "running", fault | ready | running, noFault | ready | running, WordState.Kind.RUNNING));
    states.add(
        new WordState("ready", fault | ready | running, noFault | ready, WordState.Kind.READY));
    if (ready != 0) {
      states.add(new WordState("not permitted", fault | ready, noFault, WordState.Kind.BLOCKED));
    }
    return states;
  }

  private static WordBit named(ControlBit bit) {
    return new WordBit(bit.bit(), bit.name().isBlank() ? plain(bit.meaning()) : bit.name());
  }

  /** What a stand-in has to set itself goes by its common name. */
  private static WordBit named(StatusBit bit) {
    String name =
        switch (bit.meaning()) {
          case REVERSED -> "in reverse";
          case AT_REFERENCE -> "at reference";
          default -> bit.name().isBlank() ? plain(bit.meaning()) : bit.name();
        };
    return new WordBit(bit.bit(), name);
  }

  private static String plain(Enum<?> meaning) {
    return meaning.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private int mask(ControlMeaning meaning) {
    return mask(control, b -> b.meaning() == meaning, ControlBit::bit);
  }

  private int mask(StatusMeaning meaning) {
    return mask(status, b -> b.meaning() == meaning, StatusBit::bit);
  }

  private static <B> int mask(
      List<B> bits, Predicate<B> meant, java.util.function.ToIntFunction<B> number) {
    return bits.stream().filter(meant).mapToInt(b -> 1 << number.applyAsInt(b)).sum();
  }
}

package unimotus.core.profile;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Plays a profile: what a word does, and which words do what one wants. */
public final class WordMachine {
  private final WordProfile profile;

  /** The machine of a profile. */
  public WordMachine(WordProfile profile) {
    this.profile = profile;
  }

  /**
   * What came of a control word.
   *
   * @param word the word
   * @param from the state it met
   * @param to the state afterwards, the same where it was ignored
   * @param commands what the word commands, by name
   * @param taken numbers of the transitions taken; 0 for one without a number
   * @param effects what changed bits do that lead to no other state: those of the mode and of the
   *     direction, while the motor is commanded
   * @param words what happened in a sentence, and why where nothing did
   */
  public record Reaction(
      int word,
      WordState from,
      WordState to,
      List<String> commands,
      List<Integer> taken,
      List<String> effects,
      String words) {

    /** Whether nothing happened. */
    public boolean isIgnored() {
      return taken.isEmpty() && effects.isEmpty();
    }
  }

  /**
   * One word of a way.
   *
   * @param word the number to send
   * @param command what it commands
   * @param then the state to wait for before the next one
   */
  public record Step(int word, String command, WordState then) {}

  /** What somebody wants of a drive. */
  public enum Intent {
    START_FORWARD("start forward"),
    START_REVERSE("start in reverse"),
    STOP("stop"),
    RESET("reset the fault");

    private final String label;

    Intent(String label) {
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** What a word does in a state, after another word. */
  public Reaction react(WordState state, int word, int before) {
    Words.check(word);
    List<WordCommand> given =
        profile.commands().stream().filter(c -> c.isGiven(word, before)).toList();
    WordState at = state;
    List<Integer> taken = new ArrayList<>();
    // A word that commands two steps at once, as 0x0F does, takes both.
    Optional<WordTransition> next = transition(at, given);
    while (next.isPresent() && taken.size() < profile.transitions().size()) {
      taken.add(next.get().number());
      at = profile.state(next.get().to());
      next = at.equals(state) ? Optional.empty() : onward(at, given, next.get());
    }
    List<String> names = given.stream().map(WordCommand::name).toList();
    List<String> effects = taken.isEmpty() ? effects(state, word, before) : List.of();
    return new Reaction(
        word, state, at, names, taken, effects, said(state, at, word, before, taken, effects));
  }

  private String said(
      WordState state,
      WordState at,
      int word,
      int before,
      List<Integer> taken,
      List<String> effects) {
    if (!taken.isEmpty()) {
      return "leads to " + at.name();
    }
    return effects.isEmpty()
        ? ignored(state, word, before)
        : "stays in %s: %s".formatted(state.name(), String.join(", ", effects));
  }

  /** Bits of mode and direction act while the motor is commanded, without another state. */
  private List<String> effects(WordState state, int word, int before) {
    int acting =
        profile.mode().actingBits() | profile.direction().forward() | profile.direction().reverse();
    int changed = (word ^ before) & acting;
    if (state.kind() != WordState.Kind.RUNNING || changed == 0) {
      return List.of();
    }
    return profile.controlBits().stream()
        .filter(b -> b.isSet(changed))
        .map(b -> b.name() + (b.isSet(word) ? " set" : " taken away"))
        .toList();
  }

  private Optional<WordTransition> transition(WordState at, List<WordCommand> given) {
    return profile.transitions().stream()
        .filter(t -> t.from().equals(at.name()) && t.command() != null)
        .filter(t -> given.stream().anyMatch(c -> c.name().equals(t.command())))
        .findFirst();
  }

  /** On from a state only upward: a word does not take back what it has just done. */
  private Optional<WordTransition> onward(
      WordState at, List<WordCommand> given, WordTransition last) {
    return transition(at, given).filter(t -> !t.to().equals(last.from()));
  }

  private String ignored(WordState state, int word, int before) {
    for (WordCommand command : profile.commands()) {
      boolean would =
          profile.transitions().stream()
              .anyMatch(t -> t.from().equals(state.name()) && command.name().equals(t.command()));
      if (would && command.isIn(word) && !command.isGiven(word, before)) {
        return "ignored: %s counts only when its bits change to %s; they stood so already"
            .formatted(command.name(), Words.hex(command.value()));
      }
    }
    List<String> taken =
        profile.transitions().stream()
            .filter(t -> t.from().equals(state.name()) && t.command() != null)
            .map(t -> String.valueOf(t.command()))
            .distinct()
            .toList();
    return taken.isEmpty()
        ? "ignored: %s is left only by the drive itself".formatted(state.name())
        : "ignored: in %s only %s is listened to".formatted(state.name(), String.join(", ", taken));
  }

  /** The word that stops a drive that runs: 0 where that does, else the first that leads away. */
  public int stopWord() {
    WordState running =
        profile.states().stream()
            .filter(s -> s.kind() == WordState.Kind.RUNNING)
            .findFirst()
            .orElseThrow();
    int runs = profile.extras();
    if (react(running, 0, runs).to().kind() != WordState.Kind.RUNNING) {
      return 0;
    }
    return profile.transitions().stream()
        .filter(t -> t.from().equals(running.name()) && t.command() != null)
        .map(t -> profile.command(String.valueOf(t.command())).put(runs))
        .findFirst()
        .orElse(0);
  }

  /** Several words one after the other. */
  public List<Reaction> play(WordState from, int before, List<Integer> words) {
    List<Reaction> reactions = new ArrayList<>();
    WordState at = from;
    int last = before;
    for (int word : words) {
      Reaction reaction = react(at, word, last);
      reactions.add(reaction);
      at = reaction.to();
      last = word;
    }
    return reactions;
  }

  /**
   * The words that lead from a state to what is wanted, fewest first. A stop leads away from motion
   * from wherever it is given: where nothing moves, or a stop is under way, it sends nothing.
   *
   * @param before the control word that stands now
   * @return empty where the drive does already what is wanted
   * @throws IllegalArgumentException where no word leads there
   */
  public List<Step> way(WordState from, Intent intent, int before) {
    return switch (intent) {
      case START_FORWARD, START_REVERSE -> start(from, intent, before);
      case STOP ->
          from.kind() == WordState.Kind.RUNNING ? toReady(from, before) : withdrawn(from, before);
      case RESET ->
          from.kind() == WordState.Kind.FAULT
              ? worded(commands(from, null), from, intent, before)
              : List.of();
    };
  }

  /**
   * Where nothing moves a word that would move it on is taken back; a stop that is under way is
   * left to end.
   */
  private List<Step> withdrawn(WordState from, int before) {
    boolean stands =
        from.kind() != WordState.Kind.STOPPING
            && profile.states().stream()
                .filter(s -> s.kind() == WordState.Kind.READY)
                .anyMatch(s -> react(s, before, 0).to().kind() == WordState.Kind.RUNNING);
    if (!stands) {
      return List.of();
    }
    int word = stopWord();
    return List.of(new Step(word, "take the command away", react(from, word, before).to()));
  }

  private List<Step> start(WordState from, Intent intent, int before) {
    if (from.kind() == WordState.Kind.FAULT) {
      List<Step> all = new ArrayList<>(way(from, Intent.RESET, before));
      Step last = all.get(all.size() - 1);
      all.addAll(start(last.then(), intent, last.word()));
      return all;
    }
    return from.kind() == WordState.Kind.RUNNING
        ? turned(from, intent, before)
        : worded(commands(from, WordState.Kind.RUNNING), from, intent, before);
  }

  /**
   * The words that lead to a state of rest in which a start is awaited, never through motion.
   *
   * @return empty where the drive is there
   * @throws IllegalArgumentException where no word leads there
   */
  public List<Step> toReady(WordState from, int before) {
    return from.kind() == WordState.Kind.READY
        ? List.of()
        : worded(commands(from, WordState.Kind.READY), from, Intent.STOP, before);
  }

  /** The transitions from a state to one of a kind; to any without a fault where kind is null. */
  private List<WordTransition> commands(WordState from, WordState.@Nullable Kind goal) {
    Map<String, WordTransition> came = new HashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(from.name()));
    while (!open.isEmpty()) {
      String at = open.removeFirst();
      WordState here = profile.state(at);
      boolean there =
          !here.equals(from)
              && (goal == null ? here.kind() != WordState.Kind.FAULT : here.kind() == goal);
      if (there) {
        return path(came, from.name(), at);
      }
      for (WordTransition t : profile.transitions()) {
        boolean moves = profile.state(t.to()).kind() == WordState.Kind.RUNNING;
        boolean fresh =
            !came.containsKey(t.to())
                && !t.to().equals(from.name())
                && (!moves || goal == WordState.Kind.RUNNING);
        if (t.from().equals(at) && t.command() != null && fresh) {
          came.put(t.to(), t);
          open.addLast(t.to());
        }
      }
    }
    throw new IllegalArgumentException(
        "%s: no word leads on from %s; the drive has to change its state by itself"
            .formatted(profile.name(), from.name()));
  }

  private static List<WordTransition> path(
      Map<String, WordTransition> came, String from, String to) {
    List<WordTransition> path = new ArrayList<>();
    for (String at = to; !at.equals(from); at = path.get(0).from()) {
      path.add(0, came.get(at));
    }
    return path;
  }

  private List<Step> worded(List<WordTransition> path, WordState from, Intent intent, int before) {
    List<Step> steps = new ArrayList<>();
    int last = before;
    WordState at = from;
    for (WordTransition transition : path) {
      WordCommand command = profile.command(String.valueOf(transition.command()));
      WordState then = profile.state(transition.to());
      int put = command.put(last & ~pulses() | profile.extras());
      int word = then.kind() == WordState.Kind.RUNNING ? directed(intent, put) : put;
      if (command.onEdge() && command.isIn(last)) {
        // The bits have to leave before they can come again.
        int rest = word & ~command.mask() | ~command.value() & command.mask();
        steps.add(new Step(rest, "take " + command.name() + " away", at));
      }
      at = then;
      steps.add(new Step(word, command.name(), at));
      last = word;
    }
    return steps;
  }

  /**
   * The bits that count only when they come, and those with which the mode starts a motion: they go
   * again with the next word.
   */
  private int pulses() {
    return profile.commands().stream()
        .filter(WordCommand::onEdge)
        .mapToInt(WordCommand::value)
        .reduce(profile.mode().startBits(), (a, b) -> a | b);
  }

  /** A motor that runs is turned without a stop; the drive ramps through standstill. */
  private List<Step> turned(WordState at, Intent intent, int before) {
    boolean otherwise = profile.direction().isReverse(before) != (intent == Intent.START_REVERSE);
    if (!otherwise || !profile.direction().isInTheWord()) {
      return List.of();
    }
    return profile.transitions().stream()
        .filter(t -> t.to().equals(at.name()) && t.command() != null)
        .map(t -> profile.command(String.valueOf(t.command())))
        .findFirst()
        .map(run -> directed(intent, run.put(before & ~pulses() | profile.extras())))
        .map(word -> List.of(new Step(word, "turn the direction", at)))
        .orElse(List.of());
  }

  private int directed(Intent intent, int word) {
    return switch (intent) {
      case START_FORWARD -> profile.direction().put(word, false);
      case START_REVERSE -> profile.direction().put(word, true);
      case STOP, RESET -> word;
    };
  }
}

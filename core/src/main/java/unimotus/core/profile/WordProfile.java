package unimotus.core.profile;

import java.util.List;
import java.util.Optional;

/**
 * A pair of control and status word with all they can say.
 *
 * @param name the profile in words
 * @param source where it is published, or that it was entered from a manual
 * @param states all states; told by the first whose mask fits
 * @param commands all commands
 * @param transitions all ways between states
 * @param controlBits the bits of the control word by name
 * @param statusBits the bits of the status word by name
 * @param direction how the control word tells the direction
 * @param extras bits that have to be set in every word while the motor is commanded
 * @param mode what the drive does once enabled; none where the words do not tell modes apart
 */
public record WordProfile(
    String name,
    String source,
    List<WordState> states,
    List<WordCommand> commands,
    List<WordTransition> transitions,
    List<WordBit> controlBits,
    List<WordBit> statusBits,
    Direction direction,
    int extras,
    OperatingMode mode) {

  /** Takes copies and checks that every transition names what there is. */
  public WordProfile {
    states = List.copyOf(states);
    commands = List.copyOf(commands);
    transitions = List.copyOf(transitions);
    controlBits = List.copyOf(controlBits);
    statusBits = List.copyOf(statusBits);
    Words.check(extras);
    for (WordTransition t : transitions) {
      known(name, "state", t.from(), states.stream().map(WordState::name).toList());
      known(name, "state", t.to(), states.stream().map(WordState::name).toList());
      if (t.command() != null) {
        known(name, "command", t.command(), commands.stream().map(WordCommand::name).toList());
      }
    }
  }

  private static void known(String profile, String kind, String wanted, List<String> names) {
    if (!names.contains(wanted)) {
      throw new IllegalArgumentException(
          "%s: a transition names the %s '%s', which is none of %s"
              .formatted(profile, kind, wanted, String.join(", ", names)));
    }
  }

  /** This profile in a mode, with bits that are always set in it. */
  WordProfile in(OperatingMode next, int nextExtras) {
    return new WordProfile(
        "%s, %s mode".formatted(name, next.label()),
        source,
        states,
        commands,
        transitions,
        next.controlBits(),
        next.statusBits(),
        direction,
        nextExtras,
        next);
  }

  /** Whether a reference beside these words is a speed. */
  public boolean commandsSpeed() {
    return mode == OperatingMode.NONE || mode.commandsSpeed();
  }

  /** The state of this name. */
  public WordState state(String wanted) {
    return states.stream().filter(s -> s.name().equals(wanted)).findFirst().orElseThrow();
  }

  /** The command of this name. */
  public WordCommand command(String wanted) {
    return commands.stream().filter(c -> c.name().equals(wanted)).findFirst().orElseThrow();
  }

  /** The state a status word shows; empty where it shows none. */
  public Optional<WordState> shown(int status) {
    return states.stream().filter(s -> s.isShownBy(status)).findFirst();
  }
}

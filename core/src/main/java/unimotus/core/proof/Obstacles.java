package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Reference;
import unimotus.core.path.SignalPath;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopOutcome;

/**
 * What keeps readings from being predicted although there is a path: a finding and a prediction
 * must never contradict each other. What the path itself models, such as a live zero on one side
 * only, is no obstacle.
 *
 * @param signal why nothing is told of counts and signal, in words; empty where they are predicted
 * @param motion why nothing is told of display, shaft and machine; empty where they are predicted
 */
public record Obstacles(List<String> signal, List<String> motion) {
  /** Nothing in the way. */
  public static final Obstacles NONE = new Obstacles(List.of(), List.of());

  /** With one of these the motor does not turn as commanded, or nobody knows how. */
  private static final Set<Rule> NO_MOTION =
      EnumSet.of(
          Rule.REFERENCE_UNWIRED,
          Rule.COMMAND_SOURCE,
          Rule.REFERENCE_SOURCE,
          Rule.RUN_UNWIRED,
          Rule.NO_PERMISSION,
          Rule.NO_COMMON,
          Rule.SOURCE_SINK,
          Rule.INPUT_LEVEL,
          Rule.NOT_AS_MEANT,
          Rule.INPUT_PURPOSE,
          Rule.COMMAND_AT_REST,
          Rule.SWAPPED,
          Rule.START_TWICE,
          Rule.STOP_UNASSIGNED,
          Rule.SHORT_CIRCUIT,
          Rule.BURDEN,
          Rule.MOTOR_ON_DRIVE,
          Rule.USED_TWICE,
          Rule.UNKNOWN_TERMINAL,
          Rule.MIXED_WIRE,
          Rule.REGISTER_MAP,
          Rule.UNIT_NUMBER,
          Rule.WORD_PROFILE,
          Rule.STATION_UNKNOWN,
          Rule.STATION_SETUP,
          Rule.START_UP_REFUSED,
          Rule.STATION_ALIAS,
          Rule.STATION_DRIVE,
          Rule.MODE_TARGET,
          Rule.SWITCH_POSITION,
          Rule.INPUT_CURRENT,
          Rule.PULSES_LOST,
          Rule.PULSE_OUTPUT,
          Rule.COILS,
          Rule.STEP_SUPPLY,
          Rule.PULSE_RATE,
          Rule.START_RATE,
          Rule.STEP_STALL);

  /** Takes copies. */
  public Obstacles {
    signal = List.copyOf(signal);
    motion = List.copyOf(motion);
  }

  /**
   * What is in the way on an axis.
   *
   * @param findings what the rules say of it
   * @param stops its stops with the verdicts on them
   */
  public static Obstacles of(
      Reference reference, SignalPath path, List<Finding> findings, List<JudgedStop> stops) {
    List<String> signal = new ArrayList<>();
    List<String> motion = new ArrayList<>();
    ReadableLink link = ReadableLink.of(path);
    link.unsent(reference).ifPresent(signal::add);
    link.unreceived(reference).ifPresent(motion::add);
    for (Finding finding : findings) {
      boolean error = finding.severity() == Severity.ERROR;
      if (error && NO_MOTION.contains(finding.rule())) {
        motion.add(finding.seen());
      }
      if (error && link.isSilencedBy(finding)) {
        signal.add(finding.seen());
      }
    }
    stops.stream()
        .filter(s -> s.verdict().outcome() == StopOutcome.CANNOT_BE_STARTED)
        .forEach(s -> motion.add("%s cannot be released".formatted(s.stop().name())));
    motion.addAll(0, signal);
    return new Obstacles(signal, motion.stream().distinct().toList());
  }

  /** All of them, each once. */
  public List<String> all() {
    return motion;
  }

  /** Whether display, shaft and machine cannot be predicted. */
  public boolean hinderMotion() {
    return !motion.isEmpty();
  }

  /** Whether counts and signal cannot be predicted. */
  public boolean hinderSignal() {
    return !signal.isEmpty();
  }
}

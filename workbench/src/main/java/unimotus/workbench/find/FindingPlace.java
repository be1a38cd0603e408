package unimotus.workbench.find;

import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.workbench.WorkStep;

/** Where a finding is mended: the setting, terminal or wire it is about, else the station. */
public final class FindingPlace {
  private static final String STATIONS = "stations/";
  private static final String MOTION = "/motion";
  private static final Pattern BETWEEN = Pattern.compile("[\\s,;()'\"]+");

  private FindingPlace() {}

  /** The place of a finding of an axis. */
  public static Target of(Project project, String axis, Finding finding) {
    if (isOnBus(finding)) {
      return onBus(finding);
    }
    if (finding.place().endsWith(MOTION + "/station")) {
      return new Target.OnBus(stationOf(project, axis));
    }
    if (finding.place().contains(MOTION)) {
      return new Target.InMotion(axis, finding.place());
    }
    WorkStep step = WorkStep.of(finding.rule());
    return switch (step) {
      case SET_UP -> new Target.Setting(axis, finding.place());
      case WIRE ->
          onBoard(project, finding)
              .<Target>map(sought -> new Target.OnBoard(axis, sought))
              .orElse(new Target.Station(axis, step));
      default -> new Target.Field(axis, fieldStep(finding.rule()), finding);
    };
  }

  /** What the path says of ranges and scales is mended where they are entered. */
  private static WorkStep fieldStep(Rule rule) {
    return switch (rule) {
      case SIGNAL_KIND,
          LIVE_ZERO,
          RAW_FULL_SCALE,
          RESOLUTION,
          SPAN_ENDS,
          MACHINE_SPEED,
          ANSWER_SCALE,
          ANSWER_MEANING ->
          WorkStep.IDENTIFY;
      default -> WorkStep.of(rule);
    };
  }

  /** The station that leads to the drive of an axis; empty where none does. */
  private static String stationOf(Project project, String axis) {
    return project
        .axis(axis)
        .flatMap(
            a -> project.stations().stream().filter(s -> s.drive().equals(a.drive())).findFirst())
        .map(BusStation::id)
        .orElse("");
  }

  /** Whether a finding is of a station of the bus, which belongs to no axis. */
  public static boolean isOnBus(Finding finding) {
    return finding.place().startsWith(STATIONS);
  }

  /** The station that a finding of the bus is about. */
  public static Target onBus(Finding finding) {
    return new Target.OnBus(finding.place().substring(STATIONS.length()));
  }

  /**
   * The place is more exact than the words, and what is seen more exact than what is to be done.
   */
  private static Optional<String> onBoard(Project project, Finding finding) {
    return ofPlace(project, finding.place())
        .or(() -> ofWords(project, finding.seen()))
        .or(() -> ofWords(project, finding.remedy()));
  }

  /** A place ends in a wire's number, or in a device and one of its terminals. */
  private static Optional<String> ofPlace(Project project, String place) {
    String[] parts = place.split("/");
    if (parts.length < 2) {
      return Optional.empty();
    }
    String last = parts[parts.length - 1];
    String before = parts[parts.length - 2];
    return before.equals("wires")
        ? wire(project, last)
        : terminal(project, new TerminalRef(before, last));
  }

  private static Optional<String> ofWords(Project project, String words) {
    return Stream.of(BETWEEN.split(words.replace(" wire ", " wire:")))
        .map(FindingPlace::bare)
        .flatMap(word -> of(project, word).stream())
        .findFirst();
  }

  private static String bare(String word) {
    return word.replaceAll("[.:]+$", "");
  }

  private static Optional<String> of(Project project, String word) {
    int colon = word.indexOf(':');
    if (colon <= 0) {
      return Optional.empty();
    }
    String before = word.substring(0, colon);
    String after = word.substring(colon + 1);
    return before.equals("wire")
        ? wire(project, after)
        : terminal(project, new TerminalRef(before, after));
  }

  private static Optional<String> wire(Project project, String id) {
    return project.wires().stream().map(Wire::id).filter(id::equals).findFirst();
  }

  private static Optional<String> terminal(Project project, TerminalRef ref) {
    return project.device(ref.device()).map(d -> ref.toString());
  }
}

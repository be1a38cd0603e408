package unimotus.workbench.live;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.processdata.AnsweringStation;
import unimotus.core.processdata.BusComparison;
import unimotus.core.processdata.BusDoubt;
import unimotus.core.processdata.ExpectedStation;

/** What a search found, beside the stations of a project as they were then. */
public final class StationPresence {
  private final List<BusStation> stations;
  private final int answering;
  private final BusComparison comparison;
  private final Map<String, Standing> standings;

  /**
   * Where a station stands, told apart by whether what the project says of it is in the device.
   *
   * @param is the kind
   * @param words the kind with its state
   */
  public record Standing(Kind is, String words) {
    /** Told of a station that was not searched for. */
    public static final Standing OFFLINE = new Standing(Kind.OFFLINE, "offline");

    private static final String REASON = ", refused";

    /** The words without the reason why a change of state was refused. */
    public String brief() {
      int reason = words.indexOf(REASON);
      return reason < 0 ? words : words.substring(0, reason + REASON.length());
    }

    /** How far what the project says is in the device. */
    public enum Kind {
      /** Nobody answers, or nobody was asked: what is shown is in no device that is known. */
      OFFLINE,
      /** It answers and does not take part yet, or the project was changed since. */
      PENDING,
      /** It answers as the project says and takes part with its image. */
      ONLINE
    }
  }

  private StationPresence(
      List<BusStation> stations,
      int answering,
      BusComparison comparison,
      Map<String, Standing> standings) {
    this.stations = stations;
    this.answering = answering;
    this.comparison = comparison;
    this.standings = standings;
  }

  /** Holds a search against a project. */
  public static StationPresence of(Project project, StationSearch.Result result) {
    List<BusStation> stations = project.stations();
    List<ExpectedStation> expected = stations.stream().map(ExpectedStation::of).toList();
    BusComparison comparison = BusComparison.of(expected, result.answering());
    Map<String, Standing> standings = new HashMap<>();
    int next = 0;
    for (BusComparison.Pair pair : comparison.pairs()) {
      if (pair.expected() != null) {
        // Pairs stand in the order of the cable, as the stations of the project do.
        BusStation station = stations.get(next++);
        standings.put(station.id(), standing(station, pair.found(), result));
      }
    }
    return new StationPresence(stations, result.stations().size(), comparison, standings);
  }

  private static Standing standing(
      BusStation station, @Nullable AnsweringStation found, StationSearch.Result result) {
    if (found == null) {
      return new Standing(Standing.Kind.OFFLINE, "does not answer");
    }
    boolean isIt =
        found.vendor() == station.vendor()
            && found.product() == station.product()
            && found.revision() == station.revision();
    if (!isIt) {
      return new Standing(Standing.Kind.OFFLINE, "another device answers");
    }
    String state = result.state(found.position());
    return result.isActive(found.position())
        ? new Standing(Standing.Kind.ONLINE, "online, " + state)
        : new Standing(Standing.Kind.PENDING, "pending, " + state);
  }

  /** Whether the stations of the project are others than those it was held against. */
  @SuppressWarnings("ReferenceEquality")
  public boolean isStale(Project project) {
    return project.stations() != stations;
  }

  /** How many stations answered. */
  public int answering() {
    return answering;
  }

  /** What differs. */
  public List<BusDoubt> doubts() {
    return comparison.doubts();
  }

  /** Where a station of a project stands; what was changed since is in no device. */
  public Standing standing(BusStation station) {
    Standing then = standings.getOrDefault(station.id(), Standing.OFFLINE);
    boolean isOther = stations.stream().noneMatch(station::equals);
    return isOther && then.is() != Standing.Kind.OFFLINE
        ? new Standing(Standing.Kind.PENDING, "pending: changed in the project since")
        : then;
  }

  /** How many stations of a project stand where, in a few words. */
  public String summary(Project project) {
    List<String> parts = new ArrayList<>();
    for (Standing.Kind kind : Standing.Kind.values()) {
      long count = project.stations().stream().filter(s -> standing(s).is() == kind).count();
      if (count > 0) {
        parts.add("%d %s".formatted(count, kind.name().toLowerCase(Locale.ROOT)));
      }
    }
    return String.join(", ", parts);
  }
}

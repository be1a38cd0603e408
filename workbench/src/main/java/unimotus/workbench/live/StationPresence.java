package unimotus.workbench.live;

import java.util.HashMap;
import java.util.List;
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
  private final Map<String, String> words;

  private StationPresence(
      List<BusStation> stations,
      int answering,
      BusComparison comparison,
      Map<String, String> words) {
    this.stations = stations;
    this.answering = answering;
    this.comparison = comparison;
    this.words = words;
  }

  /** Holds a search against a project. */
  public static StationPresence of(Project project, StationSearch.Result result) {
    List<BusStation> stations = project.stations();
    List<ExpectedStation> expected = stations.stream().map(ExpectedStation::of).toList();
    BusComparison comparison = BusComparison.of(expected, result.answering());
    Map<String, String> words = new HashMap<>();
    int next = 0;
    for (BusComparison.Pair pair : comparison.pairs()) {
      if (pair.expected() != null) {
        // Pairs stand in the order of the cable, as the stations of the project do.
        BusStation station = stations.get(next++);
        words.put(station.id(), words(station, pair.found(), result));
      }
    }
    return new StationPresence(stations, result.stations().size(), comparison, words);
  }

  private static String words(
      BusStation station, @Nullable AnsweringStation found, StationSearch.Result result) {
    if (found == null) {
      return "does not answer";
    }
    boolean isIt =
        found.vendor() == station.vendor()
            && found.product() == station.product()
            && found.revision() == station.revision();
    if (!isIt) {
      return "another device answers";
    }
    String state = result.state(found.position());
    return (result.isActive(found.position()) ? "online, " : "pending, ") + state;
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

  /** Where a station stands: online, pending, or not there. */
  public String words(BusStation station) {
    return words.getOrDefault(station.id(), "not searched for");
  }
}

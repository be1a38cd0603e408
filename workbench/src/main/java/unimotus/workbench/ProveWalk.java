package unimotus.workbench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import unimotus.core.proof.Verdict;

/** The rows of a proof in the order in which somebody goes through them. */
public enum ProveWalk {
  /** Permission and stops first, then direction, references, ramps: as it is proved. */
  PROVING("in the order of proving") {
    @Override
    public List<Stop> stops(List<Verdict> verdicts) {
      List<Stop> stops = new ArrayList<>();
      String group = null;
      for (Verdict verdict : verdicts) {
        if (!verdict.prediction().group().equals(group)) {
          group = verdict.prediction().group();
          stops.add(new Stop(group, verdict.prediction().how(), new ArrayList<>()));
        }
        stops.get(stops.size() - 1).verdicts().add(verdict);
      }
      return stops;
    }
  },
  /** All that is read at one place with one instrument together, so that each is visited once. */
  PLACES("place by place") {
    @Override
    public List<Stop> stops(List<Verdict> verdicts) {
      Map<String, Stop> stops = new LinkedHashMap<>();
      for (Verdict verdict : verdicts) {
        String where = verdict.prediction().where();
        String instrument = verdict.prediction().instrument();
        stops
            .computeIfAbsent(
                where + "\n" + instrument, k -> new Stop(where, instrument, new ArrayList<>()))
            .verdicts()
            .add(verdict);
      }
      return List.copyOf(stops.values());
    }
  };

  /**
   * What is done without going elsewhere.
   *
   * @param title what it is called
   * @param words what to do there, or what to have in the hand
   * @param verdicts its rows
   */
  public record Stop(String title, String words, List<Verdict> verdicts) {}

  private final String label;

  ProveWalk(String label) {
    this.label = label;
  }

  /** The words it is chosen by. */
  public String label() {
    return label;
  }

  /** The rows in stops; every row once. */
  public abstract List<Stop> stops(List<Verdict> verdicts);
}

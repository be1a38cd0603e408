package unimotus.core.proof;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import unimotus.core.machine.Reading;
import unimotus.core.proof.Verdict.Outcome;

/**
 * What doing one thing again undoes of another: settings that are entered anew are to be read back
 * anew, a configuration that is loaded anew takes the axis from its home. The order of set-up is
 * common practice.
 */
public final class ReadyOrder {
  private static final Map<String, List<String>> UNDOES =
      Map.of(
          key("set-up.entered"), List.of(key("set-up.read-back")),
          key("servo.copies"), List.of(key("servo.loaded"), key("servo.home"), key("servo.limits")),
          key("servo.stations"), List.of(key("servo.loaded")),
          key("servo.loaded"), List.of(key("servo.home")),
          key("servo.home"), List.of(key("servo.limits")));

  private ReadyOrder() {}

  private static String key(String name) {
    return ReadyList.PREFIX + name;
  }

  /** Keys of all that has to be done anew once this was done anew. */
  static List<String> undoneBy(String key) {
    return UNDOES.getOrDefault(key, List.of()).stream()
        .flatMap(k -> Stream.concat(Stream.of(k), undoneBy(k).stream()))
        .distinct()
        .toList();
  }

  /** Titles of the other items of a list that doing one anew makes stale; empty for none. */
  public static List<String> makesStale(Prediction item, List<Verdict> list) {
    List<String> undone = undoneBy(item.key());
    return list.stream()
        .map(Verdict::prediction)
        .filter(p -> undone.contains(p.key()))
        .map(Prediction::title)
        .toList();
  }

  /**
   * Verdicts with those stale that were given before what they rest on was done again.
   *
   * @param readings in the order taken
   */
  static List<Verdict> judge(List<Verdict> verdicts, List<Reading> readings) {
    Map<String, Integer> last = new HashMap<>();
    for (int i = 0; i < readings.size(); i++) {
      last.put(readings.get(i).prediction(), i);
    }
    List<Verdict> judged = new ArrayList<>();
    for (Verdict each : verdicts) {
      Integer own = last.get(each.prediction().key());
      List<String> redone =
          own == null
              ? List.of()
              : verdicts.stream()
                  .map(Verdict::prediction)
                  .filter(p -> undoneBy(p.key()).contains(each.prediction().key()))
                  .filter(p -> last.getOrDefault(p.key(), -1) > own)
                  .map(Prediction::title)
                  .toList();
      judged.add(
          redone.isEmpty()
              ? each
              : new Verdict(
                  each.prediction(), each.reading(), Outcome.STALE, each.changed(), redone));
    }
    return judged;
  }
}

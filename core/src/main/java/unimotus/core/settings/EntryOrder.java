package unimotus.core.settings;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRings;
import unimotus.core.sheet.SettingValue;

/**
 * Sorts entries so that what rewrites comes before what is rewritten, and the data of the motor
 * before what lets the drive start it.
 */
final class EntryOrder {
  /** Longer stretches are turned round, but not moved. */
  private static final int LONGEST_MOVED = 3;

  private final DriveSheet sheet;
  private final SettingGraph graph;
  private final List<Entry> entries;
  private final EntrySheet.Way way;
  private final Map<String, SettingValue> meant = new HashMap<>();
  private final boolean listens;
  private final boolean[][] before;
  private final int[][] between;
  private final int[] toFirst;

  EntryOrder(DriveMemory start, List<Entry> entries, EntrySheet.Way way) {
    this.sheet = start.sheet();
    this.listens = Exposure.listens(start);
    this.graph = new SettingGraph(sheet);
    this.entries = entries;
    this.way = way;
    entries.stream()
        .filter(e -> e.role() == Entry.Role.VALUE)
        .forEach(e -> meant.put(e.code(), e.value()));
    MenuWalk walk = new MenuWalk(sheet);
    this.before = new boolean[entries.size()][entries.size()];
    this.between = new int[entries.size()][entries.size()];
    this.toFirst = new int[entries.size()];
    for (int a = 0; a < entries.size(); a++) {
      toFirst[a] = walk.presses(null, entries.get(a).code());
      for (int b = 0; b < entries.size(); b++) {
        before[a][b] = a != b && hasToPrecede(entries.get(a), entries.get(b));
        between[a][b] = walk.presses(entries.get(a).code(), entries.get(b).code());
      }
    }
    wishes();
  }

  /** Wherever nothing that rewrites or locks asks for the opposite. */
  private void wishes() {
    Reach reach = new Reach(before);
    wish(reach, (a, b) -> listens && graph.silences(a.code(), a.value()) && touchesMotor(b));
    wish(reach, (a, b) -> isOfTheMotor(a.code()) && graph.letsStart(b.code(), b.value()));
    wish(reach, this::leavesToBeMended);
    wish(reach, (a, b) -> graph.silences(a.code(), a.value()) && touchesMotor(b));
  }

  private void wish(Reach reach, BiPredicate<Entry, Entry> wished) {
    for (int a = 0; a < entries.size(); a++) {
      for (int b = 0; b < entries.size(); b++) {
        boolean wanted =
            a != b
                && entries.get(a).role() == Entry.Role.VALUE
                && entries.get(b).role() == Entry.Role.VALUE
                && wished.test(entries.get(a), entries.get(b));
        if (wanted && !reach.leads(b, a)) {
          before[a][b] = true;
          reach.join(a, b);
        }
      }
    }
  }

  private boolean isOfTheMotor(String code) {
    return sheet.setting(code).orElseThrow().isOfTheMotor();
  }

  private Map<String, SettingValue> written(Entry entry) {
    return graph.written(entry.code(), entry.value());
  }

  private boolean touchesMotor(Entry entry) {
    return written(entry).keySet().stream().anyMatch(this::isOfTheMotor);
  }

  /** Whether the second one writes right what the first one writes wrong. */
  private boolean leavesToBeMended(Entry spoils, Entry mends) {
    Map<String, SettingValue> right = written(mends);
    return graph.rewritten(spoils.code(), spoils.value()).entrySet().stream()
        .anyMatch(
            w ->
                meant.containsKey(w.getKey())
                    && !w.getValue().equals(meant.get(w.getKey()))
                    && !mends.code().equals(w.getKey())
                    && meant.get(w.getKey()).equals(right.get(w.getKey())));
  }

  /** Which entry comes before which one over any number of others. */
  private static final class Reach {
    private final boolean[][] leads;

    Reach(boolean[][] before) {
      int size = before.length;
      leads = new boolean[size][];
      for (int i = 0; i < size; i++) {
        leads[i] = before[i].clone();
      }
      for (int over = 0; over < size; over++) {
        for (int from = 0; from < size; from++) {
          for (int to = 0; leads[from][over] && to < size; to++) {
            leads[from][to] |= leads[over][to];
          }
        }
      }
    }

    boolean leads(int from, int to) {
      return leads[from][to];
    }

    void join(int from, int to) {
      for (int early = 0; early < leads.length; early++) {
        for (int late = 0; late < leads.length; late++) {
          boolean reaches = early == from || leads[early][from];
          leads[early][late] |= reaches && (late == to || leads[to][late]);
        }
      }
    }
  }

  private boolean hasToPrecede(Entry a, Entry b) {
    if (a.role() == Entry.Role.RESET || b.role() == Entry.Role.RESET) {
      return a.role() == b.role() ? opens(a, b) : a.role() == Entry.Role.RESET;
    }
    if (a.role() == Entry.Role.UNLOCK || b.role() == Entry.Role.LOCK_AGAIN) {
      return true;
    }
    if (a.role() == Entry.Role.LOCK_AGAIN || b.role() == Entry.Role.UNLOCK) {
      return false;
    }
    Map<String, SettingValue> rewritten = graph.rewritten(a.code(), a.value());
    if (rewritten.containsKey(b.code())) {
      return true;
    }
    if (opens(a, b)) {
      return true;
    }
    return way == EntrySheet.Way.COMMUNICATION
        && graph.isOfTheLink(b.code())
        && !graph.isOfTheLink(a.code())
        && !graph.rewritten(b.code(), b.value()).containsKey(a.code());
  }

  private boolean opens(Entry a, Entry b) {
    return graph.lock(b.code()).filter(l -> l.by().equals(a.code())).isPresent();
  }

  List<Entry> sorted() {
    List<Integer> order = nearestFirst();
    shorten(order);
    if (way == EntrySheet.Way.KEYPAD && entries.size() <= ShortestWay.MOST) {
      List<Integer> shortest = new ShortestWay(before, between, toFirst).order();
      // Of two ways of one length the one that begins nearest reads better.
      order = length(shortest) < length(order) ? shortest : order;
    }
    return order.stream().map(entries::get).toList();
  }

  private List<Integer> nearestFirst() {
    List<Integer> order = new ArrayList<>();
    Set<Integer> done = new HashSet<>();
    while (order.size() < entries.size()) {
      int next = nearest(done, order);
      if (next < 0) {
        throw new IllegalArgumentException(
            "%s: settings rewrite each other in a ring, %s; no order keeps them all"
                .formatted(sheet.name(), String.join(" → ", SettingRings.first(sheet))));
      }
      order.add(next);
      done.add(next);
    }
    return order;
  }

  private int nearest(Set<Integer> done, List<Integer> order) {
    int best = -1;
    int least = Integer.MAX_VALUE;
    for (int i = 0; i < entries.size(); i++) {
      if (!done.contains(i) && isFree(i, done)) {
        int presses = order.isEmpty() ? toFirst[i] : between[order.get(order.size() - 1)][i];
        if (presses < least) {
          least = presses;
          best = i;
        }
      }
    }
    return best;
  }

  private boolean isFree(int candidate, Set<Integer> done) {
    for (int i = 0; i < entries.size(); i++) {
      if (before[i][candidate] && !done.contains(i)) {
        return false;
      }
    }
    return true;
  }

  /** Moves and turns round stretches of the way until none gets shorter. */
  private void shorten(List<Integer> order) {
    boolean better = way == EntrySheet.Way.KEYPAD;
    while (better) {
      better = false;
      for (int from = 0; from < order.size(); from++) {
        for (int to = from + 1; to <= order.size(); to++) {
          better |= turn(order, from, to) || to - from <= LONGEST_MOVED && move(order, from, to);
        }
      }
    }
  }

  private boolean turn(List<Integer> order, int from, int to) {
    List<Integer> next = new ArrayList<>(order);
    Collections.reverse(next.subList(from, to));
    return to - from > 1 && takeIfShorter(order, next);
  }

  private boolean move(List<Integer> order, int from, int to) {
    List<Integer> stretch = List.copyOf(order.subList(from, to));
    List<Integer> rest = new ArrayList<>(order);
    rest.subList(from, to).clear();
    for (int at = 0; at <= rest.size(); at++) {
      List<Integer> next = new ArrayList<>(rest);
      next.addAll(at, stretch);
      if (takeIfShorter(order, next)) {
        return true;
      }
    }
    return false;
  }

  private boolean takeIfShorter(List<Integer> order, List<Integer> next) {
    if (length(next) >= length(order) || !isAllowed(next)) {
      return false;
    }
    for (int i = 0; i < next.size(); i++) {
      order.set(i, next.get(i));
    }
    return true;
  }

  private boolean isAllowed(List<Integer> order) {
    for (int late = 1; late < order.size(); late++) {
      for (int early = 0; early < late; early++) {
        if (before[order.get(late)][order.get(early)]) {
          return false;
        }
      }
    }
    return true;
  }

  private int length(List<Integer> order) {
    int presses = order.isEmpty() ? 0 : toFirst[order.get(0)];
    for (int i = 1; i < order.size(); i++) {
      presses += between[order.get(i - 1)][order.get(i)];
    }
    return presses;
  }
}

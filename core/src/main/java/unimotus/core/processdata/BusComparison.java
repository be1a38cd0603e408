package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Who answers beside who a project expects, in the order of the cable.
 *
 * @param pairs who answers for whom; either side may be missing
 * @param doubts what differs, in the order of the cable
 */
public record BusComparison(List<Pair> pairs, List<BusDoubt> doubts) {
  private static final int REMOVED = 6;
  private static final int EXCHANGED = 10;
  private static final int DETAIL = 1;

  /**
   * One place.
   *
   * @param expected who should be there; null where nobody
   * @param found who is there; null where nobody
   */
  public record Pair(@Nullable ExpectedStation expected, @Nullable AnsweringStation found) {}

  /** Takes copies. */
  public BusComparison {
    pairs = List.copyOf(pairs);
    doubts = List.copyOf(doubts);
  }

  /** Whether everybody answers as expected; twins without alias leave it open. */
  public boolean isAsExpected() {
    return doubts.isEmpty();
  }

  /** Compares. */
  public static BusComparison of(List<ExpectedStation> expected, List<AnsweringStation> found) {
    List<Pair> pairs = new Alignment(expected, found).pairs();
    List<BusDoubt> doubts = new ArrayList<>();
    Optional<BusDoubt> open = openCable(pairs, found);
    open.ifPresent(doubts::add);
    places(moved(exchanged(pairs, doubts), doubts), open.isPresent(), doubts);
    twins(expected, doubts);
    doubts.sort(Comparator.comparingInt(BusDoubt::position));
    return new BusComparison(pairs, doubts);
  }

  /** Everybody behind a place is missing, and the last one sees nobody at its port. */
  private static Optional<BusDoubt> openCable(List<Pair> pairs, List<AnsweringStation> found) {
    int last = -1;
    for (int i = 0; i < pairs.size(); i++) {
      last = pairs.get(i).found() == null ? last : i;
    }
    if (last == pairs.size() - 1 || found.isEmpty()) {
      return Optional.empty();
    }
    AnsweringStation end = found.get(found.size() - 1);
    Pair next = pairs.get(last + 1);
    String behind = next.expected() == null ? "the next one" : next.expected().name();
    String between =
        "between station %d and %s; %d behind it do not answer"
            .formatted(end.position(), behind, pairs.size() - 1 - last);
    return Optional.of(
        end.isLinkedOn()
            ? new BusDoubt(
                BusDoubt.Kind.CABLE_OPEN,
                end.position(),
                "there is a link onward, but no telegram comes back " + between,
                "Look whether the cable is in the port in of %s.".formatted(behind))
            : new BusDoubt(
                BusDoubt.Kind.CABLE_OPEN,
                end.position(),
                "no link " + between,
                "Look at the cable and at the supply of %s.".formatted(behind)));
  }

  /** Two of a kind whose aliases stand at each other's place. */
  private static List<Pair> exchanged(List<Pair> pairs, List<BusDoubt> doubts) {
    List<Pair> left = new ArrayList<>(pairs);
    for (int i = 0; i < pairs.size(); i++) {
      for (int k = i + 1; k < pairs.size(); k++) {
        if (isCrossed(pairs.get(i), pairs.get(k))) {
          ExpectedStation one = Objects.requireNonNull(pairs.get(i).expected());
          ExpectedStation other = Objects.requireNonNull(pairs.get(k).expected());
          AnsweringStation first = Objects.requireNonNull(pairs.get(i).found());
          AnsweringStation second = Objects.requireNonNull(pairs.get(k).found());
          doubts.add(
              new BusDoubt(
                  BusDoubt.Kind.EXCHANGED,
                  first.position(),
                  "%s (alias %d) and %s (alias %d) are exchanged: stations %d and %d"
                      .formatted(
                          one.name(),
                          one.alias(),
                          other.name(),
                          other.alias(),
                          first.position(),
                          second.position()),
                  "Change over the cables, or the aliases if the cables are meant so."));
          left.removeAll(List.of(pairs.get(i), pairs.get(k)));
        }
      }
    }
    return left;
  }

  private static boolean isCrossed(Pair one, Pair other) {
    ExpectedStation a = one.expected();
    ExpectedStation b = other.expected();
    AnsweringStation x = one.found();
    AnsweringStation y = other.found();
    return a != null
        && b != null
        && x != null
        && y != null
        && a.alias() != b.alias()
        && a.alias() != 0
        && b.alias() != 0
        && a.isKindOf(y)
        && b.isKindOf(x)
        && x.alias() == b.alias()
        && y.alias() == a.alias();
  }

  /** Who is missing in one place and too many in another has been moved. */
  private static List<Pair> moved(List<Pair> pairs, List<BusDoubt> doubts) {
    List<Pair> left = new ArrayList<>(pairs);
    for (Pair gone : pairs) {
      ExpectedStation expected = gone.expected();
      if (expected != null && gone.found() == null) {
        left.stream()
            .filter(p -> p.expected() == null && p.found() != null)
            .filter(p -> expected.isKindOf(Objects.requireNonNull(p.found())))
            .findFirst()
            .ifPresent(
                there -> {
                  doubts.add(moved(expected, Objects.requireNonNull(there.found())));
                  left.remove(there);
                  left.remove(gone);
                });
      }
    }
    return left;
  }

  private static BusDoubt moved(ExpectedStation expected, AnsweringStation found) {
    return new BusDoubt(
        BusDoubt.Kind.EXCHANGED,
        found.position(),
        "%s answers as station %d, elsewhere in the cable than the project has it"
            .formatted(expected.name(), found.position()),
        "Change over the cables, or their order in the project.");
  }

  private static void places(List<Pair> pairs, boolean isOpen, List<BusDoubt> doubts) {
    int position = -1;
    int last =
        pairs.stream()
            .mapToInt(p -> p.found() == null ? -1 : p.found().position())
            .max()
            .orElse(-1);
    for (Pair pair : pairs) {
      ExpectedStation expected = pair.expected();
      AnsweringStation found = pair.found();
      position = found == null ? position : found.position();
      if (expected == null && found != null) {
        doubts.add(
            new BusDoubt(
                BusDoubt.Kind.EXTRA,
                position,
                "station %d (product 0x%08X) is not in the project"
                    .formatted(position, found.product()),
                "Take it into the project, or out of the cable."));
      } else if (expected != null && found == null) {
        if (!isOpen || position < last) {
          doubts.add(
              new BusDoubt(
                  BusDoubt.Kind.MISSING,
                  position + 1,
                  "%s does not answer".formatted(expected.name()),
                  "Look whether it is in the cable and has its supply."));
        }
      } else if (expected != null && found != null) {
        both(expected, found, doubts);
      }
    }
  }

  private static void both(
      ExpectedStation expected, AnsweringStation found, List<BusDoubt> doubts) {
    int position = found.position();
    if (found.isUnknown()) {
      doubts.add(
          new BusDoubt(
              BusDoubt.Kind.UNREADABLE,
              position,
              "station %d answers where %s is expected, and its EEPROM cannot be read"
                  .formatted(position, expected.name()),
              "Give it its supply again; if it stays so, its EEPROM is empty or damaged."));
      return;
    }
    if (!expected.isKindOf(found)) {
      doubts.add(
          new BusDoubt(
              BusDoubt.Kind.OTHER_DEVICE,
              position,
              "station %d is vendor 0x%08X, product 0x%08X; %s is 0x%08X, 0x%08X"
                  .formatted(
                      position,
                      found.vendor(),
                      found.product(),
                      expected.name(),
                      expected.vendor(),
                      expected.product()),
              "Put in the device of the project, or choose this one there."));
      return;
    }
    if (expected.revision() != found.revision()) {
      doubts.add(
          new BusDoubt(
              BusDoubt.Kind.OTHER_REVISION,
              position,
              "%s has revision 0x%08X; the project has 0x%08X"
                  .formatted(expected.name(), found.revision(), expected.revision()),
              "Choose the description of this revision: image and objects can differ."));
    }
    if (expected.alias() != 0 && expected.alias() != found.alias()) {
      doubts.add(
          new BusDoubt(
              BusDoubt.Kind.ALIAS,
              position,
              "%s has alias %d; the project has %d"
                  .formatted(expected.name(), found.alias(), expected.alias()),
              "Set the alias, or look whether another device was put in."));
    }
  }

  private static void twins(List<ExpectedStation> expected, List<BusDoubt> doubts) {
    for (int i = 0; i < expected.size(); i++) {
      ExpectedStation one = expected.get(i);
      for (int k = i + 1; k < expected.size(); k++) {
        ExpectedStation other = expected.get(k);
        if (one.vendor() == other.vendor()
            && one.product() == other.product()
            && one.alias() == other.alias()) {
          doubts.add(
              new BusDoubt(
                  BusDoubt.Kind.TWINS,
                  i,
                  "%s and %s are of one kind and have %s: exchanged cables cannot be seen"
                      .formatted(
                          one.name(),
                          other.name(),
                          one.alias() == 0
                              ? "no alias"
                              : "the same alias %d".formatted(one.alias())),
                  "Give each an alias of its own, and let one blink to see which it is."));
          break;
        }
      }
    }
  }

  /** The cheapest way to make one list of the other. */
  private static final class Alignment {
    private final List<ExpectedStation> expected;
    private final List<AnsweringStation> found;
    private final int[][] cost;

    Alignment(List<ExpectedStation> expected, List<AnsweringStation> found) {
      this.expected = expected;
      this.found = found;
      this.cost = new int[expected.size() + 1][found.size() + 1];
      for (int i = expected.size(); i >= 0; i--) {
        for (int k = found.size(); k >= 0; k--) {
          cost[i][k] = cheapest(i, k);
        }
      }
    }

    private int cheapest(int i, int k) {
      boolean ends = i == expected.size();
      if (ends && k == found.size()) {
        return 0;
      }
      if (ends) {
        return cost[i][k + 1] + REMOVED;
      }
      if (k == found.size()) {
        return cost[i + 1][k] + REMOVED;
      }
      int both = cost[i + 1][k + 1] + difference(i, k);
      return Math.min(both, Math.min(cost[i + 1][k], cost[i][k + 1]) + REMOVED);
    }

    private int difference(int i, int k) {
      ExpectedStation e = expected.get(i);
      AnsweringStation f = found.get(k);
      return e.isKindOf(f)
          ? (e.revision() == f.revision() ? 0 : DETAIL) + (e.alias() == f.alias() ? 0 : DETAIL)
          : EXCHANGED;
    }

    List<Pair> pairs() {
      List<Pair> pairs = new ArrayList<>();
      int i = 0;
      int k = 0;
      while (i < expected.size() || k < found.size()) {
        boolean hasBoth = i < expected.size() && k < found.size();
        if (hasBoth && cost[i][k] == cost[i + 1][k + 1] + difference(i, k)) {
          pairs.add(new Pair(expected.get(i++), found.get(k++)));
        } else if (i < expected.size() && cost[i][k] == cost[i + 1][k] + REMOVED) {
          pairs.add(new Pair(expected.get(i++), null));
        } else {
          pairs.add(new Pair(null, found.get(k++)));
        }
      }
      return pairs;
    }
  }
}

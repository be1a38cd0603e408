package unimotus.core.settings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;

/**
 * The shortest way over a few entries that keeps what has to come before what (Held and Karp 1962,
 * from memory): the best way that ends at an entry is known for each set of entries before it.
 */
final class ShortestWay {
  /** Beyond this the sets are too many. */
  static final int MOST = 12;

  private static final int FAR = Integer.MAX_VALUE / 2;

  private final boolean[][] before;
  private final int[][] between;
  private final int[] toFirst;
  private final int size;

  /** Length of the best way over a set of entries that ends at one of them. */
  private final int[][] length;

  ShortestWay(boolean[][] before, int[][] between, int[] toFirst) {
    this.before = before;
    this.between = between;
    this.toFirst = toFirst;
    this.size = toFirst.length;
    this.length = new int[1 << size][size];
  }

  /** The entries in the order of the way, by their numbers; there must be one that is allowed. */
  List<Integer> order() {
    for (int[] ends : length) {
      Arrays.fill(ends, FAR);
    }
    for (int set = 1; set < 1 << size; set++) {
      for (int last = 0; last < size; last++) {
        if ((set >> last & 1) == 1 && isFree(last, set)) {
          length[set][last] = best(set, last);
        }
      }
    }
    return walkedBack();
  }

  /** Whether all that has to come before an entry is in the set, so that it may end it. */
  private boolean isFree(int entry, int set) {
    for (int i = 0; i < size; i++) {
      if (before[i][entry] && (set >> i & 1) == 0) {
        return false;
      }
    }
    return true;
  }

  private int best(int set, int last) {
    int rest = set & ~(1 << last);
    if (rest == 0) {
      return toFirst[last];
    }
    int least = FAR;
    for (int previous = 0; previous < size; previous++) {
      least = Math.min(least, length[rest][previous] + between[previous][last]);
    }
    return Math.min(least, FAR);
  }

  private List<Integer> walkedBack() {
    List<Integer> order = new ArrayList<>();
    int set = (1 << size) - 1;
    int last = nearest(set, -1);
    while (last >= 0) {
      order.add(last);
      set &= ~(1 << last);
      last = nearest(set, last);
    }
    Collections.reverse(order);
    return order;
  }

  /**
   * The last entry of the best way over a set that goes on to {@code next}; -1 for an empty set.
   */
  private int nearest(int set, int next) {
    int best = -1;
    int least = FAR;
    for (int last = 0; last < size; last++) {
      int whole = set == 0 ? FAR : length[set][last] + (next < 0 ? 0 : between[last][next]);
      if (whole < least) {
        least = whole;
        best = last;
      }
    }
    return best;
  }
}

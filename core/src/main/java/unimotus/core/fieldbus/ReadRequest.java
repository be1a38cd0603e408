package unimotus.core.fieldbus;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * One request that reads neighbouring places.
 *
 * @param table the table
 * @param address the first place, counted from 0
 * @param count how many places
 * @param entries what is read with it, by address
 */
public record ReadRequest(
    RegisterTable table, int address, int count, List<RegisterEntry> entries) {

  /** Takes a copy. */
  public ReadRequest {
    entries = List.copyOf(entries);
  }

  /** The first place after it. */
  public int end() {
    return address + count;
  }

  /**
   * The fewest requests that read all readable entries: from each first place that is not read yet
   * as far as one request reaches. No other choice of beginnings needs fewer.
   *
   * @param mostUnused places between two entries that are read along although nobody asked for
   *     them; devices that refuse gaps want 0
   */
  public static List<ReadRequest> fewest(List<RegisterEntry> entries, int mostUnused) {
    List<ReadRequest> requests = new ArrayList<>();
    for (RegisterTable table : RegisterTable.values()) {
      List<RegisterEntry> wanted =
          entries.stream()
              .filter(e -> e.table() == table && e.access().isReadable())
              .sorted(Comparator.comparingInt(RegisterEntry::address))
              .toList();
      List<RegisterEntry> open = new ArrayList<>();
      int end = 0;
      for (RegisterEntry entry : wanted) {
        boolean fits =
            !open.isEmpty()
                && entry.end() - open.get(0).address() <= table.mostRead()
                && entry.address() - end <= mostUnused;
        if (!open.isEmpty() && !fits) {
          requests.add(of(table, open, end));
          open.clear();
        }
        end = open.isEmpty() ? entry.end() : Math.max(end, entry.end());
        open.add(entry);
      }
      if (!open.isEmpty()) {
        requests.add(of(table, open, end));
      }
    }
    return requests;
  }

  /**
   * The request that reads entries of one table from the first to the last.
   *
   * @param entries by address; at least one
   */
  public static ReadRequest of(List<RegisterEntry> entries) {
    int end = entries.stream().mapToInt(RegisterEntry::end).max().orElseThrow();
    return of(entries.get(0).table(), entries, end);
  }

  private static ReadRequest of(RegisterTable table, List<RegisterEntry> entries, int end) {
    int address = entries.get(0).address();
    return new ReadRequest(table, address, end - address, entries);
  }
}

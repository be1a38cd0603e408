package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What is known of one drive besides its design: its plate, its cables, its settings as found and
 * as left, what was borrowed, and its auto-tune.
 *
 * @param drive id of the drive
 * @param plate what was read on it
 * @param feed its power cables; null while nobody has looked, what the drive is rated for then
 * @param overrules why a setting differs from what follows, by code
 * @param snapshots settings as read, in the order they were
 * @param borrowings what was changed for tests, in the order it was
 * @param tuning the last auto-tune; null where none was done
 * @param fieldbus how it is spoken to on a register fieldbus
 */
@RecordBuilder
public record DriveRecord(
    String drive,
    DrivePlate plate,
    @Nullable Feed feed,
    Map<String, String> overrules,
    List<Snapshot> snapshots,
    List<Borrowing> borrowings,
    @Nullable Tuning tuning,
    FieldbusLink fieldbus)
    implements DriveRecordBuilder.With {

  /** Takes copies. */
  public DriveRecord {
    overrules = Collections.unmodifiableMap(new TreeMap<>(overrules));
    snapshots = List.copyOf(snapshots);
    borrowings = List.copyOf(borrowings);
  }

  /** A drive of which nothing is known yet. */
  public static DriveRecord blank(String drive) {
    return new DriveRecord(
        drive, DrivePlate.UNREAD, null, Map.of(), List.of(), List.of(), null, FieldbusLink.USUAL);
  }

  /** The last settings read of a kind; empty where none were. */
  public Optional<Snapshot> last(Snapshot.Kind kind) {
    return snapshots.stream().filter(s -> s.kind() == kind).reduce((first, second) -> second);
  }

  /** What is borrowed and not put back. */
  public List<Borrowing> out() {
    return borrowings.stream().filter(Borrowing::isOut).toList();
  }

  /** This record with a reason for a setting; an empty one takes the reason away. */
  public DriveRecord withOverrule(String code, String why) {
    Map<String, String> next = new TreeMap<>(overrules);
    if (why.isBlank()) {
      next.remove(code);
    } else {
      next.put(code, why);
    }
    return withOverrules(next);
  }

  /** This record with settings read. */
  public DriveRecord with(Snapshot snapshot) {
    List<Snapshot> next = new ArrayList<>(snapshots);
    next.add(snapshot);
    return withSnapshots(next);
  }

  /** This record with settings borrowed. */
  public DriveRecord with(Borrowing borrowing) {
    List<Borrowing> next = new ArrayList<>(borrowings);
    next.add(borrowing);
    return withBorrowings(next);
  }

  /** This record with a borrowing put back. */
  public DriveRecord restored(Borrowing borrowing, String who, String when) {
    List<Borrowing> next = new ArrayList<>(borrowings);
    next.replaceAll(b -> b.equals(borrowing) ? b.restored(who, when) : b);
    return withBorrowings(next);
  }
}

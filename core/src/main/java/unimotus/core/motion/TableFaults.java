package unimotus.core.motion;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;
import unimotus.core.positioning.PositionTable;
import unimotus.core.positioning.TablePosition;
import unimotus.core.quantity.QuantityFormat;

/** What of a table of positions cannot be run as it is entered. */
final class TableFaults {
  private final ServoAxis axis;
  private final PositionTable table;
  private final List<String> faults = new ArrayList<>();

  private TableFaults(ServoAxis axis) {
    this.axis = axis;
    this.table = axis.table();
  }

  /** The faults of a table that was entered, in words; one made of the moves has the moves'. */
  static List<String> of(ServoAxis axis) {
    if (axis.design().positioning().positions().isEmpty()) {
      return List.of();
    }
    TableFaults of = new TableFaults(axis);
    for (int i = 0; i < of.table.entries().size(); i++) {
      of.entry(i + 1, of.table.entries().get(i));
    }
    of.number();
    return of.faults;
  }

  private void entry(int number, TablePosition entry) {
    TravelRange travel = table.travel();
    if (entry.move() instanceof MoveStep.Absolute && !travel.holds(entry.value())) {
      faults.add(
          "position %d is %s, the travel goes from %s to %s"
              .formatted(number, text(entry.value()), text(travel.least()), text(travel.most())));
    }
    double span = travel.most() - travel.least();
    if (entry.move() instanceof MoveStep.Incremental
        && travel.isLimited()
        && Math.abs(entry.value()) > span) {
      faults.add(
          "position %d moves by %s, the whole travel is %s"
              .formatted(number, text(entry.value()), text(span)));
    }
    if (entry.velocity() > table.limits().velocity()) {
      faults.add(
          "position %d runs at %s/s, the axis at %s/s at most"
              .formatted(number, text(entry.velocity()), text(table.limits().velocity())));
    }
  }

  private void number() {
    int most = axis.design().positioning().words().mostNumber();
    if (table.entries().size() > most) {
      faults.add(
          "%d positions are entered, the number in the word goes to %d"
              .formatted(table.entries().size(), most));
    }
  }

  private String text(double value) {
    return QuantityFormat.PLAIN.text(value, axis.unit());
  }
}

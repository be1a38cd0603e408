package unimotus.core.stepper;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.sheet.CoilConnection;

/**
 * Which leads of a step motor go to which end of a driver's phases. Leads are named by phase and
 * place in the coil, as a continuity test finds them: A1 and A2 are the ends of one half coil of
 * phase A, A3 and A4 those of the other; A0 is a centre tap. The colours differ by maker (common
 * practice).
 *
 * @param rows one for each end of a phase
 * @param joined leads that are joined with each other and go nowhere else; possibly empty
 * @param insulated leads that are insulated one by one; possibly empty
 */
public record LeadTable(List<Row> rows, List<List<String>> joined, List<String> insulated) {
  private static final List<String> PHASES = List.of("A", "B");
  private static final int LEADS_WITH_TAPS = 6;

  /**
   * One end of a phase.
   *
   * @param end of the driver, such as {@code phase A, first end}
   * @param leads that go there
   */
  public record Row(String end, List<String> leads) {
    /** Takes a copy. */
    public Row {
      leads = List.copyOf(leads);
    }
  }

  /** Takes copies. */
  public LeadTable {
    rows = List.copyOf(rows);
    joined = List.copyOf(joined);
    insulated = List.copyOf(insulated);
  }

  /**
   * The table of a connection.
   *
   * @throws IllegalArgumentException where the leads do not allow it
   */
  public static LeadTable of(int leads, CoilConnection connection) {
    if (!CoilConnection.of(leads).contains(connection)) {
      throw new IllegalArgumentException(
          "a motor with %d leads is not connected as %s".formatted(leads, connection.label()));
    }
    List<Row> rows = new ArrayList<>();
    List<List<String>> joined = new ArrayList<>();
    List<String> insulated = new ArrayList<>();
    for (String phase : PHASES) {
      switch (connection) {
        case WHOLE -> ends(rows, phase, "1", "2");
        case HALF -> half(leads, phase, rows, insulated);
        case SERIES -> series(leads, phase, rows, joined, insulated);
        case PARALLEL -> ends(rows, phase, "1 3", "2 4");
        case UNIPOLAR -> unipolar(leads, phase, rows);
      }
    }
    return new LeadTable(rows, joined, insulated);
  }

  private static void ends(List<Row> rows, String phase, String first, String second) {
    rows.add(new Row("phase %s, first end".formatted(phase), named(phase, first)));
    rows.add(new Row("phase %s, second end".formatted(phase), named(phase, second)));
  }

  private static List<String> named(String phase, String places) {
    return List.of(places.split(" ")).stream().map(place -> phase + place).toList();
  }

  private static void half(int leads, String phase, List<Row> rows, List<String> insulated) {
    if (leads == LEADS_WITH_TAPS) {
      ends(rows, phase, "1", "0");
      insulated.add(phase + "2");
    } else {
      ends(rows, phase, "1", "2");
      insulated.addAll(named(phase, "3 4"));
    }
  }

  private static void series(
      int leads, String phase, List<Row> rows, List<List<String>> joined, List<String> insulated) {
    if (leads == LEADS_WITH_TAPS) {
      ends(rows, phase, "1", "2");
      insulated.add(phase + "0");
    } else {
      ends(rows, phase, "1", "4");
      joined.add(named(phase, "2 3"));
    }
  }

  private static void unipolar(int leads, String phase, List<Row> rows) {
    boolean tapped = leads == LEADS_WITH_TAPS;
    ends(rows, phase, "1", tapped ? "2" : "4");
    rows.add(new Row("supply, +", named(phase, tapped ? "0" : "2 3")));
  }
}

package unimotus.core.proof;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.quantity.QuantityFormat;

/**
 * Tests of an axis in their order, as a sheet to take to the machine.
 *
 * @param title what they prove
 * @param line name of the line
 * @param axis name of the axis
 * @param cautions what has to be said before anybody begins
 * @param rows the tests
 * @param remarks what belongs to the record: when it is due again, bypasses, reasons for going on
 */
public record ProofList(
    String title,
    String line,
    String axis,
    List<String> cautions,
    List<Row> rows,
    List<String> remarks) {
  /** What stands above every proof list. */
  public static final List<String> CAUTIONS =
      List.of(
          "Local codes, the risk assessment and licensed people decide. This list was calculated"
              + " from the design; it advises and does not certify.",
          "Lock and tag out before touching wires. After power off wait until the drive's"
              + " capacitors are discharged, and measure it.",
          "Safe torque off does not isolate from the mains and does not brake the load.",
          "Nobody within reach of the machine while it is tried; an observer at the isolator.");

  /**
   * One test.
   *
   * @param number its place in the order, from 1
   * @param group what it belongs to: a stop, or the place it is done at
   * @param what what is looked at
   * @param how what to do first
   * @param where where to look or measure
   * @param instrument what with
   * @param expected what should be seen
   * @param reading what was seen last; empty where nothing was
   * @param outcome what that says
   */
  public record Row(
      int number,
      String group,
      String what,
      String how,
      String where,
      String instrument,
      String expected,
      String reading,
      String outcome) {}

  /** Takes copies. */
  public ProofList {
    cautions = List.copyOf(cautions);
    rows = List.copyOf(rows);
    remarks = List.copyOf(remarks);
  }

  /** The list of an axis; without rows where it has no stop. */
  public static ProofList of(
      String line, String axis, AxisProof proof, List<String> remarks, QuantityFormat format) {
    List<Row> rows = new ArrayList<>();
    for (Verdict verdict : proof.ofStops().verdicts()) {
      rows.add(row(rows.size() + 1, verdict, format));
    }
    return new ProofList("Proof of the stops", line, axis, CAUTIONS, rows, remarks);
  }

  /** A row of the list, under what stands above it. */
  public static Row row(int number, String group, Verdict verdict, QuantityFormat format) {
    Row row = row(number, verdict, format);
    return row.group().equals(group)
        ? row
        : new Row(
            number,
            group,
            "%s: %s".formatted(row.group(), row.what()),
            row.how(),
            row.where(),
            row.instrument(),
            row.expected(),
            row.reading(),
            row.outcome());
  }

  private static Row row(int number, Verdict verdict, QuantityFormat format) {
    Prediction p = verdict.prediction();
    return new Row(
        number,
        p.group(),
        p.title(),
        p.how(),
        p.where(),
        p.instrument(),
        p.expectation().text(format),
        verdict.readingText(format),
        verdict.outcome().label());
  }

  /** The list as plain text. */
  public String text() {
    StringBuilder text = new StringBuilder();
    text.append("%s: %s, %s%n%n".formatted(title, line, axis));
    cautions.forEach(c -> text.append("! %s%n".formatted(c)));
    for (Row row : rows) {
      text.append(
          "%n%d  %s: %s%n   %s%n   %s, %s%n   expected %s   seen %s   %s%n"
              .formatted(
                  row.number(),
                  row.group(),
                  row.what(),
                  row.how(),
                  row.where(),
                  row.instrument(),
                  row.expected(),
                  row.reading().isEmpty() ? "__________" : row.reading(),
                  row.outcome()));
    }
    text.append("%n".formatted());
    remarks.forEach(r -> text.append("%s%n".formatted(r)));
    return text.toString();
  }
}

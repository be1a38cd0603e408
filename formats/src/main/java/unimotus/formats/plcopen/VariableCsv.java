package unimotus.formats.plcopen;

import java.io.IOException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.program.FunctionBlock;
import unimotus.core.program.LocatedVariable;
import unimotus.core.program.Variable;

/** The variables of a controller as CSV: those of a block, then one for each other register. */
public final class VariableCsv {
  private VariableCsv() {}

  /**
   * Writes the list.
   *
   * @throws IOException where {@code out} does not take it
   */
  public static void write(FunctionBlock block, RegisterMap map, Appendable out)
      throws IOException {
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setHeader("name", "type", "direction", "table", "address", "reference", "comment")
            .build();
    try (CSVPrinter csv = new CSVPrinter(out, format)) {
      for (Variable v : block.inputs()) {
        csv.printRecord(v.name(), v.type(), "input", "", "", "", v.comment());
      }
      for (Variable v : block.outputs()) {
        csv.printRecord(v.name(), v.type(), "output", "", "", "", v.comment());
      }
      for (LocatedVariable v : block.located()) {
        csv.printRecord(v.name(), v.type(), "channel", "", v.address().toString(), "", v.comment());
      }
      for (RegisterEntry e : map.entries()) {
        csv.printRecord(
            Variable.named(e.name()),
            e.type().label(),
            e.access().label(),
            e.table().label(),
            e.address(),
            Notation.SIX_DIGITS.write(e.table(), e.address()),
            "one step %s %s".formatted(e.scale(), e.unit()).strip());
      }
    }
  }
}

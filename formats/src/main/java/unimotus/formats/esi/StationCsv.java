package unimotus.formats.esi;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import unimotus.core.esi.Direction;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;

/** Images and start-up lists of stations as CSV. */
public final class StationCsv {
  private StationCsv() {}

  private static int write(Appendable out, List<List<Object>> rows, String... heading)
      throws IOException {
    CSVPrinter csv =
        new CSVPrinter(out, CSVFormat.DEFAULT.builder().setRecordSeparator("\n").get());
    csv.printRecord((Object[]) heading);
    csv.printRecords(rows);
    csv.flush();
    return rows.size();
  }

  /**
   * Writes every place of every image: byte and bit count from the beginning of the outputs or
   * inputs of the station.
   *
   * @param designs described stations
   * @return how many
   * @throws IOException where it cannot be written
   */
  public static int writeImages(List<StationDesign> designs, Appendable out) throws IOException {
    List<List<Object>> rows = new ArrayList<>();
    for (StationDesign design : designs) {
      ProcessImage image = ProcessImage.of(design.known().orElseThrow());
      for (Direction direction : Direction.values()) {
        for (ImagePlace place : image.side(direction)) {
          rows.add(row(design, direction, place));
        }
      }
    }
    return write(
        out, rows, "station", "direction", "byte", "bit", "bits", "name", "type", "object");
  }

  private static List<Object> row(StationDesign design, Direction direction, ImagePlace place) {
    boolean padding = place.entry().isPadding();
    return List.of(
        design.station().name(),
        direction.label(),
        place.byteOffset(),
        place.bitOffset(),
        place.entry().bitLength(),
        place.name(),
        place.entry().dataType(),
        padding ? "" : "0x%04X:%d".formatted(place.entry().index(), place.entry().subindex()));
  }

  /**
   * Writes every object of every start-up list, in order, with what the station would answer.
   *
   * @param designs described stations
   * @return how many
   * @throws IOException where it cannot be written
   */
  public static int writeStartUp(List<StationDesign> designs, Appendable out) throws IOException {
    List<List<Object>> rows = new ArrayList<>();
    for (StationDesign design : designs) {
      StationSetup setup = design.known().orElseThrow();
      ObjectDictionary known = StartUpCheck.dictionary(setup);
      StartUpCheck.of(setup, design.startUp()).rows().forEach(r -> rows.add(row(design, known, r)));
    }
    return write(
        out,
        rows,
        "station",
        "transition",
        "index",
        "subindex",
        "value",
        "bytes",
        "comment",
        "verdict",
        "why");
  }

  private static List<Object> row(
      StationDesign design, ObjectDictionary known, StartUpCheck.Row row) {
    ObjectAbort abort = row.abort();
    String why = abort == null ? row.why() : "%s: %s".formatted(abort.told(), row.why());
    return List.of(
        design.station().name(),
        row.command().transition(),
        "0x%04X".formatted(row.command().index()),
        row.command().subindex(),
        StartUpCheck.value(known, row.command()),
        row.command().bytes(),
        row.command().comment(),
        row.verdict().label(),
        why);
  }
}

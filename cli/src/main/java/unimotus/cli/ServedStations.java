package unimotus.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ProcessImage;
import unimotus.workbench.live.StationStandIns;

/** Tells which simulated stations answer, with their images. */
final class ServedStations {
  private ServedStations() {}

  private static ProcessImage image(StationStandIns.Placed placed) {
    return ProcessImage.of(placed.station().device().objects().setup());
  }

  static void print(StationStandIns stations, PrintWriter out) {
    out.println(stations.server());
    for (StationStandIns.Placed each : stations.stations()) {
      out.printf(
          "  station %d  %s: %s, revision 0x%08X%s%n",
          each.position(),
          each.name(),
          each.device().name(),
          each.device().revision(),
          each.axis().isEmpty() ? "" : ", drives " + each.axis());
      if (!each.still().isEmpty()) {
        out.printf("    no motor behind it: %s%n", each.still());
      }
      for (Direction direction : Direction.values()) {
        for (ImagePlace place : image(each).side(direction)) {
          out.printf("    %-8s %-6s %s%n", direction.label(), place.place(), place.name());
        }
      }
    }
    out.flush();
  }

  static Map<String, @Nullable Object> document(StationStandIns stations) {
    return Output.map(
        "where",
        stations.server().toString(),
        "port",
        stations.server().port(),
        "stations",
        stations.stations().stream().map(ServedStations::document).toList());
  }

  private static Map<String, @Nullable Object> document(StationStandIns.Placed each) {
    return Output.map(
        "position",
        each.position(),
        "name",
        each.name(),
        "device",
        each.device().type(),
        "revision",
        each.device().revision(),
        "axis",
        each.axis(),
        "noMotor",
        each.still(),
        "outputs",
        places(image(each).outputs()),
        "inputs",
        places(image(each).inputs()));
  }

  private static List<Map<String, @Nullable Object>> places(List<ImagePlace> side) {
    return side.stream()
        .map(p -> Output.map("name", p.name(), "at", p.place(), "bits", p.entry().bitLength()))
        .toList();
  }
}

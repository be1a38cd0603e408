package unimotus.cli;

import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.path.PathPoint;
import unimotus.core.path.PathState;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;

/** {@code path FILE --axis A --at STATION=VALUE}: the whole signal path at one value. */
@Command(
    name = "path",
    mixinStandardHelpOptions = true,
    description = "The signal path of an axis when one station has a value.",
    footer = {"", "Example: unimotus path demo --axis rinse-drum --at number=12.5m/min"})
final class PathCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;
  @Mixin private ChainOption chain;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Option(
      names = "--at",
      required = true,
      paramLabel = "STATION=VALUE",
      description = "The station that is touched and its value.")
  private String at;

  @Override
  public Integer call() throws IOException {
    SignalPath path = chain.path(input.read().complete(axis));
    StationValue touched = StationValue.parse(path, at);
    PathState state = path.at(touched.station(), touched.value());
    if (output.isJson()) {
      output.document(
          Output.map(
              "axis",
              axis,
              "at",
              touched.station().key(),
              "points",
              state.points().stream().map(PathCommand::map).toList()));
      return 0;
    }
    for (PathPoint point : state.points()) {
      output
          .text()
          .printf(
              "%-15s %16s   %s%n",
              point.station().key(),
              QuantityFormat.PLAIN.text(point.value(), point.unit()),
              point.origin());
      if (point.sum() != null) {
        output.text().println("                  " + point.sum().text());
      }
      if (point.condition() != null) {
        output.text().println("                  ! " + point.condition());
      }
    }
    return 0;
  }

  private static Map<String, @Nullable Object> map(PathPoint point) {
    return Output.map(
        "station", point.station().key(),
        "value", point.value(),
        "unit", point.unit().symbol(),
        "low", point.low(),
        "high", point.high(),
        "step", point.step(),
        "origin", point.origin(),
        "condition", point.condition(),
        "derivation", point.sum() == null ? null : point.sum().text());
  }

  /** A station and a value in the path's unit there. */
  record StationValue(Station station, double value) {
    static StationValue parse(SignalPath path, String text) {
      int equals = text.indexOf('=');
      if (equals < 1) {
        throw new IllegalArgumentException(
            "'%s' is not STATION=VALUE, such as frequency=25Hz".formatted(text));
      }
      Station station =
          Station.ofKey(text.substring(0, equals))
              .filter(path::has)
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "there is no station '%s'; the path has %s"
                              .formatted(text.substring(0, equals), keys(path))));
      return new StationValue(
          station,
          QuantityText.parseIn(station.key(), text.substring(equals + 1), path.unit(station)));
    }

    private static String keys(SignalPath path) {
      return Arrays.stream(Station.values())
          .filter(path::has)
          .map(Station::key)
          .collect(Collectors.joining(", "));
    }
  }
}

package unimotus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.machine.Project;
import unimotus.core.processdata.BusComparison;
import unimotus.core.processdata.BusDoubt;
import unimotus.core.processdata.ExpectedStation;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.master.FoundStation;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.esi.ShippedDescriptions;
import unimotus.formats.esi.StationListCsv;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Demo;
import unimotus.workbench.capture.TelegramRecorder;
import unimotus.workbench.live.StationSearch;

/** {@code scan}: the stations that answer, in the order of the cable. */
@Command(
    name = "scan",
    mixinStandardHelpOptions = true,
    description = {
      "The stations of a process-data fieldbus that answer, in the order of the cable: identity, state",
      "with its code, links. It gives them addresses by position and writes nothing else; do not scan",
      "a bus that a controller runs."
    },
    footer = {
      "",
      "Example: unimotus scan --port 34980 --against demo",
      "         unimotus scan --interface eth0 --blink 3",
      "stations.csv: name,device,revision,alias"
    })
final class ScanCommand implements Callable<Integer> {
  private static final int ONWARD = 1;
  private static final String DEMO = "demo";

  @Mixin private Output output;

  @Option(
      names = "--host",
      paramLabel = "H",
      description = "Where UDP packets go. Default: ${DEFAULT-VALUE}.",
      defaultValue = "127.0.0.1")
  private String host;

  @Option(
      names = "--port",
      paramLabel = "N",
      description = "Their port. Default: ${DEFAULT-VALUE}.",
      defaultValue = "34980")
  private int port;

  @Option(
      names = "--interface",
      paramLabel = "I",
      description =
          "An interface for Ethernet frames, instead of UDP; needs a right of the system.")
  private @Nullable String interfaceName;

  @Option(
      names = "--timeout",
      paramLabel = "MS",
      description = "How long a telegram may be under way, in ms. Default: ${DEFAULT-VALUE}.",
      defaultValue = "100")
  private int timeout;

  @Option(
      names = "--descriptions",
      paramLabel = "PATH",
      description = "A description or a folder of them, beside those that ship.")
  private @Nullable Path descriptions;

  @Option(
      names = "--against",
      paramLabel = "FILE",
      description = "A project, demo, or a list as CSV: who should answer. What differs is told.")
  private @Nullable Path against;

  @Option(
      names = "--capture",
      paramLabel = "FILE",
      description = "Writes the telegrams of the search as a capture of Ethernet frames.")
  private @Nullable Path capture;

  @Option(
      names = "--force",
      description =
          "Searches although a station is in OP: its controller does not find its stations any more.")
  private boolean force;

  @Option(
      names = "--blink",
      paramLabel = "N",
      description = "Lets the lamp of the station at this position blink for --seconds.")
  private @Nullable Integer blink;

  @Option(
      names = "--seconds",
      paramLabel = "S",
      description = "How long it blinks. Default: ${DEFAULT-VALUE}.",
      defaultValue = "10")
  private int seconds;

  @Override
  public Integer call() throws IOException, InterruptedException {
    if (timeout < 1 || seconds < 1) {
      throw new IllegalArgumentException(
          "--timeout %d, --seconds %d; expected 1 at least".formatted(timeout, seconds));
    }
    List<DeviceDescription> known = known();
    Cable way = interfaceName == null ? Cable.udp(host, port) : Cable.ethernet(interfaceName);
    Integer blinking = blink;
    if (blinking != null) {
      return blink(way, blinking);
    }
    TelegramRecorder recorder = new TelegramRecorder(System::nanoTime);
    StationSearch.Result result = StationSearch.search(way, timeout, force, recorder);
    if (capture != null) {
      recorder.write(capture);
    }
    BusComparison comparison = comparison(result, known);
    if (output.isJson()) {
      output.document(document(result, known, comparison));
    } else {
      print(result, known, comparison);
    }
    boolean isSound =
        result.stations().stream()
            .allMatch(
                s ->
                    s.eeprom().filter(EepromContent::isIntact).isPresent()
                        && !s.standing().isRefused());
    boolean isAsExpected =
        comparison == null || comparison.doubts().stream().noneMatch(d -> d.kind().isDifference());
    return !result.stations().isEmpty() && isSound && isAsExpected ? 0 : 1;
  }

  private int blink(Cable way, int position) throws IOException, InterruptedException {
    StationSearch.blink(way, timeout, position, true);
    output.text().printf("station %d blinks for %d s%n", position, seconds);
    output.text().flush();
    TimeUnit.SECONDS.sleep(seconds);
    StationSearch.blink(way, timeout, position, false);
    return 0;
  }

  private List<DeviceDescription> known() throws IOException {
    List<DeviceDescription> known = new ArrayList<>();
    for (String name : ShippedDescriptions.NAMES) {
      ShippedDescriptions.find(name).map(DescriptionFile::description).ifPresent(known::add);
    }
    if (descriptions != null) {
      for (DescriptionFile each : DescriptionFile.readAll(descriptions)) {
        if (!each.faults().isEmpty()) {
          throw each.faults().get(0);
        }
        known.add(each.description());
      }
    }
    return known;
  }

  private @Nullable BusComparison comparison(
      StationSearch.Result result, List<DeviceDescription> known) throws IOException {
    if (against == null) {
      return null;
    }
    return BusComparison.of(expected(against, known), result.answering());
  }

  private static List<ExpectedStation> expected(Path from, List<DeviceDescription> known)
      throws IOException {
    String name = String.valueOf(from.getFileName());
    if (!name.endsWith(".json") && !from.toString().equals(DEMO)) {
      return StationListCsv.read(name, Files.readAllBytes(from), known);
    }
    Project project =
        from.toString().equals(DEMO) ? Demo.project() : ProjectFile.load(from).project();
    if (project.stations().isEmpty()) {
      throw new IllegalArgumentException("%s has no stations".formatted(project.name()));
    }
    return project.stations().stream().map(ExpectedStation::of).toList();
  }

  private static String named(FoundStation station, List<DeviceDescription> known) {
    return StationSearch.described(station, known)
        .map(EsiDevice::type)
        .or(() -> station.eeprom().map(e -> e.name().isEmpty() ? e.type() : e.name()))
        .orElse("");
  }

  private static String links(FoundStation station) {
    return station.isLinked(ONWARD) ? "in, out" : "in";
  }

  /** What is to be said of one station by itself. */
  private static List<String> remarks(FoundStation station, List<DeviceDescription> known) {
    List<String> remarks = new ArrayList<>();
    if (!station.trouble().isEmpty()) {
      remarks.add(station.trouble());
    }
    station
        .eeprom()
        .ifPresent(
            content -> {
              if (!content.isIntact()) {
                remarks.add("the checksum of its EEPROM is wrong");
              }
              remarks.addAll(described(station, content, known));
            });
    if (station.lostLinks() > 0 || station.receiveErrors() > 0) {
      remarks.add(
          "%d lost links, %d damaged frames since they were cleared"
              .formatted(station.lostLinks(), station.receiveErrors()));
    }
    return remarks;
  }

  private static List<String> described(
      FoundStation station, EepromContent content, List<DeviceDescription> known) {
    List<Long> revisions = StationSearch.revisions(content, known);
    if (StationSearch.described(station, known).isPresent()) {
      return List.of();
    }
    return List.of(
        revisions.isEmpty()
            ? "no description at hand"
            : "no description of revision 0x%08X at hand; there are %s"
                .formatted(
                    content.revision(),
                    String.join(", ", revisions.stream().map("0x%08X"::formatted).toList())));
  }

  private void print(
      StationSearch.Result result,
      List<DeviceDescription> known,
      @Nullable BusComparison comparison) {
    output.text().printf("%s: %d stations answer%n", result.where(), result.stations().size());
    Columns columns = new Columns("  ", Set.of(0));
    for (FoundStation each : result.stations()) {
      EepromContent content = each.eeprom().orElse(null);
      columns.row(
          String.valueOf(each.position()),
          named(each, known),
          content == null ? "" : "0x%08X".formatted(content.revision()),
          content == null ? "" : "serial %d".formatted(content.serial()),
          content == null || content.alias() == 0 ? "" : "alias %d".formatted(content.alias()),
          "links %s".formatted(links(each)),
          each.standing().told());
    }
    columns.print(output.text());
    for (FoundStation each : result.stations()) {
      remarks(each, known)
          .forEach(r -> output.text().printf("  station %d: %s%n", each.position(), r));
    }
    if (comparison != null) {
      output.text().println(comparison.isAsExpected() ? "as expected" : "beside what is expected:");
      for (BusDoubt each : comparison.doubts()) {
        output.text().printf("  %s: %s%n    %s%n", each.kind().label(), each.seen(), each.remedy());
      }
    }
  }

  private static Map<String, @Nullable Object> document(
      StationSearch.Result result,
      List<DeviceDescription> known,
      @Nullable BusComparison comparison) {
    return Output.map(
        "where",
        result.where(),
        "stations",
        result.stations().stream().map(s -> document(s, known)).toList(),
        "asExpected",
        comparison == null ? null : comparison.isAsExpected(),
        "differences",
        comparison == null
            ? List.of()
            : comparison.doubts().stream()
                .map(
                    d ->
                        Output.map(
                            "kind",
                            d.kind().label(),
                            "position",
                            d.position(),
                            "seen",
                            d.seen(),
                            "remedy",
                            d.remedy()))
                .toList());
  }

  private static Map<String, @Nullable Object> document(
      FoundStation each, List<DeviceDescription> known) {
    EepromContent content = each.eeprom().orElse(null);
    return Output.map(
        "position",
        each.position(),
        "address",
        each.address(),
        "name",
        named(each, known),
        "vendor",
        content == null ? null : content.vendor(),
        "product",
        content == null ? null : content.product(),
        "revision",
        content == null ? null : content.revision(),
        "serial",
        content == null ? null : content.serial(),
        "alias",
        content == null ? null : content.alias(),
        "state",
        each.standing().state() == null ? null : each.standing().state().label(),
        "refused",
        each.standing().isRefused(),
        "code",
        each.standing().code(),
        "links",
        links(each),
        "remarks",
        remarks(each, known));
  }
}

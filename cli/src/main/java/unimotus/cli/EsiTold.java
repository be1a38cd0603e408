package unimotus.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.Slots;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.CycleReview;
import unimotus.core.processdata.ImageComparison;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.ProfileMeaning;
import unimotus.core.processdata.SetupDoubt;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StartUpOffers;
import unimotus.core.processdata.StationSetup;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.json.FileFault;

/** What is told of descriptions: collected once, then printed or given as a document. */
final class EsiTold {
  private final List<DescriptionFile> files;
  private final List<FileFault> faults;
  private final List<StationSetup> stations = new ArrayList<>();
  private List<SetupDoubt> doubts = List.of();
  private @Nullable StartUpCheck startUp;
  private @Nullable ImageComparison comparison;
  private List<StartUpOffers.Offer> offers = List.of();
  private @Nullable CycleReview cycle;

  EsiTold(List<DescriptionFile> files, List<FileFault> faults) {
    this.files = files;
    this.faults = faults;
  }

  void device(StationSetup station) {
    stations.add(station);
  }

  boolean doubts(List<SetupDoubt> next) {
    doubts = next;
    return next.isEmpty();
  }

  void startUp(StartUpCheck next) {
    startUp = next;
  }

  void comparison(ImageComparison next) {
    comparison = next;
  }

  void offers(List<StartUpOffers.Offer> next) {
    offers = next;
  }

  void cycle(CycleReview next) {
    cycle = next;
  }

  void print(PrintWriter out, boolean whole) {
    for (DescriptionFile file : files) {
      out.printf(
          "%s: vendor 0x%08X %s, %d devices, %d modules%n",
          file.name(),
          file.description().vendorId(),
          file.description().vendorName(),
          file.description().devices().size(),
          file.description().modules().size());
    }
    Set<String> unread = new TreeSet<>();
    files.forEach(f -> unread.addAll(f.unread()));
    if (!unread.isEmpty()) {
      out.println("not used of it: " + String.join(", ", unread));
    }
    faults.forEach(f -> out.println("damaged: " + f.getMessage()));
    for (StationSetup station : stations) {
      ProcessImage image = ProcessImage.of(station);
      out.printf(
          "%-8s 0x%08X  revision 0x%08X  outputs %d B, inputs %d B  %s%n",
          station.device().type(),
          station.device().productCode(),
          station.device().revision(),
          image.bytes(Direction.OUTPUTS),
          image.bytes(Direction.INPUTS),
          station.device().name());
      if (whole) {
        slots(out, station);
        for (Direction direction : Direction.values()) {
          side(out, direction, image);
        }
      }
    }
    doubts.forEach(d -> out.printf("error: %s. %s%n", d.seen(), d.remedy()));
    more(out);
  }

  private static void slots(PrintWriter out, StationSetup station) {
    Slots slots = station.device().slots();
    for (int i = 0; slots != null && i < slots.slots().size(); i++) {
      EsiModule module = station.modules().get(i);
      out.printf(
          "  slot %d  %-12s %s%n",
          i, slots.slots().get(i).name(), module == null ? "empty" : module.type());
    }
  }

  private static void side(PrintWriter out, Direction direction, ProcessImage image) {
    out.printf("%s, %d bit%n", direction.label(), image.bits(direction));
    for (ImagePlace place : image.side(direction)) {
      out.printf(
          "  %6s  %3d bit  0x%04X  %-9s %s%n",
          place.place(),
          place.entry().bitLength(),
          place.pdo(),
          place.entry().isPadding()
              ? ""
              : "%04X:%d".formatted(place.entry().index(), place.entry().subindex()),
          place.name());
    }
  }

  private void more(PrintWriter out) {
    if (startUp != null && !startUp.rows().isEmpty()) {
      out.println("at start-up");
      for (StartUpCheck.Row row : startUp.rows()) {
        ObjectAbort abort = row.abort();
        out.printf(
            "  %2d %s %-10s %-10s %s  %s%s%n",
            row.number(),
            row.command().transition(),
            row.command().object(),
            row.command().data(),
            row.verdict().label(),
            abort == null ? purpose(row.command()) : "abort " + abort.told(),
            row.why().isEmpty() ? "" : ": " + row.why());
      }
    }
    if (comparison != null) {
      comparison(out, comparison);
    }
    for (StartUpOffers.Offer offer : offers) {
      out.printf(
          "missing at start-up: %s %s%s%n",
          offer.object(),
          offer.what(),
          offer.isKnown() ? ", write " + offer.command().data() : "; the value is the machine's");
    }
    if (cycle != null) {
      out.println(cycle.sum().text());
      cycle
          .doubts()
          .forEach(
              d ->
                  out.printf(
                      "%s: %s. %s  [%s]%n",
                      d.severity().label(), d.seen(), d.remedy(), d.source()));
    }
  }

  /** What it is for, and what its number chooses where the profile says so. */
  private String purpose(StartUpCommand command) {
    long value =
        stations.isEmpty()
            ? command.number()
            : StartUpCheck.value(
                StartUpCheck.dictionary(stations.get(stations.size() - 1)), command);
    return ProfileMeaning.of(command.index(), command.subindex(), value)
        .map(m -> command.comment().isBlank() ? m : command.comment() + ": " + m)
        .orElse(command.comment());
  }

  private static void comparison(PrintWriter out, ImageComparison comparison) {
    comparison
        .first()
        .ifPresentOrElse(
            f -> out.println("first difference: " + f.fault()),
            () -> out.println("every variable is where the image has it"));
    comparison.rows().stream()
        .filter(r -> !r.agrees())
        .forEach(
            r ->
                out.printf(
                    "  %4d.%d  %s reads %s%n",
                    r.bit() / 8, r.bit() % 8, r.variable().name(), r.reads()));
    comparison.left().forEach(p -> out.printf("  %6s  %s has no variable%n", p.place(), p.name()));
  }

  Map<String, @Nullable Object> document() {
    return Output.map(
        "files", files.stream().map(this::file).toList(),
        "devices", stations.stream().map(this::station).toList(),
        "doubts",
            doubts.stream()
                .map(
                    d ->
                        Output.map(
                            "kind", d.kind().label(), "seen", d.seen(), "remedy", d.remedy()))
                .toList(),
        "startUp", startUp == null ? null : startUp.rows().stream().map(this::row).toList(),
        "comparison", comparison == null ? null : document(comparison),
        "missing",
            offers.stream()
                .map(
                    o ->
                        Output.map(
                            "object", o.object(),
                            "what", o.what(),
                            "data", o.isKnown() ? o.command().data() : null))
                .toList(),
        "cycle", cycle == null ? null : document(cycle));
  }

  private Map<String, @Nullable Object> file(DescriptionFile file) {
    return Output.map(
        "file", file.name(),
        "vendorId", hex8(file.description().vendorId()),
        "vendorName", file.description().vendorName(),
        "modules",
            file.description().modules().stream()
                .map(m -> Output.map("ident", hex8(m.ident()), "type", m.type(), "name", m.name()))
                .toList(),
        "faults",
            file.faults().stream()
                .map(
                    f -> Output.map("line", f.line(), "column", f.column(), "problem", f.problem()))
                .toList(),
        "unread", List.copyOf(file.unread()));
  }

  private Map<String, @Nullable Object> station(StationSetup station) {
    ProcessImage image = ProcessImage.of(station);
    Map<String, @Nullable Object> told = new LinkedHashMap<>();
    told.put("type", station.device().type());
    told.put("name", station.device().name());
    told.put("productCode", hex8(station.device().productCode()));
    told.put("revision", hex8(station.device().revision()));
    for (Direction direction : Direction.values()) {
      told.put(
          direction.label(),
          Output.map(
              "entries", image.side(direction).stream().map(EsiTold::entry).toList(),
              "bitLength", image.bits(direction),
              "byteLength", image.bytes(direction)));
    }
    return told;
  }

  private static Map<String, @Nullable Object> entry(ImagePlace place) {
    return Output.map(
        "pdo", hex4(place.pdo()),
        "index", hex4(place.entry().index()),
        "subindex", place.entry().subindex(),
        "bitLength", place.entry().bitLength(),
        "byteOffset", place.byteOffset(),
        "bitOffset", place.bitOffset(),
        "name", place.entry().name(),
        "padding", place.entry().isPadding());
  }

  private Map<String, @Nullable Object> row(StartUpCheck.Row row) {
    ObjectAbort abort = row.abort();
    return Output.map(
        "number", row.number(),
        "transition", row.command().transition(),
        "object", row.command().object(),
        "data", row.command().data(),
        "verdict", row.verdict().label(),
        "abort", abort == null ? null : "0x%08X".formatted(abort.code()),
        "why", row.why());
  }

  private static Map<String, @Nullable Object> document(ImageComparison comparison) {
    return Output.map(
        "agrees", comparison.agrees(),
        "first", comparison.first().map(ImageComparison.Row::fault).orElse(null),
        "rows",
            comparison.rows().stream()
                .map(
                    r ->
                        Output.map(
                            "name", r.variable().name(),
                            "bit", r.bit(),
                            "reads", r.reads(),
                            "fault", r.fault()))
                .toList(),
        "left", comparison.left().stream().map(ImagePlace::name).toList());
  }

  private static Map<String, @Nullable Object> document(CycleReview cycle) {
    return Output.map(
        "frameNs", cycle.frameNs(),
        "ringNs", cycle.ringNs(),
        "usedNs", cycle.usedNs(),
        "doubts", cycle.doubts().stream().map(CycleReview.Doubt::seen).toList());
  }

  private static String hex8(long number) {
    return "0x%08X".formatted(number);
  }

  private static String hex4(int number) {
    return "0x%04X".formatted(number);
  }
}

package unimotus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.EsiModule;
import unimotus.core.processdata.StationSetup;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.esi.ShippedDescriptions;
import unimotus.formats.json.FileFault;

/** {@code esi FILE}: what a device description says, and what comes of it. */
@Command(
    name = "esi",
    mixinStandardHelpOptions = true,
    description = {
      "What a device description (ESI) says: devices with their revisions, the process image with every",
      "offset, the start-up list as the device would take it. FILE is a file, a folder, or one that ships:",
      "two-axis-servo, frequency-drive, slot-coupler."
    },
    footer = {
      "",
      "Example: unimotus esi two-axis-servo --revision 2",
      "         unimotus esi slot-coupler --compare variables.csv --side inputs",
      "         unimotus esi two-axis-servo --revision 2 --start-up list.csv --mode csp --cycle 1"
    })
final class EsiCommand implements Callable<Integer> {
  @Mixin private Output output;

  @Parameters(
      paramLabel = "FILE",
      description = "A description, a folder of them, or a shipped one.")
  private String file;

  @Option(names = "--device", paramLabel = "TYPE", description = "The device, by its type.")
  private String device;

  @Option(
      names = "--revision",
      paramLabel = "R",
      description = "The revision: 0x00020000, or 2 for the upper half of it.")
  private String revision;

  @Option(
      names = "--module",
      paramLabel = "SLOT=M",
      description = "What stands in a slot, from 0: ident or type; nothing behind = empties it.")
  private List<String> modules = new ArrayList<>();

  @Option(
      names = "--pdo",
      paramLabel = "P",
      split = ",",
      description = "What is in the image, such as 0x1601,0x1A01. Default: as delivered.")
  private List<String> pdos = new ArrayList<>();

  @Mixin private EsiLists lists;

  @Override
  public Integer call() throws IOException {
    List<DescriptionFile> files = files();
    List<FileFault> faults = files.stream().flatMap(f -> f.faults().stream()).toList();
    List<Found> found = new ArrayList<>();
    for (DescriptionFile each : files) {
      each.description().devices().stream()
          .filter(this::isWanted)
          .forEach(d -> found.add(new Found(each.description(), d)));
    }
    if (found.isEmpty() && (device != null || revision != null)) {
      throw new IllegalArgumentException(
          "%s has no device%s%s; it has %s"
              .formatted(
                  file,
                  device == null ? "" : " '" + device + "'",
                  revision == null ? "" : " of revision " + revision,
                  names(files)));
    }
    boolean chosen = found.size() == 1;
    if (!chosen && (lists.isAsked() || !modules.isEmpty() || !pdos.isEmpty())) {
      throw new IllegalArgumentException(
          "%d devices fit; choose one with --device and --revision: %s"
              .formatted(found.size(), names(files)));
    }
    EsiTold told = new EsiTold(files, faults);
    boolean well = faults.isEmpty();
    if (chosen) {
      StationSetup station = station(found.get(0));
      well &= lists.lookOver(told, station);
    } else {
      found.forEach(f -> told.device(StationSetup.delivered(f.description(), f.device())));
    }
    if (output.isJson()) {
      output.document(told.document());
    } else {
      told.print(output.text(), chosen);
    }
    return well ? 0 : 1;
  }

  /** A device with the file its modules are in. */
  private record Found(DeviceDescription description, EsiDevice device) {}

  private List<DescriptionFile> files() throws IOException {
    Path path = Path.of(file);
    if (Files.exists(path)) {
      return DescriptionFile.readAll(path);
    }
    return List.of(
        ShippedDescriptions.find(file)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "'%s' is no file or folder, and not one of the shipped %s"
                            .formatted(file, String.join(", ", ShippedDescriptions.NAMES)))));
  }

  private boolean isWanted(EsiDevice each) {
    return (device == null || each.type().equalsIgnoreCase(device))
        && (revision == null || isRevision(each));
  }

  /** Revisions count in the upper half by custom; a small number means that half. */
  private boolean isRevision(EsiDevice each) {
    long wanted = number("--revision", revision);
    return each.revision() == wanted || (wanted <= 0xFFFF && each.revision() >>> 16 == wanted);
  }

  private static String names(List<DescriptionFile> files) {
    return files.stream()
        .flatMap(f -> f.description().devices().stream())
        .map(d -> "%s 0x%08X".formatted(d.type(), d.revision()))
        .distinct()
        .collect(Collectors.joining(", "));
  }

  private StationSetup station(Found found) {
    StationSetup station = StationSetup.delivered(found.description(), found.device());
    for (String each : modules) {
      String[] halves = each.split("=", 2);
      int slot = (int) number("--module", halves[0]);
      if (halves.length < 2 || slot < 0 || slot >= station.modules().size()) {
        throw new IllegalArgumentException(
            "--module '%s': expected SLOT=MODULE with a slot from 0 to %d"
                .formatted(each, station.modules().size() - 1));
      }
      station = station.withModule(slot, module(found.description(), halves[1]));
    }
    if (!pdos.isEmpty()) {
      Set<Integer> wanted = new LinkedHashSet<>();
      pdos.forEach(p -> wanted.add((int) number("--pdo", p)));
      station = station.withChosen(wanted);
    }
    return station;
  }

  private static @Nullable EsiModule module(DeviceDescription description, String word) {
    if (word.isBlank()) {
      return null;
    }
    return description.modules().stream()
        .filter(
            m ->
                m.type().equalsIgnoreCase(word)
                    || "0x%08X".formatted(m.ident()).equalsIgnoreCase(word))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "--module '%s' is not one of %s"
                        .formatted(
                            word,
                            description.modules().stream()
                                .map(EsiModule::type)
                                .collect(Collectors.joining(", ")))));
  }

  static long number(String option, String text) {
    String word = text.strip().toLowerCase(java.util.Locale.ROOT);
    try {
      return word.startsWith("0x") ? Long.parseLong(word.substring(2), 16) : Long.parseLong(word);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s '%s'; expected a number such as 5632 or 0x1600".formatted(option, text));
    }
  }
}

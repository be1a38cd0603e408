package unimotus.formats.sheet;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.DeviceDescription;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.SheetFaults;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.esi.ShippedDescriptions;
import unimotus.formats.file.AtomicFile;
import unimotus.formats.json.Documents;
import unimotus.formats.json.FileFault;
import unimotus.formats.json.Json;
import unimotus.formats.json.MotorPlates;
import unimotus.formats.json.Schema;
import unimotus.formats.packed.Packed;

/** Device sheets from the program's own stock and from a folder of the user's. */
public final class SheetLibrary {
  private static final String FORMAT = "unimotus-sheet";
  private static final int VERSION = 2;
  private static final String FOLDER = "/unimotus/sheets/";

  private SheetLibrary() {}

  /** The sheets the program ships: their packed form, which costs no binding of JSON. */
  public static List<DeviceSheet> shipped() {
    return Packed.shipped(SheetLibrary.class, FOLDER + "sheets.packed")
        .map(SheetLibrary::sheets)
        .orElseGet(SheetLibrary::bound);
  }

  private static List<DeviceSheet> sheets(Object packed) {
    return ((List<?>) packed).stream().map(DeviceSheet.class::cast).toList();
  }

  /**
   * The same, read from their files. A test holds each against the schema, so it is not done again
   * here.
   */
  public static List<DeviceSheet> bound() {
    List<DeviceSheet> sheets = new ArrayList<>();
    for (String id : new String(resource("index.txt"), StandardCharsets.UTF_8).lines().toList()) {
      byte[] bytes = resource(id + ".json");
      try {
        ObjectNode document = Documents.parse(id, bytes, FORMAT);
        sheets.add(Documents.bind(id, bytes, document, Json.strict(), DeviceSheet.class));
      } catch (FileFault e) {
        throw new IllegalStateException("a shipped sheet is damaged", e);
      }
    }
    return sheets;
  }

  /** The shipped sheets as a catalogue. */
  public static SheetCatalogue catalogue() {
    return new SheetCatalogue(shipped(), ShippedDescriptions::catalogue);
  }

  /**
   * Reads one sheet of the user's, held against the schema.
   *
   * @throws FileFault naming file, line, place and what was expected
   */
  public static DeviceSheet read(String name, byte[] bytes) throws FileFault {
    ObjectNode document = Documents.parse(name, bytes, FORMAT);
    bringUpToDate(document);
    DeviceSheet sheet =
        Documents.bindChecked(name, bytes, document, Schema.SHEET, DeviceSheet.class);
    List<String> faults = SheetFaults.of(sheet);
    if (!faults.isEmpty()) {
      throw new FileFault(name, 1, 1, String.join("; ", faults));
    }
    return sheet;
  }

  /** Sheets of version 1 knew frequency drives alone, and servo figures beside a plate. */
  private static void bringUpToDate(ObjectNode document) {
    MotorPlates.complete(document);
    if (document.path("version").asInt() != 1) {
      return;
    }
    document.put("version", VERSION);
    String kind = document.path("kind").asText();
    if (kind.equals("motor")) {
      MotorPlates.divide(document);
      MotorPlates.complete(document);
    }
    if (kind.equals("drive") && !document.has("driveKind")) {
      ObjectNode drive = document.putObject("driveKind");
      drive.put("kind", "frequency").putArray("runs").add("induction");
    }
  }

  /** The file's content for a sheet: UTF-8, sorted keys, a line a leaf. */
  public static byte[] write(DeviceSheet sheet) {
    try {
      ObjectNode document =
          (ObjectNode)
              Json.strict()
                  .readTree(Json.strict().writerFor(DeviceSheet.class).writeValueAsBytes(sheet));
      document.put("format", FORMAT);
      document.put("version", VERSION);
      return (Json.writer().writeValueAsString(Json.sorted(document)) + "\n")
          .getBytes(StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new IllegalStateException("a sheet can always be written", e);
    }
  }

  /**
   * Saves a sheet into a folder of the user's, under its id; the folder is made where it is
   * missing.
   *
   * @return the file
   * @throws IOException where it cannot be written; a sheet there before is then intact
   */
  public static Path save(Path folder, DeviceSheet sheet) throws IOException {
    Files.createDirectories(folder);
    Path file = folder.resolve(sheet.id() + ".json");
    AtomicFile.write(file, file.resolveSibling(file.getFileName() + ".previous"), write(sheet));
    return file;
  }

  /**
   * The shipped sheets and descriptions of stations with those of a folder added: sheets in files
   * that end in {@code .json}, descriptions in files that end in {@code .xml}.
   *
   * @param faults receives the faults of sheets that cannot be used; the others still load
   * @throws IOException where the folder cannot be listed
   */
  public static SheetCatalogue withFolder(Path folder, List<FileFault> faults) throws IOException {
    List<DeviceSheet> sheets = new ArrayList<>(shipped());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.filter(f -> f.toString().endsWith(".json")).sorted().toList()) {
        add(file, sheets, faults);
      }
    }
    DescriptionCatalogue own = descriptions(folder, faults);
    return new SheetCatalogue(sheets, own == null ? ShippedDescriptions::catalogue : () -> own);
  }

  /** Null where the folder has none. */
  private static @Nullable DescriptionCatalogue descriptions(Path folder, List<FileFault> faults)
      throws IOException {
    List<DescriptionFile> own = DescriptionFile.readAll(folder);
    if (own.isEmpty()) {
      return null;
    }
    List<DeviceDescription> all = new ArrayList<>(ShippedDescriptions.catalogue().descriptions());
    for (DescriptionFile file : own) {
      faults.addAll(file.faults());
      all.add(file.description());
    }
    return new DescriptionCatalogue(all);
  }

  private static void add(Path file, List<DeviceSheet> sheets, List<FileFault> faults)
      throws IOException {
    String name = file.getFileName().toString();
    try {
      Documents.checkSize(name, Files.size(file));
      DeviceSheet sheet = read(name, Files.readAllBytes(file));
      if (sheets.stream().anyMatch(s -> s.id().equals(sheet.id()))) {
        throw new FileFault(name, 1, 1, "the id '" + sheet.id() + "' is taken by another sheet");
      }
      sheets.add(sheet);
    } catch (FileFault e) {
      faults.add(e);
    }
  }

  private static byte[] resource(String name) {
    try (InputStream in = SheetLibrary.class.getResourceAsStream(FOLDER + name)) {
      if (in == null) {
        throw new IllegalStateException("the program ships " + FOLDER + name);
      }
      return in.readAllBytes();
    } catch (IOException e) {
      throw new IllegalStateException("the program's own resource is unreadable: " + name, e);
    }
  }
}

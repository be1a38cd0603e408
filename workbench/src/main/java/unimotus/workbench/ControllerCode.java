package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.ReadRequest;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.SerialLine;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.ServoAxis;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.StationDesign;
import unimotus.core.program.FunctionBlock;
import unimotus.core.program.LinkProgram;
import unimotus.core.program.MotionProgram;
import unimotus.core.program.WiredProgram;
import unimotus.formats.file.AtomicFile;
import unimotus.formats.plcopen.PlcopenXml;
import unimotus.formats.plcopen.VariableCsv;

/** The controller's side of a link, written to files. */
public final class ControllerCode {
  private static final int USUAL_BAUD = 19_200;
  private static final int USUAL_BITS = 11;
  private static final double USUAL_DELAY_SECONDS = 0.005;
  private static final double USUAL_SCAN_SECONDS = 0.010;

  /** Process data go once a scan: a program sees no more of them. */
  private static final double CYCLE_SECONDS = USUAL_SCAN_SECONDS;

  private ControllerCode() {}

  /**
   * The function block of an axis: with standard motion function blocks where it is positioned,
   * over its registers where they are entered, over process data where a station leads to its
   * drive, over its wires where neither is.
   *
   * @param path its signal path; null where it has none
   * @param watch what the bus leaves for the time-out
   * @throws IllegalArgumentException where something it needs is missing
   */
  public static FunctionBlock block(AxisAssembly axis, @Nullable SignalPath path, LinkWatch watch) {
    Optional<ServoAxis> positioned = ServoAxis.of(axis);
    if (positioned.isPresent()) {
      return MotionProgram.block(positioned.get());
    }
    if (path != null) {
      path.speedFor("the block");
    }
    if (isWired(axis)) {
      if (path == null) {
        throw new IllegalArgumentException(
            axis.axis().name() + " has no signal path, and so nothing to scale by");
      }
      return WiredProgram.block(axis, path);
    }
    if (!axis.stations().isEmpty()) {
      return LinkProgram.block(axis, image(axis), new LinkWatch(CYCLE_SECONDS, USUAL_SCAN_SECONDS));
    }
    return LinkProgram.block(
        axis, axis.record().fieldbus().map(), axis.record().fieldbus().wordProfile(), watch);
  }

  /**
   * Whether an axis is commanded over wires: neither register nor station of its drive is known.
   */
  public static boolean isWired(AxisAssembly axis) {
    return axis.record().fieldbus().registers().isEmpty()
        && axis.stations().isEmpty()
        && ServoAxis.of(axis).isEmpty();
  }

  private static DriveImage image(AxisAssembly axis) {
    if (axis.stations().size() > 1 || !axis.record().fieldbus().registers().isEmpty()) {
      throw new IllegalArgumentException(
          "more than one link leads to the drive of %s: which one commands it is not known"
              .formatted(axis.axis().name()));
    }
    StationDesign design = StationDesign.of(axis.stations().get(0), axis.descriptions());
    return DriveImage.of(design)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "%s: %s".formatted(design.station().name(), design.obstacle())));
  }

  /**
   * What a serial bus of so many equal drives leaves: 19200 baud, 11 bits a character, drives that
   * answer after 5 ms, a program that is scanned every 10 ms.
   */
  public static LinkWatch usualWatch(RegisterMap map, int drives) {
    List<ReadRequest> requests = ReadRequest.fewest(map.entries(), 0);
    if (requests.isEmpty()) {
      return new LinkWatch(1, USUAL_SCAN_SECONDS);
    }
    SerialLine bus = new SerialLine(USUAL_BAUD, USUAL_BITS, USUAL_DELAY_SECONDS);
    var steps = bus.cycle(requests, Math.max(1, drives)).steps();
    return new LinkWatch(steps.get(steps.size() - 1).value() / 1000, USUAL_SCAN_SECONDS);
  }

  /**
   * Writes it: {@code .xml} as PLCopen XML, {@code .csv} as a list of its variables, everything
   * else as structured text.
   *
   * @throws IOException where it cannot be written
   */
  public static void write(Path file, AxisAssembly axis, FunctionBlock block, Clock clock)
      throws IOException {
    String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
    if (name.endsWith(".csv")) {
      try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
        VariableCsv.write(block, axis.record().fieldbus().map(), out);
      }
      return;
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    if (name.endsWith(".xml")) {
      PlcopenXml.write(axis.axis().name(), List.of(block), clock.instant(), out);
    } else {
      out.writeBytes(block.text().getBytes(StandardCharsets.UTF_8));
    }
    AtomicFile.write(
        file, file.resolveSibling(file.getFileName() + ".previous"), out.toByteArray());
    Files.deleteIfExists(file.resolveSibling(file.getFileName() + ".previous"));
  }
}

package unimotus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.BusCycle;
import unimotus.core.processdata.CycleReview;
import unimotus.core.processdata.ImageComparison;
import unimotus.core.processdata.MappingObjects;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StartUpOffers;
import unimotus.core.processdata.StationSetup;
import unimotus.core.profile.OperatingMode;
import unimotus.formats.esi.StartUpCsv;
import unimotus.formats.esi.VariableList;

/** What is laid beside a station: variables of the controller, a start-up list, a cycle. */
final class EsiLists {
  private static final double NS_PER_MS = 1e6;

  @Option(
      names = "--compare",
      paramLabel = "LIST",
      description = "The controller's variables: CSV (name,type,offset) or declarations.")
  private Path compare;

  @Option(
      names = "--side",
      paramLabel = "S",
      description = "outputs or inputs, with --compare. Default: ${DEFAULT-VALUE}.",
      defaultValue = "inputs")
  private Direction side;

  @Option(
      names = "--start-up",
      paramLabel = "LIST",
      description = "A start-up list: CSV (transition,index,subindex,value,bytes,comment).")
  private Path startUp;

  @Option(
      names = "--mode",
      paramLabel = "M",
      description = "The operating mode wanted, as of word --mode; offers what is missing for it.")
  private String mode;

  @Option(names = "--cycle", paramLabel = "MS", description = "The bus cycle in ms.")
  private Double cycleMs;

  /** Whether something is asked that takes one device. */
  boolean isAsked() {
    return compare != null || startUp != null || mode != null || cycleMs != null;
  }

  /** Looks a station over; returns whether all is well. */
  boolean lookOver(EsiTold told, StationSetup station) throws IOException {
    told.device(station);
    boolean well = told.doubts(station.doubts());
    List<StartUpCommand> commands = commands(station);
    StartUpCheck check = StartUpCheck.of(station, commands);
    told.startUp(check);
    well &= check.refused().isEmpty();
    if (compare != null) {
      ImageComparison comparison =
          ImageComparison.of(
              ProcessImage.of(station).side(side),
              VariableList.read(
                  String.valueOf(compare.getFileName()), Files.readAllBytes(compare)));
      told.comparison(comparison);
      well &= comparison.agrees();
    }
    Long cycle = cycleNs();
    if (mode != null) {
      told.offers(
          StartUpOffers.of(
              station, commands, OperatingMode.of(mode).number(), cycle == null ? 0 : cycle));
    }
    if (cycle != null) {
      ProcessImage image = ProcessImage.of(station);
      CycleReview review =
          CycleReview.of(
              BusCycle.of(
                  cycle,
                  List.of(image.bytes(Direction.OUTPUTS) + image.bytes(Direction.INPUTS)),
                  1));
      told.cycle(review);
      well &= review.doubts().isEmpty();
    }
    return well;
  }

  private @Nullable Long cycleNs() {
    if (cycleMs == null) {
      return null;
    }
    if (!(cycleMs > 0)) {
      throw new IllegalArgumentException("--cycle %s; expected ms above 0".formatted(cycleMs));
    }
    return Math.round(cycleMs * NS_PER_MS);
  }

  /** The device's own commands, its modules', the mapping, then the list that is given. */
  private List<StartUpCommand> commands(StationSetup station) throws IOException {
    List<StartUpCommand> commands = new ArrayList<>(station.startUp());
    commands.addAll(MappingObjects.of(station));
    if (startUp != null) {
      commands.addAll(
          StartUpCsv.read(String.valueOf(startUp.getFileName()), Files.readAllBytes(startUp)));
    }
    return commands;
  }
}

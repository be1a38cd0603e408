package unimotus.workbench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.machine.Project;
import unimotus.core.processdata.StationDesign;
import unimotus.formats.esi.StationCsv;

/** Images and start-up lists of a project's stations out to files. */
public final class StationLists {
  private StationLists() {}

  /** The stations of a project with their descriptions, in the order of the cable. */
  public static List<StationDesign> designs(Project project, DescriptionCatalogue catalogue) {
    return project.stations().stream().map(s -> StationDesign.of(s, catalogue)).toList();
  }

  /** Writes stations as a table. */
  interface Table {
    /** Gives how many rows there are. */
    int write(List<StationDesign> designs, Appendable out) throws IOException;
  }

  /**
   * Writes a table of all stations.
   *
   * @return how many rows it has
   * @throws IllegalArgumentException where there is no station, or one that is not described:
   *     nothing is written that would not be all of it
   * @throws IOException where it cannot be written
   */
  static int write(Path file, Project project, DescriptionCatalogue catalogue, Table table)
      throws IOException {
    List<StationDesign> designs = designs(project, catalogue);
    if (designs.isEmpty()) {
      throw new IllegalArgumentException("the project has no stations of a process-data fieldbus");
    }
    for (StationDesign each : designs) {
      if (each.known().isEmpty()) {
        throw new IllegalArgumentException(
            "%s: %s".formatted(each.station().name(), each.obstacle()));
      }
    }
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      return table.write(designs, out);
    }
  }

  /** Every place of every image. */
  static int writeImages(Path file, Project project, DescriptionCatalogue catalogue)
      throws IOException {
    return write(file, project, catalogue, StationCsv::writeImages);
  }

  /** Every object of every start-up list, with what the station would answer. */
  static int writeStartUp(Path file, Project project, DescriptionCatalogue catalogue)
      throws IOException {
    return write(file, project, catalogue, StationCsv::writeStartUp);
  }
}

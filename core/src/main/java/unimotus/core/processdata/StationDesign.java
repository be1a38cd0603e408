package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.machine.BusStation;

/**
 * A station of a project with its description.
 *
 * @param station the station
 * @param setup what it is by its description; null where that is not known
 * @param obstacle why not; empty where it is
 */
public record StationDesign(BusStation station, @Nullable StationSetup setup, String obstacle) {

  /** Looks a station up. */
  public static StationDesign of(BusStation station, DescriptionCatalogue catalogue) {
    Optional<DescriptionCatalogue.Found> found =
        catalogue.device(station.vendor(), station.product(), station.revision());
    if (found.isEmpty()) {
      return without(station, undescribed(station, catalogue));
    }
    StationSetup setup = StationSetup.delivered(found.get().description(), found.get().device());
    if (station.modules().size() > setup.modules().size()) {
      return without(
          station,
          "%s has %d slots; %d modules are in the project"
              .formatted(station.type(), setup.modules().size(), station.modules().size()));
    }
    for (int slot = 0; slot < station.modules().size(); slot++) {
      long ident = station.modules().get(slot);
      EsiModule module = found.get().description().module(ident).orElse(null);
      if (module == null && ident != 0) {
        return without(
            station,
            "the module 0x%08X in slot %d of %s is not described"
                .formatted(ident, slot, station.name()));
      }
      setup = setup.withModule(slot, module);
    }
    List<Integer> image = station.image();
    return new StationDesign(
        station, image == null ? setup : setup.withChosen(new HashSet<>(image)), "");
  }

  private static StationDesign without(BusStation station, String obstacle) {
    return new StationDesign(station, null, obstacle);
  }

  private static String undescribed(BusStation station, DescriptionCatalogue catalogue) {
    List<Long> revisions = catalogue.revisions(station.vendor(), station.product());
    String wanted = "%s, revision 0x%08X".formatted(station.type(), station.revision());
    return revisions.isEmpty()
        ? "no description of %s at hand".formatted(wanted)
        : "no description of %s at hand; there are %s"
            .formatted(
                wanted,
                revisions.stream().map("0x%08X"::formatted).collect(Collectors.joining(", ")));
  }

  /** What it is by its description; empty where that is not known. */
  public Optional<StationSetup> known() {
    return Optional.ofNullable(setup);
  }

  /**
   * All that is written at start-up, in order: what device and modules want, what tells it its
   * image, and what the project wants.
   */
  public List<StartUpCommand> startUp() {
    List<StartUpCommand> commands = new ArrayList<>();
    if (setup != null) {
      commands.addAll(setup.startUp());
      commands.addAll(MappingObjects.of(setup));
    }
    commands.addAll(station.startUp());
    return commands;
  }
}

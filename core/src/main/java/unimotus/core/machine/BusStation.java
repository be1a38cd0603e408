package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.StartUpCommand;

/**
 * A station of a process-data fieldbus; its place in the project is its place in the cable.
 *
 * @param id its id
 * @param name what people call it
 * @param type the order text of the device, for people
 * @param vendor the vendor's number
 * @param product the product code
 * @param revision the revision
 * @param alias the address it keeps; 0 where none was given to it
 * @param modules what stands in each slot, by ident; 0 for an empty one; empty where the device is
 *     as delivered
 * @param image the process data objects in the image, by number; null for those as delivered
 * @param startUp what the project wants to be written at start-up besides what the device wants
 * @param drive id of the drive it is the way to; empty for none
 */
@RecordBuilder
public record BusStation(
    String id,
    String name,
    String type,
    long vendor,
    long product,
    long revision,
    int alias,
    List<Long> modules,
    @Nullable List<Integer> image,
    List<StartUpCommand> startUp,
    String drive)
    implements BusStationBuilder.With {

  /** Takes copies. */
  public BusStation {
    modules = List.copyOf(modules);
    image = image == null ? null : List.copyOf(image);
    startUp = List.copyOf(startUp);
  }

  /** This station with another image; null for the one as delivered. */
  public BusStation carrying(@Nullable List<Integer> next) {
    return new BusStation(
        id, name, type, vendor, product, revision, alias, modules, next, startUp, drive);
  }
}

package unimotus.core.esi;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A device in one revision.
 *
 * @param type the order text, such as {@code SD-2}
 * @param name its name
 * @param productCode the product code
 * @param revision the revision
 * @param group the kind of device; empty where none is said
 * @param syncManagers its sync managers, by number
 * @param pdos its process data objects, those of modules not among them
 * @param mailbox what its mailbox can do; null where it has none
 * @param startUp what it wants to be written at start-up
 * @param clockModes how it can be synchronised
 * @param slots where modules can stand; null where none can
 * @param dictionary its objects; empty where the file has none
 */
@RecordBuilder
public record EsiDevice(
    String type,
    String name,
    long productCode,
    long revision,
    String group,
    List<SyncManager> syncManagers,
    List<Pdo> pdos,
    @Nullable Mailbox mailbox,
    List<StartUpCommand> startUp,
    List<ClockMode> clockModes,
    @Nullable Slots slots,
    ObjectDictionary dictionary)
    implements EsiDeviceBuilder.With {

  /** Takes copies. */
  public EsiDevice {
    syncManagers = List.copyOf(syncManagers);
    pdos = List.copyOf(pdos);
    startUp = List.copyOf(startUp);
    clockModes = List.copyOf(clockModes);
  }
}

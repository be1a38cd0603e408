package unimotus.core.esi;

import java.util.List;
import java.util.Optional;

/**
 * Devices and modules of one vendor.
 *
 * @param vendorId the vendor's number
 * @param vendorName the vendor's name; empty where the file has none
 * @param groups what kinds of device there are
 * @param devices every device in every revision, in the order of the file
 * @param modules what can stand in a device's slots
 */
public record DeviceDescription(
    long vendorId,
    String vendorName,
    List<Group> groups,
    List<EsiDevice> devices,
    List<EsiModule> modules) {

  /**
   * A kind of device.
   *
   * @param type the word devices name it by
   * @param name its name
   */
  public record Group(String type, String name) {}

  /** Takes copies. */
  public DeviceDescription {
    groups = List.copyOf(groups);
    devices = List.copyOf(devices);
    modules = List.copyOf(modules);
  }

  /** The module with this ident; empty where there is none. */
  public Optional<EsiModule> module(long ident) {
    return modules.stream().filter(m -> m.ident() == ident).findFirst();
  }

  /** Every device of this type, in each of its revisions. */
  public List<EsiDevice> ofType(String type) {
    return devices.stream().filter(d -> d.type().equals(type)).toList();
  }

  /** The device with this product code and revision; empty where there is none. */
  public Optional<EsiDevice> device(long productCode, long revision) {
    return devices.stream()
        .filter(d -> d.productCode() == productCode && d.revision() == revision)
        .findFirst();
  }
}

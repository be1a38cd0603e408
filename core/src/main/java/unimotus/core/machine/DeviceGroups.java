package unimotus.core.machine;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The devices of a line in groups that wires join; what happens in one leaves the others alone. */
public final class DeviceGroups {
  private DeviceGroups() {}

  /**
   * Devices that wires join, directly or over others.
   *
   * @param devices ids of the devices, in the line's order; never empty
   * @param wires the wires between them, in the line's order; possibly empty
   */
  public record Group(List<String> devices, List<Wire> wires) {}

  /** Every device of the line in one group, ordered by their first devices. */
  static List<Group> of(Project project) {
    Joined<String> joined = new Joined<>();
    project.wires().forEach(w -> joined.join(w.from().device(), w.to().device()));
    Map<String, Group> groups = new LinkedHashMap<>();
    for (Device device : project.devices()) {
      groups
          .computeIfAbsent(
              joined.of(device.id()), k -> new Group(new ArrayList<>(), new ArrayList<>()))
          .devices()
          .add(device.id());
    }
    for (Wire wire : project.wires()) {
      // Wires among motors and names that are not there belong to no device.
      Group group = groups.get(joined.of(wire.from().device()));
      if (group != null) {
        group.wires().add(wire);
      }
    }
    return List.copyOf(groups.values());
  }
}

package unimotus.core.discrete;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Device;
import unimotus.core.machine.DeviceGroups;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.PlacedDevice;

/**
 * The supplies of a whole line looked over, each group of joined devices as a circuit of its own:
 * after an edit only the group it touched is solved again. Immutable.
 */
public final class LineSupplies {
  private final Map<String, Checked> groups;

  private LineSupplies(Map<String, Checked> groups) {
    this.groups = groups;
  }

  /** A group of placed devices with what was found of it. */
  private record Checked(
      List<PlacedDevice> devices, List<Wire> wires, List<SupplyChecks.Fault> faults) {

    /**
     * Whether nothing of the group was exchanged; by identity, for every edit makes new objects.
     */
    @SuppressWarnings("ReferenceEquality")
    boolean holdsFor(List<PlacedDevice> nextDevices, List<Wire> nextWires) {
      boolean same = nextDevices.size() == devices.size() && nextWires.equals(wires);
      for (int i = 0; same && i < devices.size(); i++) {
        same =
            nextDevices.get(i).device() == devices.get(i).device()
                && nextDevices.get(i).sheet() == devices.get(i).sheet();
      }
      return same;
    }
  }

  /**
   * Looks over the supplies of a line; devices whose sheet is not known are left out.
   *
   * @param groups the devices of the line by what joins them
   * @param previous the supplies before an edit, from which what is unchanged is taken over; null
   *     for a first look
   */
  public static LineSupplies of(
      Project project,
      SheetCatalogue sheets,
      List<DeviceGroups.Group> groups,
      @Nullable LineSupplies previous) {
    Map<String, PlacedDevice> all = placed(project, sheets);
    Map<String, Checked> found = new LinkedHashMap<>();
    for (DeviceGroups.Group group : groups) {
      List<PlacedDevice> placed =
          group.devices().stream().filter(all::containsKey).map(all::get).toList();
      String first = group.devices().get(0);
      Checked before = previous == null ? null : previous.groups.get(first);
      found.put(
          first,
          before != null && before.holdsFor(placed, group.wires())
              ? before
              : checked(placed, group.wires()));
    }
    return new LineSupplies(found);
  }

  private static Map<String, PlacedDevice> placed(Project project, SheetCatalogue sheets) {
    Map<String, PlacedDevice> placed = new HashMap<>();
    for (Device device : project.devices()) {
      sheets
          .find(device.sheet())
          .ifPresent(s -> placed.put(device.id(), new PlacedDevice(device, s)));
    }
    return placed;
  }

  private static Checked checked(List<PlacedDevice> placed, List<Wire> wires) {
    return new Checked(placed, wires, SupplyChecks.of(Installation.of(placed, wires)));
  }

  /** Everything that is wrong, group by group; possibly empty. */
  public List<SupplyChecks.Fault> faults() {
    return groups.values().stream().flatMap(g -> g.faults().stream()).toList();
  }
}

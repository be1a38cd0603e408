package unimotus.workbench.board;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import unimotus.core.machine.Wire;
import unimotus.core.wiring.PlacedDevice;

/**
 * What is on the board.
 *
 * @param devices the devices
 * @param terminals of each device the terminals to show, by its id
 * @param wires the wires
 */
public record BoardContents(
    List<PlacedDevice> devices, Map<String, List<String>> terminals, List<Wire> wires) {

  /** Takes copies. */
  public BoardContents {
    devices = List.copyOf(devices);
    terminals = Map.copyOf(terminals);
    wires = List.copyOf(wires);
  }

  /**
   * The terminals of a device that are shown; possibly empty.
   *
   * @throws NullPointerException naming it, where it is not on the board
   */
  public List<String> terminals(PlacedDevice device) {
    return Objects.requireNonNull(terminals.get(device.id()), device::id);
  }
}

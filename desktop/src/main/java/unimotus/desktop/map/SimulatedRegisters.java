package unimotus.desktop.map;

import java.util.Optional;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.ServoRegisters;

/** The registers a simulated drive of an axis has. */
final class SimulatedRegisters {
  private SimulatedRegisters() {}

  static RegisterMap of(Optional<AxisAssembly> axis) {
    return axis.filter(AxisAssembly::isServo).isPresent()
        ? ServoRegisters.map()
        : DriveRegisters.map();
  }
}

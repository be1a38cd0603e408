package unimotus.devices.drive;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterEntry.Access;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.RegisterType;
import unimotus.core.fieldbus.WordOrder;

/** The registers every stand-in drive has. */
public enum DriveRegisters {
  CONTROL_WORD("control word", false, 0, RegisterType.BITS_16, 1, "", 0, 65_535),
  REFERENCE("frequency reference", false, 1, RegisterType.SIGNED_16, 0.01, "Hz", -320, 320),
  LINK_TIMEOUT("link time-out", false, 2, RegisterType.UNSIGNED_16, 0.1, "s", 0, 60),
  STATUS_WORD("status word", true, 0, RegisterType.BITS_16, 1, "", 0, 65_535),
  OUTPUT("output frequency", true, 1, RegisterType.SIGNED_16, 0.01, "Hz", -320, 320),
  SPEED("shaft speed", true, 2, RegisterType.SIGNED_16, 1, "rpm", -19_200, 19_200),
  CURRENT("motor current", true, 3, RegisterType.UNSIGNED_16, 0.01, "A", 0, 600),
  TORQUE("motor torque", true, 4, RegisterType.SIGNED_16, 0.1, "N·m", -3000, 3000),
  FAULT("fault code", true, 5, RegisterType.UNSIGNED_16, 1, "", 0, 65_535),
  MILLISECONDS("time since power on", true, 6, RegisterType.UNSIGNED_32, 0.001, "s", 0, 4_000_000);

  private final RegisterEntry entry;

  DriveRegisters(
      String name,
      boolean input,
      int address,
      RegisterType type,
      double scale,
      String unit,
      double least,
      double most) {
    entry =
        new RegisterEntry(
            name,
            input ? RegisterTable.INPUT_REGISTER : RegisterTable.HOLDING_REGISTER,
            address,
            type,
            WordOrder.ABCD,
            scale,
            0,
            unit,
            least,
            most,
            input ? Access.READ : Access.READ_WRITE,
            input ? "actual" : "command");
  }

  /** Where it stands and what it means. */
  public RegisterEntry entry() {
    return entry;
  }

  /** All of them as a map. */
  public static RegisterMap map() {
    List<RegisterEntry> entries = new ArrayList<>();
    for (DriveRegisters register : values()) {
      entries.add(register.entry());
    }
    return new RegisterMap(entries);
  }
}

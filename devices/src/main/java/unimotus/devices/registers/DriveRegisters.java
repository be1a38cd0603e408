package unimotus.devices.registers;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;

/** The registers every stand-in drive has. */
public enum DriveRegisters {
  CONTROL_WORD("control word", false, 0, ValueType.BITS_16, Scaling.PLAIN, Limits.WORD),
  REFERENCE("frequency reference", false, 1, ValueType.SIGNED_16, Steps.HERTZ, Steps.FREQUENCIES),
  LINK_TIMEOUT(
      "link time-out", false, 2, ValueType.UNSIGNED_16, Scaling.of(0.1, "s"), new Limits(0, 60)),
  STATUS_WORD("status word", true, 0, ValueType.BITS_16, Scaling.PLAIN, Limits.WORD),
  OUTPUT("output frequency", true, 1, ValueType.SIGNED_16, Steps.HERTZ, Steps.FREQUENCIES),
  SPEED(
      "shaft speed",
      true,
      2,
      ValueType.SIGNED_16,
      Scaling.of(1, "rpm"),
      new Limits(-19_200, 19_200)),
  CURRENT(
      "motor current", true, 3, ValueType.UNSIGNED_16, Scaling.of(0.01, "A"), new Limits(0, 600)),
  TORQUE(
      "motor torque",
      true,
      4,
      ValueType.SIGNED_16,
      Scaling.of(0.1, "N·m"),
      new Limits(-3000, 3000)),
  FAULT("fault code", true, 5, ValueType.UNSIGNED_16, Scaling.PLAIN, Limits.WORD),
  MILLISECONDS(
      "time since power on",
      true,
      6,
      ValueType.UNSIGNED_32,
      Scaling.of(0.001, "s"),
      new Limits(0, 4_000_000));

  /** What several of them share. */
  private static final class Steps {
    static final Scaling HERTZ = Scaling.of(0.01, "Hz");
    static final Limits FREQUENCIES = new Limits(-320, 320);
  }

  private final RegisterEntry entry;

  DriveRegisters(
      String name, boolean input, int address, ValueType type, Scaling scaling, Limits limits) {
    Access access = input ? Access.READ : Access.READ_WRITE;
    RegisterTable table = input ? RegisterTable.INPUT_REGISTER : RegisterTable.HOLDING_REGISTER;
    entry =
        new RegisterEntry(
            DriveValue.named(name, type, scaling, limits, access),
            new RegisterPlace(table, address, WordOrder.ABCD, input ? "actual" : "command"));
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

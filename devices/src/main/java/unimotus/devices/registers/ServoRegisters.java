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

/** The registers every servo stand-in has; positions and speeds are counts of its drive. */
public enum ServoRegisters {
  CONTROL_WORD("control word", false, 0, ValueType.BITS_16),
  MODE("operating mode", false, 1, ValueType.SIGNED_16),
  TARGET_POSITION("target position", false, 2, ValueType.SIGNED_32),
  TARGET_VELOCITY("target velocity", false, 4, ValueType.SIGNED_32),
  PROFILE_VELOCITY("profile velocity", false, 6, ValueType.UNSIGNED_32),
  FOLLOWING_WINDOW("following error window", false, 8, ValueType.UNSIGNED_32),
  HOMING_METHOD("homing method", false, 10, ValueType.SIGNED_16),
  HOME_OFFSET("home offset", false, 11, ValueType.SIGNED_32),
  LINK_TIMEOUT("link time-out", false, 13, ValueType.UNSIGNED_16),
  STATUS_WORD("status word", true, 0, ValueType.BITS_16),
  MODE_SHOWN("operating mode shown", true, 1, ValueType.SIGNED_16),
  POSITION("actual position", true, 2, ValueType.SIGNED_32),
  VELOCITY("actual velocity", true, 4, ValueType.SIGNED_32),
  FAULT("fault code", true, 6, ValueType.UNSIGNED_16),
  SWITCHES("limit switches", true, 7, ValueType.BITS_16),
  FOLLOWING("following error", true, 8, ValueType.SIGNED_32);

  private final RegisterEntry entry;

  ServoRegisters(String name, boolean input, int address, ValueType type) {
    boolean isTime = name.equals("link time-out");
    Scaling scaling = isTime ? Scaling.of(Steps.TENTH_SECOND, "s") : Scaling.PLAIN;
    Limits limits = isTime ? new Limits(0, 60) : new Limits(type.least(), type.most());
    entry =
        new RegisterEntry(
            DriveValue.named(name, type, scaling, limits, input ? Access.READ : Access.READ_WRITE),
            new RegisterPlace(
                input ? RegisterTable.INPUT_REGISTER : RegisterTable.HOLDING_REGISTER,
                address,
                WordOrder.ABCD,
                input ? "actual" : "command"));
  }

  /** What the constants are built with, which an enumeration cannot hold itself by then. */
  private static final class Steps {
    static final double TENTH_SECOND = 0.1;
  }

  /** Where it stands and what it means. */
  public RegisterEntry entry() {
    return entry;
  }

  /** All of them as a map. */
  public static RegisterMap map() {
    List<RegisterEntry> entries = new ArrayList<>();
    for (ServoRegisters register : values()) {
      entries.add(register.entry());
    }
    return new RegisterMap(entries);
  }
}

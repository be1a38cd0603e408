package unimotus.core.fieldbus;

import java.util.Arrays;
import java.util.Locale;

/** What a register is to the program; told by its name where nobody says otherwise. */
public enum RegisterRole {
  NONE("none"),
  CONTROL_WORD("control word", "command word", "controlword"),
  REFERENCE("reference", "frequency reference", "speed reference", "setpoint"),
  LINK_TIMEOUT("link time-out", "communication time-out", "communication timeout"),
  STATUS_WORD("status word", "statusword"),
  OUTPUT_FREQUENCY("output frequency", "actual frequency"),
  SHAFT_SPEED("shaft speed", "motor speed", "actual speed"),
  MOTOR_CURRENT("motor current", "output current"),
  MOTOR_TORQUE("motor torque", "torque"),
  FAULT_CODE("fault code", "fault", "last fault", "error code");

  private final String[] names;

  RegisterRole(String... names) {
    this.names = names;
  }

  /** The words shown. */
  public String label() {
    return names[0];
  }

  /** The role a name in a manual stands for; {@link #NONE} where it is no such name. */
  public static RegisterRole ofName(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(r -> r != NONE && Arrays.asList(r.names).contains(plain))
        .findFirst()
        .orElse(NONE);
  }
}

package unimotus.core.value;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;

/** What a register is to the program; told by its name where nobody says otherwise. */
public enum ValueRole {
  NONE("none"),
  CONTROL_WORD("control word", "command word", "controlword"),
  REFERENCE("reference", "frequency reference", "speed reference", "setpoint"),
  LINK_TIMEOUT("link time-out", "communication time-out", "communication timeout"),
  STATUS_WORD("status word", "statusword"),
  OUTPUT_FREQUENCY("output frequency", "actual frequency"),
  SHAFT_SPEED("shaft speed", "motor speed", "actual speed"),
  MOTOR_CURRENT("motor current", "output current"),
  MOTOR_TORQUE("motor torque", "torque"),
  FAULT_CODE("fault code", "fault", "last fault", "error code"),
  TARGET_POSITION("target position", "position reference"),
  ACTUAL_POSITION("actual position", "position actual value"),
  FOLLOWING_ERROR("following error", "following error actual value");

  private final String[] names;

  ValueRole(String... names) {
    this.names = names;
  }

  /** The words shown. */
  public String label() {
    return names[0];
  }

  /** Whether a value of this meaning may be counted in a unit. */
  public boolean isCountedIn(String unit) {
    Optional<MeasureUnit> known = MeasureUnit.ofSymbol(unit.strip());
    return switch (this) {
      case REFERENCE, OUTPUT_FREQUENCY, SHAFT_SPEED ->
          is(known, Dimension.FREQUENCY, Dimension.ROTATION, Dimension.RATIO) && !unit.isBlank();
      case LINK_TIMEOUT -> is(known, Dimension.TIME);
      case MOTOR_CURRENT -> is(known, Dimension.CURRENT, Dimension.RATIO);
      case MOTOR_TORQUE -> is(known, Dimension.TORQUE, Dimension.RATIO);
      default -> true;
    };
  }

  private static boolean is(Optional<MeasureUnit> unit, Dimension... these) {
    return unit.map(MeasureUnit::dimension).filter(Arrays.asList(these)::contains).isPresent();
  }

  /** The role a name in a manual stands for; {@link #NONE} where it is no such name. */
  public static ValueRole ofName(String name) {
    String plain = name.strip().toLowerCase(Locale.ROOT);
    return Arrays.stream(values())
        .filter(r -> r != NONE && Arrays.asList(r.names).contains(plain))
        .findFirst()
        .orElse(NONE);
  }
}

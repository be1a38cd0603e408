package unimotus.core.sheet;

/** What a terminal does in its circuit. */
public enum TerminalRole {
  /** Positive pole of a 24 V supply. */
  SUPPLY_24V,
  /** Negative pole of a supply, the 0 V reference. */
  COMMON_0V,
  /** Binary input whose sense follows the device's source/sink selector. */
  DIGITAL_INPUT,
  /** Shared return of a group of binary inputs. */
  INPUT_COMMON,
  /** Transistor output that switches +24 V out. */
  SOURCING_OUTPUT,
  /** Transistor output that switches to 0 V. */
  SINKING_OUTPUT,
  /** Switched side of a dry contact; its {@code common} is the other side. */
  RELAY_CONTACT,
  /** Fed side of a dry contact. */
  RELAY_COMMON,
  ANALOG_INPUT,
  ANALOG_OUTPUT,
  ANALOG_COMMON,
  /** Supply of a potentiometer. */
  REFERENCE_10V,
  /** One channel of the safe torque off function. */
  SAFE_TORQUE_OFF;

  /** Whether a program can switch this terminal on and off. */
  public boolean isBinaryOutput() {
    return this == SOURCING_OUTPUT || this == SINKING_OUTPUT || this == RELAY_CONTACT;
  }
}

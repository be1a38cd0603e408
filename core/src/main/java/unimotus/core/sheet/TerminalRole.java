package unimotus.core.sheet;

import static unimotus.core.sheet.Figure.BEARS_AMPERES;
import static unimotus.core.sheet.Figure.BURDEN_OHMS;
import static unimotus.core.sheet.Figure.DROP_VOLTS;
import static unimotus.core.sheet.Figure.FORWARD_VOLTS;
import static unimotus.core.sheet.Figure.INPUT_OHMS;
import static unimotus.core.sheet.Figure.LEAKAGE_AMPERES;
import static unimotus.core.sheet.Figure.LEAST_AMPERES;
import static unimotus.core.sheet.Figure.LEAST_OHMS;
import static unimotus.core.sheet.Figure.LIMIT_AMPERES;
import static unimotus.core.sheet.Figure.MOST_OHMS;
import static unimotus.core.sheet.Figure.OFF_VOLTS;
import static unimotus.core.sheet.Figure.OHMS;
import static unimotus.core.sheet.Figure.ON_AMPERES;
import static unimotus.core.sheet.Figure.ON_VOLTS;
import static unimotus.core.sheet.Figure.PULL_IN_VOLTS;
import static unimotus.core.sheet.Figure.VOLTS;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;

/**
 * What a terminal does in its circuit, with the figures its electrical model takes and what is
 * typical for each (common practice).
 */
public enum TerminalRole {
  /** Positive pole of a 24 V supply; its {@code common} is the negative. */
  SUPPLY_24V("24 V supply", Map.of(VOLTS, 24.0, OHMS, 0.05, LIMIT_AMPERES, 2.0)),
  /** Negative pole of a supply, the 0 V reference. */
  COMMON_0V("0 V", Map.of()),
  /** Binary input whose sense follows the device's source/sink selector. */
  DIGITAL_INPUT("binary input", Typical.BINARY_INPUT),
  /** Binary input with two light-emitting diodes back to back: either polarity switches it. */
  EITHER_WAY_INPUT("binary input, either polarity", Typical.BINARY_INPUT),
  /**
   * Isolated input of one light-emitting diode with both its ends brought out: on while current
   * flows from this terminal to its {@code common}.
   */
  OPTO_INPUT("isolated input, plus end", Typical.OPTO_INPUT),
  /** Shared return of a group of binary inputs. */
  INPUT_COMMON("common of binary inputs", Map.of()),
  /** Transistor output that switches +24 V out. */
  SOURCING_OUTPUT(
      "sourcing output", Map.of(DROP_VOLTS, 0.5, LEAKAGE_AMPERES, 0.0005, LIMIT_AMPERES, 0.5)),
  /** Transistor output that switches to 0 V. */
  SINKING_OUTPUT(
      "sinking output", Map.of(DROP_VOLTS, 0.5, LEAKAGE_AMPERES, 0.0005, LIMIT_AMPERES, 0.5)),
  /**
   * Transistor output made for pulses. Its sense and its voltage follow the switches of the device;
   * sinking it closes to its {@code common}.
   */
  PULSE_OUTPUT(
      "pulse output", Map.of(DROP_VOLTS, 0.5, LEAKAGE_AMPERES, 0.0001, LIMIT_AMPERES, 0.3)),
  /** Line driver: on it drives current to its {@code common}, off the other way round. */
  LINE_DRIVER("line driver, true end", Map.of(VOLTS, 4.5, OHMS, 25.0, LIMIT_AMPERES, 0.05)),
  /** One end of a resistor; its {@code common} is the other. */
  RESISTOR("resistor", Map.of(OHMS, 2200.0)),
  /** Switched side of a dry contact; its {@code common} is the other side. */
  RELAY_CONTACT("contact, switched side", Map.of(LEAST_AMPERES, 0.001, LIMIT_AMPERES, 2.0)),
  /** Fed side of a dry contact. */
  RELAY_COMMON("contact, fed side", Map.of()),
  ANALOG_INPUT("analog input", Map.of(INPUT_OHMS, 100_000.0, BURDEN_OHMS, 250.0)),
  ANALOG_OUTPUT("analog output", Map.of(LEAST_OHMS, 1000.0, MOST_OHMS, 500.0)),
  ANALOG_COMMON("analog common", Map.of()),
  /** Supply of a potentiometer. */
  REFERENCE_10V("10 V for a potentiometer", Map.of(VOLTS, 10.0, OHMS, 1.0, LIMIT_AMPERES, 0.01)),
  /** One channel of the safe torque off function. */
  SAFE_TORQUE_OFF("safe torque off", Map.of(INPUT_OHMS, 3300.0, ON_VOLTS, 15.0, OFF_VOLTS, 5.0)),
  /** One channel of a device that watches a two-channel safety circuit. */
  SAFETY_INPUT("safety input", Map.of(INPUT_OHMS, 3300.0, ON_VOLTS, 15.0, OFF_VOLTS, 5.0)),
  /** Where the reset button and the feedback of what is switched come back. */
  RESET_INPUT("reset and feedback", Map.of(INPUT_OHMS, 4700.0, ON_VOLTS, 15.0, OFF_VOLTS, 5.0)),
  /** Where a device gets its 24 V; below the on voltage it does not work. */
  POWER_INPUT("fed with 24 V", Map.of(INPUT_OHMS, 300.0, ON_VOLTS, 19.2, OFF_VOLTS, 12.0)),
  /** Semiconductor safety output that tests itself; its {@code common} is what feeds it. */
  SAFETY_OUTPUT(
      "safety output, tests itself",
      Map.of(DROP_VOLTS, 1.0, LEAKAGE_AMPERES, 0.0002, LIMIT_AMPERES, 0.5)),
  /** Source of test pulses for a two-channel safety circuit. */
  TEST_PULSE_OUTPUT("test pulses", Map.of(VOLTS, 24.0, OHMS, 1.0, LIMIT_AMPERES, 0.1)),
  /** Fed end of a relay's or contactor's coil; its {@code common} is the other end. */
  COIL("coil", Map.of(OHMS, 600.0, PULL_IN_VOLTS, 16.8)),
  /** Upper end of a potentiometer's track; its {@code common} is the lower end. */
  TRACK("potentiometer track", Map.of(OHMS, 5000.0)),
  /** Wiper of a potentiometer; its {@code common} is the upper end of the track. */
  WIPER("potentiometer wiper", Map.of()),
  /** Protected side of a fuse or breaker; its {@code common} is the fed side. */
  FUSE("fuse, protected side", Map.of(OHMS, 0.05, LIMIT_AMPERES, 2.0)),
  /** A point that only joins wires, or the far end of a coil or track. */
  JUNCTION("junction", Map.of()),
  /** A conductor of the mains where it enters the panel. */
  MAINS("mains conductor", Map.of()),
  /** Where a drive or an infeed takes the mains. */
  LINE_INPUT("mains input", Map.of()),
  /** Positive conductor of a d.c. link: given by an infeed, taken by a drive. */
  LINK_PLUS("d.c. link +", Map.of()),
  /** Negative conductor of a d.c. link. */
  LINK_MINUS("d.c. link −", Map.of()),
  /** Load side of a main contact; its {@code common} is the line side. */
  MAIN_CONTACT("main contact, load side", Map.of()),
  /** Line side of a main contact. */
  MAIN_CONTACT_FEED("main contact, line side", Map.of()),
  /** Where a drive gives the motor its power. */
  MOTOR_OUTPUT("motor output", Map.of());

  private final String label;
  private final Map<Figure, Double> typical;

  TerminalRole(String label, Map<Figure, Double> typical) {
    this.label = label;
    Map<Figure, Double> sorted = new EnumMap<>(Figure.class);
    sorted.putAll(typical);
    this.typical = Collections.unmodifiableMap(sorted);
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** The figures of the electrical model with typical values; empty for a plain conductor. */
  public Map<Figure, Double> typical() {
    return typical;
  }

  /** The typical value of one figure; 0 where this role has none. */
  public double typical(Figure figure) {
    return typical.getOrDefault(figure, 0.0);
  }

  /** Whether a program can switch this terminal on and off. */
  public boolean isBinaryOutput() {
    return this == SOURCING_OUTPUT
        || this == SINKING_OUTPUT
        || this == RELAY_CONTACT
        || isPulseOutput();
  }

  /** Whether this terminal is a transistor that switches to one pole of its supply. */
  public boolean isTransistor() {
    return this == SOURCING_OUTPUT || this == SINKING_OUTPUT;
  }

  /** Whether this terminal is made to give pulses. */
  public boolean isPulseOutput() {
    return this == PULSE_OUTPUT || this == LINE_DRIVER;
  }

  /** Whether this terminal reads on or off. */
  public boolean isBinaryInput() {
    return this == DIGITAL_INPUT
        || this == EITHER_WAY_INPUT
        || this == OPTO_INPUT
        || isSafetyInput();
  }

  /** Whether this terminal is an input of a safety function or of the device that watches it. */
  public boolean isSafetyInput() {
    return this == SAFE_TORQUE_OFF
        || this == SAFETY_INPUT
        || this == RESET_INPUT
        || this == POWER_INPUT;
  }

  /** Whether a position of the part closes this contact or switches this output on. */
  public boolean isPositioned() {
    return this == RELAY_CONTACT || this == SAFETY_OUTPUT || this == MAIN_CONTACT;
  }

  /**
   * Whether this terminal belongs to the power side. Its wires are never solved with the control
   * circuit: they are followed from contact to contact.
   */
  public boolean isPower() {
    return switch (this) {
      case MAINS,
          LINE_INPUT,
          LINK_PLUS,
          LINK_MINUS,
          MAIN_CONTACT,
          MAIN_CONTACT_FEED,
          MOTOR_OUTPUT ->
          true;
      default -> false;
    };
  }

  /** Whether this terminal belongs to an analog channel. */
  public boolean isAnalog() {
    return this == ANALOG_INPUT
        || this == ANALOG_OUTPUT
        || this == ANALOG_COMMON
        || this == REFERENCE_10V
        || this == WIPER
        || this == TRACK;
  }

  /** What roles share; apart, because a constant cannot name a field of its own enum. */
  private static final class Typical {
    static final Map<Figure, Double> OPTO_INPUT =
        Map.of(
            FORWARD_VOLTS,
            1.2,
            INPUT_OHMS,
            270.0,
            ON_VOLTS,
            2.8,
            OFF_VOLTS,
            1.0,
            ON_AMPERES,
            0.006,
            BEARS_AMPERES,
            0.018);
    static final Map<Figure, Double> BINARY_INPUT =
        Map.of(
            FORWARD_VOLTS,
            1.5,
            INPUT_OHMS,
            4700.0,
            ON_VOLTS,
            15.0,
            OFF_VOLTS,
            5.0,
            ON_AMPERES,
            0.002,
            LIMIT_AMPERES,
            0.015);
  }
}

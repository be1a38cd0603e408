package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.analog.SignalRange;

/** What a setting means to the axis, whatever its code and name on one drive or another. */
public enum SettingRole {
  MOTOR_POWER,
  MOTOR_VOLTAGE,
  MOTOR_CURRENT,
  MOTOR_FREQUENCY,
  MOTOR_SPEED,
  MOTOR_POLES,
  OVERLOAD_CURRENT,
  /** Limit of the output current in amperes. */
  CURRENT_LIMIT,
  MINIMUM_FREQUENCY,
  MAXIMUM_FREQUENCY,
  /** Frequency the ramp times count to; a drive without it counts to its maximum frequency. */
  RAMP_BASE_FREQUENCY,
  /** Seconds from standstill to the frequency ramp times count to. */
  ACCELERATION_TIME,
  /** Seconds from the frequency ramp times count to, to standstill. */
  DECELERATION_TIME,
  /** {@code ramp} or {@code coast}. */
  STOP_MODE,
  /** {@code terminals}, {@code keypad} or {@code fieldbus}. */
  COMMAND_SOURCE,
  /**
   * A terminal id, {@code keypad}, {@code fieldbus} or {@code presets}; {@code loop} where the
   * drive's own loop makes it.
   */
  REFERENCE_SOURCE,
  /** Output frequency of one combination of the preset inputs. */
  PRESET_FREQUENCY,
  /** {@code two-wire} or {@code three-wire}. */
  CONTROL_WIRING,
  /** {@code allowed} or {@code blocked}: start with a run contact found closed at power-up. */
  RESTART_AT_POWER_UP,
  /**
   * {@code blocked}: after safe torque off only a new run command starts; {@code allowed}: one that
   * is still held does.
   */
  RESTART_AFTER_STO,
  /** Seconds from the demand of a safe stop 1 to safe torque off; entered twice. */
  SAFE_STOP_DELAY,
  /** Seconds from the frequency ramp times count to, to standstill in a safe stop 1. */
  SAFE_STOP_RAMP,
  /** {@code active-high} or {@code active-low}. */
  INPUT_LEVEL,
  /** {@code on} or {@code off}. */
  SLIP_COMPENSATION,
  /** Of one binary input: {@code run-forward}, {@code run-reverse}, {@code reset}, … */
  INPUT_FUNCTION,
  /**
   * The port that holds the manual request and with it the reference: {@code terminals}, {@code
   * keypad} or {@code fieldbus}.
   */
  MANUAL_OWNER,
  /**
   * Where the reference comes from while the manual request holds: an analog input, or {@code
   * keypad}; a drive without it follows the potentiometer that is wired.
   */
  MANUAL_REFERENCE,
  /** Of one contact or transistor output: the state of the drive it shows. */
  OUTPUT_FUNCTION,
  /** Of one analog input: the signal range. */
  ANALOG_RANGE,
  /** Of one analog input: output frequency at the low end of the range. */
  FREQUENCY_AT_LOW,
  /** Of one analog input: output frequency at the high end of the range. */
  FREQUENCY_AT_HIGH,
  /** Of one analog input: {@code on} turns low into high. */
  ANALOG_INVERT,
  /** Of one analog input: percent around zero that count as zero. */
  DEAD_BAND,
  /** Of one analog input: {@code fault}, {@code hold} or {@code none} on a lost live zero. */
  LOSS_ACTION,
  /** Of one analog output: the signal range. */
  ANSWER_RANGE,
  /** Of one analog output: the frequency shown as full scale. */
  ANSWER_FULL_SCALE,
  /** Of one analog output: what it shows, {@code frequency}, {@code current}, … or {@code none}. */
  ANSWER_MEANING,
  /** Of one analog output: full scale of what is no speed, in percent of its rated value. */
  ANSWER_FULL_SHARE,
  /** Of one analog output: what the low end of its range shows, in percent of full scale. */
  ANSWER_LOW,
  /** The application the works' values are made for; entering it rewrites others. */
  MACRO,
  /** {@code 50} or {@code 60}; entering it rewrites others. */
  BASE_FREQUENCY,
  /** {@code none}, {@code all} or {@code keep-link}; falls back to {@code none} by itself. */
  FACTORY_RESET,
  /** {@code basic} or {@code extended}: what of the menu is open. */
  ACCESS_LEVEL,
  /** {@code not-done} or {@code done}: shown by the drive, not entered. */
  AUTO_TUNE,
  /** {@code quadratic} for pumps and fans, {@code constant} for everything else. */
  TORQUE_CURVE,
  /** Kilohertz of the inverter. */
  CARRIER_FREQUENCY,
  /** Number of the drive on the fieldbus. */
  STATION_ADDRESS,
  /** Bits a second on the fieldbus. */
  BAUD_RATE,
  /** {@code none}, {@code even} or {@code odd}. */
  PARITY,
  /** Seconds without a message until the drive acts. */
  LINK_TIMEOUT,
  /** {@code fault}, {@code hold} or {@code stop} after that time. */
  LINK_LOSS_ACTION,
  /** Nominal voltage of the d.c. link, in volts. */
  LINK_VOLTAGE,
  /** {@code regulated} or {@code plain}: what feeds the d.c. link. */
  INFEED_KIND,
  /** {@code awaited}, or {@code forced} where the drive does not wait for it. */
  INFEED_READY,
  /** The analog input that measures what the drive's own loop holds. */
  LOOP_FEEDBACK,
  /** Process value at the low end of the feedback's signal, in the unit of the loop. */
  LOOP_LOW,
  /** Process value at the high end of the feedback's signal, in the unit of the loop. */
  LOOP_HIGH,
  /** The unit that the loop shows its values in. */
  LOOP_UNIT,
  /** A terminal id, {@code keypad} or {@code fieldbus}. */
  SETPOINT_SOURCE,
  /** Set-point from the keypad, in the unit of the loop. */
  SETPOINT,
  /** {@code raises} or {@code lowers}: what more speed does to the feedback. */
  LOOP_ACTION,
  /** Percent of speed for each percent of the feedback's span. */
  LOOP_GAIN,
  /** Seconds of the integral part; 0 for none. */
  LOOP_INTEGRAL,
  /** Seconds of the filter on the feedback. */
  LOOP_FILTER,
  /** Least output while the loop runs, beside the drive's own minimum frequency. */
  LOOP_MINIMUM,
  /** Output below which the drive goes to sleep; 0 where it never does. */
  SLEEP_LEVEL,
  /** Seconds below it until it sleeps. */
  SLEEP_DELAY,
  /** {@code from-start} or {@code after-level}: from when on they are counted. */
  SLEEP_ARMING,
  /** How far off the set-point it starts again, in the unit of the loop. */
  WAKE_DEVIATION,
  /** Seconds the feedback must be off so far. */
  WAKE_DELAY,
  /** Added to the set-point before it sleeps, in the unit of the loop. */
  SLEEP_BOOST,
  /** Seconds after which it sleeps, reached or not. */
  SLEEP_BOOST_TIME;

  private static final List<String> ON_OFF = Option.words(Option.ON, Option.OFF);
  private static final Set<SettingRole> MOTOR_DATA =
      EnumSet.of(
          MOTOR_POWER,
          MOTOR_VOLTAGE,
          MOTOR_CURRENT,
          MOTOR_FREQUENCY,
          MOTOR_SPEED,
          MOTOR_POLES,
          OVERLOAD_CURRENT);

  /** Whether it tells the drive about its motor, the overload included. */
  public boolean isOfTheMotor() {
    return MOTOR_DATA.contains(this);
  }

  /**
   * Whether what is entered stays entered: an auto-tune is shown by the drive, a reset falls back
   * by itself.
   */
  public boolean isKept() {
    return this != AUTO_TUNE && this != FACTORY_RESET;
  }

  /** Words that may stand for a choice of this meaning; empty where any may. */
  private List<String> known() {
    return switch (this) {
      case STOP_MODE -> Option.words(Option.RAMP, Option.COAST);
      case COMMAND_SOURCE, MANUAL_OWNER ->
          Option.words(Option.TERMINALS, Option.KEYPAD, Option.FIELDBUS);
      case CONTROL_WIRING -> Option.words(Option.TWO_WIRE, Option.THREE_WIRE);
      case RESTART_AT_POWER_UP, RESTART_AFTER_STO -> Option.words(Option.ALLOWED, Option.BLOCKED);
      case INPUT_LEVEL -> Option.words(Option.ACTIVE_HIGH, Option.ACTIVE_LOW);
      case SLIP_COMPENSATION, ANALOG_INVERT -> ON_OFF;
      case INPUT_FUNCTION, OUTPUT_FUNCTION -> meanings();
      case ANSWER_MEANING -> outputQuantities();
      case ANALOG_RANGE, ANSWER_RANGE ->
          Arrays.stream(SignalRange.values()).map(SignalRange::label).toList();
      case LOSS_ACTION -> Option.words(Option.NONE, Option.FAULT, Option.HOLD);
      case LINK_LOSS_ACTION -> Option.words(Option.FAULT, Option.HOLD, Option.STOP);
      case INFEED_KIND -> Option.words(Option.REGULATED, Option.PLAIN);
      case INFEED_READY -> Option.words(Option.AWAITED, Option.FORCED);
      case LOOP_ACTION -> Option.words(Option.RAISES, Option.LOWERS);
      case SLEEP_ARMING -> Option.words(Option.FROM_START, Option.AFTER_LEVEL);
      case PARITY -> Option.words(Option.NONE, Option.EVEN, Option.ODD);
      case TORQUE_CURVE -> Option.words(Option.CONSTANT, Option.QUADRATIC);
      case AUTO_TUNE -> Option.words(Option.NOT_DONE, Option.DONE);
      case ACCESS_LEVEL -> Option.words(Option.BASIC, Option.EXTENDED);
      case FACTORY_RESET -> Option.words(Option.NONE, Option.ALL, Option.KEEP_LINK);
      default -> List.of();
    };
  }

  private static List<String> outputQuantities() {
    List<String> words = new ArrayList<>(List.of("none"));
    Arrays.stream(OutputQuantity.values()).map(OutputQuantity::word).forEach(words::add);
    return words;
  }

  private static List<String> meanings() {
    List<String> words = new ArrayList<>(List.of("none"));
    Arrays.stream(Meaning.values()).map(Meaning::word).forEach(words::add);
    return words;
  }

  /** Whether the program understands a choice of this meaning. */
  public boolean takes(String word) {
    List<String> known = known();
    return known.isEmpty() || known.contains(word);
  }

  /** The words it understands, one after the other; empty where any will do. */
  public String words() {
    return String.join(", ", known());
  }
}

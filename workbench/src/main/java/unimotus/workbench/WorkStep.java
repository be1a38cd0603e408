package unimotus.workbench;

import unimotus.core.finding.Rule;

/** The stations of the work, in the order it is done. */
public enum WorkStep {
  IDENTIFY("Identify"),
  WIRE("Wire"),
  MAKE_SAFE("Make safe"),
  SET_UP("Set up"),
  MAP("Map"),
  DRY_RUN("Dry-run"),
  PROVE("Prove"),
  HAND_OVER("Hand over");

  private final String label;

  WorkStep(String label) {
    this.label = label;
  }

  /** The name shown to the user. */
  public String label() {
    return label;
  }

  /** The station where a finding of this rule is mended. */
  public static WorkStep of(Rule rule) {
    return switch (rule) {
      case AXIS_INCOMPLETE,
          UNKNOWN_SHEET,
          PLATE_PLAUSIBLE,
          DRIVE_CURRENT,
          FIRMWARE,
          VARIANT,
          DAMAGED,
          EFFICIENCY_CLASS,
          PLATE_CURRENT,
          SERVO_PLATE,
          MOTOR_ON_DRIVE,
          MOTOR_VOLTAGE,
          WINDING_VOLTAGE,
          POWER_SIDE,
          SWITCH_POSITION,
          PRESET_UNKNOWN,
          NAME_LEADS_NOWHERE ->
          IDENTIFY;
      case UNKNOWN_TERMINAL,
          REFERENCE_UNWIRED,
          PRESET_MISSING,
          SOURCE_SINK,
          PULSES_LOST,
          PULSE_OUTPUT,
          RESISTOR_HEAT,
          PULSE_CABLE,
          NO_COMMON,
          USED_TWICE,
          NO_PERMISSION,
          RUN_UNWIRED,
          INPUT_SELECTOR,
          BYPASSED_PERMISSION,
          SUPPLY_OVERLOAD,
          LEAKAGE,
          VOLTAGE_DROP,
          CONTACT_LOAD,
          RELAY_PULSES,
          SWAPPED,
          START_TWICE,
          START_RACE,
          HAND_REFERENCE,
          HAND_UNWIRED,
          STOP_UNASSIGNED,
          POTENTIOMETER_TRAVEL,
          POTENTIOMETER_ENDS,
          SHORT_CIRCUIT,
          FAIL_SAFE,
          NOT_AS_MEANT,
          INPUT_PURPOSE,
          COMMAND_AT_REST,
          MAINS_SELECTOR,
          SUPPLIES_JOINED,
          MIXED_WIRE,
          BURDEN,
          SHIELD,
          LIMIT_SWITCH,
          INPUT_CURRENT ->
          WIRE;
      case STOP_UNREACHED,
          NO_SAFETY_STOP,
          AUTOMATIC_RESET,
          STOP_RESTART,
          SAFETY_FEED,
          STOP_NOT_RELEASED,
          VERTICAL_LOAD,
          NO_STANDSTILL,
          STOP_DELAY,
          STOP_RAMP,
          BRAKING_ENERGY,
          STANDING_BYPASS,
          STOP_FAILS,
          STOP_UNTOLD,
          STOP_CHANNEL,
          STOP_CATEGORY_TWO,
          STOP_DISTANCE,
          TIMED_STOP_FAULT,
          MODE_STARTS ->
          MAKE_SAFE;
      case POLE_COUNT,
          OVERLOAD_SETTING,
          CURRENT_LIMIT,
          PLATE_IN_DRIVE,
          RAMP_TORQUE,
          CONTINUOUS_TORQUE,
          RESTART,
          INPUT_LEVEL,
          PRESET_VALUE,
          PRESET_LIMITS,
          PRESET_EQUAL,
          PRESET_SOURCE,
          COMMAND_SOURCE,
          REFERENCE_SOURCE,
          SETTING_RANGE,
          BORROWED,
          TUNING_STALE,
          LEFT_OTHERWISE,
          LEFT_UNREAD,
          LINK_HELD,
          LINK_VOLTAGE,
          INFEED_FORCED,
          UNIT_TWICE,
          SIGNAL_LOSS,
          MINIMUM_FLOOR,
          LOOP_SETTINGS,
          LOOP_FEEDBACK,
          LOOP_FEEDBACK_LOST,
          ASLEEP_AT_START,
          SLEEP_LEVEL,
          CLAMPED_MAXIMUM ->
          SET_UP;
      case SIGNAL_KIND,
          LIVE_ZERO,
          RAW_FULL_SCALE,
          RESOLUTION,
          SPAN_ENDS,
          ANSWER_SCALE,
          ANSWER_MEANING,
          IO_ADDRESS,
          MACHINE_SPEED,
          UNIT_NUMBER,
          WORD_PROFILE,
          REGISTER_MAP,
          STATION_UNKNOWN,
          STATION_SETUP,
          START_UP_REFUSED,
          START_UP_UNTOLD,
          STATION_ALIAS,
          STATION_DRIVE,
          MODE_TARGET,
          BUS_CYCLE,
          MOTION_UNKNOWN,
          SCALING_COPY,
          SCALING_NOT_READ,
          POSITION_BITS,
          MOVE_RANGE,
          SWITCH_SPACE,
          POSITION_TABLE,
          COILS,
          PHASE_CURRENT,
          STEP_SUPPLY,
          PULSE_RATE,
          START_RATE,
          STEP_STALL,
          STEP_RESONANCE,
          PULSE_ROUNDING,
          MOVE_SPEED,
          MOVE_TORQUE,
          MOVE_WARMS,
          INERTIA_RATIO,
          HOLDING_BRAKE ->
          MAP;
      case SEQUENCE_WORDS, SEQUENCE_STEPS, SEQUENCE_NAMES, TWO_OWNERS -> DRY_RUN;
    };
  }
}

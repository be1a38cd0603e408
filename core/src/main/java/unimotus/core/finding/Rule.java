package unimotus.core.finding;

/**
 * Every rule the program checks, with its stable code. Codes are never reused or renumbered: users
 * quote them in reports.
 */
public enum Rule {
  AXIS_INCOMPLETE("AXI-001", "Axis is incomplete", "common practice"),
  UNKNOWN_SHEET("AXI-002", "Device sheet is not known", "common practice"),
  UNKNOWN_TERMINAL(
      "AXI-003", "Wire ends on a terminal the device does not have", "common practice"),
  SIGNAL_KIND("ANA-001", "Output and input ranges do not match", "common practice"),
  LIVE_ZERO("ANA-002", "Live zero on one side only", "NAMUR NE 43 (from memory); common practice"),
  RAW_FULL_SCALE("ANA-003", "Program and module count to different full scales", "common practice"),
  INPUT_SELECTOR("ANA-004", "Input selector contradicts the range setting", "common practice"),
  RESOLUTION("ANA-005", "Resolution is coarser than wanted", "common practice"),
  SPAN_ENDS("ANA-006", "Minimum and maximum are not the same at both ends", "common practice"),
  CLAMPED_MAXIMUM(
      "ANA-007", "Maximum frequency cuts off the top of the reference", "common practice"),
  SIGNAL_LOSS(
      "ANA-008", "No action is set for a lost live-zero signal", "NAMUR NE 43 (from memory)"),
  REFERENCE_UNWIRED("ANA-009", "Reference is not wired through", "common practice"),
  ANSWER_SCALE("ANA-010", "Actual value is scaled differently at its two ends", "common practice"),
  IO_ADDRESS("CTL-001", "Address of a channel cannot be right", "IEC 61131-3 (from memory)"),
  ANSWER_MEANING(
      "ANA-016",
      "Analog output shows something else than the program takes it for",
      "common practice"),
  POTENTIOMETER_TRAVEL("ANA-014", "Potentiometer does not give the range", "common practice"),
  POTENTIOMETER_ENDS("ANA-015", "Potentiometer turns the wrong way", "common practice"),
  MINIMUM_FLOOR(
      "ANA-011", "Minimum frequency lifts the bottom of the reference", "common practice"),
  BURDEN("ANA-012", "Load is outside what the output can drive", "common practice"),
  SHIELD("ANA-013", "Analog signal runs without a shield", "common practice"),
  POLE_COUNT("MOT-001", "Pole count does not fit the plate speed", "IEC 60034-1"),
  PLATE_PLAUSIBLE("MOT-002", "Motor plate contradicts itself", "IEC 60034-1"),
  OVERLOAD_SETTING("MOT-003", "Overload current is not the plate current", "common practice"),
  DRIVE_CURRENT("MOT-004", "Drive current is below the motor's", "common practice"),
  PLATE_IN_DRIVE("MOT-005", "Motor data in the drive differ from the plate", "common practice"),
  RAMP_TORQUE("MEC-001", "Ramp asks for more torque than the limit allows", "common practice"),
  MACHINE_SPEED(
      "MEC-002", "Full reference does not give the full machine speed", "common practice"),
  CONTINUOUS_TORQUE("MEC-003", "Load needs more torque than the motor's rating", "common practice"),
  SOURCE_SINK(
      "DIS-001", "Output and input disagree on source or sink", "IEC 61131-2 (from memory)"),
  NO_COMMON("DIS-002", "No common between controller and drive", "common practice"),
  USED_TWICE("DIS-003", "Point or terminal is used twice", "common practice"),
  NO_PERMISSION("DIS-004", "No permission path", "IEC 61800-5-2"),
  RESTART("DIS-005", "Motor restarts when power returns", "IEC 60204-1"),
  RUN_UNWIRED("DIS-006", "Run command does not reach the drive", "common practice"),
  INPUT_LEVEL("DIS-007", "Active level disagrees with the selector", "common practice"),
  BYPASSED_PERMISSION(
      "DIS-008", "Safe torque off is bridged by the factory-fitted jumper", "IEC 61800-5-2"),
  SUPPLY_OVERLOAD("DIS-009", "Supply is loaded to its limit", "common practice"),
  LEAKAGE("DIS-010", "Leakage keeps an input from reading off", "IEC 61131-2 (from memory)"),
  VOLTAGE_DROP("DIS-011", "Wires lose too much voltage", "IEC 60228 (from memory)"),
  CONTACT_LOAD("DIS-012", "Contact switches less than its least current", "common practice"),
  RELAY_PULSES("DIS-013", "Relay contact is asked for pulses", "common practice"),
  SWAPPED("DIS-014", "Two wires are exchanged", "common practice"),
  START_TWICE("DIS-015", "Plain and delayed start are both assigned", "common practice"),
  START_RACE("DIS-016", "Stop and start close at the same time", "common practice"),
  SHORT_CIRCUIT("DIS-017", "Output or contact is shorted or overloaded", "common practice"),
  FAIL_SAFE("DIS-018", "A wire break does not read as a fault", "common practice"),
  NOT_AS_MEANT("DIS-019", "Input reads otherwise than meant", "IEC 61131-2 (from memory)"),
  MAINS_SELECTOR("DIS-020", "Supply is set for another mains voltage", "common practice"),
  HAND_REFERENCE("DIS-021", "Hand starts the motor but not its potentiometer", "common practice"),
  HAND_UNWIRED("DIS-025", "Nothing sets the speed in Hand", "common practice"),
  STOP_UNASSIGNED("DIS-026", "Latched start has no stop input", "common practice"),
  INPUT_PURPOSE("DIS-022", "Input does something else than it is wired for", "common practice"),
  SUPPLIES_JOINED("DIS-024", "Two supplies feed one conductor", "common practice"),
  INPUT_CURRENT("DIS-027", "Input carries more than it bears", "common practice"),
  PULSES_LOST("DIS-028", "Pulses may be lost at an input", "common practice"),
  PULSE_OUTPUT("DIS-029", "Output is not made for pulses", "device sheet"),
  RESISTOR_HEAT("DIS-030", "Resistor gets hotter than it bears", "Joule heat"),
  PULSE_CABLE("DIS-031", "Cable is long for the rate of its pulses", "common practice"),
  COMMAND_AT_REST("DIS-023", "Command is on at rest", "IEC 60204-1 7.5 (from memory)"),
  COMMAND_SOURCE("SET-001", "Drive listens to another command source", "common practice"),
  REFERENCE_SOURCE("SET-002", "Drive listens to another reference source", "common practice"),
  SETTING_RANGE("SET-003", "Setting is outside its range", "device sheet"),
  BORROWED("SET-004", "Settings changed for a test are not put back", "common practice"),
  TUNING_STALE("SET-005", "Auto-tune is older than the motor data", "common practice"),
  LEFT_OTHERWISE("SET-006", "Drive was left otherwise than designed", "common practice"),
  LEFT_UNREAD("SET-007", "Part of the settings was not read", "common practice"),
  FIRMWARE("IDN-001", "Firmware is older than the sheet", "device sheet"),
  VARIANT("IDN-002", "Model cannot do what the axis asks", "device sheet"),
  DAMAGED("IDN-003", "Inspection is not passed", "common practice"),
  POWER_SIDE("PWR-001", "Power side does not fit the drive", "IEC 60204-1 (from memory)"),
  MIXED_WIRE("PWR-002", "Wire connects power and control", "IEC 60204-1 (from memory)"),
  EFFICIENCY_CLASS("MOT-006", "Plate efficiency is unusual", "IEC 60034-30-1 (from memory)"),
  PLATE_CURRENT("MOT-007", "Plate current is unusual", "NEC table 430.250 (from memory)"),
  SERVO_PLATE("MOT-008", "Servo plate contradicts itself", "energy balance"),
  MOTOR_ON_DRIVE("MOT-009", "Drive does not run this kind of motor", "device sheet"),
  MOTOR_VOLTAGE("MOT-010", "Motor voltage is above the mains", "common practice"),
  CURRENT_LIMIT("MOT-011", "Current limit does not fit motor or drive", "common practice"),
  STOP_UNREACHED("SAF-001", "Part of the stop takes no part in it", "common practice"),
  NO_SAFETY_STOP("SAF-002", "Stop is not made by safe means", "IEC 60204-1 (from memory)"),
  AUTOMATIC_RESET("SAF-003", "Guard resets by closing", "ISO 12100, ISO 13849-1 (from memory)"),
  STOP_RESTART("SAF-004", "Releasing the stop starts the motor", "IEC 60204-1, ISO 13850"),
  SAFETY_FEED("SAF-005", "Safety inputs are set for another feed", "common practice"),
  STOP_NOT_RELEASED("SAF-006", "Stop cannot be released", "common practice"),
  VERTICAL_LOAD("SAF-007", "Hanging load without a brake", "IEC 61800-5-2 (from memory)"),
  NO_STANDSTILL("SAF-008", "Load does not come to rest", "IEC 60204-1 (from memory)"),
  STOP_DELAY("SAF-009", "Delay of safe stop 1 is zero", "IEC 61800-5-2 (from memory)"),
  STOP_RAMP("SAF-010", "Ramp does not fit in the delay", "IEC 61800-5-2 (from memory)"),
  BRAKING_ENERGY("SAF-011", "Ramp returns more than the link takes", "common practice"),
  STANDING_BYPASS("SAF-012", "Safety function is bypassed", "common practice"),
  STOP_FAILS("SAF-013", "Stop does not stop", "IEC 60204-1, ISO 13850 (from memory)"),
  STOP_UNTOLD("SAF-014", "What the stop does cannot be determined", "common practice"),
  STOP_CHANNEL("SAF-015", "Channel of a stop does not open", "ISO 13849-1 (from memory)"),
  STOP_CATEGORY_TWO(
      "SAF-016", "Emergency stop leaves the power on", "IEC 60204-1 9.2.3.4.2 (from memory)"),
  STOP_DISTANCE("SAF-017", "Danger is nearer than the stop allows", "ISO 13855 (from memory)"),
  TIMED_STOP_FAULT("SAF-018", "Timed stop does not watch the ramp", "IEC 61800-5-2 (from memory)"),
  MODE_STARTS("SAF-019", "Selecting a mode starts the motor", "IEC 60204-1 9.2.3.5 (from memory)"),
  LINK_HELD("FLD-001", "Lost link leaves the motor running", "common practice"),
  UNIT_NUMBER("FLD-002", "Unit number is not the drive's", "Modbus over Serial Line V1.02"),
  REGISTER_MAP("FLD-003", "Register map contradicts itself", "Modbus Application Protocol V1.1b3"),
  UNIT_TWICE("FLD-004", "Unit number is given twice", "Modbus over Serial Line V1.02"),
  STATION_UNKNOWN("PDB-001", "Station is not described", "ETG.2000 (from memory)"),
  STATION_SETUP(
      "PDB-002", "Modules or image of a station cannot be as chosen", "ETG.2000 (from memory)"),
  START_UP_REFUSED("PDB-003", "Object of the start-up list is refused", "ETG.1000.6 (from memory)"),
  START_UP_UNTOLD(
      "PDB-004", "Object of the start-up list may be refused", "ETG.1000.6 (from memory)"),
  STATION_ALIAS("PDB-005", "Alias is given twice", "ETG.1000.4 (from memory)"),
  STATION_DRIVE("PDB-006", "Station does not lead to one drive", "common practice"),
  MODE_TARGET(
      "PDB-007",
      "Image does not have the target of the operating mode",
      "IEC 61800-7-201 (from memory)"),
  BUS_CYCLE("PDB-008", "Bus cycle does not suit what is on it", "common practice"),
  PRESET_UNKNOWN("PRE-001", "Drive does not say how it takes presets", "device sheet"),
  PRESET_MISSING("PRE-002", "Preset speed cannot be chosen", "common practice"),
  PRESET_VALUE("PRE-003", "Preset frequency is not that of the wanted speed", "common practice"),
  PRESET_LIMITS("PRE-004", "Preset frequency is outside the drive's limits", "common practice"),
  PRESET_EQUAL("PRE-005", "Two presets have one frequency", "common practice"),
  PRESET_SOURCE("PRE-006", "Presets are not the reference source", "common practice"),
  MOTION_UNKNOWN("MOV-001", "What a positioning axis is to do is not known", "common practice"),
  SCALING_COPY("MOV-002", "Copies of the scaling differ", "IEC 61800-7-201 (from memory)"),
  SCALING_NOT_READ("MOV-003", "Copy of the scaling is not read", "common practice"),
  POSITION_BITS(
      "MOV-004", "Travel does not fit the number that counts it", "IEC 61800-7-201 (from memory)"),
  MOVE_RANGE("MOV-005", "Move leads outside the travel", "common practice"),
  MOVE_SPEED("MOV-006", "Move needs more speed than the motor has", "device sheet"),
  MOVE_TORQUE("MOV-007", "Move needs more torque than the motor has", "common practice"),
  MOVE_WARMS("MOV-008", "Moves warm the motor beyond its rating", "common practice"),
  INERTIA_RATIO("MOV-009", "Load is heavy for the motor", "common practice"),
  HOLDING_BRAKE("MOV-010", "Suspended load may fall", "common practice"),
  LINK_VOLTAGE("MOV-011", "Nominal link voltage is not that of the infeed", "common practice"),
  INFEED_FORCED("MOV-012", "Drive does not wait for its infeed", "common practice"),
  WINDING_VOLTAGE("MOV-013", "Motor is wound for a lower mains", "common practice"),
  LIMIT_SWITCH("MOV-014", "Switch along the travel is not seen as meant", "common practice"),
  POSITION_TABLE("MOV-015", "Table of positions cannot be run as entered", "common practice"),
  COILS("MOV-016", "Coils are not connected as the motor allows", "device sheet"),
  PHASE_CURRENT("MOV-017", "Phase current does not suit the coils", "device sheet"),
  STEP_SUPPLY("MOV-018", "Supply of the step driver does not suit it", "device sheet"),
  PULSE_RATE("MOV-019", "Moves need more pulses a second than there are", "device sheet"),
  START_RATE("MOV-020", "Pulses begin faster than the motor starts", "device sheet"),
  STEP_STALL("MOV-021", "Moves need more torque than the step motor gives", "common practice"),
  STEP_RESONANCE("MOV-022", "Moves dwell where steps shake the motor", "common practice"),
  PULSE_ROUNDING("MOV-023", "Whole pulses miss the distance, round after round", "counting"),
  SWITCH_SPACE("MOV-024", "Switch along the travel leaves too little way", "common practice"),
  SEQUENCE_WORDS("SEQ-001", "Sequence cannot be read", "common practice"),
  SEQUENCE_STEPS("SEQ-002", "Steps of a sequence do not go together", "common practice"),
  SEQUENCE_NAMES("SEQ-003", "Name in a sequence stands for nothing that suits", "common practice"),
  TWO_OWNERS("SEQ-004", "Output is switched by two", "common practice"),
  LOOP_SETTINGS("LOP-001", "Loop of the drive cannot be used as set", "common practice"),
  LOOP_FEEDBACK("LOP-002", "Feedback does not reach the loop", "common practice"),
  LOOP_FEEDBACK_LOST("LOP-003", "Loop does not notice a lost feedback", "common practice"),
  ASLEEP_AT_START("LOP-004", "Drive falls asleep while it starts", "common practice"),
  SLEEP_LEVEL("LOP-005", "Sleep and wake do not work as set", "common practice"),
  STARTS_BY_ITSELF("LOP-006", "Sleeping drive starts by itself", "common practice"),
  SWITCH_POSITION("DAT-001", "Switch does not have this position", "device sheet"),
  NAME_LEADS_NOWHERE("DAT-002", "Something is named that is not there", "common practice"),
  WORD_PROFILE("DAT-003", "Word profile cannot be used", "common practice");

  private final String code;
  private final String title;
  private final String source;

  Rule(String code, String title, String source) {
    this.code = code;
    this.title = title;
    this.source = source;
  }

  /** The stable code, such as {@code ANA-002}. */
  public String code() {
    return code;
  }

  /** The rule in a few words. */
  public String title() {
    return title;
  }

  /** The authority behind the rule. */
  public String source() {
    return source;
  }
}

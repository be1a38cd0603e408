package unimotus.core.link;

/** What a link between controller, panel and drive is for. */
public enum LinkKind {
  TWO_WIRE("Run, two-wire", "one maintained output a direction"),
  THREE_WIRE("Run, three-wire", "start and stop buttons in the panel, the drive latches"),
  LATCHED_OUTPUTS(
      "Run, latched from outputs", "a pulsed start and a held stop from the controller"),
  ENABLE("Control release", "the enable input joined to the drive's own 24 V"),
  DIRECTION_RESET("Direction and reset", "two outputs of the controller"),
  PRESETS("Preset speeds", "one to four outputs, chosen in binary"),
  HAND_OFF_AUTO("Hand – Off – Auto", "selector and local potentiometer"),
  INTERLOCK_CHAIN(
      "Interlock chain", "enable relay, emergency-stop contactor and changeover of direction"),
  FAULT_RELAY("Fault to the controller", "closed is healthy, so that a broken wire reads as fault"),
  STATUS("Ready, running, at speed", "the drive's outputs to inputs of the controller"),
  ANALOG_REFERENCE("Speed reference", "analog output of the controller, shielded pair"),
  ANALOG_ACTUAL("Actual speed", "analog output of the drive, shielded pair"),
  POTENTIOMETER("Local potentiometer", "on the drive's own 10 V"),
  KEYPAD("Keypad", "the speed is entered at the drive, nothing is wired"),
  LOAD_SIGNAL("Load signal", "second analog output of the drive to the controller"),
  MOTOR_TEMPERATURE("Motor temperature", "contact that opens when hot, to the controller");

  private final String label;
  private final String hint;

  LinkKind(String label, String hint) {
    this.label = label;
    this.hint = hint;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** How it is wired, in a few words. */
  public String hint() {
    return hint;
  }
}

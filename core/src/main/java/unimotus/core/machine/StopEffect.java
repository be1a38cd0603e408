package unimotus.core.machine;

/** What takes the motion away. */
public enum StopEffect {
  STO("Safe torque off", "torque is taken away at once; the load coasts"),
  SS1_T("Safe stop 1, timed", "ramp in the drive, safe torque off when the delay ends"),
  CONTACTORS("Contactors", "the drive's supply is cut; the load coasts"),
  ENABLE("Enable input", "no safety stop: electronics and settings decide"),
  RUN_INPUTS("Run inputs", "no safety stop: the run command is taken away");

  private final String label;
  private final String hint;

  StopEffect(String label, String hint) {
    this.label = label;
    this.hint = hint;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** What it does, in a few words. */
  public String hint() {
    return hint;
  }

  /** Whether the torque is taken away by means made for safety. */
  public boolean isSafetyStop() {
    return this == STO || this == SS1_T || this == CONTACTORS;
  }

  /** Whether it acts through the drive's safe torque off inputs. */
  public boolean usesSafeTorqueOff() {
    return this == STO || this == SS1_T;
  }
}

package unimotus.core.sheet;

import unimotus.core.quantity.MeasureUnit;

/** A number of a terminal's electrical model. The key is its name in sheet files. */
public enum Figure {
  /** Open-circuit voltage of a source. */
  VOLTS("volts", "voltage", MeasureUnit.VOLT_UNIT),
  /** Resistance inside a source, of a coil or of a track. */
  OHMS("ohms", "resistance", MeasureUnit.OHM_UNIT),
  /** The most a terminal gives, switches or takes. */
  LIMIT_AMPERES("limitAmperes", "current limit", MeasureUnit.AMPERE_UNIT),
  /** Voltage an output loses at its current limit. */
  DROP_VOLTS("dropVolts", "drop at the limit", MeasureUnit.VOLT_UNIT),
  /** What an output that is off still lets through at 24 V. */
  LEAKAGE_AMPERES("leakageAmperes", "leakage when off", MeasureUnit.AMPERE_UNIT),
  /** Resistance of an input behind its forward voltage; of an analog input set for volts. */
  INPUT_OHMS("inputOhms", "input resistance", MeasureUnit.OHM_UNIT),
  /** Voltage a binary input takes before current flows. */
  FORWARD_VOLTS("forwardVolts", "forward voltage", MeasureUnit.VOLT_UNIT),
  /** From here a binary input reads on. */
  ON_VOLTS("onVolts", "on from", MeasureUnit.VOLT_UNIT),
  /** Below this a binary input reads off. */
  OFF_VOLTS("offVolts", "off below", MeasureUnit.VOLT_UNIT),
  /** Current a binary input needs to read on. */
  ON_AMPERES("onAmperes", "on current", MeasureUnit.AMPERE_UNIT),
  /**
   * Below this current a binary input reads off as well, whatever its voltage; none if not given.
   */
  OFF_AMPERES("offAmperes", "off current", MeasureUnit.AMPERE_UNIT),
  /** Current a binary input without a limiter bears; not checked where not given. */
  BEARS_AMPERES("bearsAmperes", "current it bears", MeasureUnit.AMPERE_UNIT),
  /** Resistance of an analog input set for current. */
  BURDEN_OHMS("burdenOhms", "burden", MeasureUnit.OHM_UNIT),
  /** Smallest load of an analog output set for volts. */
  LEAST_OHMS("leastOhms", "least load", MeasureUnit.OHM_UNIT),
  /** Largest load of an analog output set for current. */
  MOST_OHMS("mostOhms", "most load", MeasureUnit.OHM_UNIT),
  /** Highest rate of pulses of an output or an input; not stated where not given. */
  MOST_HERTZ("mostHertz", "highest pulse rate", MeasureUnit.HERTZ_UNIT),
  /** Share of its period that a pulse of an output is on; not looked at where not given. */
  DUTY("duty", "pulse is on for", MeasureUnit.ONE),
  /** Shortest time that a pulse input has to be on, and off; not looked at where not given. */
  SHORTEST_SECONDS("shortestSeconds", "shortest pulse", MeasureUnit.SECOND_UNIT),
  /** Heat a resistor bears; not checked where not given. */
  BEARS_WATTS("bearsWatts", "heat it bears", MeasureUnit.WATT_UNIT),
  /** Current a contact needs to stay clean. */
  LEAST_AMPERES("leastAmperes", "least current", MeasureUnit.AMPERE_UNIT),
  /** Voltage from which a coil pulls in. */
  PULL_IN_VOLTS("pullInVolts", "pulls in from", MeasureUnit.VOLT_UNIT),
  /**
   * Time from the demand at this terminal to its effect; what is typical where a sheet is silent.
   */
  REACTION_SECONDS("reactionSeconds", "reaction time", MeasureUnit.SECOND_UNIT),
  /** How long a contact stays as it was after the device has let go; none where not given. */
  DELAY_SECONDS("delaySeconds", "release delay", MeasureUnit.SECOND_UNIT),
  /**
   * How long the channels may differ before the device takes it for a fault; never if not given.
   */
  DISCREPANCY_SECONDS("discrepancySeconds", "channels may differ", MeasureUnit.SECOND_UNIT),
  /** Shorter gaps than this are not seen by a safety input; every gap is where it is 0. */
  FILTER_SECONDS("filterSeconds", "gaps not seen", MeasureUnit.SECOND_UNIT),
  /** Length of the gaps by which an output or a source tests its channel. */
  PULSE_SECONDS("pulseSeconds", "length of a test pulse", MeasureUnit.SECOND_UNIT),
  /** How long the d.c. link goes on feeding the motor once the mains are gone, at most. */
  RIDE_THROUGH_SECONDS("rideThroughSeconds", "d.c. link lasts", MeasureUnit.SECOND_UNIT),
  /** Switching cycles until a tenth of such devices has failed dangerously (ISO 13849-1). */
  B10D_CYCLES("b10dCycles", "B10d", MeasureUnit.ONE),
  /** Dangerous failures of the device's safety function per hour, by its maker. */
  PFH_PER_HOUR("pfhPerHour", "PFH", MeasureUnit.ONE);

  private final String key;
  private final String label;
  private final MeasureUnit unit;

  Figure(String key, String label, MeasureUnit unit) {
    this.key = key;
    this.label = label;
    this.unit = unit;
  }

  /** The name in sheet files. */
  public String key() {
    return key;
  }

  /** The words shown to the user. */
  public String label() {
    return label;
  }

  /** Unit of the number in sheet files. */
  public MeasureUnit unit() {
    return unit;
  }
}

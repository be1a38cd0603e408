package unimotus.core.path;

import java.util.OptionalDouble;
import unimotus.core.sheet.Meaning;

/** What a drive sees at its terminals in one state of the wires. */
public interface SeenInputs {

  /** What is commanded, in the unit of the mechanics. */
  double number();

  /** What an analog input takes, in volts or milliamps as it is set; empty where nothing is. */
  OptionalDouble received(String input);

  /** Whether an input that is set to this function reads on. */
  boolean isOn(Meaning meaning);
}

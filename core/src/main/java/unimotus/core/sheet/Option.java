package unimotus.core.sheet;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** A choice of a setting or a position of a selector that the program reasons with. */
public enum Option {
  ON,
  OFF,
  RAMP,
  COAST,
  TERMINALS,
  KEYPAD,
  FIELDBUS,
  PRESETS,
  TWO_WIRE,
  THREE_WIRE,
  ALLOWED,
  BLOCKED,
  ACTIVE_HIGH,
  ACTIVE_LOW,
  NONE,
  FAULT,
  HOLD,
  STOP,
  EVEN,
  ODD,
  CONSTANT,
  QUADRATIC,
  NOT_DONE,
  DONE,
  BASIC,
  EXTENDED,
  ALL,
  KEEP_LINK,
  SOURCE,
  SINK,
  VOLTAGE,
  CURRENT,
  FULL,
  REDUCED,
  FITTED,
  REMOVED,
  CONTACT,
  PULSE_TESTED,
  AUTOMATIC,
  MANUAL,
  REGULATED,
  PLAIN,
  AWAITED,
  FORCED,
  LOOP,
  RAISES,
  LOWERS,
  FROM_START,
  AFTER_LEVEL;

  /** The word that stands for it in sheets and projects, such as {@code active-high}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The option of a word; empty where the program does not reason with it. */
  public static Optional<Option> of(String word) {
    return Arrays.stream(values()).filter(o -> o.word().equals(word)).findFirst();
  }

  /** The words of several. */
  static List<String> words(Option... options) {
    return Arrays.stream(options).map(Option::word).toList();
  }
}

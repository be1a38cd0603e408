package unimotus.core.profile;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * What a drive of the published profile does once its operation is enabled, and what the bits of
 * its words that the profile leaves to the mode mean then (IEC 61800-7-201, from memory).
 */
public enum OperatingMode {
  /** Not told: the bits by mode have no meaning yet. */
  NONE("no mode", "none", 0, Map.of(), Map.of(), 0, false, ""),
  PROFILE_POSITION(
      "profile position",
      "pp",
      1,
      Map.of(
          4, "new set-point",
          5, "change at once",
          6, "relative",
          8, "halt",
          9, "change on set-point"),
      Map.of(10, "target reached", 12, "set-point acknowledged", 13, "following error"),
      0x10,
      false,
      "Then bit 4 going to 1 takes the set-point; take it back when status bit 12 acknowledges."),
  VELOCITY(
      "velocity",
      "vl",
      2,
      Map.of(4, "enable ramp", 5, "unlock ramp", 6, "use reference", 8, "halt"),
      Map.of(10, "target reached"),
      0,
      true,
      "Bits 4 to 6 let the ramp run and take the reference: without them the output stays 0."),
  PROFILE_VELOCITY(
      "profile velocity",
      "pv",
      3,
      Map.of(8, "halt"),
      Map.of(10, "target reached", 12, "speed is 0", 13, "slippage too large"),
      0,
      true,
      "It then goes to the target velocity at once."),
  PROFILE_TORQUE(
      "profile torque",
      "tq",
      4,
      Map.of(8, "halt"),
      Map.of(10, "target reached"),
      0,
      false,
      "It then goes to the target torque at once: an unloaded motor runs away to its speed limit."),
  HOMING(
      "homing",
      "hm",
      6,
      Map.of(4, "start homing", 8, "halt"),
      Map.of(10, "target reached", 12, "homing attained", 13, "homing error"),
      0x10,
      false,
      "Then bit 4 starts homing and stays until status bits 10 and 12 tell that it is done."),
  INTERPOLATED_POSITION(
      "interpolated position",
      "ip",
      7,
      Map.of(4, "enable interpolation", 8, "halt"),
      Map.of(10, "target reached", 12, "interpolation active"),
      0x10,
      false,
      "Then bit 4 lets it follow the set-points: the first must be the actual position."),
  CYCLIC_POSITION(
      "cyclic synchronous position",
      "csp",
      8,
      Map.of(),
      Map.of(12, "follows the set-point", 13, "following error"),
      0,
      false,
      "It follows the set-point of every cycle at once: the first must be the actual position."),
  CYCLIC_VELOCITY(
      "cyclic synchronous velocity",
      "csv",
      9,
      Map.of(),
      Map.of(12, "follows the set-point"),
      0,
      false,
      "It follows the set-point of every cycle at once."),
  CYCLIC_TORQUE(
      "cyclic synchronous torque",
      "cst",
      10,
      Map.of(),
      Map.of(12, "follows the set-point"),
      0,
      false,
      "It follows the set-point of every cycle at once.");

  private static final Map<Integer, String> CONTROL =
      Map.of(
          0, "switch on",
          1, "enable voltage",
          2, "no quick stop",
          3, "enable operation",
          7, "fault reset");

  private static final Map<Integer, String> STATUS =
      Map.of(
          0, "ready to switch on",
          1, "switched on",
          2, "operation enabled",
          3, "fault",
          4, "voltage enabled",
          5, "no quick stop",
          6, "switch on disabled",
          7, "warning",
          9, "remote",
          11, "internal limit");

  private static final List<Integer> CONTROL_BY_MODE = List.of(4, 5, 6, 8, 9);
  private static final List<Integer> STATUS_BY_MODE = List.of(10, 12, 13);
  private static final int FIRST_OF_MAKER = 11;
  private static final int BITS = 16;

  private final String label;
  private final String symbol;
  private final int number;
  private final Map<Integer, String> control;
  private final Map<Integer, String> status;
  private final int startBits;
  private final boolean commandsSpeed;
  private final String afterwards;

  OperatingMode(
      String label,
      String symbol,
      int number,
      Map<Integer, String> control,
      Map<Integer, String> status,
      int startBits,
      boolean commandsSpeed,
      String afterwards) {
    this.label = label;
    this.symbol = symbol;
    this.number = number;
    this.control = control;
    this.status = status;
    this.startBits = startBits;
    this.commandsSpeed = commandsSpeed;
    this.afterwards = afterwards;
  }

  /** Its name. */
  public String label() {
    return label;
  }

  /** Its usual short sign, such as {@code pp}. */
  public String symbol() {
    return symbol;
  }

  /** Its number in the object that chooses the mode (0x6060). */
  public int number() {
    return number;
  }

  /** Bits of the control word that start a motion by themselves once operation is enabled. */
  public int startBits() {
    return startBits;
  }

  /** Bits of the control word that mean something in this mode alone. */
  int actingBits() {
    return control.keySet().stream().mapToInt(b -> 1 << b).reduce(0, (a, b) -> a | b);
  }

  /** Whether a reference in a register is a speed in this mode. */
  public boolean commandsSpeed() {
    return commandsSpeed;
  }

  /**
   * What moves the motor once operation is enabled, in a sentence; empty where nothing is known.
   */
  public String afterwards() {
    return afterwards;
  }

  /** The control word bit by bit; every bit has a meaning or is told to have none. */
  public List<WordBit> controlBits() {
    Map<Integer, String> names = new TreeMap<>(CONTROL);
    for (int bit : CONTROL_BY_MODE) {
      names.put(bit, control.getOrDefault(bit, free()));
    }
    names.put(10, "reserved");
    return filled(names, FIRST_OF_MAKER);
  }

  /** The status word bit by bit. */
  public List<WordBit> statusBits() {
    Map<Integer, String> names = new TreeMap<>(STATUS);
    for (int bit : STATUS_BY_MODE) {
      names.put(bit, status.getOrDefault(bit, free()));
    }
    return filled(names, BITS);
  }

  private String free() {
    return this == NONE ? "by the mode" : "nothing in this mode";
  }

  private static List<WordBit> filled(Map<Integer, String> names, int ownFrom) {
    List<WordBit> bits = new ArrayList<>();
    for (int bit = 0; bit < BITS; bit++) {
      String own =
          bit >= ownFrom
              ? "manufacturer-specific"
              : names.getOrDefault(bit, "manufacturer-specific");
      bits.add(new WordBit(bit, own));
    }
    return bits;
  }

  /** What bits of the status word say together in this mode; empty where they say nothing. */
  public Optional<String> told(int statusWord) {
    if (this != HOMING) {
      return Optional.empty();
    }
    int three = statusWord >> 11 & 0b110 | statusWord >> 10 & 1;
    return Optional.of(
        switch (three) {
          case 0b000 -> "homing is under way";
          case 0b001 -> "homing was interrupted or has not started";
          case 0b010 -> "homing attained, still moving";
          case 0b011 -> "homing is done";
          case 0b100 -> "homing error, still moving";
          case 0b101 -> "homing error, stopped";
          default -> "homing attained and in error: not in the profile";
        });
  }

  /**
   * The mode of a number, a sign or a name.
   *
   * @throws IllegalArgumentException naming what there is
   */
  public static OperatingMode of(String text) {
    String wanted = text.strip().toLowerCase(Locale.ROOT).replace('-', ' ');
    return Arrays.stream(values())
        .filter(
            m ->
                m.symbol.equals(wanted)
                    || m.label.equals(wanted)
                    || String.valueOf(m.number).equals(wanted))
        .findFirst()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "mode '%s' is not one of %s"
                        .formatted(
                            text,
                            Arrays.stream(values())
                                .map(m -> "%s (%d)".formatted(m.symbol, m.number))
                                .collect(Collectors.joining(", ")))));
  }
}

package unimotus.core.sheet;

import java.util.Arrays;
import java.util.List;
import unimotus.core.analog.SignalRange;

/** What a switch, a jumper or a channel choice of a device decides. */
public enum SelectorRole {
  /** Whether binary inputs expect +24 V ({@code source}) or 0 V ({@code sink}). */
  INPUT_LOGIC("source or sink"),
  /** Whether the pulse outputs give +24 V ({@code source}) or switch to 0 V ({@code sink}). */
  OUTPUT_LOGIC("source or sink of the pulse outputs"),
  /** What voltage sourcing pulse outputs give, such as {@code 5 V}. */
  OUTPUT_VOLTS("voltage of the pulse outputs"),
  /** Pulses for a turn of the motor, as the switches of a step driver say. */
  STEPS_PER_TURN("pulses a turn"),
  /** Current of a phase, as the switches of a step driver say, such as {@code 2.7 A}. */
  PHASE_CURRENT("phase current"),
  /** Current at standstill: {@code full} or {@code reduced}. */
  REST_CURRENT("current at standstill"),
  /** Whether a step driver turns its motor by itself: {@code on} or {@code off}. */
  SELF_TEST("self-test"),
  /** Whether an analog input takes {@code voltage} or {@code current}. */
  INPUT_KIND("voltage or current"),
  /** Range of an analog channel of a controller; the options name signal ranges. */
  CHANNEL_RANGE("range of a channel"),
  /** Counts at nominal full scale of an analog channel of a controller. */
  RAW_FULL_SCALE("counts at full scale"),
  /** The works jumper across the safe torque off terminals: {@code fitted} or {@code removed}. */
  STO_JUMPER("factory-fitted jumper of STO"),
  /** Whether a safety input expects plain contacts ({@code contact}) or {@code pulse-tested}. */
  SAFETY_INPUT_KIND("contacts or pulse-tested"),
  /**
   * Whether a safety relay tests its two channels against each other: {@code on} or {@code off}.
   */
  CROSS_FAULT_DETECTION("cross-fault detection"),
  /** Whether a safety relay starts {@code automatic} or waits for a {@code manual} reset. */
  RESET_MODE("reset"),
  /** How long the two channels of a safety relay may differ, such as {@code 0.5 s}; {@code off}. */
  DISCREPANCY_TIME("discrepancy time"),
  /** What mains voltage a supply is set for, such as {@code 230 V}. */
  MAINS_VOLTAGE("mains voltage set"),
  /** What mains voltage a supply is really fed with. */
  MAINS_FEED("mains voltage fed");

  private final String label;

  SelectorRole(String label) {
    this.label = label;
  }

  /** Whether the program understands a position of such a switch. */
  public boolean takes(String position) {
    return switch (this) {
      case RAW_FULL_SCALE -> position.matches("[1-9]\\d{2,7}");
      case DISCREPANCY_TIME -> position.equals("off") || position.matches("\\d+(\\.\\d+)? s");
      case MAINS_VOLTAGE, MAINS_FEED -> position.matches("[1-9]\\d{1,2} V");
      case OUTPUT_VOLTS -> position.matches("[1-9]\\d? V");
      case STEPS_PER_TURN -> position.matches("[1-9]\\d{0,5}");
      case PHASE_CURRENT -> position.matches("\\d+(\\.\\d+)? A");
      default -> words().contains(position);
    };
  }

  /** The positions such a switch can have; empty where they are numbers of its own. */
  public List<String> words() {
    return switch (this) {
      case INPUT_LOGIC, OUTPUT_LOGIC -> Option.words(Option.SOURCE, Option.SINK);
      case REST_CURRENT -> Option.words(Option.FULL, Option.REDUCED);
      case INPUT_KIND -> Option.words(Option.VOLTAGE, Option.CURRENT);
      case CHANNEL_RANGE -> Arrays.stream(SignalRange.values()).map(SignalRange::label).toList();
      case STO_JUMPER -> Option.words(Option.FITTED, Option.REMOVED);
      case SAFETY_INPUT_KIND -> Option.words(Option.CONTACT, Option.PULSE_TESTED);
      case CROSS_FAULT_DETECTION, SELF_TEST -> Option.words(Option.ON, Option.OFF);
      case RESET_MODE -> Option.words(Option.AUTOMATIC, Option.MANUAL);
      case RAW_FULL_SCALE,
          DISCREPANCY_TIME,
          MAINS_VOLTAGE,
          MAINS_FEED,
          OUTPUT_VOLTS,
          STEPS_PER_TURN,
          PHASE_CURRENT ->
          List.of();
    };
  }

  /** The positions it may have, in words. */
  public String positions() {
    return switch (this) {
      case RAW_FULL_SCALE -> "counts from 100, in digits alone, such as 27648";
      case DISCREPANCY_TIME -> "off, or a time such as 0.5 s";
      case MAINS_VOLTAGE, MAINS_FEED -> "a voltage such as 230 V";
      case OUTPUT_VOLTS -> "a voltage such as 5 V";
      case STEPS_PER_TURN -> "whole pulses a turn, such as 1600";
      case PHASE_CURRENT -> "amperes such as 2.7 A";
      default -> String.join(", ", words());
    };
  }

  /** Whether it belongs to an analog channel and has no influence on anything else. */
  public boolean isAnalog() {
    return this == INPUT_KIND || this == CHANNEL_RANGE || this == RAW_FULL_SCALE;
  }

  /** What it decides, in a few words. */
  public String label() {
    return label;
  }
}

package unimotus.core.sheet;

/** What a switch, a jumper or a channel choice of a device decides. */
public enum SelectorRole {
  /** Whether binary inputs expect +24 V ({@code source}) or 0 V ({@code sink}). */
  INPUT_LOGIC,
  /** Whether an analog input takes {@code voltage} or {@code current}. */
  INPUT_KIND,
  /** Range of an analog channel of a controller; the options name signal ranges. */
  CHANNEL_RANGE,
  /** Counts at nominal full scale of an analog channel of a controller. */
  RAW_FULL_SCALE,
  /** The works jumper across the safe torque off terminals: {@code fitted} or {@code removed}. */
  STO_JUMPER,
  /** Whether a safety input expects plain contacts ({@code contact}) or {@code pulse-tested}. */
  SAFETY_INPUT_KIND,
  /** What mains voltage a supply is set for, such as {@code 230 V}. */
  MAINS_VOLTAGE,
  /** What mains voltage a supply is really fed with. */
  MAINS_FEED
}

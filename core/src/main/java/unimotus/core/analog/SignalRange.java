package unimotus.core.analog;

import java.util.Arrays;
import java.util.Optional;
import unimotus.core.quantity.MeasureUnit;

/** The analog signal ranges of the trade. Values are in volts or milliamps. */
public enum SignalRange {
  V_0_10("0-10 V", 0, 10, MeasureUnit.VOLT_UNIT),
  V_BIPOLAR_10("±10 V", -10, 10, MeasureUnit.VOLT_UNIT),
  V_2_10("2-10 V", 2, 10, MeasureUnit.VOLT_UNIT),
  V_0_5("0-5 V", 0, 5, MeasureUnit.VOLT_UNIT),
  MA_0_20("0-20 mA", 0, 20, MeasureUnit.MILLIAMPERE),
  MA_4_20("4-20 mA", 4, 20, MeasureUnit.MILLIAMPERE);

  /**
   * Below this share of the live zero the signal counts as lost: 3.6 of 4 mA (NAMUR NE 43, from
   * memory), and the same share of 2 V by common practice.
   */
  private static final double LOST_SHARE = 0.9;

  private final String label;
  private final double low;
  private final double high;
  private final MeasureUnit unit;

  SignalRange(String label, double low, double high, MeasureUnit unit) {
    this.label = label;
    this.low = low;
    this.high = high;
    this.unit = unit;
  }

  /** The range named {@code label}, such as {@code 4-20 mA}; empty where there is none such. */
  public static Optional<SignalRange> ofLabel(String label) {
    return Arrays.stream(values()).filter(r -> r.label.equals(label)).findFirst();
  }

  /** The name in files and on screens. */
  public String label() {
    return label;
  }

  /** Signal at the low end, in {@link #unit()}. */
  public double low() {
    return low;
  }

  /** Signal at the high end, in {@link #unit()}. */
  public double high() {
    return high;
  }

  /** Volts or milliamps. */
  public MeasureUnit unit() {
    return unit;
  }

  /** Whether nothing is sent as something, so that a broken wire shows. */
  public boolean hasLiveZero() {
    return low > 0;
  }

  /** Whether the sign of the signal carries the direction. */
  public boolean isBipolar() {
    return low < 0;
  }

  /** Whether the signal is a current. */
  public boolean isCurrent() {
    return unit == MeasureUnit.MILLIAMPERE;
  }

  /** Signal at a percentage: 0 to 100, or −100 to 100 for a bipolar range. */
  public double signalAt(double percent) {
    return isBipolar() ? percent / 100 * high : low + percent / 100 * (high - low);
  }

  /** Percentage at a signal, not limited. */
  public double percentAt(double signal) {
    return isBipolar() ? signal / high * 100 : (signal - low) / (high - low) * 100;
  }

  /** Least percentage of the range, −100 or 0. */
  public double leastPercent() {
    return isBipolar() ? -100 : 0;
  }

  /** Whether a receiver of this range must take {@code signal} for a broken wire. */
  public boolean isLost(double signal) {
    return hasLiveZero() && signal < LOST_SHARE * low;
  }
}

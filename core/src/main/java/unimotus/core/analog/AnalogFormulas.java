package unimotus.core.analog;

/** The arithmetic of analog links. */
public final class AnalogFormulas {

  /** What a 4–20 mA receiver makes of a current. */
  public enum LoopState {
    FAILURE_LOW("failure signal, low"),
    DOUBTFUL("between failure and valid"),
    VALID("valid"),
    FAILURE_HIGH("failure signal, high");

    private final String label;

    LoopState(String label) {
      this.label = label;
    }

    /** The state in words. */
    public String label() {
      return label;
    }
  }

  private AnalogFormulas() {}

  /** counts = percent/100 · full scale, not rounded. */
  public static double counts(double percent, double fullScaleCounts) {
    return percent / 100 * fullScaleCounts;
  }

  /** percent = counts/full scale · 100. */
  public static double percent(double counts, double fullScaleCounts) {
    return counts / fullScaleCounts * 100;
  }

  /**
   * Percent a 0–20 mA receiver shows for a 4–20 mA sender at {@code percent}: 20 at zero, 100 at
   * full scale, so the error fades from 20 % of span to none.
   */
  public static double liveZeroReadAsDeadZero(double percent) {
    return SignalRange.MA_0_20.percentAt(SignalRange.MA_4_20.signalAt(percent));
  }

  /** Percent a 4–20 mA receiver shows for a 0–20 mA sender; negative below 20 % of the sender. */
  public static double deadZeroReadAsLiveZero(double percent) {
    return SignalRange.MA_4_20.percentAt(SignalRange.MA_0_20.signalAt(percent));
  }

  /** Least supply of a current loop, U = I·(R_burden + R_wire) + U_transmitter, in volts. */
  public static double loopSupplyVolts(
      double currentAmperes, double burdenOhms, double wireOhms, double transmitterVolts) {
    return currentAmperes * (burdenOhms + wireOhms) + transmitterVolts;
  }

  /** Step of the controlled quantity for one count: span over usable counts. */
  public static double stepPerCount(double span, double fullScaleCounts) {
    return span / fullScaleCounts;
  }

  /**
   * State of a 4–20 mA loop: below 3.6 or above 21 mA a failure signal, 3.8 to 20.5 mA valid (NAMUR
   * NE 43, from memory).
   */
  public static LoopState loopState(double milliamperes) {
    if (milliamperes <= 3.6) {
      return LoopState.FAILURE_LOW;
    }
    if (milliamperes >= 21) {
      return LoopState.FAILURE_HIGH;
    }
    return milliamperes >= 3.8 && milliamperes <= 20.5 ? LoopState.VALID : LoopState.DOUBTFUL;
  }
}

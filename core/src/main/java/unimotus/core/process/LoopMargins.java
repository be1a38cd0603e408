package unimotus.core.process;

/**
 * How far a loop is from swinging on.
 *
 * @param gain by which the gain may be multiplied until it does
 * @param phaseDegrees by which the answer may come later until it does; negative where it swings
 * @param sensitivity most by which a disturbance is raised, 1 or more
 */
public record LoopMargins(double gain, double phaseDegrees, double sensitivity) {
  private static final int HALVINGS = 100;
  private static final int LOOKS = 4000;
  private static final double DECADES = 4;

  static LoopMargins of(LoopTuning loop) {
    double late = phaseCrossing(loop);
    double cross = gainCrossing(loop);
    return new LoopMargins(
        1 / loop.magnitude(late),
        Math.toDegrees(loop.phase(cross) + Math.PI),
        sensitivity(loop, late));
  }

  /** The highest frequency at which a swing comes back turned round; its phase falls above it. */
  private static double phaseCrossing(LoopTuning loop) {
    double high = Math.PI / loop.model().deadSeconds();
    double low = high;
    while (loop.phase(low) <= -Math.PI && low > high * 1e-9) {
      low *= 0.98;
    }
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (low + high) / 2;
      if (loop.phase(middle) > -Math.PI) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return (low + high) / 2;
  }

  /** Where a swing comes back as large as it went; it comes back smaller above. */
  private static double gainCrossing(LoopTuning loop) {
    double low = 1e-9 / loop.model().deadSeconds();
    double high = 1e9 / loop.model().deadSeconds();
    for (int i = 0; i < HALVINGS; i++) {
      double middle = Math.sqrt(low * high);
      if (loop.magnitude(middle) > 1) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return Math.sqrt(low * high);
  }

  private static double sensitivity(LoopTuning loop, double about) {
    double most = 1;
    for (int i = 0; i <= LOOKS; i++) {
      double omega = about * Math.pow(10, DECADES * (i / (double) LOOKS - 0.75));
      double size = loop.magnitude(omega);
      double phase = loop.phase(omega);
      double distance = Math.hypot(1 + size * Math.cos(phase), size * Math.sin(phase));
      most = Math.max(most, 1 / distance);
    }
    return most;
  }
}

package unimotus.core.path;

import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.SelectorRole;

/** How the analog channels of an axis' controller are set. */
public final class Channels {
  /** What a channel without a range of its own counts in (common practice). */
  public static final SignalRange USUAL_RANGE = SignalRange.V_0_10;

  private Channels() {}

  /** The range a controller's channel is set to. */
  public static SignalRange range(AxisAssembly axis, String point) {
    return SignalRange.ofLabel(
            EffectiveSettings.channel(
                axis.controller(),
                axis.controllerSheet(),
                SelectorRole.CHANNEL_RANGE,
                point,
                USUAL_RANGE.label()))
        .orElse(USUAL_RANGE);
  }

  /** The counts a channel takes for full; {@code otherwise} where it does not say. */
  public static int fullScale(AxisAssembly axis, String point, int otherwise) {
    return Integer.parseInt(
        EffectiveSettings.channel(
            axis.controller(),
            axis.controllerSheet(),
            SelectorRole.RAW_FULL_SCALE,
            point,
            Integer.toString(otherwise)));
  }
}

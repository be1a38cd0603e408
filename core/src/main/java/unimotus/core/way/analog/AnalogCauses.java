package unimotus.core.way.analog;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.analog.SignalRange;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.quantity.QuantityFormat;

/** An analog reference as it would be under each cause. */
final class AnalogCauses {
  /** Nominal full scales found on controllers (common practice). */
  private static final int[] FULL_SCALES = {27648, 32767, 32000, 16383, 10000, 4095, 1000};

  private final AnalogLink link;
  private final Clues clues;

  AnalogCauses(AnalogLink link, Clues clues) {
    this.link = link;
    this.clues = clues;
  }

  /** The variants of a cause on this link; empty where it does not occur here. */
  List<Variant> variants(Cause cause) {
    List<Variant> atTheDrive = new DriveEndCauses(link, clues).variants(cause);
    return atTheDrive.isEmpty() && cause instanceof AnalogCause own ? variants(own) : atTheDrive;
  }

  private List<Variant> variants(AnalogCause cause) {
    return switch (cause) {
      case CONTROLLER_DEAD_ZERO -> controllerDeadZero();
      case CONTROLLER_LIVE_ZERO -> controllerLiveZero();
      case DEAD_OUTPUT -> List.of(variant("", link.with(dead())));
      case OPEN_WIRE -> openWire();
      case RAW_FULL_SCALE -> rawFullScale();
      default -> List.of();
    };
  }

  private Variant variant(String text, AnalogLink faulty) {
    return Variant.of(text, clues.path().with(faulty));
  }

  private List<Variant> controllerDeadZero() {
    OutputModule m = link.module();
    if (!m.range().hasLiveZero()) {
      return List.of();
    }
    SignalRange dead = DriveEndCauses.deadZero(m.range());
    return List.of(
        variant(
            "sends " + dead.label(),
            link.with(new OutputModule(m.point(), dead, m.fullScaleCounts(), m.converterBits()))));
  }

  private List<Variant> controllerLiveZero() {
    OutputModule m = link.module();
    return DriveEndCauses.liveZero(m.range()).stream()
        .map(
            live ->
                variant(
                    "sends " + live.label(),
                    link.with(
                        new OutputModule(m.point(), live, m.fullScaleCounts(), m.converterBits()))))
        .toList();
  }

  /** A channel whose full scale is never reached: nothing comes out whatever is written. */
  private OutputModule dead() {
    OutputModule m = link.module();
    return new OutputModule(
        m.point(), DriveEndCauses.deadZero(m.range()), Integer.MAX_VALUE, m.converterBits());
  }

  /** A current loop that is open carries nothing anywhere: that looks like a dead output. */
  private List<Variant> openWire() {
    return link.module().range().isCurrent()
        ? List.of()
        : List.of(variant("", link.with(link.input().behind(0, 0))));
  }

  private List<Variant> rawFullScale() {
    int written = link.counts().fullScaleCounts();
    int taken = link.module().fullScaleCounts();
    OutputModule m = link.module();
    List<Variant> variants = new ArrayList<>();
    for (int other : FULL_SCALES) {
      if (other != written) {
        variants.add(
            fullScale(
                other, taken, link.with(new ProgramCounts(other, link.counts().leastPercent()))));
      }
      if (other != taken) {
        variants.add(
            fullScale(
                written,
                other,
                link.with(new OutputModule(m.point(), m.range(), other, m.converterBits()))));
      }
    }
    return variants;
  }

  private Variant fullScale(int written, int taken, AnalogLink faulty) {
    return variant(
        "program writes %s, module takes %s".formatted(text(written), text(taken)), faulty);
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

package unimotus.core.way.analog.local;

import java.util.List;
import unimotus.core.analog.SignalRange;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.way.analog.DriveEndCauses;

/** A potentiometer's link as it would be under each cause. */
final class KnobCauses {
  /** The other voltage there is on a drive's terminals. */
  private static final double INPUT_FEED_VOLTS = 24;

  private final KnobLink link;
  private final Clues clues;

  KnobCauses(KnobLink link, Clues clues) {
    this.link = link;
    this.clues = clues;
  }

  /** The variants of a cause on this link; empty where it does not occur here. */
  List<Variant> variants(Cause cause) {
    if (cause instanceof HandCause hand) {
      return hand.variants(link, clues);
    }
    return cause instanceof KnobCause own
        ? variants(own)
        : new DriveEndCauses(link, clues).variants(cause);
  }

  private List<Variant> variants(KnobCause cause) {
    Knob knob = link.knob();
    return switch (cause) {
      case ENDS_EXCHANGED -> variant(link.with(knob.with(Knob.Ends.EXCHANGED)));
      case DEAD_WIPER -> variant(link.with(knob.with(Knob.Ends.DEAD)));
      case LOWER_END_OPEN -> variant(link.with(knob.with(Knob.Ends.LOWER_OPEN)));
      case WRONG_FEED -> variant(link.with(knob.on(INPUT_FEED_VOLTS)));
      case LOADED_WIPER -> loaded();
    };
  }

  private List<Variant> loaded() {
    return link.input().range().isCurrent()
        ? List.of()
        : variant(
            link.with(link.knob().into(link.input().burdenOhms()))
                .with(link.input().withRange(SignalRange.MA_0_20)));
  }

  private List<Variant> variant(KnobLink faulty) {
    return List.of(Variant.of("", clues.path().with(faulty)));
  }
}

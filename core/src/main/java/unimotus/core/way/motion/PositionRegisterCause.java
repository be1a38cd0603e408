package unimotus.core.way.motion;

import java.util.List;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.way.position.TurnsStage.Taking;

/** What can be wrong with positions in registers. */
enum PositionRegisterCause implements Cause {
  WORDS_EXCHANGED(
      "Two registers of a position are exchanged",
      2,
      "Target position right where it is written; a small move becomes one of thousands of turns, or none.",
      "Set the order of the registers to that of the drive's manual: write 1 and see which register holds it."),
  LOW_WORD_ONLY(
      "One register of the target position is written",
      1.5,
      "Short moves right; past 32 767 or 65 535 counts the axis goes elsewhere.",
      "Write both registers in one request (function 16).");

  private final Account account;

  PositionRegisterCause(String title, double weight, String signature, String remedy) {
    this.account = new Account(title, weight, signature, remedy);
  }

  @Override
  public Account account() {
    return account;
  }

  /** The path as it would be. */
  List<Variant> variants(MotionLink link, SignalPath path) {
    return switch (this) {
      case WORDS_EXCHANGED -> List.of(taken(link, path, Taking.EXCHANGED));
      case LOW_WORD_ONLY -> List.of(taken(link, path, Taking.LOW_WORD));
    };
  }

  private static Variant taken(MotionLink link, SignalPath path, Taking how) {
    return Variant.of("", path.with(link.with(link.drive().with(how))));
  }
}

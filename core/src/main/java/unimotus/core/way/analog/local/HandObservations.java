package unimotus.core.way.analog.local;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import unimotus.core.derivation.Derivation;
import unimotus.core.discrete.HandMode;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Chain;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;

/** What each position of the selector does, and what the speed follows in Hand. */
final class HandObservations {
  /** Key of what the speed follows in Hand. */
  static final String OWNER = "hand.owner";

  private static final String GROUP = "Hand – Off – Auto";
  private static final String STOPPED = "stopped";
  private static final String RUNNING = "running";
  private static final List<String> STATES = List.of(STOPPED, RUNNING, "fault");
  private static final List<String> OWNERS =
      List.of("potentiometer", "keypad", "network or program", "nothing");

  private HandObservations() {}

  /** What speeds can follow besides this one. */
  static List<String> others(String owner) {
    return OWNERS.stream().filter(o -> !o.equals(owner)).toList();
  }

  /**
   * The observations of an axis; a start that is lost now and then is not predicted.
   *
   * @param owner what the speed follows in Hand
   */
  static List<Prediction> of(AxisAssembly axis, Chain chain, String owner) {
    List<Prediction> all = new ArrayList<>();
    all.add(
        state(chain, "hand.off", "drive with the selector at Off", STOPPED, "Selector at Off."));
    boolean starts =
        HandMode.inHand(axis).stream().allMatch(h -> h.startsOfThousand() == HandMode.TURNS);
    if (starts) {
      all.add(
          state(
              chain,
              "hand.hand",
              "drive with the selector at Hand",
              RUNNING,
              "From Off to Hand. Once stopped in Hand it takes Off, then Hand, to start again."));
    }
    all.add(
        state(
            chain,
            "hand.auto",
            "drive in Auto without a command",
            STOPPED,
            "From Hand to Auto, nothing commanded by program or network."));
    all.add(
        new Prediction(
            OWNER,
            GROUP,
            "what the speed follows in Hand",
            new Expectation.Word(owner, OWNERS),
            null,
            Double.NaN,
            "motor shaft",
            "eyes",
            "In Hand, change one after the other a little. The display may go on saying auto.",
            EnumSet.of(Part.WIRES, Part.DRIVE),
            Derivation.NONE,
            chain));
    return all;
  }

  private static Prediction state(
      Chain chain, String key, String title, String expected, String how) {
    return new Prediction(
        key,
        GROUP,
        title,
        new Expectation.Word(expected, STATES),
        null,
        Double.NaN,
        "drive's display",
        "eyes",
        how,
        EnumSet.of(Part.WIRES, Part.DRIVE),
        Derivation.NONE,
        chain);
  }
}

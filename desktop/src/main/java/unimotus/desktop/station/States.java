package unimotus.desktop.station;

import unimotus.core.finding.Severity;
import unimotus.core.proof.Verdict;
import unimotus.desktop.kit.Mark;
import unimotus.workbench.Progress;

/** Which shape and word stand for which state, in one place. */
public final class States {
  private States() {}

  /** The shape for a station's state. */
  public static Mark.Kind mark(Progress.State state) {
    return switch (state) {
      case OPEN -> Mark.Kind.OPEN;
      case PARTLY -> Mark.Kind.PARTLY;
      case ATTENTION -> Mark.Kind.ATTENTION;
      case DONE -> Mark.Kind.DONE;
      case LATER -> Mark.Kind.LATER;
    };
  }

  /** The word for a station's state. */
  public static String word(Progress.State state) {
    return switch (state) {
      case OPEN -> "open";
      case PARTLY -> "warning";
      case ATTENTION -> "error";
      case DONE -> "done";
      case LATER -> "not in this version";
    };
  }

  /** The shape for a finding. */
  public static Mark.Kind mark(Severity severity) {
    return switch (severity) {
      case ERROR -> Mark.Kind.ATTENTION;
      case WARNING -> Mark.Kind.PARTLY;
      case NOTE -> Mark.Kind.NOTE;
    };
  }

  /** The shape for a verdict. */
  public static Mark.Kind mark(Verdict.Outcome outcome) {
    return switch (outcome) {
      case OPEN -> Mark.Kind.OPEN;
      case AGREES -> Mark.Kind.DONE;
      case DIFFERS -> Mark.Kind.ATTENTION;
      case STALE -> Mark.Kind.PARTLY;
    };
  }
}

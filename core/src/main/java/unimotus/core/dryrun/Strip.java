package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.List;

/**
 * What one input or output did over a dry-run.
 *
 * @param label its name, such as {@code drive:DI1 run forward}
 * @param rest the state in which nothing is drawn
 * @param segments one after the other, without a gap
 */
public record Strip(String label, String rest, List<Segment> segments) {

  /**
   * A stretch of time in one state.
   *
   * @param fromSeconds its begin
   * @param toSeconds its end
   * @param state {@code on}, {@code off}, {@code undefined}, or a position in words
   */
  public record Segment(double fromSeconds, double toSeconds, String state) {}

  /** Takes a copy. */
  public Strip {
    segments = List.copyOf(segments);
  }

  /** Whether a segment is drawn. */
  public boolean isOn(Segment segment) {
    return !segment.state().equals(rest);
  }

  /** The state at a time; the last one after the end. */
  public String at(double seconds) {
    String state = "";
    for (Segment segment : segments) {
      if (segment.fromSeconds() <= seconds) {
        state = segment.state();
      }
    }
    return state;
  }

  /** A strip that begins in a state. */
  public static Recorder recorder(String label, String rest, String state) {
    return new Recorder(label, rest, state);
  }

  /** A strip while it is recorded. Not thread-safe. */
  public static final class Recorder {
    private final String label;
    private final String rest;
    private final List<Segment> done = new ArrayList<>();
    private double since;
    private String state;

    Recorder(String label, String rest, String state) {
      this.label = label;
      this.rest = rest;
      this.state = state;
    }

    /** Takes the state at a time. */
    public void see(double now, String next) {
      if (!next.equals(state)) {
        if (now > since) {
          done.add(new Segment(since, now, state));
        }
        since = now;
        state = next;
      }
    }

    /** The strip up to a time. */
    public Strip ended(double now) {
      List<Segment> all = new ArrayList<>(done);
      all.add(new Segment(since, now, state));
      return new Strip(label, rest, all);
    }
  }
}

package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import unimotus.core.dryrun.Strip;
import unimotus.core.positioning.Handshake;
import unimotus.core.positioning.Reply;
import unimotus.core.positioning.Request;

/** The bits of a handshake over time, those of the controller first. */
final class BitStrips {
  private static final String OFF = "off";

  private BitStrips() {}

  /**
   * A row for each bit, and one for the number.
   *
   * @param end seconds at which the picture ends
   */
  static List<Strip> of(Handshake handshake, double end) {
    List<Strip> rows = new ArrayList<>();
    for (Request each : Request.values()) {
      rows.add(row(handshake, end, each.label(), m -> on(m.requests().contains(each))));
    }
    rows.add(
        row(handshake, end, "number", m -> m.number() == 0 ? OFF : Integer.toString(m.number())));
    for (Reply each : Reply.values()) {
      rows.add(row(handshake, end, "drive: " + each.label(), m -> on(m.replies().contains(each))));
    }
    return rows;
  }

  private static String on(boolean is) {
    return is ? "on" : OFF;
  }

  private static Strip row(
      Handshake handshake, double end, String label, Function<Handshake.Moment, String> state) {
    List<Strip.Segment> segments = new ArrayList<>();
    List<Handshake.Moment> moments = handshake.moments();
    int from = 0;
    for (int i = 1; i <= moments.size(); i++) {
      String now = state.apply(moments.get(from));
      if (i == moments.size() || !state.apply(moments.get(i)).equals(now)) {
        double until = i == moments.size() ? end : moments.get(i).time();
        segments.add(new Strip.Segment(moments.get(from).time(), until, now));
        from = i;
      }
    }
    return new Strip(label, OFF, segments);
  }
}

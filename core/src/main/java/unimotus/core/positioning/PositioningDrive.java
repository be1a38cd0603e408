package unimotus.core.positioning;

import java.util.EnumSet;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.move.MotionPlan;
import unimotus.core.move.MotionState;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;
import unimotus.core.move.MoveStep;

/**
 * A drive that is positioned by bits. Start, home and jog are edges: taken while ready, not busy
 * and not stopped, else not at all; a start is acknowledged until its bit goes. What was lost –
 * enable, stop, a fault – needs a new edge. Not thread-safe.
 */
final class PositioningDrive {
  /** Farther than any travel. */
  private static final double FAR = 1e6;

  private final PositionTable table;
  private final double homingSeconds;
  private Set<Request> held = EnumSet.noneOf(Request.class);
  private @Nullable MotionPlan plan;
  private double began;
  private double now;
  private double position;
  private boolean isHoming;
  private boolean isPositioning;
  private boolean isHomed;
  private boolean isInPosition;
  private boolean isAcknowledged;
  private boolean isFaulty;
  private @Nullable Request jogging;
  private String note = "";

  /**
   * A drive that was just switched on, not homed.
   *
   * @param start where it stands
   * @param homingSeconds how long homing is taken to last, over 0
   */
  PositioningDrive(PositionTable table, double start, double homingSeconds) {
    this.table = table;
    this.position = start;
    this.homingSeconds = homingSeconds;
  }

  /** When the motion that runs ends by itself; +∞ where none does. */
  double nextEnd() {
    return plan == null ? Double.POSITIVE_INFINITY : began + plan.seconds();
  }

  /** Lets time pass; what ends by then has ended. */
  void passTo(double time) {
    now = time;
    MotionPlan running = plan;
    if (running == null) {
      return;
    }
    if (time < nextEnd()) {
      position = running.at(time - began).position();
      return;
    }
    position = running.to();
    plan = null;
    finished();
  }

  private void finished() {
    jogging = null;
    if (isHoming) {
      isHoming = false;
      isHomed = true;
      position = 0;
      note = "homed: the position is 0";
    } else if (isPositioning) {
      isInPosition = true;
      note = "in position";
    }
    isPositioning = false;
  }

  /** What it shows. */
  Set<Reply> replies() {
    Set<Reply> shown = EnumSet.noneOf(Reply.class);
    show(shown, Reply.READY, isReady());
    show(shown, Reply.HOMED, isHomed);
    show(shown, Reply.ACKNOWLEDGE, isAcknowledged);
    show(shown, Reply.BUSY, plan != null);
    show(shown, Reply.IN_POSITION, isInPosition);
    show(shown, Reply.FAULT, isFaulty);
    return shown;
  }

  private static void show(Set<Reply> shown, Reply reply, boolean isOn) {
    if (isOn) {
      shown.add(reply);
    }
  }

  private boolean isReady() {
    return held.contains(Request.ENABLE) && !isFaulty;
  }

  double position() {
    return position;
  }

  /** What happened since it was asked last, in words; empty where nothing worth a word did. */
  String takeNote() {
    String taken = note;
    note = "";
    return taken;
  }

  /** Takes the bits of a moment, and the number that stands beside them. */
  void take(Set<Request> bits, int number) {
    Set<Request> before = held;
    held = EnumSet.noneOf(Request.class);
    held.addAll(bits);
    if (!held.contains(Request.START)) {
      isAcknowledged = false;
    }
    if (isRisen(before, Request.RESET) && isFaulty) {
      isFaulty = false;
      note = "fault reset; it waits for a new start";
    }
    lost(before);
    jog(before);
    if (isRisen(before, Request.HOME)) {
      home();
    }
    if (isRisen(before, Request.START)) {
      start(number);
    }
  }

  private boolean isRisen(Set<Request> before, Request bit) {
    return held.contains(bit) && !before.contains(bit);
  }

  private void lost(Set<Request> before) {
    if (before.contains(Request.ENABLE) && !held.contains(Request.ENABLE)) {
      halt("enable lost: it halts, and a new start is needed");
    } else if (isRisen(before, Request.STOP)) {
      halt("stopped: a new start is needed");
    }
  }

  private void halt(String why) {
    MotionPlan running = plan;
    jogging = null;
    if (running == null) {
      return;
    }
    MotionState at = running.at(now - began);
    begin(MovePlanner.halt(at, table.limits()));
    isHoming = false;
    isPositioning = false;
    note = why;
  }

  /** A motion; one that takes no time is over at once. */
  private void begin(MotionPlan next) {
    isInPosition = false;
    plan = next;
    began = now;
    if (next.seconds() == 0) {
      position = next.to();
      plan = null;
    }
  }

  /** A bit that was held while it could not jog starts nothing later: it needs a new edge. */
  private void jog(Set<Request> before) {
    Request wanted =
        held.contains(Request.JOG_FORWARD) == held.contains(Request.JOG_BACKWARD)
            ? null
            : held.contains(Request.JOG_FORWARD) ? Request.JOG_FORWARD : Request.JOG_BACKWARD;
    if (jogging != null && wanted != jogging) {
      halt("jog let go");
    } else if (wanted != null && isRisen(before, wanted)) {
      if (!isFree()) {
        note = "jog not taken: " + whyNot();
        return;
      }
      begin(MovePlanner.between(position, jogEnd(wanted), slow()));
      jogging = plan == null ? null : wanted;
      note = "jogs while the bit is held";
    }
  }

  private MoveLimits slow() {
    MoveLimits limits = table.limits();
    return new MoveLimits(
        table.jogVelocity(), limits.acceleration(), limits.deceleration(), limits.jerk());
  }

  /** As far as the travel goes. */
  private double jogEnd(Request way) {
    boolean isForward = way == Request.JOG_FORWARD;
    if (!table.travel().isLimited()) {
      return position + (isForward ? FAR : -FAR);
    }
    return isForward
        ? Math.max(position, table.travel().most())
        : Math.min(position, table.travel().least());
  }

  private boolean isFree() {
    return isReady() && plan == null && !held.contains(Request.STOP);
  }

  private void home() {
    if (!isFree()) {
      note = "home not taken: " + whyNot();
      return;
    }
    isHomed = false;
    isHoming = true;
    begin(MotionPlan.standing(position, homingSeconds));
    note = "looks for its home";
  }

  private String whyNot() {
    return isFaulty
        ? "it has a fault"
        : !held.contains(Request.ENABLE)
            ? "it is not enabled"
            : held.contains(Request.STOP) ? "stop is held" : "it is busy";
  }

  private void start(int number) {
    if (!isFree()) {
      note = "start not taken: " + whyNot();
      return;
    }
    TablePosition entry = table.entry(number).orElse(null);
    if (entry == null) {
      fault("position %d is not in the table".formatted(number));
      return;
    }
    if (entry.move() instanceof MoveStep.Absolute && !isHomed) {
      fault("an absolute move before homing");
      return;
    }
    double to = destination(entry);
    if (!table.travel().holds(to)) {
      fault("position %d leads outside the travel".formatted(number));
      return;
    }
    isAcknowledged = true;
    begin(MovePlanner.between(position, to, entry.limits(table.limits())));
    isPositioning = plan != null;
    isInPosition = plan == null;
    note =
        plan == null
            ? "absolute again: it is there already, in position at once"
            : "start taken, position %d".formatted(number);
  }

  private double destination(TablePosition entry) {
    return entry.move() instanceof MoveStep.Absolute
        ? table.travel().destination(position, entry.value())
        : position + entry.value();
  }

  private void fault(String why) {
    isFaulty = true;
    isInPosition = false;
    note = "fault: " + why;
  }
}

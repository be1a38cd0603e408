package unimotus.core.positioning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveStep;
import unimotus.core.move.TravelRange;

/**
 * Controllers that set bits at random, against a drive of this test that knows neither planner nor
 * events: it looks every 50 µs, speeds up while the way left is longer than the way to brake, and
 * brakes when it is not. Bits are compared away from the moments at which they change.
 */
class HandshakeCampaignTest {
  private static final int RUNS = Campaign.size(3000, 150);
  private static final int STEPS = 25;
  private static final double TICK = 5e-5;
  private static final double GRID = 5e-4;
  private static final double VELOCITY = 200;
  private static final double RAMP = 1000;

  /** What the two may differ by in time, and what that is in way. */
  private static final double LATE = 0.006;

  private static final double FAR_OFF = 0.1;

  /** A drive tick by tick. */
  private static final class TickDrive {
    private final List<TablePosition> table;
    private final double least;
    private final double most;
    private Set<Request> before = EnumSet.noneOf(Request.class);
    private double position;
    private double speed;
    private double goal;
    private double top;
    private char doing = '-';
    private double homes;
    private boolean homed;
    private boolean arrived;
    private boolean acknowledged;
    private boolean faulty;

    TickDrive(List<TablePosition> table, double least, double most) {
      this.table = table;
      this.least = least;
      this.most = most;
    }

    void take(Set<Request> now, int number) {
      acknowledged &= now.contains(Request.START);
      if (rises(now, Request.RESET)) {
        faulty = false;
      }
      boolean off = before.contains(Request.ENABLE) && !now.contains(Request.ENABLE);
      if ((off || rises(now, Request.STOP)) && doing != '-') {
        doing = 'h';
      }
      boolean forward = now.contains(Request.JOG_FORWARD);
      boolean backward = now.contains(Request.JOG_BACKWARD);
      char jog = forward == backward ? '-' : forward ? 'f' : 'b';
      Request bit = forward ? Request.JOG_FORWARD : Request.JOG_BACKWARD;
      boolean free = now.contains(Request.ENABLE) && !faulty && !now.contains(Request.STOP);
      boolean wasJog = doing == 'f' || doing == 'b';
      if (wasJog && jog != doing) {
        doing = 'h';
      } else if (jog != '-' && rises(now, bit) && doing == '-' && free) {
        go(jog == 'f' ? Math.max(most, position) : Math.min(least, position), VELOCITY / 10, jog);
      }
      if (rises(now, Request.HOME) && free && doing == '-') {
        doing = 'o';
        homes = 1;
        homed = false;
        arrived = false;
      }
      if (rises(now, Request.START) && free && doing == '-') {
        start(number);
      }
      before = EnumSet.copyOf(now.isEmpty() ? EnumSet.noneOf(Request.class) : now);
    }

    private boolean rises(Set<Request> now, Request bit) {
      return now.contains(bit) && !before.contains(bit);
    }

    private void start(int number) {
      if (number < 1 || number > table.size()) {
        fail();
        return;
      }
      TablePosition entry = table.get(number - 1);
      MoveStep step = entry.move();
      boolean absolute = step instanceof MoveStep.Absolute;
      double to =
          absolute
              ? ((MoveStep.Absolute) step).target()
              : position + ((MoveStep.Incremental) step).distance();
      if ((absolute && !homed) || to < least || to > most) {
        fail();
        return;
      }
      acknowledged = true;
      arrived = to == position;
      if (to != position) {
        go(to, entry.velocity() > 0 ? entry.velocity() : VELOCITY, 'p');
      }
    }

    private void fail() {
      faulty = true;
      arrived = false;
    }

    private void go(double to, double fastest, char what) {
      arrived = false;
      if (to == position) {
        return;
      }
      goal = to;
      top = fastest;
      doing = what;
    }

    void tick() {
      if (doing == '-') {
        return;
      }
      if (doing == 'o') {
        homes -= TICK;
        if (homes <= TICK / 2) {
          doing = '-';
          homed = true;
          position = 0;
        }
        return;
      }
      double way = Math.signum(speed == 0 ? goal - position : speed);
      double left = (goal - position) * way;
      double size = Math.abs(speed);
      boolean brake = doing == 'h' || left <= size * size / (2 * RAMP);
      size = brake ? size - RAMP * TICK : Math.min(top, size + RAMP * TICK);
      position += way * Math.max(0, size) * TICK;
      speed = way * Math.max(0, size);
      if (size <= 0 || (doing != 'h' && (goal - position) * way <= 0)) {
        arrived = doing == 'p';
        position = doing == 'h' ? position : goal;
        speed = 0;
        doing = '-';
      }
    }

    Set<Reply> replies(Set<Request> now) {
      Set<Reply> shown = EnumSet.noneOf(Reply.class);
      boolean[] on = {
        now.contains(Request.ENABLE) && !faulty, homed, acknowledged, doing != '-', arrived, faulty
      };
      for (Reply each : Reply.values()) {
        if (on[each.ordinal()]) {
          shown.add(each);
        }
      }
      return shown;
    }
  }

  /** Half of them at a velocity of their own, some of which no ramp of a short way reaches. */
  private static List<TablePosition> table(Random random) {
    List<TablePosition> table = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      double place = random.nextInt(13) * 10 - 20;
      MoveStep move =
          random.nextBoolean() ? new MoveStep.Absolute(place) : new MoveStep.Incremental(place);
      table.add(new TablePosition(move, random.nextBoolean() ? 0 : 20 + random.nextInt(180)));
    }
    return table;
  }

  private static List<Handshake.Step> steps(Random random) {
    List<Handshake.Step> steps = new ArrayList<>();
    Set<Request> bits = EnumSet.of(Request.ENABLE);
    double time = 0;
    for (int i = 0; i < STEPS; i++) {
      steps.add(new Handshake.Step(time, bits, random.nextInt(5)));
      time =
          Math.rint((time + 0.02 + 0.8 * random.nextDouble() * random.nextDouble()) / GRID) * GRID;
      Request bit = Request.values()[random.nextInt(Request.values().length)];
      // Enable goes seldom, so that something happens at all.
      boolean keeps = bit == Request.ENABLE && random.nextInt(3) > 0 && bits.contains(bit);
      Set<Request> next = EnumSet.noneOf(Request.class);
      next.addAll(bits);
      if (!keeps && !next.remove(bit)) {
        next.add(bit);
      }
      if (random.nextInt(4) == 0) {
        next.add(Request.ENABLE);
        next.remove(Request.STOP);
      }
      bits = next;
    }
    return steps;
  }

  @Test
  void theTimelineIsThatOfADriveTickByTick() {
    Random random = new Random(1920);
    List<String> wrong = new ArrayList<>();
    int moved = 0;
    for (int run = 0; run < RUNS; run++) {
      List<TablePosition> table = table(random);
      List<Handshake.Step> steps = steps(random);
      Handshake told =
          Handshake.of(
              new PositionTable(
                  table, MoveLimits.of(VELOCITY, RAMP), TravelRange.between(-20, 120)),
              0,
              steps);
      compare(told, new TickDrive(table, -20, 120), steps, run, wrong);
      moved += told.moments().stream().anyMatch(m -> m.note().startsWith("start taken")) ? 1 : 0;
    }
    assertThat(wrong).isEmpty();
    assertThat(moved).isGreaterThan(RUNS / 6);
  }

  /** Where a bit comes just as a motion ends, the two may see it on either side: no further. */
  private static double firstRace(Handshake told, List<Handshake.Step> steps) {
    return told.moments().stream()
        .mapToDouble(Handshake.Moment::time)
        .filter(t -> steps.stream().noneMatch(s -> s.time() == t))
        .filter(t -> steps.stream().anyMatch(s -> Math.abs(s.time() - t) < LATE))
        .min()
        .orElse(Double.POSITIVE_INFINITY);
  }

  private static void compare(
      Handshake told, TickDrive drive, List<Handshake.Step> steps, int run, List<String> wrong) {
    int next = 0;
    int stands = -1;
    Handshake.Step current = steps.get(0);
    double end = Math.min(told.seconds() + 0.1, firstRace(told, steps));
    for (int k = 0; k * TICK < end; k++) {
      double time = k * TICK;
      while (next < steps.size() && steps.get(next).time() <= time + TICK / 2) {
        current = steps.get(next++);
        drive.take(current.bits(), current.number());
      }
      while (stands + 1 < told.moments().size()
          && told.moments().get(stands + 1).time() <= time + TICK / 2) {
        stands++;
      }
      boolean quiet =
          stands >= 0
              && time - told.moments().get(stands).time() > LATE
              && (stands + 1 == told.moments().size()
                  || told.moments().get(stands + 1).time() - time > LATE);
      if (quiet) {
        Handshake.Moment moment = told.moments().get(stands);
        Set<Reply> shown = drive.replies(current.bits());
        boolean rests = !moment.replies().contains(Reply.BUSY);
        if (!shown.equals(moment.replies())
            || (rests && Math.abs(drive.position - moment.position()) > FAR_OFF)) {
          wrong.add(
              "run %d at %.4f: %s %.9f %s %.6f, told %s %.9f (%s)"
                  .formatted(
                      run,
                      time,
                      shown,
                      drive.position,
                      drive.doing,
                      drive.speed,
                      moment.replies(),
                      moment.position(),
                      moment.note()));
          return;
        }
      }
      drive.tick();
    }
  }
}

package unimotus.core.process;

import java.util.ArrayList;
import java.util.List;

/**
 * Plays the loop of a drive with sleep and wake on its process, tick by tick. The speed is taken to
 * follow the output; slip is left out. Whatever stops it but sleep needs a new start.
 */
public final class LoopPlay {
  /** Seconds of a tick. */
  public static final double TICK = 0.01;

  private final LoopSettings settings;
  private final SleepSettings sleep;
  private final Feedback feedback;
  private final Process process;
  private final LoopController controller;
  private final SleepTimer timer;
  private final List<LoopPlayed.Sample> samples = new ArrayList<>();
  private final List<LoopPlayed.Note> notes = new ArrayList<>();
  private LoopSettings now;
  private LoopState state = LoopState.STOPPED;
  private boolean isFed = true;
  private boolean isSeen = true;
  private double demand;
  private double handHertz;
  private double hertz;
  private double asked;
  private double ticked;

  /**
   * How the feedback comes to the drive.
   *
   * @param lagSeconds time constant of the transmitter, 0 or more
   * @param bits of the converter over the range; 0 for no steps
   * @param lost what the drive does without it
   */
  public record Feedback(double lagSeconds, int bits, LostFeedback lost) {
    /** At once, without steps. */
    public static final Feedback IDEAL = new Feedback(0, 0, LostFeedback.UNSEEN);

    /** Checks the numbers. */
    public Feedback {
      if (!(lagSeconds >= 0) || Double.isInfinite(lagSeconds) || bits < 0 || bits > Short.SIZE) {
        throw new IllegalArgumentException(
            "feedback: the lag must be 0 s or more and the converter 0 to 16 bits, not %s s and %d"
                .formatted(lagSeconds, bits));
      }
    }

    double stepped(ProcessRange range, double value) {
      double share = Math.max(0, Math.min(1, range.share(value)));
      double steps = (1L << bits) - 1;
      return range.value(bits == 0 ? share : Math.rint(share * steps) / steps);
    }
  }

  private LoopPlay(LoopSettings settings, SleepSettings sleep, Feedback feedback, Process process) {
    this.settings = settings;
    this.now = settings;
    this.sleep = sleep;
    this.feedback = feedback;
    this.process = process;
    this.controller = new LoopController(settings);
    this.timer = new SleepTimer(sleep);
  }

  /**
   * Plays it.
   *
   * @param process used up by it
   * @param events what happens; nothing runs without a start
   * @param seconds over 0
   * @param everySeconds between two looks, a tick or more
   */
  public static LoopPlayed of(
      LoopSettings settings,
      SleepSettings sleep,
      Feedback feedback,
      Process process,
      List<LoopEvent> events,
      double seconds,
      double everySeconds) {
    if (!(seconds > 0 && everySeconds >= TICK) || Double.isInfinite(seconds)) {
      throw new IllegalArgumentException(
          "loop: it is looked at for over 0 s and every %s s or more, not %s and %s s"
              .formatted(TICK, seconds, everySeconds));
    }
    return new LoopPlay(settings, sleep, feedback, process)
        .played(LoopEvent.inOrder(events), Math.round(seconds / TICK), everySeconds);
  }

  private LoopPlayed played(List<LoopEvent> events, long ticks, double everySeconds) {
    long every = Math.max(1, Math.round(everySeconds / TICK));
    double value = process.value();
    int next = 0;
    for (long tick = 0; tick <= ticks; tick++) {
      ticked = tick * TICK;
      while (next < events.size() && events.get(next).atSeconds() <= ticked + TICK / 2) {
        happen(events.get(next++));
      }
      value += transmitted() * (process.value() - value);
      double read = isSeen ? feedback.stepped(settings.range(), value) : settings.range().low();
      if (isFollowed()) {
        controller.seen(now, read, TICK);
      }
      act(controller.filtered());
      if (tick % every == 0) {
        samples.add(new LoopPlayed.Sample(ticked, now.setPoint(), process.value(), hertz, state));
      }
      process.advance(hertz, demand, TICK);
    }
    return new LoopPlayed(samples, notes);
  }

  /** A feedback whose loss is not noticed is followed to the low end. */
  private boolean isFollowed() {
    return isSeen || feedback.lost() == LostFeedback.UNSEEN;
  }

  private double transmitted() {
    return feedback.lagSeconds() == 0 ? 1 : -Math.expm1(-TICK / feedback.lagSeconds());
  }

  private void act(double seen) {
    double error = now.error(seen);
    double span = now.range().span();
    switch (state) {
      case RUNNING -> {
        if (timer.isTired(hertz, TICK) && isFollowed()) {
          go(sleep.boost() > 0 ? LoopState.BOOSTING : LoopState.ASLEEP);
        }
      }
      case BOOSTING -> {
        if (timer.isBoosted(error, span, TICK)) {
          go(LoopState.ASLEEP);
        }
      }
      case ASLEEP -> {
        if (timer.isAwake(error, span, TICK) && isFollowed()) {
          start();
        }
      }
      default -> {
        // Nothing is counted.
      }
    }
    asked = asked();
    boolean jumps = state == LoopState.FAULT || !isFed;
    hertz = jumps ? 0 : settings.ramp().next(hertz, asked, TICK);
  }

  private double asked() {
    if (!state.isLoop()) {
      return state == LoopState.HAND ? handHertz : 0;
    }
    if (!isSeen && feedback.lost() == LostFeedback.HOLD) {
      return hertz;
    }
    if (!isSeen && feedback.lost() == LostFeedback.MINIMUM) {
      return settings.minimumHertz();
    }
    int held = Double.compare(hertz, asked);
    return controller.asks(state == LoopState.BOOSTING ? boosted() : now, held, TICK);
  }

  /** The set-point moved to where there is more in store, within the range. */
  private LoopSettings boosted() {
    double low = Math.min(now.range().low(), now.range().high());
    double moved = now.setPoint() + (now.raises() ? sleep.boost() : -sleep.boost());
    return now.at(Math.max(low, Math.min(low + now.range().span(), moved)));
  }

  private void start() {
    if (isFed && (isSeen || feedback.lost() != LostFeedback.FAULT)) {
      controller.reset();
      timer.start();
      go(LoopState.RUNNING);
    }
  }

  private void go(LoopState next) {
    if (next != state) {
      state = next;
      notes.add(new LoopPlayed.Note(ticked, next));
    }
  }

  private void happen(LoopEvent event) {
    switch (event.kind()) {
      case DEMAND -> demand = event.value();
      case SET_POINT -> now = now.at(event.value());
      case START -> {
        if (state == LoopState.STOPPED || state == LoopState.FAULT) {
          start();
        }
      }
      case STOP -> go(LoopState.STOPPED);
      case HAND -> byHand(event.value());
      case AUTO -> toLoop();
      case MAINS_LOST -> {
        isFed = false;
        go(LoopState.STOPPED);
      }
      case MAINS_BACK -> isFed = true;
      case FEEDBACK_LOST -> {
        isSeen = false;
        if (feedback.lost() == LostFeedback.FAULT && state != LoopState.STOPPED) {
          go(LoopState.FAULT);
        }
      }
      case FEEDBACK_BACK -> isSeen = true;
      default -> throw new IllegalStateException(event.toString());
    }
  }

  private void byHand(double at) {
    if (!(at >= 0 && at <= settings.ramp().maximumHertz())) {
      throw new IllegalArgumentException(
          "by hand: must be 0 to %s Hz, not %s Hz".formatted(settings.ramp().maximumHertz(), at));
    }
    if (state.isLoop() || state == LoopState.HAND) {
      handHertz = at;
      go(LoopState.HAND);
    }
  }

  private void toLoop() {
    if (state == LoopState.HAND) {
      controller.takeOver(now, hertz);
      timer.start();
      go(LoopState.RUNNING);
    }
  }
}

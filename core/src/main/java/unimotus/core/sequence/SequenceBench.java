package unimotus.core.sequence;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;

/**
 * Runs a sequence against a plant that does what it is told: moves take the time they take, and
 * what a step waits for comes after a time. What it shows is how long things take and in what
 * order, not that the machine will do it.
 *
 * @param moveSeconds time of a move over a distance in the travel unit
 * @param answerSeconds after which what a step waits for is seen
 * @param jogDistance how far a jog runs until its input is seen, in the travel unit
 */
public record SequenceBench(
    DoubleUnaryOperator moveSeconds, double answerSeconds, double jogDistance) {
  private static final long TICK = 10;
  private static final double MILLIS = 1000;

  /**
   * One step as it was run.
   *
   * @param step which, from 1
   * @param begins seconds from the start
   * @param lasts seconds
   * @param position of the axis at its end
   */
  public record Ran(int step, double begins, double lasts, double position) {}

  /**
   * A run.
   *
   * @param steps in the order they were run
   * @param seconds altogether
   * @param ended whether it was run to its end, and not cut off
   * @param lateStep the step that took longer than it may, which ended it; 0 for none
   */
  public record Run(List<Ran> steps, double seconds, boolean ended, int lateStep) {
    /** Takes a copy. */
    public Run {
      steps = List.copyOf(steps);
    }
  }

  /** Checks the times. */
  public SequenceBench {
    if (!(answerSeconds > 0) || !(jogDistance > 0)) {
      throw new IllegalArgumentException(
          "bench: answers take over 0 s and a jog over 0, not %s and %s"
              .formatted(answerSeconds, jogDistance));
    }
  }

  /**
   * Runs it once from a start, at most so long; one that repeats for ever is cut off there.
   *
   * @param most seconds
   */
  public Run run(Sequence sequence, double most) {
    return new Playing(sequence).run(most);
  }

  /** One run. */
  private final class Playing {
    private final Sequence sequence;
    private final SequenceMachine machine;
    private final Map<String, Boolean> inputs = new LinkedHashMap<>();
    private final List<Ran> ran = new ArrayList<>();
    private double position;
    private int step;
    private long since;

    Playing(Sequence sequence) {
      this.sequence = sequence;
      this.machine = new SequenceMachine(sequence);
    }

    Run run(double most) {
      long now = 0;
      machine.scan(seen(false, false), now);
      boolean ended = false;
      int late = 0;
      while (!ended && late == 0 && now < most * MILLIS) {
        now += TICK;
        boolean moved = isMoved(now);
        SequenceMachine.Commanded told = machine.scan(seen(now == TICK, moved), now);
        if (told.step() != step) {
          change(told.step(), now);
        }
        ended = told.done();
        late = told.lateStep();
      }
      return new Run(ran, now / MILLIS, ended, late);
    }

    private void change(int next, long now) {
      if (step > 0) {
        settle(sequence.steps().get(step - 1));
        ran.add(new Ran(step, since / MILLIS, (now - since) / MILLIS, position));
      }
      step = next;
      since = now;
      inputs.clear();
    }

    private void settle(SequenceStep over) {
      if (over instanceof SequenceStep.Move move) {
        double amount =
            move.value() == null
                ? move.amount()
                : sequence.values().getOrDefault(move.value(), move.amount());
        position = move.absolute() ? amount : position + amount;
      } else if (over instanceof SequenceStep.Jog) {
        // What a jog runs to is where positions are counted from.
        position = 0;
      }
    }

    private boolean isMoved(long now) {
      if (step == 0) {
        return false;
      }
      SequenceStep at = sequence.steps().get(step - 1);
      double lasts = (now - since) / MILLIS;
      at.ends()
          .ifPresent(
              until -> {
                double answer =
                    at instanceof SequenceStep.Jog
                        ? moveSeconds.applyAsDouble(jogDistance)
                        : answerSeconds;
                inputs.put(until.input(), lasts >= answer == until.holds());
              });
      if (!(at instanceof SequenceStep.Move move)) {
        return false;
      }
      double amount =
          move.value() == null
              ? move.amount()
              : sequence.values().getOrDefault(move.value(), move.amount());
      double way = Math.abs(move.absolute() ? amount - position : amount);
      return lasts >= moveSeconds.applyAsDouble(way);
    }

    private SequenceMachine.Seen seen(boolean start, boolean moved) {
      return new SequenceMachine.Seen(true, true, start, moved, true, false, new HashMap<>(inputs));
    }
  }
}

package unimotus.core.sequence;

import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Plays a sequence scan by scan, as a controller would. One step is left in a scan, and nothing is
 * commanded after it for a scan and until the axis stands, so that a command of the next step is a
 * new edge. Whatever takes automatic mode, permission or the axis away ends the sequence and
 * switches its outputs off; only a new rising edge of start begins it, from the first step. While
 * automatic mode is off, buttons act that were seen released since whatever was lost came back. Not
 * thread-safe.
 */
public final class SequenceMachine {
  private static final double MILLIS = 1000;
  private static final long NOT_YET = Long.MIN_VALUE;

  private final Sequence sequence;
  private final Map<String, Boolean> latched = new LinkedHashMap<>();
  private final boolean[] released;
  private boolean handForward;
  private boolean handBackward;
  private int step;
  private int round;
  private boolean gap;
  private boolean arrived;
  private boolean zero;
  private boolean startWas = true;
  private boolean done;
  private boolean late;
  private int lateStep;
  private long entered = NOT_YET;

  /**
   * What a scan sees.
   *
   * @param auto automatic mode is chosen
   * @param permit everything that has to hold for it holds
   * @param start the start button
   * @param moveDone the axis has done its move
   * @param standing the axis is at rest
   * @param moveError the axis reports an error
   * @param inputs the inputs by name; those not named are off
   */
  public record Seen(
      boolean auto,
      boolean permit,
      boolean start,
      boolean moveDone,
      boolean standing,
      boolean moveError,
      Map<String, Boolean> inputs) {
    /** Takes a copy. */
    public Seen {
      inputs = Map.copyOf(inputs);
    }
  }

  /**
   * What a scan commands.
   *
   * @param step which step, from 1; 0 for none
   * @param execute the axis is to run its move
   * @param amount distance or position of it
   * @param absolute whether it is a position
   * @param forward the axis is to jog forward
   * @param backward the axis is to jog backward
   * @param zero the axis counts from where it stands
   * @param outputs the outputs by name
   * @param done it was run to its end
   * @param late a step took longer than it may
   * @param lateStep which; 0 for none
   */
  public record Commanded(
      int step,
      boolean execute,
      double amount,
      boolean absolute,
      boolean forward,
      boolean backward,
      boolean zero,
      Map<String, Boolean> outputs,
      boolean done,
      boolean late,
      int lateStep) {
    /** Takes a copy. */
    public Commanded {
      outputs = Collections.unmodifiableMap(new LinkedHashMap<>(outputs));
    }
  }

  /** A sequence that has not begun. */
  public SequenceMachine(Sequence sequence) {
    this.sequence = sequence;
    sequence.outputs().forEach(o -> latched.put(o, false));
    released = new boolean[sequence.byHand().size()];
  }

  /**
   * One scan.
   *
   * @param milliseconds time of it, never falling
   */
  public Commanded scan(Seen seen, long milliseconds) {
    boolean allowed = seen.auto() && seen.permit() && !seen.moveError();
    zero = false;
    if (!allowed) {
      step = 0;
      gap = false;
      arrived = false;
    }
    if (seen.start() && !startWas && allowed && step == 0) {
      begin();
    }
    startWas = seen.start();
    if (step == 0) {
      latched.replaceAll((name, on) -> false);
    } else if (gap) {
      gap = !seen.standing();
      entered = NOT_YET;
      hold();
    } else {
      hold();
      leave(seen, milliseconds);
    }
    byHand(seen);
    return commanded();
  }

  /** Both ways at once are neither. */
  private void byHand(Seen seen) {
    boolean allowed = !seen.auto() && seen.permit() && !seen.moveError();
    boolean forward = false;
    boolean backward = false;
    for (int i = 0; i < released.length; i++) {
      HandCommand button = sequence.byHand().get(i);
      boolean pressed = seen.inputs().getOrDefault(button.input(), false);
      released[i] = allowed && (released[i] || !pressed);
      boolean acts = released[i] && pressed;
      String output = button.output();
      if (output == null) {
        forward |= acts && !button.backward();
        backward |= acts && button.backward();
      } else if (acts) {
        latched.put(output, true);
      }
    }
    handForward = forward && !backward;
    handBackward = backward && !forward;
  }

  private void begin() {
    step = 1;
    round = 1;
    gap = true;
    arrived = false;
    done = false;
    late = false;
    lateStep = 0;
  }

  private SequenceStep now() {
    return sequence.steps().get(step - 1);
  }

  /** An output that is on until something is seen is on while its step is. */
  private void hold() {
    if (now() instanceof SequenceStep.Switch s && s.until() != null) {
      latched.put(s.output(), s.on());
    }
  }

  private void leave(Seen seen, long milliseconds) {
    SequenceStep at = now();
    if (entered == NOT_YET) {
      entered = milliseconds;
    }
    long lasts = milliseconds - entered;
    boolean met =
        at.ends().map(u -> seen.inputs().getOrDefault(u.input(), false) == u.holds()).orElse(true);
    if (at instanceof SequenceStep.Jog && (arrived || met)) {
      arrive(seen, at);
      return;
    }
    boolean over =
        at instanceof SequenceStep.Move
            ? seen.moveDone()
            : at instanceof SequenceStep.Wait wait ? lasts >= millis(wait.seconds()) : met;
    if (over) {
      act(at);
      next(at);
    } else if (at.ends()
        .filter(u -> u.isLimited() && lasts >= millis(u.withinSeconds()))
        .isPresent()) {
      late = true;
      lateStep = step;
      step = 0;
      latched.replaceAll((name, on) -> false);
    }
  }

  /** What a jog has run to is where positions are counted from, once the axis stands there. */
  private void arrive(Seen seen, SequenceStep at) {
    if (arrived && seen.standing()) {
      zero = true;
      arrived = false;
      next(at);
    } else {
      arrived = true;
    }
  }

  /** Timers of a controller count whole milliseconds. */
  private static long millis(double seconds) {
    return Math.round(MILLIS * seconds);
  }

  private void act(SequenceStep at) {
    if (at instanceof SequenceStep.Switch s) {
      latched.put(s.output(), (s.until() == null) == s.on());
    }
  }

  private void next(SequenceStep at) {
    if (at instanceof SequenceStep.Repeat repeat
        && (repeat.times() == 0 || round < repeat.times())) {
      round = repeat.times() == 0 ? 1 : round + 1;
      step = 1;
      gap = true;
    } else if (step < sequence.steps().size()) {
      step++;
      gap = true;
    } else {
      step = 0;
      done = true;
      latched.replaceAll((name, on) -> false);
    }
  }

  private Commanded commanded() {
    boolean acts = step > 0 && !gap;
    @Nullable SequenceStep at = step > 0 ? now() : null;
    SequenceStep.Move move = at instanceof SequenceStep.Move m ? m : null;
    return new Commanded(
        step,
        acts && move != null,
        move == null ? 0 : amount(move),
        move != null && move.absolute(),
        acts && !arrived && at instanceof SequenceStep.Jog f && !f.backward() || handForward,
        acts && !arrived && at instanceof SequenceStep.Jog b && b.backward() || handBackward,
        zero,
        new HashMap<>(latched),
        done,
        late,
        lateStep);
  }

  private double amount(SequenceStep.Move move) {
    return move.value() == null
        ? move.amount()
        : sequence.values().getOrDefault(move.value(), move.amount());
  }
}

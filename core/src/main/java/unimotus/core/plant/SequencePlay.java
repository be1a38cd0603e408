package unimotus.core.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sequence.SequenceMachine;
import unimotus.core.sequence.SequenceStep;
import unimotus.core.sequence.Until;
import unimotus.core.wiring.Level;

/**
 * Plays a sequence on its axis through the wires: the controller scans, its outputs switch, pulses
 * go out, the motor follows them or not, and switches close where the machine is. Not thread-safe.
 */
public final class SequencePlay {
  /** Time of a scan of the controller in seconds (common practice). */
  public static final double SCAN_SECONDS = 0.01;

  /** A name of this kind may be placed on an input as well: it starts the sequence. */
  public static final String START = "start";

  /** The same for what has to hold. */
  public static final String PERMIT = "permit";

  /** The same for the selector of automatic mode. */
  public static final String AUTO = "auto";

  private static final int TICKS = 10;
  private static final double TICK = SCAN_SECONDS / TICKS;
  private static final long MILLIS = 1000;
  private static final double QUIET = 1;

  /** Looks on, scan by scan. */
  interface Watch {
    /** Takes what the controller saw and what it commanded. */
    void scan(SequenceMachine.Seen seen, long milliseconds, SequenceMachine.Commanded told);
  }

  private final Plant plant;
  private final PlantSchedule schedule;
  private final Watch watch;
  private final PlantWires wires;
  private final SequenceMachine machine;
  private final MovedAxis axis;
  private final Surroundings around;
  private final PlantChart chart;
  private final List<SequencePlayed.Ran> ran = new ArrayList<>();
  private final List<SequencePlayed.Sample> samples = new ArrayList<>();
  private final List<SequencePlayed.Switched> switched = new ArrayList<>();
  private final List<SequencePlayed.Note> notes = new ArrayList<>();
  private final Map<String, Double> said = new HashMap<>();
  private final Set<TerminalRef> uncertain = new HashSet<>();
  private int next;
  private boolean started;
  private boolean permitted = true;
  private boolean allowed = true;
  private boolean auto = true;
  private int step;
  private double since;
  private boolean lost;

  private SequencePlay(Plant plant, PlantSchedule schedule, Watch watch) {
    this.plant = plant;
    this.watch = watch;
    this.schedule = schedule;
    this.wires = new PlantWires(plant.line());
    this.machine = new SequenceMachine(plant.sequence());
    this.axis = new MovedAxis(plant, wires, schedule.startsAt(), this::note);
    this.around = new Surroundings(plant, wires);
    this.chart = new PlantChart(plant, wires);
  }

  /**
   * Plays it.
   *
   * @param cancelled asked now and then; where it says true the run ends there
   */
  public static SequencePlayed run(Plant plant, PlantSchedule schedule, BooleanSupplier cancelled) {
    return run(plant, schedule, cancelled, (seen, at, told) -> {});
  }

  /** As above, with somebody who looks on. */
  static SequencePlayed run(
      Plant plant, PlantSchedule schedule, BooleanSupplier cancelled, Watch watch) {
    return new SequencePlay(plant, schedule, watch).run(cancelled);
  }

  private SequencePlayed run(BooleanSupplier cancelled) {
    unplaced();
    axis.unknown().forEach(u -> note(0, u));
    long ticks = Math.round(schedule.seconds() / TICK);
    SequenceMachine.Commanded told = scan(0);
    long tick = 0;
    boolean ended = false;
    while (!ended && tick < ticks && !(tick % 1000 == 0 && cancelled.getAsBoolean())) {
      double now = tick * TICK;
      events(now);
      if (tick % TICKS == 0 && tick > 0) {
        told = scan(now);
        samples.add(axis.sample(now));
        chart.see(now, told, allowed);
      }
      axis.advance(now, now + TICK);
      around.answer(now + TICK);
      tick++;
      ended = isOver(told) && axis.isAtRest(tick * TICK) && next == schedule.events().size();
    }
    double seconds = tick * TICK;
    leave(0, seconds);
    return new SequencePlayed(
        ran, samples, chart.ended(seconds), switched, notes, end(told), seconds, axis.lost());
  }

  private boolean isOver(SequenceMachine.Commanded told) {
    return told.step() == 0 && (told.done() || told.lateStep() > 0 || lost);
  }

  private SequencePlayed.End end(SequenceMachine.Commanded told) {
    if (told.step() > 0) {
      return SequencePlayed.End.STILL_RUNNING;
    }
    if (told.lateStep() > 0) {
      return SequencePlayed.End.LATE;
    }
    return told.done()
        ? SequencePlayed.End.DONE
        : lost ? SequencePlayed.End.LOST : SequencePlayed.End.NOT_STARTED;
  }

  /** Names that stand for nothing are never seen, and switch nothing. */
  private void unplaced() {
    for (String input : plant.sequence().inputs()) {
      if (!plant.design().signals().containsKey(input)) {
        note(0, "'%s' is placed on no input: it is never seen".formatted(input));
      }
    }
    for (String output : plant.sequence().outputs()) {
      if (!plant.design().signals().containsKey(output)) {
        note(0, "'%s' is placed on no output: it switches nothing".formatted(output));
      }
    }
    wires.contradiction().ifPresent(c -> note(0, "the wires have no solution: " + c));
  }

  private void events(double now) {
    List<PlantSchedule.Event> events = schedule.events();
    while (next < events.size() && events.get(next).at() <= now + TICK / 2) {
      PlantEvent what = events.get(next++).what();
      if (what instanceof PlantEvent.Start s) {
        started = s.pressed();
      } else if (what instanceof PlantEvent.Permit p) {
        permitted = p.holds();
      } else if (what instanceof PlantEvent.Mode m) {
        auto = m.auto();
      } else if (what instanceof PlantEvent.Set s) {
        wires.move(s.part(), s.position());
      } else if (what instanceof PlantEvent.Broken b) {
        wires.fail(b.fault());
      } else if (what instanceof PlantEvent.Repaired) {
        wires.repair();
      }
    }
  }

  private SequenceMachine.Commanded scan(double now) {
    Map<String, Boolean> inputs = new HashMap<>();
    plant.sequence().inputs().forEach(i -> inputs.put(i, reads(i, now)));
    boolean start = started || placed(START) && reads(START, now);
    boolean permit = permitted && (!placed(PERMIT) || reads(PERMIT, now));
    allowed = permit;
    boolean automatic = auto && (!placed(AUTO) || reads(AUTO, now));
    Optional<String> end = axis.isStopped(now, waitsFor());
    SequenceMachine.Seen seen =
        new SequenceMachine.Seen(
            automatic,
            permit,
            start,
            axis.isDone(now),
            axis.isAtRest(now),
            end.isPresent(),
            inputs);
    long milliseconds = Math.round(now * MILLIS);
    SequenceMachine.Commanded told = machine.scan(seen, milliseconds);
    watch.scan(seen, milliseconds, told);
    if (step > 0 && told.step() == 0 && !told.done() && told.lateStep() == 0) {
      lost = true;
      note(now, end.orElse(permit ? "automatic mode is off: it ends" : "permission lost: it ends"));
    }
    lost &= told.step() == 0;
    told.outputs().forEach((name, on) -> output(name, on, now));
    axis.tell(now, told);
    if (told.step() != step) {
      leave(told.step(), now);
    }
    return told;
  }

  /** The input that a jog runs to; an end of the travel may be meant. */
  private Optional<TerminalRef> waitsFor() {
    return Optional.of(step)
        .filter(s -> s > 0)
        .map(s -> plant.sequence().steps().get(s - 1))
        .filter(SequenceStep.Jog.class::isInstance)
        .flatMap(SequenceStep::ends)
        .map(Until::input)
        .map(i -> plant.design().signals().get(i));
  }

  private void leave(int to, double now) {
    if (step > 0) {
      ran.add(new SequencePlayed.Ran(step, since, now - since, axis.position()));
    }
    step = to;
    since = now;
    waitsFor().filter(i -> isMet()).ifPresent(i -> begun(i, now));
  }

  /** A jog that begins on its switch ends there, wherever on it that is. */
  private void begun(TerminalRef input, double now) {
    note(
        now,
        "step %d ends where it begins: %s is so already, and positions are counted from there"
            .formatted(step, input));
  }

  private boolean isMet() {
    return plant.sequence().steps().get(step - 1).ends().filter(this::reads).isPresent();
  }

  private boolean reads(Until until) {
    TerminalRef at = plant.design().signals().get(until.input());
    return at != null && (wires.level(at) == Level.ON) == until.holds();
  }

  private boolean placed(String name) {
    return plant.design().signals().containsKey(name);
  }

  private boolean reads(String name, double now) {
    TerminalRef at = plant.design().signals().get(name);
    Level level = at == null ? Level.OFF : wires.level(at);
    if (at != null && level == Level.UNDEFINED && uncertain.add(at)) {
      note(now, "%s ('%s') stands between off and on: taken as off".formatted(at, name));
    }
    return level == Level.ON;
  }

  private void output(String name, boolean on, double now) {
    TerminalRef at = plant.design().signals().get(name);
    if (at != null && wires.output(at, on)) {
      switched.add(new SequencePlayed.Switched(now, at, on));
    }
  }

  /** What goes on being so is said once; what comes again after a second is said again. */
  private void note(double now, String text) {
    Double before = said.put(text, now);
    if (before == null || now - before >= QUIET) {
      notes.add(new SequencePlayed.Note(now, text));
    }
  }

  /** The switches of a plant with where they are read, for whoever asks once. */
  static Map<String, List<SwitchReading>> readings(Plant plant, PlantWires wires) {
    Map<String, List<SwitchReading>> found = new LinkedHashMap<>();
    plant
        .switches()
        .forEach(
            s ->
                found.put(
                    s.part(), SwitchReading.of(wires, plant.axis().controller().id(), s.part())));
    return found;
  }
}

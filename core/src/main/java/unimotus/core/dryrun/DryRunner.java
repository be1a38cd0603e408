package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import unimotus.core.bench.Action;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.DriveStatus;
import unimotus.core.bench.LiveAxis;
import unimotus.core.bench.Trace;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.wiring.CommandState;

/** Plays a schedule on an axis through its wires. */
public final class DryRunner {
  private static final double SAME_HERTZ = 0.01;

  private final WiredLine line;
  private final DriveLogic logic;
  private final StripChart chart;
  private final List<DrySchedule.Event> events;
  private final List<DryRun.Note> notes = new ArrayList<>();
  private int next;
  private boolean permitted;
  private int command;
  private double wantedHertz;
  private Shown shown = new Shown(true, DriveStatus.INHIBITED, true);

  private DryRunner(AxisAssembly axis, SignalPath main, List<Chain> beside, DrySchedule schedule) {
    this.line = new WiredLine(axis, main, beside);
    this.logic =
        new DriveLogic(new EffectiveSettings(axis.drive(), axis.driveSheet()), line.assigned());
    this.chart = new StripChart(axis, line);
    this.events = schedule.events();
    line.unplayed().forEach(input -> add(0, input + " is not played"));
  }

  /**
   * Plays a schedule. Everything is at rest at first: outputs off, contacts as they stand
   * unpressed, safety relays reset, mains on.
   *
   * @param main the axis' main path
   * @param beside its chains beside that; possibly empty
   * @param cancelled asked now and then; where it says true the run ends there
   */
  public static DryRun run(
      AxisAssembly axis,
      SignalPath main,
      List<Chain> beside,
      DrySchedule schedule,
      BooleanSupplier cancelled) {
    main.speedFor("the dry-run");
    DryRunner runner = new DryRunner(axis, main, beside, schedule);
    Trace trace =
        Bench.run(BenchSetup.following(axis), schedule.lengthSeconds(), runner::at, cancelled);
    double end = trace.size() * Bench.TICK_SECONDS;
    return new DryRun(trace, runner.chart.ended(end), runner.notes);
  }

  private void at(double seconds, LiveAxis axis) {
    boolean changed = seconds == 0 || seconds >= logic.due();
    while (next < events.size()
        && events.get(next).atSeconds() <= seconds + Bench.TICK_SECONDS / 2) {
      Change change = events.get(next++).change();
      line.apply(change);
      if (change instanceof Change.Asked asked) {
        logic.ask(asked.direction());
      }
      changed = true;
    }
    Shown now = shown(axis);
    if (changed || !now.equals(shown)) {
      shown = now;
      line.show(now.word());
      look(seconds, axis);
    }
  }

  /** What the drive shows of itself, and its outputs with it. */
  private record Shown(boolean fed, DriveStatus status, boolean atSpeed) {
    String word() {
      if (!fed) {
        return CommandState.NO_POWER;
      }
      return switch (status) {
        case INHIBITED -> CommandState.NOT_PERMITTED;
        case READY -> CommandState.READY;
        case STOPPING -> CommandState.RUNNING;
        case RUNNING -> atSpeed ? "at-speed" : CommandState.RUNNING;
      };
    }
  }

  private Shown shown(LiveAxis axis) {
    boolean atSpeed = Math.abs(axis.outputHertz() - command * wantedHertz) < SAME_HERTZ;
    return new Shown(line.isFed(), axis.status(), atSpeed);
  }

  private void look(double seconds, LiveAxis axis) {
    line.look();
    // A supply of the drive's own feeds its inputs from the next look on.
    boolean fed = line.isFed() && shown.fed();
    boolean allowed = fed && line.isPermitted();
    logic.see(line.on(), allowed, fed, seconds);
    act(axis, allowed);
    chart.see(seconds, allowed);
    note(seconds);
  }

  private void act(LiveAxis axis, boolean allowed) {
    if (allowed != permitted || axis.status() == DriveStatus.INHIBITED == allowed) {
      axis.act(allowed ? Action.PERMIT : Action.REVOKE, 0);
      permitted = allowed;
      command = 0;
    }
    wantedHertz = line.isReferenceUnknown() ? 0 : line.wantedHertz();
    axis.act(Action.REFERENCE, wantedHertz);
    if (logic.command() != command) {
      command = logic.command();
      axis.act(command > 0 ? Action.FORWARD : command < 0 ? Action.REVERSE : Action.STOP, 0);
    }
  }

  private void note(double seconds) {
    logic.takeNotes().forEach(n -> add(seconds, n));
    line.undefined().forEach(i -> add(seconds, i + " is between off and on: taken as off"));
    line.contradiction().ifPresent(c -> add(seconds, "the wires have no solution: " + c));
    if (line.isReferenceUnknown() && command != 0) {
      add(seconds, "in Hand the drive follows an unknown reference: taken as none");
    }
  }

  private void add(double seconds, String text) {
    boolean said =
        notes.stream().anyMatch(n -> n.text().equals(text) && seconds - n.atSeconds() < 1);
    if (!said) {
      notes.add(new DryRun.Note(seconds, text));
    }
  }
}

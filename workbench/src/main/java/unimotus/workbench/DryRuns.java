package unimotus.workbench;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.dryrun.DryRun;
import unimotus.core.dryrun.DryRunner;
import unimotus.core.dryrun.DrySchedule;
import unimotus.core.dryrun.DryScheduleReader;
import unimotus.core.dryrun.DrySchedules;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;

/** The dry-runs of an axis, at the shaft or through its wires, by name or by events. */
public final class DryRuns {
  private static final String OWN = "own events";

  private DryRuns() {}

  /** One that can be played. */
  public interface Playable {
    /** What it is called. */
    String name();

    /** Plays it; ends early where {@code cancelled} says true. */
    DryRun play(BooleanSupplier cancelled);
  }

  private record AtTheShaft(BenchSetup setup, Scenario scenario) implements Playable {
    @Override
    public String name() {
      return scenario.name();
    }

    @Override
    public DryRun play(BooleanSupplier cancelled) {
      return new DryRun(Bench.run(setup, scenario, 0, cancelled), List.of(), List.of());
    }
  }

  private record ThroughTheWires(
      AxisAssembly axis, SignalPath main, List<Chain> beside, DrySchedule schedule)
      implements Playable {
    @Override
    public String name() {
      return schedule.name();
    }

    @Override
    public DryRun play(BooleanSupplier cancelled) {
      return DryRunner.run(axis, main, beside, schedule, cancelled);
    }
  }

  /** Why an axis with this path cannot be run dry, in words; empty where it can. */
  public static Optional<String> whyNot(SignalPath path) {
    try {
      path.speedFor("the dry-run");
      return Optional.empty();
    } catch (IllegalArgumentException other) {
      return Optional.of(String.valueOf(other.getMessage()));
    }
  }

  /** The ready-made ones of a chain: commands and numbers act at once, no wire between. */
  public static List<Playable> atTheShaft(AxisAssembly axis, SignalPath path) {
    BenchSetup setup = BenchSetup.of(axis, path);
    return Scenarios.of(setup, path).stream()
        .map(s -> (Playable) new AtTheShaft(setup, s))
        .toList();
  }

  /** The ready-made ones through the wires; possibly empty where nothing starts the axis. */
  public static List<Playable> throughTheWires(
      AxisAssembly axis, SignalPath main, List<Chain> beside) {
    return DrySchedules.of(axis, main).stream()
        .map(s -> (Playable) new ThroughTheWires(axis, main, beside, s))
        .toList();
  }

  /**
   * One of the user's own events, no wire between.
   *
   * @throws IllegalArgumentException naming the part that cannot be read
   */
  public static Playable ownAtTheShaft(AxisAssembly axis, SignalPath path, String events) {
    return new AtTheShaft(BenchSetup.of(axis, path), Scenario.parse(OWN, events));
  }

  /**
   * One of the user's own events, through the wires.
   *
   * @throws IllegalArgumentException naming the part that cannot be read, or leads nowhere
   */
  public static Playable ownThroughTheWires(
      AxisAssembly axis, SignalPath main, List<Chain> beside, String events) {
    return new ThroughTheWires(axis, main, beside, DryScheduleReader.read(axis, OWN, events));
  }

  /** One of several by its name with hyphens for spaces, such as {@code run-and-stop}. */
  public static Optional<Playable> find(List<Playable> among, String name) {
    return among.stream().filter(p -> p.name().replace(' ', '-').equals(name)).findFirst();
  }
}

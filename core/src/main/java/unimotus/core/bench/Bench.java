package unimotus.core.bench;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.BooleanSupplier;
import java.util.function.DoublePredicate;
import java.util.function.IntPredicate;

/** Runs a scenario on a virtual axis. */
public final class Bench {
  /** Length of a tick. */
  public static final double TICK_SECONDS = 0.001;

  private static final int TICKS_BETWEEN_CANCEL_CHECKS = 16_384;

  private Bench() {}

  /** Runs the scenario from standstill and keeps every tick. */
  public static Trace run(BenchSetup setup, Scenario scenario) {
    return run(setup, scenario, 0, () -> false);
  }

  /**
   * Runs the scenario.
   *
   * @param startRpm speed the shaft already has
   * @param cancelled asked now and then; where it says true the trace ends there
   */
  public static Trace run(
      BenchSetup setup, Scenario scenario, double startRpm, BooleanSupplier cancelled) {
    Trace.Recorder recorder = new Trace.Recorder(ticks(scenario));
    VirtualAxis axis = new VirtualAxis(setup, TICK_SECONDS);
    axis.spinAt(startRpm);
    tick(
        axis,
        scenario,
        tick -> {
          recorder.record(axis);
          return tick % TICKS_BETWEEN_CANCEL_CHECKS == 0 && cancelled.getAsBoolean();
        });
    return recorder.trace();
  }

  /** Somebody who acts on an axis while it runs. */
  @FunctionalInterface
  public interface Hand {
    /** Called before every tick, with the seconds passed so far. */
    void at(double seconds, LiveAxis axis);
  }

  /**
   * Runs an axis from standstill, without permission at first.
   *
   * @param hand asked before every tick
   * @param cancelled asked now and then; where it says true the trace ends there
   */
  public static Trace run(
      BenchSetup setup, double lengthSeconds, Hand hand, BooleanSupplier cancelled) {
    int ticks = (int) Math.round(lengthSeconds / TICK_SECONDS);
    Trace.Recorder recorder = new Trace.Recorder(ticks);
    VirtualAxis axis = new VirtualAxis(setup, TICK_SECONDS);
    LiveAxis live = new LiveAxis(axis);
    for (int tick = 0; tick < ticks; tick++) {
      hand.at(tick * TICK_SECONDS, live);
      axis.tick();
      recorder.record(axis);
      if (tick % TICKS_BETWEEN_CANCEL_CHECKS == 0 && cancelled.getAsBoolean()) {
        break;
      }
    }
    return recorder.trace();
  }

  private static int ticks(Scenario scenario) {
    return (int) Math.round(scenario.lengthSeconds() / TICK_SECONDS);
  }

  /** Advances the axis through the scenario; ends early where the watcher says so. */
  private static void tick(VirtualAxis axis, Scenario scenario, IntPredicate ended) {
    int ticks = ticks(scenario);
    List<Scenario.Event> events = scenario.events();
    int next = 0;
    for (int tick = 0; tick < ticks; tick++) {
      double now = tick * TICK_SECONDS;
      while (next < events.size() && events.get(next).atSeconds() <= now + TICK_SECONDS / 2) {
        axis.apply(events.get(next++));
      }
      axis.tick();
      if (ended.test(tick)) {
        return;
      }
    }
  }

  /**
   * Seconds from {@code from} until the shaft's speed first meets a condition; no samples are kept.
   *
   * @param speedRpm asked with the size of the shaft speed after every tick from {@code from} on
   * @return empty where the condition is not met within the scenario
   */
  public static OptionalDouble secondsUntil(
      BenchSetup setup, Scenario scenario, double from, DoublePredicate speedRpm) {
    VirtualAxis axis = new VirtualAxis(setup, TICK_SECONDS);
    double[] passed = {Double.NaN};
    tick(
        axis,
        scenario,
        tick -> {
          double now = (tick + 1) * TICK_SECONDS - from;
          boolean met = now > 0 && speedRpm.test(Math.abs(axis.shaftRpm()));
          passed[0] = met ? now : Double.NaN;
          return met;
        });
    return Double.isNaN(passed[0]) ? OptionalDouble.empty() : OptionalDouble.of(passed[0]);
  }
}

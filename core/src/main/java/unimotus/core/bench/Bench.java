package unimotus.core.bench;

import java.util.List;
import java.util.OptionalDouble;
import java.util.function.BooleanSupplier;
import java.util.function.DoublePredicate;

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
    int ticks = (int) Math.round(scenario.lengthSeconds() / TICK_SECONDS);
    VirtualAxis axis = new VirtualAxis(setup, TICK_SECONDS);
    axis.spinAt(startRpm);
    Trace.Recorder recorder = new Trace.Recorder(ticks);
    List<Scenario.Event> events = scenario.events();
    int next = 0;
    for (int tick = 0; tick < ticks; tick++) {
      double now = tick * TICK_SECONDS;
      while (next < events.size() && events.get(next).atSeconds() <= now + TICK_SECONDS / 2) {
        axis.apply(events.get(next++));
      }
      axis.tick();
      recorder.record(axis);
      if (tick % TICKS_BETWEEN_CANCEL_CHECKS == 0 && cancelled.getAsBoolean()) {
        break;
      }
    }
    return recorder.trace();
  }

  /**
   * Seconds from {@code from} until the shaft's speed first meets a condition; no samples are kept.
   *
   * @param speedRpm asked with the size of the shaft speed after every tick from {@code from} on
   * @return empty where the condition is not met within the scenario
   */
  public static OptionalDouble secondsUntil(
      BenchSetup setup, Scenario scenario, double from, DoublePredicate speedRpm) {
    int ticks = (int) Math.round(scenario.lengthSeconds() / TICK_SECONDS);
    VirtualAxis axis = new VirtualAxis(setup, TICK_SECONDS);
    List<Scenario.Event> events = scenario.events();
    int next = 0;
    for (int tick = 0; tick < ticks; tick++) {
      double now = tick * TICK_SECONDS;
      while (next < events.size() && events.get(next).atSeconds() <= now + TICK_SECONDS / 2) {
        axis.apply(events.get(next++));
      }
      axis.tick();
      double passed = now + TICK_SECONDS - from;
      if (passed > 0 && speedRpm.test(Math.abs(axis.shaftRpm()))) {
        return OptionalDouble.of(passed);
      }
    }
    return OptionalDouble.empty();
  }
}

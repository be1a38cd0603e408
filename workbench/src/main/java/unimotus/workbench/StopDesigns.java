package unimotus.workbench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;
import unimotus.core.wiring.PlacedDevice;

/** Other ways to build a stop, each broken on purpose like the one that is built. */
public final class StopDesigns {
  private StopDesigns() {}

  /**
   * One way and what came of it.
   *
   * @param name the way in words
   * @param built whether it is the one that is built
   * @param judged the stop with its verdict; null where it could not be built
   * @param run its fault run; null where it could not be built or does not stop
   * @param refusal why it could not be built, or what it does instead of stopping; empty where
   *     neither
   */
  public record Design(
      String name,
      boolean built,
      @Nullable JudgedStop judged,
      @Nullable FaultRun run,
      String refusal) {}

  /** What would build a stop as it is now. */
  public static StopRequest request(AxisAssembly axis, SheetCatalogue sheets, StopFunction stop) {
    StopRequest usual =
        StopRequest.of(axis.axis().id(), stop.name(), stop.trigger(), stop.logic(), stop.effect());
    StopRequest timed = stop.effect() == StopEffect.SS1_T ? timed(usual, axis, stop) : usual;
    StopRequest placed = timed.withContactorsBehind(isBehind(axis, stop));
    return relay(axis, stop)
        .map(
            relay ->
                placed
                    .withRelay(StopRequest.RelayClass.ofSheet(relay.sheet().id()))
                    .withRelay(
                        relay.is(SelectorRole.RESET_MODE, Option.MANUAL, Option.MANUAL),
                        relay.is(SelectorRole.CROSS_FAULT_DETECTION, Option.ON, Option.OFF)))
        .orElse(placed);
  }

  /** The delay sits in the drive, or in the relay's contacts; then the normal ramp counts. */
  private static StopRequest timed(StopRequest usual, AxisAssembly axis, StopFunction stop) {
    StopTimeline.Timing timing = StopTimeline.fromMaximum(StopCircuit.of(axis, stop)).timing();
    return usual.withTimes(
        timing.delaySeconds() > 0 ? timing.delaySeconds() : usual.delaySeconds(),
        timing.rampSeconds() > 0 ? timing.rampSeconds() : usual.rampSeconds());
  }

  /** Whether the contactors of a stop lie between drive and motor. */
  private static boolean isBehind(AxisAssembly axis, StopFunction stop) {
    return axis.wires().stream()
        .anyMatch(
            w -> w.touches(axis.motor().id()) && stop.contactors().stream().anyMatch(w::touches));
  }

  private static Optional<PlacedDevice> relay(AxisAssembly axis, StopFunction stop) {
    return axis.parts().stream()
        .filter(p -> p.part().id().equals(stop.relay()))
        .map(p -> new PlacedDevice(p.part(), p.sheet()))
        .findFirst();
  }

  /**
   * Builds every way on a copy of the project and breaks it.
   *
   * @param progress told how much is done, 0 to 1
   * @param cancelled asked whether to go on; what was found until then is kept
   */
  public static List<Design> compare(
      Project project,
      SheetCatalogue sheets,
      AxisAssembly axis,
      StopFunction stop,
      DoubleConsumer progress,
      BooleanSupplier cancelled) {
    StopRequest now = request(axis, sheets, stop);
    Map<String, StopRequest> ways = ways(now);
    List<Design> designs = new ArrayList<>();
    for (Map.Entry<String, StopRequest> way : ways.entrySet()) {
      if (cancelled.getAsBoolean()) {
        break;
      }
      double done = (double) designs.size() / ways.size();
      DoubleConsumer share = s -> progress.accept(done + s / ways.size());
      boolean built = way.getValue().equals(now);
      designs.add(
          design(way.getKey(), built, project, sheets, stop, way.getValue(), share, cancelled));
    }
    return designs;
  }

  private static Map<String, StopRequest> ways(StopRequest now) {
    Map<String, StopRequest> ways = new LinkedHashMap<>();
    if (now.effect().isSafetyStop()) {
      StopLogic relay =
          now.effect() == StopEffect.CONTACTORS
              ? StopLogic.RELAY_CONTACTORS
              : StopLogic.SAFETY_RELAY;
      ways.put("direct contacts", now.withLogic(StopLogic.DIRECT).withRelay(true, true));
      StopRequest over = now.withLogic(relay);
      ways.put("relay, automatic reset, no cross-fault detection", over.withRelay(false, false));
      ways.put("relay, automatic reset, cross-fault detection", over.withRelay(false, true));
      ways.put("relay, manual reset, no cross-fault detection", over.withRelay(true, false));
      ways.put("relay, manual reset, cross-fault detection", over.withRelay(true, true));
    } else {
      ways.put(now.logic().label(), now);
    }
    return ways;
  }

  private static Design design(
      String name,
      boolean built,
      Project project,
      SheetCatalogue sheets,
      StopFunction stop,
      StopRequest request,
      DoubleConsumer progress,
      BooleanSupplier cancelled) {
    try {
      Project next = StopEdits.rebuilt(project, sheets, stop, request);
      AxisAssembly axis =
          AxisAssembly.of(next, sheets, next.axis(stop.axis()).orElseThrow()).orElseThrow();
      StopFunction made =
          axis.stops().stream().filter(s -> s.name().equals(stop.name())).findFirst().orElseThrow();
      JudgedStop judged = JudgedStop.of(axis, made);
      StopCircuit circuit = judged.circuit();
      if (circuit == null || !judged.verdict().stops()) {
        String words = judged.verdict().outcome().label();
        String because = String.join("; ", judged.verdict().because());
        return new Design(name, built, judged, null, "%s: %s".formatted(words, because));
      }
      FaultRun run = FaultRun.of(circuit, judged.verdict(), progress, cancelled);
      return new Design(name, built, judged, run, "");
    } catch (IllegalArgumentException refused) {
      return new Design(name, built, null, null, String.valueOf(refused.getMessage()));
    }
  }
}

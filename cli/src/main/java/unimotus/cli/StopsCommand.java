package unimotus.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.Reaction;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;

/** {@code stops FILE --axis A}: the stops of an axis timed, broken on purpose and figured. */
@Command(
    name = "stops",
    mixinStandardHelpOptions = true,
    description = {
      "The stops of an axis: from hand to standstill, every fault, performance level.",
      "Calculated from the design, not certified. Exit status 1 where one fault loses a stop."
    },
    footer = {"", "Example: unimotus stops demo --axis rinse-drum"})
final class StopsCommand implements Callable<Integer> {
  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Override
  public Integer call() throws IOException {
    AxisAssembly assembly = input.read().complete(axis).assembly();
    List<Object> documents = new ArrayList<>();
    boolean lost = false;
    for (StopFunction stop : assembly.stops()) {
      StopCircuit circuit = StopCircuit.of(assembly, stop);
      StopTimeline timeline = StopTimeline.fromMaximum(circuit);
      FaultRun run = FaultRun.of(circuit);
      SafetyFigures figures = SafetyFigures.of(circuit, run);
      lost |= !run.lostByOne().isEmpty();
      if (output.isJson()) {
        documents.add(map(stop, timeline, run, figures));
      } else {
        print(stop, timeline, run, figures);
      }
    }
    if (output.isJson()) {
      output.document(documents);
    } else if (assembly.stops().isEmpty()) {
      output.text().printf("%s has no stop yet%n", assembly.axis().name());
    }
    return lost ? 1 : 0;
  }

  private void print(
      StopFunction stop, StopTimeline timeline, FaultRun run, SafetyFigures figures) {
    output.text().printf("%s: %s%n", stop.name(), timeline.category().label());
    for (Reaction reaction : timeline.chain()) {
      output
          .text()
          .printf(
              "  +%-9s %s %s [%s]%n",
              text(reaction.seconds(), MeasureUnit.SECOND_UNIT),
              reaction.element(),
              reaction.does(),
              reaction.source());
    }
    output
        .text()
        .printf(
            "  standstill after %s, torque off after %s%n",
            text(timeline.standstillSeconds(), MeasureUnit.SECOND_UNIT),
            text(timeline.torqueOffSeconds(), MeasureUnit.SECOND_UNIT));
    run.singles().forEach(this::print);
    output
        .text()
        .printf(
            "  %d single faults, %d lose the stop; %d second faults on %d hidden ones, %d lose it%n",
            run.singles().size(),
            run.lostByOne().size(),
            run.doubles().size(),
            run.hidden().size(),
            run.lostByTwo().size());
    output.text().printf("  %s%n", level(figures));
    figures.remarks().forEach(r -> output.text().printf("  ! %s%n", r));
  }

  private void print(FaultResult result) {
    output
        .text()
        .printf(
            "    %-72s %-18s %s%n",
            result.last().text(),
            result.detection().label(),
            result.stopLost() ? "STOP LOST" : "stops");
  }

  private static String level(SafetyFigures figures) {
    String reached =
        figures
            .level()
            .map(l -> "PL %s, SIL band %s".formatted(l.letter(), l.safetyIntegrityLevel()))
            .orElse("no performance level");
    String rate =
        figures
            .dangerousPerHour()
            .map(r -> ", %s dangerous failures".formatted(text(r, MeasureUnit.PER_HOUR)))
            .orElse("");
    return "%s%s; the risk graph asks for PL %s"
        .formatted(reached, rate, figures.required().letter());
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }

  private static Map<String, Object> map(
      StopFunction stop, StopTimeline timeline, FaultRun run, SafetyFigures figures) {
    return Output.map(
        "stop", stop.id(),
        "category", timeline.category().label(),
        "standstillSeconds", finite(timeline.standstillSeconds()),
        "torqueOffSeconds", finite(timeline.torqueOffSeconds()),
        "torqueOffRpm", timeline.torqueOffRpm(),
        "faults", run.singles().stream().map(StopsCommand::map).toList(),
        "lostByTwo", run.lostByTwo().size(),
        "level", figures.level().map(l -> l.letter()).orElse(null),
        "dangerousPerHour", figures.dangerousPerHour().orElse(null),
        "required", figures.required().letter());
  }

  private static Double finite(double value) {
    return Double.isFinite(value) ? value : null;
  }

  private static Map<String, Object> map(FaultResult result) {
    return Output.map(
        "fault", result.last().text(),
        "shows", result.detection().label(),
        "stopLost", result.stopLost());
  }
}

package unimotus.cli;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.Reaction;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopTimeline;
import unimotus.core.stops.StopTimes;
import unimotus.core.stops.StopVerdict;

/** {@code stops FILE --axis A}: the stops of an axis judged, timed, broken on purpose, figured. */
@Command(
    name = "stops",
    mixinStandardHelpOptions = true,
    description = {
      "The stops of an axis: whether each stops, from hand to standstill, every fault, the level.",
      "Calculated from the design, not certified. No figure is given for a stop that does not stop.",
      "Exit status 1 where a stop does not stop, cannot be started or determined, has a channel that does",
      "not open, lets motion come back by itself, or is lost by one fault."
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

  /** A stop that stops, with all that may then be told of it. */
  private record Told(StopCircuit circuit, StopTimes times, FaultRun run, SafetyFigures figures) {

    static Told of(StopCircuit circuit, StopVerdict verdict) {
      FaultRun run = FaultRun.of(circuit, verdict);
      return new Told(circuit, StopTimes.of(circuit), run, SafetyFigures.of(circuit, verdict, run));
    }
  }

  @Override
  public Integer call() throws IOException {
    AxisAssembly assembly = input.read().assembly(axis);
    List<Object> documents = new ArrayList<>();
    boolean sound = true;
    for (JudgedStop judged : JudgedStop.all(assembly)) {
      Told told = judged.sound().map(c -> Told.of(c, judged.verdict())).orElse(null);
      sound &= isSound(judged.verdict(), told);
      if (output.isJson()) {
        documents.add(map(judged, told));
      } else {
        print(judged, told);
      }
    }
    if (output.isJson()) {
      output.document(documents);
    } else if (assembly.stops().isEmpty()) {
      output.text().printf("%s has no stop yet%n", assembly.axis().name());
    }
    return sound ? 0 : 1;
  }

  private static boolean isSound(StopVerdict verdict, @Nullable Told told) {
    return told != null
        && verdict.weaknesses().isEmpty()
        && verdict.resumption().isEmpty()
        && told.run().lostByOne().isEmpty();
  }

  private void print(JudgedStop judged, @Nullable Told told) {
    StopVerdict verdict = judged.verdict();
    output
        .text()
        .printf(
            "%s: %s%n",
            judged.stop().name(), verdict.outcome().label().toUpperCase(java.util.Locale.ROOT));
    verdict.because().forEach(b -> output.text().printf("  ! %s%n", b));
    StopCircuit circuit = judged.circuit();
    if (circuit != null) {
      if (!verdict.way().isEmpty()) {
        output.text().printf("  seen after: %s%n", StopEvent.text(verdict.way(), circuit));
      }
      verdict.weaknesses().forEach(w -> output.text().printf("  ! %s%n", w.text()));
      if (!verdict.resumption().isEmpty()) {
        output
            .text()
            .printf(
                "  ! motion comes back without a new command: %s%n",
                StopEvent.text(verdict.resumption(), circuit));
      }
      if (!verdict.modeStart().isEmpty()) {
        output
            .text()
            .printf(
                "  ! a switch starts the motor while run is held: %s%n",
                StopEvent.text(verdict.modeStart(), circuit));
      }
      output.text().printf("  belongs to it: %s%n", String.join(", ", circuit.belongs()));
    }
    if (told != null) {
      print(told);
    }
  }

  private void print(Told told) {
    StopTimeline timeline = told.times().sound();
    output.text().printf("  %s%n", timeline.category().label());
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
            seconds(timeline.standstillSeconds()), seconds(timeline.torqueOffSeconds()));
    told.times()
        .fault()
        .ifPresent(
            f ->
                output
                    .text()
                    .printf(
                        "  should the drive fail to ramp (time only is watched): standstill after %s%n",
                        seconds(f.standstillSeconds())));
    FaultRun run = told.run();
    Columns columns = new Columns("    ", Set.of());
    run.singles().forEach(r -> add(columns, r));
    columns.print(output.text());
    output
        .text()
        .printf(
            "  %d single faults, %d lose the stop; %d second faults on %d hidden ones, %d lose it%n",
            run.singles().size(),
            run.lostByOne().size(),
            run.doubles().size(),
            run.hidden().size(),
            run.lostByTwo().size());
    output.text().printf("  %s%n", level(told.figures()));
    told.figures().remarks().forEach(r -> output.text().printf("  ! %s%n", r));
  }

  /** What a fault does before its name, which may be long. */
  private static void add(Columns columns, FaultResult result) {
    columns.row(
        result.stopLost() ? "STOP LOST" : "stops",
        result.detection().label(),
        result.counts()
            ? result.last().text()
            : "%s, excluded: %s".formatted(result.last().text(), result.excluded()));
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

  private static String seconds(double value) {
    return Double.isFinite(value)
        ? text(Math.round(value * 1000) / 1000.0, MeasureUnit.SECOND_UNIT)
        : "no time that can be determined";
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }

  private static Map<String, @Nullable Object> map(JudgedStop judged, @Nullable Told told) {
    StopVerdict verdict = judged.verdict();
    StopCircuit circuit = judged.circuit();
    Optional<StopTimeline> timeline = Optional.ofNullable(told).map(t -> t.times().sound());
    return Output.map(
        "stop", judged.stop().id(),
        "verdict", verdict.outcome().key(),
        "because", verdict.because(),
        "weaknesses", verdict.weaknesses().stream().map(StopVerdict.Weakness::text).toList(),
        "seenAfter", events(verdict.way(), circuit),
        "resumption", events(verdict.resumption(), circuit),
        "modeStart", events(verdict.modeStart(), circuit),
        "belongs", circuit == null ? List.of() : circuit.belongs(),
        "category", timeline.map(t -> t.category().label()).orElse(null),
        "standstillSeconds", timeline.map(t -> finite(t.standstillSeconds())).orElse(null),
        "standstillUnwatchedSeconds",
            told == null
                ? null
                : told.times().fault().map(f -> finite(f.standstillSeconds())).orElse(null),
        "torqueOffSeconds", timeline.map(t -> finite(t.torqueOffSeconds())).orElse(null),
        "torqueOffRpm", timeline.map(StopTimeline::torqueOffRpm).orElse(null),
        "faults",
            told == null ? null : told.run().singles().stream().map(StopsCommand::map).toList(),
        "lostByOne", told == null ? null : told.run().lostByOne().size(),
        "lostByTwo", told == null ? null : told.run().lostByTwo().size(),
        "level", told == null ? null : told.figures().level().map(l -> l.letter()).orElse(null),
        "dangerousPerHour", told == null ? null : told.figures().dangerousPerHour().orElse(null),
        "required", told == null ? null : told.figures().required().letter(),
        "remarks", told == null ? List.of() : told.figures().remarks());
  }

  private static List<String> events(List<StopEvent> events, @Nullable StopCircuit circuit) {
    return circuit == null ? List.of() : events.stream().map(e -> e.text(circuit)).toList();
  }

  private static @Nullable Double finite(double value) {
    return Double.isFinite(value) ? value : null;
  }

  private static Map<String, @Nullable Object> map(FaultResult result) {
    return Output.map(
        "fault", result.last().text(),
        "shows", result.detection().label(),
        "stopLost", result.stopLost(),
        "excluded", result.excluded());
  }
}

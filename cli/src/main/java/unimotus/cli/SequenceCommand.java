package unimotus.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.function.DoubleUnaryOperator;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MovePlanner;
import unimotus.core.plant.PlantScheduleReader;
import unimotus.core.program.SequenceProgram;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.sequence.Sequence;
import unimotus.core.sequence.SequenceBench;
import unimotus.core.sequence.SequenceChecks;
import unimotus.core.sequence.SequenceDoubt;
import unimotus.core.sequence.SequenceText;
import unimotus.workbench.SequenceRun;

/**
 * {@code sequence FILE --axis A}: a sequence of the project run through its wires, or one that is
 * given read, checked, timed and written.
 */
@Command(
    name = "sequence",
    mixinStandardHelpOptions = true,
    description = {
      "A sequence of the project run through its wires: pulses, switches, valves, what breaks. Or one",
      "that is given as people say it: laid out, looked over, run against a plant that answers after",
      "half a second, and written as a function block in structured text. Distances are in the travel",
      "unit of the axis, its moves take the time its limits give. A simulation is not a proof.",
      "Events: " + PlantScheduleReader.FORMS + ".",
      "Steps: " + SequenceText.FORMS + "."
    },
    footer = {
      "",
      "Example: unimotus sequence demo --axis bale-tie --events \"0.1 start; 9 permit off; 20 end\"",
      "         unimotus sequence demo --axis bale-tie --steps \"jog until home within 20 s; 1200 mm;",
      "           tie on until 'tie is closed' within 3 s; tie off; wait 20 s; repeat\"",
      "         unimotus sequence demo --axis bale-tie --from feed.txt --out feed.st"
    })
final class SequenceCommand implements Callable<Integer> {
  private static final QuantityFormat PLAIN = QuantityFormat.PLAIN;
  private static final double ANSWER_SECONDS = 0.5;
  private static final double MOST_SECONDS = 3600;

  @Mixin private ProjectInput input;
  @Mixin private Output output;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis it moves.")
  private String axis;

  @Option(
      names = "--steps",
      paramLabel = "TEXT",
      description = "The steps, with semicolons between.")
  private String steps;

  @Option(
      names = "--from",
      paramLabel = "FILE",
      description = "Read the steps from a file, a line or a semicolon each; # begins a remark.")
  private Path from;

  @Option(
      names = "--run",
      paramLabel = "NAME",
      description = "Run this sequence of the project; needed where the axis has several.")
  private String name;

  @Option(
      names = "--events",
      paramLabel = "TEXT",
      description = "What is done to it, with semicolons between; a start where nothing is said.")
  private String events;

  @Option(
      names = "--out",
      paramLabel = "OUT",
      description = "Write the function block as structured text.")
  private Path out;

  @Override
  public Integer call() throws IOException {
    if (steps != null && from != null) {
      throw new IllegalArgumentException("say the steps by --steps or by --from, one of the two");
    }
    if (steps == null && from == null) {
      return ofProject();
    }
    if (name != null || events != null) {
      throw new IllegalArgumentException(
          "--run and --events are for a sequence of the project, not for --steps or --from");
    }
    AxisAssembly assembly = input.read().assembly(axis);
    MotionDesign design = assembly.axis().motion();
    if (design == null) {
      throw new IllegalArgumentException(
          "axis '%s' is not told positions: a sequence has nothing to move"
              .formatted(assembly.axis().name()));
    }
    MeasureUnit unit = assembly.axis().mechanics().travelUnit();
    String text = steps == null ? Files.readString(from, StandardCharsets.UTF_8) : steps;
    Sequence sequence = SequenceText.parse(assembly.axis().name(), text, unit);
    List<SequenceDoubt> doubts = SequenceChecks.of(sequence);
    SequenceBench.Run run = bench(assembly, design.moves().limits()).run(sequence, MOST_SECONDS);
    if (out != null) {
      Files.writeString(out, SequenceProgram.block(sequence, unit).text(), StandardCharsets.UTF_8);
    }
    if (output.isJson()) {
      output.document(document(sequence, unit, doubts, run));
    } else {
      print(sequence, unit, doubts, run);
    }
    return doubts.isEmpty() && run.lateStep() == 0 ? 0 : 1;
  }

  private int ofProject() throws IOException {
    ProjectInput.Line line = input.read();
    AxisReview review = line.review(axis);
    List<SequenceDesign> all = line.project().sequencesOf(review.axis().id());
    if (all.isEmpty()) {
      throw new IllegalArgumentException(
          "axis '%s' has no sequence: say the steps by --steps or by --from"
              .formatted(review.axis().name()));
    }
    SequenceDesign design =
        all.stream()
            .filter(q -> name == null ? all.size() == 1 : q.name().equals(name))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "choose a sequence by --run; there are: %s"
                            .formatted(
                                String.join(
                                    ", ", all.stream().map(SequenceDesign::name).toList()))));
    SequenceRun run =
        SequenceRun.of(
            line.project(),
            line.sheets(),
            review,
            design,
            events == null ? "" : events,
            () -> false);
    if (out != null) {
      Files.writeString(
          out,
          SequenceProgram.block(run.plant().sequence(), run.plant().unit()).text(),
          StandardCharsets.UTF_8);
    }
    SequenceTold told = new SequenceTold(run);
    if (output.isJson()) {
      output.document(told.document());
    } else {
      told.print(output);
    }
    return told.status();
  }

  /** A jog is taken as long as one turn of the gear's output. */
  private static SequenceBench bench(AxisAssembly assembly, MoveLimits limits) {
    DoubleUnaryOperator seconds =
        way -> way == 0 ? 0 : MovePlanner.between(0, way, limits).seconds();
    return new SequenceBench(seconds, ANSWER_SECONDS, assembly.axis().mechanics().travelPerTurn());
  }

  private void print(
      Sequence sequence, MeasureUnit unit, List<SequenceDoubt> doubts, SequenceBench.Run run) {
    Columns columns = new Columns("  ", Set.of(0, 2, 3));
    columns.row("", "step", "begins", "takes");
    for (int i = 0; i < sequence.steps().size(); i++) {
      int number = i + 1;
      var first = run.steps().stream().filter(s -> s.step() == number).findFirst();
      columns.row(
          Integer.toString(number),
          SequenceText.words(sequence.steps().get(i), unit),
          first.map(s -> PLAIN.text(s.begins(), MeasureUnit.SECOND_UNIT)).orElse("not run"),
          first.map(s -> PLAIN.text(s.lasts(), MeasureUnit.SECOND_UNIT)).orElse(""));
    }
    columns.print(output.text());
    output.text().println("  " + ends(run));
    output
        .text()
        .printf(
            "  What a step waits for is taken to come after %s, a jog to be a turn of the gear's output.%n",
            PLAIN.text(ANSWER_SECONDS, MeasureUnit.SECOND_UNIT));
    for (SequenceDoubt doubt : doubts) {
      output.text().println();
      output
          .text()
          .printf(
              "! %s%s: %s%n  %s%n  %s%n",
              doubt.step() == 0 ? "" : "step %d, ".formatted(doubt.step()),
              doubt.kind().label(),
              doubt.seen(),
              doubt.why(),
              doubt.remedy());
    }
    if (out != null) {
      output.text().printf("%nBlock in %s%n", out);
    }
  }

  private static String ends(SequenceBench.Run run) {
    String seconds = PLAIN.text(run.seconds(), MeasureUnit.SECOND_UNIT);
    if (run.lateStep() > 0) {
      return "step %d takes longer than its limit on this bench; it ends there"
          .formatted(run.lateStep());
    }
    return run.ended()
        ? seconds + " once through"
        : "begins again for ever; looked at for " + seconds;
  }

  private static Map<String, @Nullable Object> document(
      Sequence sequence, MeasureUnit unit, List<SequenceDoubt> doubts, SequenceBench.Run run) {
    List<Object> steps = new ArrayList<>();
    sequence.steps().forEach(s -> steps.add(SequenceText.words(s, unit)));
    List<Object> ran = new ArrayList<>();
    run.steps()
        .forEach(
            s ->
                ran.add(
                    Output.map(
                        "step", s.step(),
                        "begins", s.begins(),
                        "lasts", s.lasts(),
                        "position", s.position())));
    List<Object> doubtful = new ArrayList<>();
    doubts.forEach(
        d ->
            doubtful.add(
                Output.map(
                    "kind", d.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                    "step", d.step(),
                    "seen", d.seen(),
                    "why", d.why(),
                    "remedy", d.remedy())));
    return Output.map(
        "steps",
        steps,
        "ended",
        run.ended(),
        "seconds",
        run.seconds(),
        "lateStep",
        run.lateStep(),
        "ran",
        ran,
        "doubts",
        doubtful);
  }
}

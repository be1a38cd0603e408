package unimotus.cli;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.detective.NextMeasurement;
import unimotus.core.detective.Suspicion;
import unimotus.core.machine.Reading;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Prediction;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Evidence;

/** {@code diagnose FILE --axis A --reading KEY=VALUE…}: which causes explain what was measured. */
@Command(
    name = "diagnose",
    mixinStandardHelpOptions = true,
    description = {
      "Rank the causes that explain the readings and name the next measurement.",
      "Without --reading the readings in the file are used."
    },
    footer = {
      "",
      "Example: unimotus diagnose demo --axis drying-fan --reading ref50.frequency=25Hz --reading ref100.frequency=45Hz"
    })
final class DiagnoseCommand implements Callable<Integer> {
  private static final double SHOWN = 0.005;

  @Mixin private ProjectInput input;
  @Mixin private Output output;
  @Mixin private ChainOption chain;

  @Option(
      names = "--axis",
      required = true,
      paramLabel = "A",
      description = "Id or name of the axis.")
  private String axis;

  @Option(
      names = "--reading",
      paramLabel = "KEY=VALUE",
      description =
          "A reading, by the key that 'predict' shows: ref50.frequency=30Hz, direction.jog=reverse.")
  private List<String> readings = List.of();

  @Override
  public Integer call() throws IOException {
    ProjectInput.Line line = input.read();
    ProjectInput.Complete complete = line.complete(axis);
    Evidence evidence = Evidence.of(line.project(), complete.review());
    Diagnosis diagnosis =
        chain
            .of(complete)
            .map(c -> diagnosis(evidence, c))
            .orElseGet(() -> diagnosis(evidence, complete.path()));
    if (diagnosis.suspicions().isEmpty()) {
      throw new IllegalArgumentException("no reading to reason from; give some with --reading");
    }
    if (output.isJson()) {
      output.document(map(diagnosis));
    } else {
      print(diagnosis);
    }
    return 0;
  }

  private Diagnosis diagnosis(Evidence evidence, Chain beside) {
    return readings.isEmpty()
        ? evidence.diagnosis(beside)
        : Detective.diagnose(beside, evidence.predictions(), typed(evidence));
  }

  private Diagnosis diagnosis(Evidence evidence, SignalPath path) {
    return readings.isEmpty()
        ? evidence.diagnosis()
        : Detective.diagnose(path, evidence.predictions(), typed(evidence));
  }

  private List<Reading> typed(Evidence evidence) {
    List<Reading> typed = new ArrayList<>();
    for (String text : readings) {
      int equals = text.indexOf('=');
      if (equals < 1) {
        throw new IllegalArgumentException(
            "'%s' is not KEY=VALUE, such as ref50.frequency=30Hz".formatted(text));
      }
      String key = text.substring(0, equals);
      Prediction prediction =
          evidence.predictions().stream()
              .filter(p -> p.key().equals(key))
              .findFirst()
              .orElseThrow(
                  () ->
                      new IllegalArgumentException(
                          "there is no prediction '%s'; 'unimotus predict' lists the keys"
                              .formatted(key)));
      typed.add(
          evidence.reading(
              prediction,
              text.substring(equals + 1),
              DisplayUnits.METRIC,
              "",
              "",
              Clock.systemUTC()));
    }
    return typed;
  }

  private void print(Diagnosis diagnosis) {
    for (Suspicion suspicion : diagnosis.suspicions()) {
      if (suspicion.probability() < SHOWN) {
        continue;
      }
      output
          .text()
          .printf(
              Locale.ROOT,
              "%5.1f %%  %s (explains %d of %d)%n",
              100 * suspicion.probability(),
              suspicion.title(),
              suspicion.explained(),
              suspicion.clues());
      output.text().println("         sign: " + suspicion.signature());
      suspicion.evidence().forEach(e -> output.text().println("         " + e));
      output.text().println("         do:   " + suspicion.remedy());
    }
    NextMeasurement next = diagnosis.next();
    if (next == null) {
      output.text().println("No further measurement on this path would separate them better.");
    } else {
      output
          .text()
          .printf(
              "Measure next: %s, %s (%s, %s)%n",
              next.prediction().group(),
              next.prediction().title(),
              next.prediction().where(),
              next.prediction().instrument());
      next.outlook().forEach(o -> output.text().println("         " + o));
    }
  }

  private static Map<String, @Nullable Object> map(Diagnosis diagnosis) {
    NextMeasurement next = diagnosis.next();
    return Output.map(
        "causes",
        diagnosis.suspicions().stream().map(DiagnoseCommand::map).toList(),
        "next",
        next == null
            ? null
            : Output.map(
                "key",
                next.prediction().key(),
                "separation",
                next.separation(),
                "outlook",
                next.outlook()));
  }

  private static Map<String, @Nullable Object> map(Suspicion suspicion) {
    return Output.map(
        "cause", word(suspicion.cause()),
        "second", suspicion.second() == null ? null : word(suspicion.second()),
        "title", suspicion.title(),
        "probability", suspicion.probability(),
        "explained", suspicion.explained(),
        "readings", suspicion.clues(),
        "signature", suspicion.signature(),
        "evidence", suspicion.evidence(),
        "remedy", suspicion.remedy());
  }

  private static String word(Cause cause) {
    return cause.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}

package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.machine.StopFunction;

/** The rows of one stop as they are added. Not thread-safe. */
final class StopRows {
  private static final Set<Part> CIRCUIT = EnumSet.of(Part.WIRES, Part.DRIVE, Part.STOP);

  private final StopFunction stop;
  private final List<Prediction> predictions = new ArrayList<>();

  StopRows(StopFunction stop) {
    this.stop = stop;
  }

  List<Prediction> all() {
    return predictions;
  }

  void word(
      String key,
      String title,
      String expected,
      List<String> choices,
      String how,
      String where,
      String why) {
    add(
        key,
        title,
        new Expectation.Word(expected, choices),
        where,
        "eyes",
        "%s %s".formatted(how, why),
        CIRCUIT,
        Derivation.NONE);
  }

  void add(
      String key,
      String title,
      Expectation expectation,
      String where,
      String instrument,
      String how,
      Set<Part> parts,
      Derivation sum) {
    predictions.add(
        new Prediction(
            StopPredictions.PREFIX + stop.id() + "." + key,
            stop.name(),
            title,
            expectation,
            null,
            Double.NaN,
            where,
            instrument,
            how,
            parts,
            sum));
  }
}

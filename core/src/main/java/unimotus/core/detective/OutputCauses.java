package unimotus.core.detective;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.analog.SignalRange;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.OutputPredictions;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/** What an analog output of the drive would give if it were set to something else. */
final class OutputCauses {
  private static final double SAME = 1e-6;

  private final SignalPath path;
  private final Map<String, Clue> read = new HashMap<>();

  private OutputCauses(SignalPath path, Clues clues) {
    this.path = path;
    clues.all().stream()
        .filter(c -> c.isNumber() && OutputPredictions.isOf(c.prediction().key()))
        .forEach(c -> read.put(c.prediction().key(), c));
  }

  static List<Variant> variants(SignalPath path, Clues clues) {
    return new OutputCauses(path, clues).all();
  }

  private List<Variant> all() {
    Set<String> outputs = new LinkedHashSet<>();
    read.keySet().stream().sorted().forEach(k -> outputs.add(k.substring(0, k.lastIndexOf('.'))));
    List<Variant> variants = new ArrayList<>();
    for (String output : outputs) {
      variants.addAll(otherRanges(output));
      otherScale(output).ifPresent(variants::add);
    }
    return variants;
  }

  private Optional<Clue> at(String output, String state) {
    return Optional.ofNullable(read.get(output + state));
  }

  private static Expectation.Amount expected(Clue clue) {
    return (Expectation.Amount) clue.prediction().expectation();
  }

  /**
   * The same share of another range of volts or milliamps; needs a range whose low end is known.
   */
  private List<Variant> otherRanges(String output) {
    List<Variant> variants = new ArrayList<>();
    for (SignalRange is : SignalRange.values()) {
      designed(output)
          .filter(was -> was != is && was.unit() == is.unit())
          .ifPresent(
              was ->
                  variants.add(
                      told("gives %s".formatted(is.label()), false, moved(output, was, is))));
    }
    return variants;
  }

  /** By its unit and its signal at rest; half ranges and two-sided ones rest at 0 V as well. */
  private Optional<SignalRange> designed(String output) {
    return at(output, OutputPredictions.REST)
        .map(OutputCauses::expected)
        .flatMap(
            rest ->
                (rest.unit() == MeasureUnit.MILLIAMPERE
                        ? List.of(SignalRange.MA_0_20, SignalRange.MA_4_20)
                        : List.of(SignalRange.V_0_10, SignalRange.V_2_10))
                    .stream().filter(r -> Math.abs(r.low() - rest.value()) < SAME).findFirst());
  }

  private Map<String, Double> moved(String output, SignalRange was, SignalRange is) {
    Map<String, Double> amounts = new HashMap<>();
    for (String state : List.of(OutputPredictions.REST, OutputPredictions.RATED)) {
      at(output, state)
          .map(c -> expected(c).value())
          .ifPresent(signal -> amounts.put(output + state, is.signalAt(was.percentAt(signal))));
    }
    return amounts;
  }

  /** Right at rest, and another amount at the plate: fitted, as nobody knows what it is set to. */
  private Optional<Variant> otherScale(String output) {
    return at(output, OutputPredictions.RATED)
        .filter(c -> c.strangenessUnder(Variant.of("", path)) > 1)
        .map(
            c ->
                told(
                    "%s where %s was designed: another quantity or full scale"
                        .formatted(text(c.measured(), c), text(expected(c).value(), c)),
                    true,
                    Map.of(c.prediction().key(), c.measured())));
  }

  private static String text(double signal, Clue clue) {
    return QuantityFormat.PLAIN.text(signal, expected(clue).unit());
  }

  private Variant told(String text, boolean fitted, Map<String, Double> amounts) {
    return new Variant(text, path, fitted, Map.of(), Map.of(), amounts);
  }
}

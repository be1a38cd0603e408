package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Unusable;
import unimotus.core.path.DriveAnswer;
import unimotus.core.path.ShownQuantity;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * What the analog outputs of a drive that something is wired to give: with the drive stopped, and
 * with the motor at what its plate says.
 */
public final class OutputPredictions {
  /** What the key of a reading at rest ends with. */
  public static final String REST = ".rest";

  /** What the key of a reading with the motor at its plate ends with. */
  public static final String RATED = ".rated";

  private static final String PREFIX = "output.";

  private static final Set<Part> PARTS = EnumSet.of(Part.DRIVE, Part.MOTOR, Part.WIRES);

  /** Current, torque and power of a motor as its drive estimates them (common practice). */
  private static final double ESTIMATE_SHARE = 0.1;

  private OutputPredictions() {}

  /** Whether a key is that of an analog output. */
  public static boolean isOf(String key) {
    return key.startsWith(PREFIX);
  }

  static List<Prediction> of(AxisAssembly axis, SignalPath path) {
    List<Prediction> predictions = new ArrayList<>();
    for (Terminal terminal : axis.driveSheet().terminals()) {
      if (terminal.role() == TerminalRole.ANALOG_OUTPUT
          && isWired(axis, terminal.id())
          && isUsable(axis, terminal.id())) {
        DriveAnswer.of(axis, terminal.id(), path.motor())
            .ifPresent(answer -> predictions.addAll(of(answer)));
      }
    }
    return predictions;
  }

  /** Nothing is told of an output with a setting that cannot be used; that is a finding. */
  private static boolean isUsable(AxisAssembly axis, String terminal) {
    return Unusable.settings(axis.drive(), axis.driveSheet(), s -> terminal.equals(s.terminal()))
        .isEmpty();
  }

  private static boolean isWired(AxisAssembly axis, String terminal) {
    TerminalRef here = new TerminalRef(axis.drive().id(), terminal);
    return axis.wires().stream().anyMatch(w -> w.from().equals(here) || w.to().equals(here));
  }

  private static List<Prediction> of(DriveAnswer answer) {
    ShownQuantity shown = answer.shown();
    return List.of(
        prediction(answer, REST, "stopped", 0, "Stop the drive and wait for standstill."),
        prediction(
            answer,
            RATED,
            "motor at its plate",
            shown.rated(),
            "Let the motor run at its plate's frequency and load it until the display shows the plate's current."));
  }

  private static Prediction prediction(
      DriveAnswer answer, String key, String state, double value, String how) {
    ShownQuantity shown = answer.shown();
    double signal = answer.signal(value);
    double span = answer.high() - answer.low();
    double estimated = shown.quantity().isSpeed() || value == 0 ? 0 : ESTIMATE_SHARE * share(shown);
    return new Prediction(
        PREFIX + answer.terminal() + key,
        "Analog outputs",
        "%s at %s, %s".formatted(shown.quantity().label(), answer.terminal(), state),
        new Expectation.Amount(
            signal, Tolerances.signal(span, 0) + estimated * span, answer.unit()),
        null,
        Double.NaN,
        "drive, terminal " + answer.terminal(),
        answer.range().isCurrent() ? "loop meter" : "multimeter",
        how,
        PARTS,
        Derivation.of(sum(answer, value, signal)));
  }

  /** Share of the span that the rated value takes. */
  private static double share(ShownQuantity shown) {
    return Math.abs(shown.rated() / (shown.full() - shown.low()));
  }

  private static Step sum(DriveAnswer answer, double value, double signal) {
    ShownQuantity shown = answer.shown();
    QuantityFormat format = QuantityFormat.PLAIN;
    return new Step(
        "signal",
        "s₀ + (x − x₀)/(X − x₀)·(s₁₀₀ − s₀)",
        "%s + (%s − %s)/(%s − %s)·%s"
            .formatted(
                format.number(answer.low()),
                format.number(value),
                format.number(shown.low()),
                format.number(shown.full()),
                format.number(shown.low()),
                format.number(answer.high() - answer.low())),
        signal,
        answer.unit(),
        answer.origin());
  }
}

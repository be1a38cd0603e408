package unimotus.desktop.stop;

import java.math.BigDecimal;
import java.math.MathContext;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.safety.SafetyPart;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimes;
import unimotus.core.stops.StopVerdict;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** Performance level and safety distance, each with its sum. */
final class FiguresPane extends VBox {
  private final Desk desk;
  private final UseFields fields;
  private final ExclusionFields exclusions;
  private final ApproachFields approach;

  FiguresPane(Desk desk) {
    super(8);
    this.desk = desk;
    fields = new UseFields(desk);
    exclusions = new ExclusionFields(desk);
    approach = new ApproachFields(desk, fields);
    setId("figures");
  }

  void show(StopCircuit circuit, StopVerdict verdict, FaultRun run, StopTimes times) {
    StopFunction stop = circuit.stop();
    SafetyFigures figures = SafetyFigures.of(circuit, verdict, run);
    getChildren()
        .setAll(
            Parts.prose(
                "Advises, does not certify. The risk assessment, manufacturers' data and licensed practice decide.",
                "ink-caption"),
            level(figures));
    figures.parts().forEach(p -> getChildren().add(part(p)));
    figures.remarks().forEach(r -> getChildren().add(Parts.prose("! " + r, "ink-label")));
    getChildren().add(exclusions.of(stop, run));
    getChildren().add(fields.use(circuit));
    getChildren().add(fields.commonCause(stop, figures.commonCausePoints()));
    getChildren().add(approach.of(stop, times));
  }

  private javafx.scene.Node level(SafetyFigures figures) {
    String reached =
        figures
            .level()
            .map(l -> "PL %s (SIL band %s)".formatted(l.letter(), l.safetyIntegrityLevel()))
            .orElse("no level");
    String rate =
        figures
            .dangerousPerHour()
            .map(r -> desk.units().format().text(threeDigits(r), MeasureUnit.PER_HOUR))
            .orElse("–");
    return Parts.column(
        0,
        Parts.label(reached, figures.reachesRequired() ? "ink-big" : "ink-title"),
        Parts.prose(
            "calculated %s dangerous failures; the risk graph asks for PL %s"
                .formatted(rate, figures.required().letter()),
            figures.reachesRequired() ? "ink-label" : "ink-attention"));
  }

  private static double threeDigits(double value) {
    return new BigDecimal(value).round(new MathContext(3)).doubleValue();
  }

  private static VBox part(SafetyPart part) {
    String level = part.level().map(l -> "PL " + l.letter()).orElse("under PL a");
    String head =
        !part.isKnown()
            ? "%s: no rate that counts here".formatted(part.name())
            : part.structure() == null
                ? "%s: %s by its sheet".formatted(part.name(), level)
                : "%s: structure %s, %s".formatted(part.name(), part.structure().label(), level);
    VBox column = Parts.column(1, Parts.prose(head, "ink-strong"));
    for (Step step : part.sum().steps()) {
      column.getChildren().add(Parts.prose(step.text(), "ink-sum"));
    }
    return column;
  }
}

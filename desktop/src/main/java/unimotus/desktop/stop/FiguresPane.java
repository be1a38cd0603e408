package unimotus.desktop.stop;

import java.math.BigDecimal;
import java.math.MathContext;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.safety.PerformanceLevel;
import unimotus.core.safety.SafetyDistance;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.safety.SafetyPart;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;

/** Performance level and safety distance, each with its sum. */
final class FiguresPane extends VBox {
  private final Desk desk;
  private final UseFields fields;

  FiguresPane(Desk desk) {
    super(8);
    this.desk = desk;
    fields = new UseFields(desk);
    setId("figures");
  }

  void show(StopCircuit circuit, FaultRun run, StopTimeline timeline) {
    StopFunction stop = circuit.stop();
    SafetyFigures figures = SafetyFigures.of(circuit, run);
    getChildren()
        .setAll(
            Parts.prose(
                "Advises, does not certify. The risk assessment, makers' data and licensed practice decide.",
                "ink-caption"),
            level(figures));
    figures.parts().forEach(p -> getChildren().add(part(p)));
    figures.remarks().forEach(r -> getChildren().add(Parts.prose("! " + r, "ink-label")));
    getChildren().add(fields.use(circuit));
    getChildren().add(fields.commonCause(stop, figures.commonCausePoints()));
    distance(stop, timeline);
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
        Parts.label(
            "calculated %s dangerous failures; the risk graph asks for PL %s"
                .formatted(rate, figures.required().letter()),
            figures.reachesRequired() ? "ink-label" : "ink-attention"));
  }

  private static double threeDigits(double value) {
    return new BigDecimal(value).round(new MathContext(3)).doubleValue();
  }

  private static VBox part(SafetyPart part) {
    PerformanceLevel level = part.level();
    String head =
        part.category() == null
            ? "%s: PL %s by its sheet".formatted(part.name(), level.letter())
            : "%s: category %s, PL %s"
                .formatted(part.name(), part.category().label(), level.letter());
    VBox column = Parts.column(1, Parts.prose(head, "ink-strong"));
    for (Step step : part.sum().steps()) {
      column.getChildren().add(Parts.prose(step.text(), "ink-sum"));
    }
    return column;
  }

  private void distance(StopFunction stop, StopTimeline timeline) {
    StopUse use = stop.use();
    VBox column = Parts.column(3, Parts.label("Safety distance", "ink-strong"));
    if (stop.trigger() == StopTrigger.GUARD_LOCK) {
      column
          .getChildren()
          .add(
              Parts.prose(
                  "A guard that stays locked until standstill needs no distance; its lock must not open before %s."
                      .formatted(
                          timeline.comesToRest()
                              ? desk.units()
                                  .text(timeline.standstillSeconds(), MeasureUnit.SECOND_UNIT)
                              : "a standstill that is never reached"),
                  "ink-label"));
    } else if (!timeline.comesToRest()) {
      column
          .getChildren()
          .add(Parts.prose("The stop never ends: no distance is enough.", "ink-attention"));
    } else {
      SafetyDistance needed =
          SafetyDistance.needed(timeline.standstillSeconds(), use.resolutionMillimetres());
      column.getChildren().add(Parts.prose(needed.sum().text(), "ink-sum"));
    }
    column
        .getChildren()
        .addAll(
            fields.number(
                stop,
                "resolution of a curtain",
                MeasureUnit.MILLIMETRE,
                use.resolutionMillimetres(),
                v -> use.withDistance(v, use.distanceMillimetres())),
            fields.number(
                stop,
                "distance there is",
                MeasureUnit.MILLIMETRE,
                use.distanceMillimetres(),
                v -> use.withDistance(use.resolutionMillimetres(), v)));
    if (use.distanceMillimetres() > 0) {
      SafetyDistance allowed =
          SafetyDistance.allowed(use.distanceMillimetres(), use.resolutionMillimetres());
      column.getChildren().add(Parts.prose(allowed.sum().text(), "ink-sum"));
    }
    getChildren().add(column);
  }
}

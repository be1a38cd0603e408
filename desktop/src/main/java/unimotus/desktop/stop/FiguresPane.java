package unimotus.desktop.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.safety.CommonCause;
import unimotus.core.safety.PerformanceLevel;
import unimotus.core.safety.SafetyDistance;
import unimotus.core.safety.SafetyFigures;
import unimotus.core.safety.SafetyPart;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopTimeline;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.StopEdits;

/** Performance level and safety distance, each with its sum. */
final class FiguresPane extends VBox {
  private final Desk desk;

  FiguresPane(Desk desk) {
    super(8);
    this.desk = desk;
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
    getChildren().add(use(stop));
    getChildren().add(commonCause(stop, figures.commonCausePoints()));
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
            .map(r -> desk.units().format().text(r, MeasureUnit.PER_HOUR))
            .orElse("–");
    return Parts.column(
        0,
        Parts.label(reached, figures.reachesRequired() ? "ink-big" : "ink-title"),
        Parts.label(
            "calculated %s dangerous failures; the risk graph asks for PL %s"
                .formatted(rate, figures.required().letter()),
            figures.reachesRequired() ? "ink-label" : "ink-attention"));
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

  private javafx.scene.Node use(StopFunction stop) {
    StopUse use = stop.use();
    FlowPane fields = new FlowPane(12, 4);
    fields
        .getChildren()
        .addAll(
            field(
                "demands an hour",
                MeasureUnit.ONE,
                use.demandsPerHour(),
                v -> set(stop, "demands", use.withRhythm(v, use.hoursPerDay(), use.daysPerYear()))),
            field(
                "hours a day",
                MeasureUnit.ONE,
                use.hoursPerDay(),
                v ->
                    set(
                        stop,
                        "hours a day",
                        use.withRhythm(use.demandsPerHour(), v, use.daysPerYear()))),
            field(
                "days a year",
                MeasureUnit.ONE,
                use.daysPerYear(),
                v ->
                    set(
                        stop,
                        "days a year",
                        use.withRhythm(use.demandsPerHour(), use.hoursPerDay(), v))),
            check(
                "severe injury (S2)",
                use.severeInjury(),
                on -> use.withRisk(on, use.frequentExposure(), use.hardlyAvoidable()),
                stop),
            check(
                "frequent (F2)",
                use.frequentExposure(),
                on -> use.withRisk(use.severeInjury(), on, use.hardlyAvoidable()),
                stop),
            check(
                "hardly avoidable (P2)",
                use.hardlyAvoidable(),
                on -> use.withRisk(use.severeInjury(), use.frequentExposure(), on),
                stop));
    return Parts.column(4, Parts.label("Use and risk", "ink-strong"), fields);
  }

  private javafx.scene.Node commonCause(StopFunction stop, int points) {
    VBox column =
        Parts.column(
            3,
            Parts.label(
                "Against common causes: %d of %d points".formatted(points, CommonCause.NEEDED),
                "ink-strong"));
    for (CommonCause measure : CommonCause.values()) {
      column
          .getChildren()
          .add(
              check(
                  "%s (%d)".formatted(measure.label(), measure.points()),
                  stop.use().commonCause().contains(measure.name()),
                  on -> stop.use().withCommonCause(with(stop, measure, on)),
                  stop));
    }
    return column;
  }

  private static List<String> with(StopFunction stop, CommonCause measure, boolean on) {
    List<String> next = new ArrayList<>(stop.use().commonCause());
    next.remove(measure.name());
    if (on) {
      next.add(measure.name());
    }
    return next;
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
            field(
                "resolution of a curtain",
                MeasureUnit.MILLIMETRE,
                use.resolutionMillimetres(),
                v -> set(stop, "resolution", use.withDistance(v, use.distanceMillimetres()))),
            field(
                "distance there is",
                MeasureUnit.MILLIMETRE,
                use.distanceMillimetres(),
                v -> set(stop, "distance", use.withDistance(use.resolutionMillimetres(), v))));
    if (use.distanceMillimetres() > 0) {
      SafetyDistance allowed =
          SafetyDistance.allowed(use.distanceMillimetres(), use.resolutionMillimetres());
      column.getChildren().add(Parts.prose(allowed.sum().text(), "ink-sum"));
    }
    getChildren().add(column);
  }

  private javafx.scene.Node field(
      String name, MeasureUnit unit, double value, DoubleConsumer take) {
    QuantityField field = new QuantityField(name, unit, desk::units, take, desk::refuse);
    field.setId(id(name));
    field.setPrefColumnCount(5);
    field.show(value);
    return Parts.row(5, Parts.label(name, "ink-label"), field);
  }

  private CheckBox check(
      String name,
      boolean on,
      java.util.function.Function<Boolean, StopUse> change,
      StopFunction stop) {
    CheckBox box = new CheckBox(name);
    box.setId(id(name));
    box.setSelected(on);
    box.setOnAction(e -> set(stop, name, change.apply(box.isSelected())));
    return box;
  }

  /** The keyboard finds its field again by this after every change. */
  private static String id(String name) {
    return "use-" + name.replaceAll("[^A-Za-z]+", "-");
  }

  private void set(StopFunction stop, String what, StopUse use) {
    desk.apply(StopEdits.use(stop, what, use));
  }
}

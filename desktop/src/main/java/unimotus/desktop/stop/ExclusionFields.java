package unimotus.desktop.stop;

import java.util.LinkedHashSet;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import unimotus.core.machine.FaultExclusion;
import unimotus.core.machine.StopFunction;
import unimotus.core.stops.ElementFault;
import unimotus.core.stops.FaultResult;
import unimotus.core.stops.FaultRun;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.workbench.StopEdits;

/** The faults that hold the figures down, and those taken for impossible with a reason. */
final class ExclusionFields {
  private static final int MOST = 8;

  private final Desk desk;
  private final TextField reason = new TextField();
  private final NameField who;

  ExclusionFields(Desk desk) {
    this.desk = desk;
    reason.setId("exclusion-reason");
    reason.setPromptText("why this fault cannot happen, as in: inside the closed panel");
    who = new NameField(desk, "exclusion-who");
  }

  Node of(StopFunction stop, FaultRun run) {
    VBox column = Parts.column(3);
    Set<ElementFault> decisive = decisive(run);
    if (decisive.isEmpty() && stop.use().exclusions().isEmpty()) {
      return column;
    }
    column.getChildren().add(Parts.label("Faults that hold the level down", "ink-strong"));
    column
        .getChildren()
        .add(
            Parts.prose(
                "A fault may be excluded where a standard allows it, with the reason on record (ISO 13849-2, from memory).",
                "ink-caption"));
    column.getChildren().addAll(reason, who);
    decisive.stream().limit(MOST).forEach(f -> column.getChildren().add(line(stop, run, f)));
    if (decisive.size() > MOST) {
      column
          .getChildren()
          .add(Parts.label("and %d more".formatted(decisive.size() - MOST), "ink-caption"));
    }
    stop.use().exclusions().forEach(e -> column.getChildren().add(taken(stop, e)));
    return column;
  }

  /** Those that lose the stop alone, else hidden ones that lose it with a second. */
  private static Set<ElementFault> decisive(FaultRun run) {
    Set<ElementFault> found = new LinkedHashSet<>();
    run.lostByOne().stream().map(FaultResult::last).forEach(found::add);
    run.lostByTwo().forEach(r -> found.add(r.faults().get(0)));
    return found;
  }

  private Node line(StopFunction stop, FaultRun run, ElementFault fault) {
    String axis = run.circuit().axis().axis().name() + " ";
    return Parts.column(
        0,
        Parts.prose(fault.text().replace(axis, ""), "ink-label"),
        Parts.quiet("exclude", "exclude it", () -> exclude(stop, fault)));
  }

  private void exclude(StopFunction stop, ElementFault fault) {
    try {
      FaultExclusion exclusion =
          new FaultExclusion(
              fault.key(), fault.kind().name(), reason.getText().strip(), who.name());
      desk.apply(StopEdits.use(stop, "fault exclusion", stop.use().withExclusion(exclusion)));
    } catch (IllegalArgumentException incomplete) {
      desk.refuse(String.valueOf(incomplete.getMessage()));
    }
  }

  private Node taken(StopFunction stop, FaultExclusion exclusion) {
    return Parts.column(
        0,
        Parts.prose(
            "Excluded: %s, %s – %s (%s)"
                .formatted(
                    exclusion.element(),
                    exclusion.kind().toLowerCase(java.util.Locale.ROOT).replace('_', ' '),
                    exclusion.reason(),
                    exclusion.by()),
            "ink-label"),
        Parts.quiet(
            "include",
            "let it count again",
            () ->
                desk.apply(
                    StopEdits.use(
                        stop,
                        "fault exclusion",
                        stop.use().withoutExclusion(exclusion.element(), exclusion.kind())))));
  }
}

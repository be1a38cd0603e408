package unimotus.desktop.motion;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.StepAxis;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SwitchTable;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.PhaseCurrent;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.Edits;

/** The switches of a driver, from what is wanted to how they stand, and back. */
final class SwitchCards {
  /** Two of them stand beside each other in a usual window. */
  private static final double WIDTH = 345;

  private final Desk desk;
  private final AxisAssembly assembly;
  private final StepAxis axis;

  SwitchCards(Desk desk, AxisAssembly assembly, StepAxis axis) {
    this.desk = desk;
    this.assembly = assembly;
    this.axis = axis;
  }

  /** Pulses a turn. */
  VBox steps() {
    SwitchTable table = axis.driver().microsteps();
    double set = value(SelectorRole.STEPS_PER_TURN);
    QuantityField wanted =
        new QuantityField(
            "wanted resolution", axis.unit(), desk::units, this::resolve, desk::refuse);
    wanted.setId("wanted-resolution");
    wanted.setPrefColumnCount(6);
    wanted.show(axis.scale().travelPerPulse());
    return card(
        SelectorRole.STEPS_PER_TURN,
        table,
        set,
        Parts.prose(
            "%d pulses for a turn of this motor, %s for a full step; one pulse is %s"
                .formatted(
                    axis.pulsesPerTurn(),
                    QuantityFormat.PLAIN.number(
                        (double) axis.pulsesPerTurn() / axis.plate().stepsPerTurn()),
                    QuantityFormat.PLAIN.text(axis.scale().travelPerPulse(), axis.unit())),
            "ink-live"),
        Parts.row(8, Parts.label("wanted: a pulse of at most", "ink-label"), wanted));
  }

  /** The coarsest position of the switches whose pulse is as fine as wanted. */
  private void resolve(double travel) {
    double perTurn = axis.scale().travelPerPulse() * value(SelectorRole.STEPS_PER_TURN);
    Optional<Double> fine =
        axis.driver().microsteps().values().stream()
            .filter(v -> perTurn / v <= travel * (1 + 1e-9))
            .findFirst();
    if (!(travel > 0) || fine.isEmpty()) {
      List<Double> all = axis.driver().microsteps().values();
      desk.refuse(
          "wanted resolution: %s cannot be had; the finest pulse of this driver is %s"
              .formatted(
                  QuantityFormat.PLAIN.text(travel, axis.unit()),
                  QuantityFormat.PLAIN.text(perTurn / all.get(all.size() - 1), axis.unit())));
      return;
    }
    choose(SelectorRole.STEPS_PER_TURN, fine.get());
  }

  /** Current of a phase, with how its limit comes about. */
  VBox current() {
    VBox sum = new VBox(3);
    Optional<Coils> coils = axis.coils();
    if (coils.isEmpty()) {
      sum.getChildren()
          .add(Parts.prose("Choose how the coils are connected: the limit follows.", "ink-label"));
    } else {
      try {
        PhaseCurrent limit =
            PhaseCurrent.of(
                coils.get(),
                axis.plate().amperes(),
                axis.driver().currents(),
                axis.driver().amperes());
        limit.sum().steps().forEach(s -> sum.getChildren().add(Parts.prose(s.text(), "ink-sum")));
        if (limit.chosen().value() != axis.phaseAmperes()) {
          sum.getChildren()
              .add(
                  Parts.action(
                      "set-phase-current",
                      "Set %s A".formatted(number(limit.chosen().value())),
                      () -> choose(SelectorRole.PHASE_CURRENT, limit.chosen().value())));
        }
      } catch (IllegalArgumentException tooLow) {
        sum.getChildren().add(Parts.prose(String.valueOf(tooLow.getMessage()), "ink-attention"));
      }
    }
    return card(
        SelectorRole.PHASE_CURRENT,
        axis.driver().currents(),
        axis.phaseAmperes(),
        Parts.prose(
            "%s A %s, %s at standstill"
                .formatted(number(axis.phaseAmperes()), axis.driver().amperes().label(), rest()),
            "ink-live"),
        sum);
  }

  /** The switch decides; a driver without one holds the full current. */
  private String rest() {
    boolean reduced =
        assembly
            .driveSheet()
            .selector(SelectorRole.REST_CURRENT)
            .filter(s -> s.positionIn(assembly.drive().selectors()).equals(Option.REDUCED.word()))
            .isPresent();
    return reduced
        ? "reduced to " + desk.units().text(100 * axis.driver().restShare(), MeasureUnit.PERCENT)
        : "the same";
  }

  private VBox card(SelectorRole role, SwitchTable table, double set, Node... below) {
    Selector selector = selector(role);
    ChoiceField<String> choice =
        new ChoiceField<>(selector.label(), selector.options(), o -> o, o -> apply(selector, o));
    choice.setId("switch-" + selector.id());
    choice.show(selector.positionIn(assembly.drive().selectors()));
    VBox card = Parts.sheet(8, Parts.label(selector.label(), "ink-strong"), choice);
    table
        .of(set)
        .ifPresent(
            row ->
                card.getChildren()
                    .add(
                        new SwitchBank("bank-" + selector.id(), table, row, on -> turn(role, on))));
    card.getChildren().addAll(below);
    card.setPrefWidth(WIDTH);
    card.setMaxWidth(WIDTH);
    return card;
  }

  private void turn(SelectorRole role, List<Boolean> on) {
    SwitchTable table =
        role == SelectorRole.STEPS_PER_TURN ? axis.driver().microsteps() : axis.driver().currents();
    Optional<SwitchTable.Row> row = table.of(on);
    if (row.isEmpty()) {
      desk.refuse("the table on the lid does not have these positions; nothing was changed");
      desk.refresh();
      return;
    }
    choose(role, row.get().value());
  }

  private void choose(SelectorRole role, double value) {
    Selector selector = selector(role);
    selector.options().stream()
        .filter(o -> Math.abs(number(o) - value) < 1e-6 * value)
        .findFirst()
        .ifPresentOrElse(
            o -> apply(selector, o),
            () ->
                desk.refuse(
                    "%s: the sheet has no position for %s"
                        .formatted(selector.label(), number(value))));
  }

  private void apply(Selector selector, String option) {
    desk.apply(Edits.driveSelector(assembly.drive().id(), selector.id(), option));
  }

  private Selector selector(SelectorRole role) {
    return assembly.driveSheet().selector(role).orElseThrow();
  }

  private double value(SelectorRole role) {
    return number(selector(role).positionIn(assembly.drive().selectors()));
  }

  private static double number(String option) {
    return Double.parseDouble(option.replace(" A", ""));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

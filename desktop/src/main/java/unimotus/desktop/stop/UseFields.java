package unimotus.desktop.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopUse;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.safety.CommonCause;
import unimotus.core.sheet.Figure;
import unimotus.core.stops.StopCircuit;
import unimotus.core.wiring.PlacedDevice;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.StopEdits;

/** How a stop is used and what is at stake, to change in place. */
final class UseFields {
  private final Desk desk;

  UseFields(Desk desk) {
    this.desk = desk;
  }

  /** Rhythm, risk, wear of the devices and the time between proofs. */
  Node use(StopCircuit circuit) {
    StopFunction stop = circuit.stop();
    StopUse use = stop.use();
    FlowPane rhythm = new FlowPane(12, 4);
    rhythm
        .getChildren()
        .addAll(
            number(
                stop,
                "demands an hour",
                MeasureUnit.ONE,
                use.rhythm().demandsPerHour(),
                v -> use.withRhythm(v, use.rhythm().hoursPerDay(), use.rhythm().daysPerYear())),
            number(
                stop,
                "hours a day",
                MeasureUnit.ONE,
                use.rhythm().hoursPerDay(),
                v -> use.withRhythm(use.rhythm().demandsPerHour(), v, use.rhythm().daysPerYear())),
            number(
                stop,
                "days a year",
                MeasureUnit.ONE,
                use.rhythm().daysPerYear(),
                v -> use.withRhythm(use.rhythm().demandsPerHour(), use.rhythm().hoursPerDay(), v)),
            number(
                stop,
                "months between proofs",
                MeasureUnit.ONE,
                use.tests().months(),
                v -> use.withTestMonths(whole("months between proofs", v))));
    rhythm.getChildren().addAll(risk(stop));
    VBox column = Parts.column(4, Parts.label("Use and risk", "ink-strong"), rhythm);
    for (String device : wearing(stop)) {
      column.getChildren().add(wear(circuit.device(device), stop));
    }
    return column;
  }

  private List<Node> risk(StopFunction stop) {
    StopUse use = stop.use();
    return List.of(
        check(
            stop,
            "severe injury (S2)",
            use.risk().severeInjury(),
            on -> use.withRisk(on, use.risk().frequentExposure(), use.risk().hardlyAvoidable())),
        check(
            stop,
            "frequent (F2)",
            use.risk().frequentExposure(),
            on -> use.withRisk(use.risk().severeInjury(), on, use.risk().hardlyAvoidable())),
        check(
            stop,
            "hardly avoidable (P2)",
            use.risk().hardlyAvoidable(),
            on -> use.withRisk(use.risk().severeInjury(), use.risk().frequentExposure(), on)));
  }

  /** Whatever is worn by switching. */
  private static List<String> wearing(StopFunction stop) {
    List<String> devices = new ArrayList<>(stop.triggers());
    devices.addAll(stop.contactors());
    return devices;
  }

  private Node wear(PlacedDevice device, StopFunction stop) {
    if (device.sheet().given(Figure.PFH_PER_HOUR).isPresent()) {
      return Parts.column(0);
    }
    StopUse use = stop.use();
    Optional<Double> own = Optional.ofNullable(use.b10dCycles().get(device.id()));
    Optional<Double> stated = device.sheet().given(Figure.B10D_CYCLES);
    String name = "B10d of " + device.device().name();
    Node field =
        number(
            stop,
            name,
            MeasureUnit.ONE,
            own.or(() -> stated).orElse(0.0),
            v -> use.withB10d(device.id(), v));
    String origin =
        own.isPresent() ? "entered here" : stated.isPresent() ? "device sheet" : "not known";
    return Parts.flow(8, field, Parts.label(origin, "ink-caption"));
  }

  private static int whole(String name, double value) {
    if (value != Math.rint(value) || Math.abs(value) > 1200) {
      throw new IllegalArgumentException(
          "%s must be a whole number up to 1200, not %s".formatted(name, value));
    }
    return (int) value;
  }

  /** The measures against common causes, with their points. */
  Node commonCause(StopFunction stop, int points) {
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
                  stop,
                  "%s (%d)".formatted(measure.label(), measure.points()),
                  stop.use().commonCause().contains(measure.name()),
                  on -> stop.use().withCommonCause(with(stop, measure, on))));
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

  /** A number of the use. */
  Node number(
      StopFunction stop,
      String name,
      MeasureUnit unit,
      double value,
      DoubleFunction<StopUse> change) {
    QuantityField field =
        new QuantityField(
            name,
            unit,
            desk::units,
            v -> desk.apply(StopEdits.use(stop, name, change.apply(v))),
            desk::refuse);
    field.setId(id(name));
    field.setPrefColumnCount(Math.max(5, desk.units().text(value, unit).length()));
    field.show(value);
    return Parts.row(5, Parts.label(name, "ink-label"), field);
  }

  private CheckBox check(
      StopFunction stop, String name, boolean on, Function<Boolean, StopUse> change) {
    CheckBox box = new CheckBox(name);
    box.setWrapText(true);
    box.setMinHeight(Region.USE_PREF_SIZE);
    box.setId(id(name));
    box.setSelected(on);
    box.setOnAction(e -> desk.apply(StopEdits.use(stop, name, change.apply(box.isSelected()))));
    return box;
  }

  /** The keyboard finds its field again by this after every change. */
  private static String id(String name) {
    return "use-" + name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
  }
}

package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Reference;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/** The four things on the thread, each with what its plate says. */
final class IdentifyView implements View {
  private static final String NONE = "none";

  private final Desk desk;
  private final VBox page = new VBox(14);
  private final Node node;

  IdentifyView(Desk desk) {
    this.desk = desk;
    page.setPadding(new Insets(16));
    node = Parts.scrolling(page);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    page.getChildren().clear();
    desk.review().ifPresent(this::show);
  }

  private void show(AxisReview review) {
    page.getChildren().add(Parts.label(review.axis().name(), "ink-title"));
    AxisAssembly assembly = review.assembly();
    if (assembly == null) {
      FindingList findings = new FindingList(desk);
      findings.show(review.findings());
      HBox cards = new HBox(12, choosing(review.axis()), machine(review.axis()));
      cards.getChildren().forEach(c -> HBox.setHgrow(c, Priority.ALWAYS));
      page.getChildren().addAll(cards, Parts.sheet(8, findings));
      return;
    }
    HBox cards =
        new HBox(
            12, controller(assembly), drive(assembly), motor(assembly), machine(review.axis()));
    cards.getChildren().forEach(c -> HBox.setHgrow(c, Priority.ALWAYS));
    cards.getChildren().forEach(c -> ((VBox) c).setPrefWidth(250));
    page.getChildren().add(cards);
    List<Finding> here =
        review.findings().stream().filter(f -> WorkStep.of(f.rule()) == WorkStep.IDENTIFY).toList();
    FindingList findings = new FindingList(desk);
    findings.show(here);
    page.getChildren().add(Parts.sheet(8, findings));
  }

  /** What an unfinished axis still lacks, chosen by class. */
  private VBox choosing(Axis axis) {
    Card card = new Card("Still to choose", "Controller, drive and motor by class");
    if (axis.controller() == null) {
      card.sheets("Controller", ControllerSheet.class, s -> Edits.chooseController(axis.id(), s));
    }
    if (axis.drive() == null) {
      card.sheets("Drive", DriveSheet.class, s -> Edits.chooseDrive(axis.id(), s));
    }
    if (axis.motor() == null) {
      card.sheets("Motor", MotorSheet.class, s -> Edits.chooseMotor(axis.id(), s));
    }
    return card;
  }

  private VBox controller(AxisAssembly axis) {
    Card card = new Card("Controller", axis.controllerSheet().name());
    Reference reference = axis.axis().reference();
    String output = reference.output();
    card.points(
        "Channel",
        axis.controllerSheet(),
        TerminalRole.ANALOG_OUTPUT,
        output,
        t -> reference(axis.axis(), t, reference.input()));
    card.points(
        "Actual value in",
        axis.controllerSheet(),
        TerminalRole.ANALOG_INPUT,
        axis.axis().answer().input(),
        t -> answer(axis.axis(), axis.axis().answer().output(), t));
    if (output != null) {
      axis.controllerSheet()
          .selector(SelectorRole.CHANNEL_RANGE, output)
          .ifPresent(s -> card.selector("Signal", axis, s));
      axis.controllerSheet()
          .selector(SelectorRole.RAW_FULL_SCALE, output)
          .ifPresent(s -> card.selector("Module, full scale", axis, s));
    }
    String id = axis.axis().id();
    card.number(
        "Program, 100 %",
        reference.programFullScaleCounts(),
        MeasureUnit.COUNTS,
        v ->
            Edits.reference(
                id,
                "the program's full scale",
                with(
                    reference,
                    reference.speedAtFull(),
                    reference.frequencyAtFullHertz(),
                    (int) Math.round(v))));
    card.number(
        "Program means, 100 %",
        reference.frequencyAtFullHertz(),
        MeasureUnit.HERTZ_UNIT,
        v ->
            Edits.reference(
                id,
                "the meant top frequency",
                with(reference, reference.speedAtFull(), v, reference.programFullScaleCounts())));
    return card;
  }

  private static Edit reference(Axis axis, @Nullable String output, @Nullable String input) {
    Reference r = axis.reference();
    return Edits.reference(
        axis.id(),
        "the reference's terminals",
        new Reference(
            output,
            input,
            r.speedAtZero(),
            r.speedAtFull(),
            r.frequencyAtZeroHertz(),
            r.frequencyAtFullHertz(),
            r.programFullScaleCounts(),
            r.wantedStep()));
  }

  private static Edit answer(Axis axis, @Nullable String output, @Nullable String input) {
    Answer a = axis.answer();
    return Edits.answer(
        axis.id(),
        "the actual value's terminals",
        new Answer(output, input, a.speedAtFull(), a.programFullScaleCounts()));
  }

  private VBox drive(AxisAssembly axis) {
    Card card = new Card("Drive", axis.driveSheet().name());
    card.points(
        "Input",
        axis.driveSheet(),
        TerminalRole.ANALOG_INPUT,
        axis.axis().reference().input(),
        t -> reference(axis.axis(), axis.axis().reference().output(), t));
    card.points(
        "Actual value out",
        axis.driveSheet(),
        TerminalRole.ANALOG_OUTPUT,
        axis.axis().answer().output(),
        t -> answer(axis.axis(), t, axis.axis().answer().input()));
    card.line(
        "Rated current",
        Parts.label(
            desk.units()
                .text(axis.driveSheet().ratings().currentAmperes(), MeasureUnit.AMPERE_UNIT)));
    card.line(
        "Mains",
        Parts.label(
            desk.units().text(axis.driveSheet().ratings().supplyVolts(), MeasureUnit.VOLT_UNIT)));
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    for (Selector selector : axis.driveSheet().selectors()) {
      String position = axis.drive().selectors().getOrDefault(selector.id(), selector.initial());
      card.line(
          selector.label(),
          new ChoiceField<>(
                  selector.label(),
                  selector.options(),
                  o -> o,
                  o -> desk.apply(Edits.driveSelector(settings.drive().id(), selector.id(), o)))
              .show(position));
    }
    return card;
  }

  private VBox motor(AxisAssembly axis) {
    Motor motor = axis.motor();
    Plate p = motor.plate();
    Card card = new Card("Motor plate", motor.name());
    card.number(
        "Power",
        p.powerWatts() / 1000,
        MeasureUnit.KILOWATT,
        v -> plate(motor, "power", v * 1000, 0));
    card.number(
        "Voltage", p.voltageVolts(), MeasureUnit.VOLT_UNIT, v -> plate(motor, "voltage", v, 1));
    card.number(
        "Current", p.currentAmperes(), MeasureUnit.AMPERE_UNIT, v -> plate(motor, "current", v, 2));
    card.number(
        "Frequency",
        p.frequencyHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> plate(motor, "frequency", v, 3));
    card.number("Speed", p.speedRpm(), MeasureUnit.RPM, v -> plate(motor, "speed", v, 4));
    card.number("cos φ", p.powerFactor(), MeasureUnit.ONE, v -> plate(motor, "cos φ", v, 5));
    card.number(
        "Service factor",
        p.serviceFactor(),
        MeasureUnit.ONE,
        v -> plate(motor, "service factor", v, 6));
    card.number(
        "Rotor inertia",
        p.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> plate(motor, "inertia", v, 7));
    card.line(
        "Efficiency",
        Parts.label(
            desk.units().text(100 * MotorFormulas.efficiency(p), MeasureUnit.PERCENT), "ink-live"));
    if (p.speedRpm() < MotorFormulas.synchronousRpm(p.frequencyHertz(), 2)) {
      card.line("Poles", Parts.label(String.valueOf(MotorFormulas.poles(p)), "ink-live"));
      card.line(
          "Rated torque",
          Parts.label(
              desk.units().text(MotorFormulas.ratedTorqueNewtonMetres(p), MeasureUnit.NEWTON_METRE),
              "ink-live"));
    }
    return card;
  }

  private static Edit plate(Motor motor, String what, double value, int place) {
    Plate p = motor.plate();
    double[] v = {
      p.powerWatts(),
      p.voltageVolts(),
      p.currentAmperes(),
      p.frequencyHertz(),
      p.speedRpm(),
      p.powerFactor(),
      p.serviceFactor(),
      p.inertiaKgM2()
    };
    v[place] = value;
    return Edits.plate(
        motor.id(), "plate " + what, new Plate(v[0], v[1], v[2], v[3], v[4], v[5], v[6], v[7]));
  }

  private VBox machine(Axis axis) {
    Mechanics m = axis.mechanics();
    Load l = axis.load();
    Card card = new Card("Machine", m.getClass().getSimpleName());
    card.number(
        "Gear ratio",
        m.gearRatio(),
        MeasureUnit.ONE,
        v -> Edits.mechanics(axis.id(), "the gear ratio", m.withGearRatio(v)));
    if (m instanceof Mechanics.Drum drum) {
      card.number(
          "Diameter",
          drum.diameterMetres(),
          MeasureUnit.METRE_UNIT,
          v -> Edits.mechanics(axis.id(), "the diameter", new Mechanics.Drum(drum.gearRatio(), v)));
    } else if (m instanceof Mechanics.Screw screw) {
      card.number(
          "Lead",
          screw.leadMetres(),
          MeasureUnit.METRE_UNIT,
          v -> Edits.mechanics(axis.id(), "the lead", new Mechanics.Screw(screw.gearRatio(), v)));
    } else if (m instanceof Mechanics.Counting counting) {
      card.number(
          counting.unitName() + " per turn",
          counting.unitsPerTurn(),
          MeasureUnit.ONE,
          v ->
              Edits.mechanics(
                  axis.id(),
                  "the count per turn",
                  new Mechanics.Counting(counting.gearRatio(), v, counting.unitName())));
    }
    Reference r = axis.reference();
    card.number(
        "Speed at 100 %",
        r.speedAtFull(),
        m.unit(),
        v ->
            Edits.reference(
                axis.id(),
                "full speed",
                with(r, v, r.frequencyAtFullHertz(), r.programFullScaleCounts())));
    card.number(
        "Wanted step",
        r.wantedStep(),
        m.unit(),
        v ->
            Edits.reference(
                axis.id(),
                "the wanted step",
                new Reference(
                    r.output(),
                    r.input(),
                    r.speedAtZero(),
                    r.speedAtFull(),
                    r.frequencyAtZeroHertz(),
                    r.frequencyAtFullHertz(),
                    r.programFullScaleCounts(),
                    v)));
    card.number(
        "Load inertia",
        l.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v ->
            load(
                axis,
                "inertia",
                new Load(
                    v,
                    l.constantNewtonMetres(),
                    l.linearNewtonMetresPerRpm(),
                    l.quadraticNewtonMetresPerRpm2(),
                    l.gearEfficiency())));
    card.number(
        "Constant torque",
        l.constantNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v ->
            load(
                axis,
                "constant torque",
                new Load(
                    l.inertiaKgM2(),
                    v,
                    l.linearNewtonMetresPerRpm(),
                    l.quadraticNewtonMetresPerRpm2(),
                    l.gearEfficiency())));
    card.number(
        "Torque per rpm, N·m",
        l.linearNewtonMetresPerRpm(),
        MeasureUnit.ONE,
        v ->
            load(
                axis,
                "linear torque",
                new Load(
                    l.inertiaKgM2(),
                    l.constantNewtonMetres(),
                    v,
                    l.quadraticNewtonMetresPerRpm2(),
                    l.gearEfficiency())));
    card.number(
        "Torque per rpm², N·m",
        l.quadraticNewtonMetresPerRpm2(),
        MeasureUnit.ONE,
        v ->
            load(
                axis,
                "quadratic torque",
                new Load(
                    l.inertiaKgM2(),
                    l.constantNewtonMetres(),
                    l.linearNewtonMetresPerRpm(),
                    v,
                    l.gearEfficiency())));
    card.number(
        "Gear efficiency",
        100 * l.gearEfficiency(),
        MeasureUnit.PERCENT,
        v ->
            load(
                axis,
                "gear efficiency",
                new Load(
                    l.inertiaKgM2(),
                    l.constantNewtonMetres(),
                    l.linearNewtonMetresPerRpm(),
                    l.quadraticNewtonMetresPerRpm2(),
                    v / 100)));
    return card;
  }

  private static Edit load(Axis axis, String what, Load load) {
    return Edits.load(axis.id(), "load " + what, load);
  }

  private static Reference with(Reference r, double speedAtFull, double topHertz, int fullScale) {
    return new Reference(
        r.output(),
        r.input(),
        r.speedAtZero(),
        speedAtFull,
        r.frequencyAtZeroHertz(),
        topHertz,
        fullScale,
        r.wantedStep());
  }

  /** A sheet with a name, a device and lines of label and value. */
  private final class Card extends VBox {
    private final GridPane grid = new GridPane();
    private int row;

    Card(String title, String device) {
      super(8);
      getStyleClass().add("sheet");
      grid.setHgap(8);
      grid.setVgap(6);
      javafx.scene.layout.ColumnConstraints left = new javafx.scene.layout.ColumnConstraints();
      left.setHgrow(Priority.ALWAYS);
      grid.getColumnConstraints().add(left);
      getChildren()
          .addAll(Parts.label(title, "ink-label"), Parts.prose(device, "ink-strong"), grid);
    }

    void line(String name, Node value) {
      if (value instanceof ChoiceField<?> choice) {
        choice.setMinWidth(112);
      }
      Label label = Parts.prose(name, "ink-label");
      grid.addRow(row++, label, value);
    }

    /** One of the terminals of a role, or none. */
    void points(
        String name,
        DeviceSheet sheet,
        TerminalRole role,
        @Nullable String chosen,
        Function<@Nullable String, Edit> edit) {
      List<String> options = new ArrayList<>(List.of(NONE));
      sheet.terminals().stream()
          .filter(t -> t.role() == role)
          .map(Terminal::id)
          .forEach(options::add);
      ChoiceField<String> field =
          new ChoiceField<>(
              name, options, o -> o, o -> desk.apply(edit.apply(o.equals(NONE) ? null : o)));
      field.setId(id(name));
      line(name, field.show(chosen == null ? NONE : chosen));
    }

    <T extends DeviceSheet> void sheets(String name, Class<T> kind, Function<T, Edit> edit) {
      ChoiceField<T> field =
          new ChoiceField<>(
              name,
              desk.session().sheets().all(kind),
              DeviceSheet::name,
              s -> desk.apply(edit.apply(s)));
      field.setId("choose-" + id(name));
      line(name, field);
    }

    private static String id(String name) {
      return name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    }

    void selector(String name, AxisAssembly axis, Selector selector) {
      String position =
          axis.controller().selectors().getOrDefault(selector.id(), selector.initial());
      line(
          name,
          new ChoiceField<>(
                  name,
                  selector.options(),
                  o -> o,
                  o ->
                      desk.apply(
                          Edits.controllerSelector(axis.controller().id(), selector.id(), o)))
              .show(position));
    }

    void number(String name, double value, MeasureUnit unit, DoubleFunction<Edit> edit) {
      QuantityField[] self = new QuantityField[1];
      DoubleConsumer take = v -> apply(self[0], () -> edit.apply(v));
      QuantityField field = new QuantityField(name, unit, desk::units, take, desk::refuse);
      self[0] = field;
      field.setId(id(name));
      field.show(value);
      line(name, field);
    }

    private void apply(QuantityField field, java.util.function.Supplier<Edit> edit) {
      try {
        if (!desk.apply(edit.get())) {
          field.markRefused();
        }
      } catch (IllegalArgumentException refused) {
        field.markRefused();
        desk.refuse(refused.getMessage());
      }
    }
  }
}

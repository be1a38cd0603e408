package unimotus.desktop.view;

import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Reference;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.DriveReadCard;
import unimotus.desktop.identify.PlateLineCard;
import unimotus.desktop.identify.PresetsCard;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.setup.ReadyPane;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/** The four things on the thread, each with what its plate says. */
final class IdentifyView implements View {
  private final Desk desk;
  private final VBox page = new VBox(14);
  private final Node node;
  private final ReadyPane ready;
  private @Nullable PlateLineCard plateLine;

  IdentifyView(Desk desk) {
    this.desk = desk;
    page.setPadding(new Insets(16));
    ready = new ReadyPane(desk, WorkStep.IDENTIFY.label());
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
      HBox cards = new HBox(12, choosing(review.axis()));
      desk.session().project().motors().stream()
          .filter(m -> m.id().equals(review.axis().motor()))
          .forEach(m -> cards.getChildren().add(motor(m)));
      cards.getChildren().add(machine(review.axis()));
      cards.getChildren().forEach(c -> HBox.setHgrow(c, Priority.ALWAYS));
      page.getChildren().addAll(cards, Parts.sheet(8, findings));
      return;
    }
    HBox cards =
        new HBox(
            12,
            controller(assembly),
            drive(assembly),
            motor(assembly.motor()),
            machine(review.axis()));
    cards.getChildren().forEach(c -> HBox.setHgrow(c, Priority.ALWAYS));
    cards.getChildren().forEach(c -> ((VBox) c).setPrefWidth(250));
    page.getChildren().add(cards);
    List<Finding> here =
        review.findings().stream().filter(f -> WorkStep.of(f.rule()) == WorkStep.IDENTIFY).toList();
    FindingList findings = new FindingList(desk);
    findings.show(here);
    page.getChildren().add(below(assembly, Parts.sheet(8, findings)));
  }

  private HBox below(AxisAssembly assembly, VBox findings) {
    if (plateLine == null) {
      plateLine = new PlateLineCard(desk, assembly.motor());
    }
    plateLine.show(assembly.motor());
    VBox left = new VBox(12, plateLine);
    PresetsCard.of(desk, assembly).ifPresent(left.getChildren()::add);
    left.getChildren().add(new DriveReadCard(desk, assembly));
    VBox right = new VBox(12, findings);
    desk.evidence()
        .ifPresent(
            e -> {
              ready.show(e);
              right.getChildren().add(Parts.sheet(8, ready));
            });
    HBox.setHgrow(left, Priority.ALWAYS);
    left.setPrefWidth(600);
    right.setPrefWidth(430);
    right.setMinWidth(380);
    return new HBox(12, left, right);
  }

  /** What an unfinished axis still lacks, chosen by class. */
  private VBox choosing(Axis axis) {
    FieldCard card = card("Still to choose", "Controller, drive and motor by class");
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
    FieldCard card = card("Controller", axis.controllerSheet().name());
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
                reference.withProgramFullScale((int) Math.round(v))));
    card.number(
        "Program means, 100 %",
        reference.frequencyAtFullHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> Edits.reference(id, "the meant top frequency", reference.withFrequencyAtFull(v)));
    return card;
  }

  private static Edit reference(Axis axis, @Nullable String output, @Nullable String input) {
    return Edits.reference(
        axis.id(), "the reference's terminals", axis.reference().withTerminals(output, input));
  }

  private static Edit answer(Axis axis, @Nullable String output, @Nullable String input) {
    return Edits.answer(
        axis.id(), "the actual value's terminals", axis.answer().withTerminals(output, input));
  }

  private VBox drive(AxisAssembly axis) {
    FieldCard card = card("Drive", axis.driveSheet().name());
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

  private VBox motor(Motor motor) {
    Plate p = motor.plate();
    FieldCard card = card("Motor plate", motor.name());
    if (motor.servo() != null) {
      servo(card, motor, motor.servo());
      return card;
    }
    card.number(
        "Power",
        p.powerWatts() / 1000,
        MeasureUnit.KILOWATT,
        v -> plate(motor, "power", p.withPower(v * 1000)));
    card.number(
        "Voltage",
        p.voltageVolts(),
        MeasureUnit.VOLT_UNIT,
        v -> plate(motor, "voltage", p.withVoltage(v)));
    card.number(
        "Current",
        p.currentAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> plate(motor, "current", p.withCurrent(v)));
    card.number(
        "Frequency",
        p.frequencyHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> plate(motor, "frequency", p.withFrequency(v)));
    card.number("Speed", p.speedRpm(), MeasureUnit.RPM, v -> plate(motor, "speed", p.withSpeed(v)));
    card.number(
        "cos φ",
        p.powerFactor(),
        MeasureUnit.ONE,
        v -> plate(motor, "cos φ", p.withPowerFactor(v)));
    card.number(
        "Service factor",
        p.serviceFactor(),
        MeasureUnit.ONE,
        v -> plate(motor, "service factor", p.withServiceFactor(v)));
    card.number(
        "Rotor inertia",
        p.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> plate(motor, "inertia", p.withInertia(v)));
    card.computed("Efficiency", 100 * MotorFormulas.efficiency(p), MeasureUnit.PERCENT);
    if (p.speedRpm() < MotorFormulas.synchronousRpm(p.frequencyHertz(), 2)) {
      card.computed("Poles", MotorFormulas.poles(p), MeasureUnit.ONE);
      card.computed(
          "Rated torque", MotorFormulas.ratedTorqueNewtonMetres(p), MeasureUnit.NEWTON_METRE);
    }
    return card;
  }

  private void servo(FieldCard card, Motor motor, ServoPlate s) {
    card.number(
        "Stall torque",
        s.stallNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "stall torque", s.withStall(v, s.stallAmperes())));
    card.number(
        "Stall current",
        s.stallAmperes(),
        MeasureUnit.AMPERE_UNIT,
        v -> Edits.servo(motor.id(), "stall current", s.withStall(s.stallNewtonMetres(), v)));
    card.number(
        "Rated speed",
        s.ratedRpm(),
        MeasureUnit.RPM,
        v -> Edits.servo(motor.id(), "rated speed", s.withRated(v, s.ratedNewtonMetres())));
    card.number(
        "Rated torque",
        s.ratedNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "rated torque", s.withRated(s.ratedRpm(), v)));
    card.number(
        "N·m per ampere",
        s.torqueNewtonMetresPerAmpere(),
        MeasureUnit.ONE,
        v -> Edits.servo(motor.id(), "torque constant", s.withTorqueConstant(v)));
    card.number(
        "Volts at 1000 rpm",
        s.backVoltsPerThousandRpm(),
        MeasureUnit.VOLT_UNIT,
        v -> Edits.servo(motor.id(), "back voltage", s.withBackVolts(v)));
    card.number(
        "Poles",
        s.poles(),
        MeasureUnit.ONE,
        v ->
            Edits.servo(
                motor.id(), "poles", s.withFeedback((int) Math.round(v), s.encoderCounts())));
    card.number(
        "Feedback, counts a turn",
        s.encoderCounts(),
        MeasureUnit.COUNTS,
        v -> Edits.servo(motor.id(), "feedback", s.withFeedback(s.poles(), (int) Math.round(v))));
    card.number(
        "Holding brake",
        s.brakeNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> Edits.servo(motor.id(), "holding brake", s.withBrake(v)));
    card.computed("Power", s.ratedWatts() / 1000, MeasureUnit.KILOWATT);
    card.computed("Frequency", s.ratedHertz(), MeasureUnit.HERTZ_UNIT);
    if (s.backVoltsPerThousandRpm() > 0) {
      card.computed("N·m per ampere by voltage", s.torqueConstantFromBackVolts(), MeasureUnit.ONE);
    }
    card.computed("Link, infeed 400 V", LinkVoltage.regulatedVolts(400), MeasureUnit.VOLT_UNIT);
  }

  private static Edit plate(Motor motor, String what, Plate next) {
    return Edits.plate(motor.id(), "plate " + what, next);
  }

  private VBox machine(Axis axis) {
    Mechanics m = axis.mechanics();
    Reference r = axis.reference();
    FieldCard card = card("Machine", m.getClass().getSimpleName());
    card.number(
        "Gear ratio",
        m.gearRatio(),
        MeasureUnit.ONE,
        v -> Edits.mechanics(axis.id(), "the gear ratio", m.withGearRatio(v)));
    size(card, axis, m);
    card.number(
        "Speed at 100 %",
        r.speedAtFull(),
        m.unit(),
        v -> Edits.reference(axis.id(), "full speed", r.withSpeedAtFull(v)));
    card.number(
        "Wanted step",
        r.wantedStep(),
        m.unit(),
        v -> Edits.reference(axis.id(), "the wanted step", r.withWantedStep(v)));
    load(card, axis, axis.load());
    return card;
  }

  private static void size(FieldCard card, Axis axis, Mechanics m) {
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
  }

  private static void load(FieldCard card, Axis axis, Load l) {
    card.number(
        "Load inertia",
        l.inertiaKgM2(),
        MeasureUnit.KILOGRAM_SQUARE_METRE,
        v -> load(axis, "inertia", l.withInertia(v)));
    card.number(
        "Constant torque",
        l.constantNewtonMetres(),
        MeasureUnit.NEWTON_METRE,
        v -> load(axis, "constant torque", l.withConstantTorque(v)));
    card.number(
        "Torque per rpm, N·m",
        l.linearNewtonMetresPerRpm(),
        MeasureUnit.ONE,
        v -> load(axis, "linear torque", l.withLinearTorque(v)));
    card.number(
        "Torque per rpm², N·m",
        l.quadraticNewtonMetresPerRpm2(),
        MeasureUnit.ONE,
        v -> load(axis, "quadratic torque", l.withQuadraticTorque(v)));
    card.number(
        "Gear efficiency",
        100 * l.gearEfficiency(),
        MeasureUnit.PERCENT,
        v -> load(axis, "gear efficiency", l.withGearEfficiency(v / 100)));
  }

  private static Edit load(Axis axis, String what, Load load) {
    return Edits.load(axis.id(), "load " + what, load);
  }

  private FieldCard card(String title, String device) {
    return new FieldCard(desk, title, device);
  }
}

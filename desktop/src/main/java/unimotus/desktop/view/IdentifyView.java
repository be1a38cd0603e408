package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.Arrays;
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
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Reference;
import unimotus.core.motion.PulseOutput;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.desktop.Desk;
import unimotus.desktop.identify.DriveReadCard;
import unimotus.desktop.identify.FieldCard;
import unimotus.desktop.identify.MachineCard;
import unimotus.desktop.identify.MotorCard;
import unimotus.desktop.identify.PlateLineCard;
import unimotus.desktop.identify.PresetsCard;
import unimotus.desktop.kit.CardRows;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WholeNumber;
import unimotus.desktop.setup.ReadyPane;
import unimotus.desktop.station.FindingField;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;
import unimotus.workbench.WorkStep;

/** The four things on the thread, each with what its plate says. */
final class IdentifyView implements View {
  private static final String PROGRAM = "program";

  /** Room for "potentiometer" and the arrow. */
  private static final double LONGEST_WORD = 138;

  private static final double LEAST_CARD = 244;
  private static final double LEAST_HALF = 440;

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
    desk.navigation().takeMended().ifPresent(f -> FindingField.light(node, f));
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
          .forEach(m -> cards.getChildren().add(MotorCard.of(desk, m)));
      cards.getChildren().add(MachineCard.of(desk, review));
      cards.getChildren().forEach(c -> HBox.setHgrow(c, Priority.ALWAYS));
      page.getChildren().addAll(cards, Parts.sheet(8, findings));
      return;
    }
    page.getChildren()
        .add(
            new CardRows(
                LEAST_CARD,
                12,
                List.of(
                    controller(assembly),
                    drive(assembly),
                    MotorCard.of(desk, assembly.motor()),
                    MachineCard.of(desk, review))));
    List<Finding> here =
        review.findings().stream().filter(f -> WorkStep.of(f.rule()) == WorkStep.IDENTIFY).toList();
    FindingList findings = new FindingList(desk);
    findings.show(here);
    page.getChildren().add(below(assembly, Parts.sheet(8, findings)));
  }

  private CardRows below(AxisAssembly assembly, VBox findings) {
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
    return new CardRows(LEAST_HALF, 12, List.of(left, right));
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
    if (axis.isStepped()) {
      pulses(card, axis);
      return card;
    }
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
    if (!axis.isPositioned()) {
      fullScale(card, axis.axis().id(), reference);
    }
    return card;
  }

  /** An axis on pulses has no channels: its outputs are where the wires lead from. */
  private static void pulses(FieldCard card, AxisAssembly axis) {
    String output =
        PulseOutput.named(axis).map(o -> o.output().terminal()).orElse("not wired; at Wire");
    card.line("Step output", Parts.prose(output, "ink-live"));
    axis.controllerSheet().selectors().stream()
        .filter(s -> s.role() == SelectorRole.OUTPUT_LOGIC || s.role() == SelectorRole.OUTPUT_VOLTS)
        .forEach(s -> card.selector(s.label(), axis, s));
  }

  /** What a program means by 100 %; positions are counted by the copies of their scaling. */
  private static void fullScale(FieldCard card, String id, Reference reference) {
    card.number(
        "Program, 100 %",
        reference.programFullScaleCounts(),
        MeasureUnit.COUNTS,
        v ->
            Edits.reference(
                id,
                "the program's full scale",
                reference.withProgramFullScale(WholeNumber.of("program, 100 %", v))));
    card.number(
        "Program means, 100 %",
        reference.frequencyAtFullHertz(),
        MeasureUnit.HERTZ_UNIT,
        v -> Edits.reference(id, "the meant top frequency", reference.withFrequencyAtFull(v)));
  }

  private static Edit reference(Axis axis, @Nullable String output, @Nullable String input) {
    return Edits.reference(
        axis.id(), "the reference's terminals", axis.reference().withTerminals(output, input));
  }

  private static Edit answer(Axis axis, @Nullable String output, @Nullable String input) {
    return Edits.answer(
        axis.id(), "the actual value's terminals", axis.answer().withTerminals(output, input));
  }

  /** Who sets the speed: a program, or a hand at the drive. */
  private ChoiceField<String> commander(Axis axis) {
    LocalReference local = axis.reference().local();
    List<String> words = new ArrayList<>(List.of(PROGRAM));
    Arrays.stream(LocalReference.values()).map(LocalReference::label).forEach(words::add);
    ChoiceField<String> field =
        new ChoiceField<>(
            "Speed set by", words, o -> o, o -> desk.apply(Edits.local(axis.id(), local(o))));
    field.setId("speed-set-by");
    field.show(local == null ? PROGRAM : local.label());
    return field;
  }

  private static @Nullable LocalReference local(String word) {
    return Arrays.stream(LocalReference.values())
        .filter(l -> l.label().equals(word))
        .findFirst()
        .orElse(null);
  }

  private void channels(FieldCard card, AxisAssembly axis) {
    ChoiceField<String> commander = commander(axis.axis());
    card.line("Speed set by", commander);
    commander.setMinWidth(LONGEST_WORD);
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
  }

  private VBox drive(AxisAssembly axis) {
    FieldCard card = card("Drive", axis.driveSheet().name());
    if (!axis.isStepped()) {
      channels(card, axis);
    }
    card.line(
        "Rated current",
        Parts.label(
            desk.units()
                .text(axis.driveSheet().ratings().currentAmperes(), MeasureUnit.AMPERE_UNIT)));
    card.line(
        axis.driveSheet().driveKind() instanceof DriveKind.Step ? "Supply, d.c." : "Mains",
        Parts.label(
            desk.units().text(axis.driveSheet().ratings().supplyVolts(), MeasureUnit.VOLT_UNIT)));
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    for (Selector selector : axis.driveSheet().selectors()) {
      String position = axis.drive().selectors().getOrDefault(selector.id(), selector.initial());
      ChoiceField<String> field =
          new ChoiceField<>(
              selector.label(),
              selector.options(),
              o -> o,
              o -> desk.apply(Edits.driveSelector(settings.drive().id(), selector.id(), o)));
      field.setId(FindingField.selector(selector.id()));
      card.line(selector.label(), field.show(position));
    }
    return card;
  }

  private FieldCard card(String title, String device) {
    return new FieldCard(desk, title, device);
  }
}

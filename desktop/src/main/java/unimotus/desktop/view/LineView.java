package unimotus.desktop.view;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.stops.StopOutcome;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.States;
import unimotus.desktop.station.View;
import unimotus.workbench.Progress;
import unimotus.workbench.WorkStep;

/**
 * The overview of the line: every axis as a thread from controller to machine, and how far it is.
 */
final class LineView implements View {
  private final Desk desk;
  private final VBox rows = new VBox(8);
  private final Node node;

  LineView(Desk desk) {
    this.desk = desk;
    rows.setPadding(new Insets(16));
    this.node = Parts.scrolling(rows);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    rows.getChildren().clear();
    List<AxisReview> axes = desk.session().review().axes();
    if (axes.isEmpty()) {
      rows.getChildren().add(welcome());
      return;
    }
    long mend = axes.stream().filter(a -> a.count(Severity.ERROR) > 0).count();
    String state =
        mend == 0 ? "nothing to mend" : mend == 1 ? "one axis to mend" : mend + " axes to mend";
    rows.getChildren()
        .add(
            Parts.row(
                14,
                Parts.label(desk.session().project().name(), "ink-title"),
                Parts.label("%d axes, %s".formatted(axes.size(), state), "ink-label")));
    List<Finding> loose = desk.session().review().line();
    if (!loose.isEmpty()) {
      rows.getChildren().add(ofNoAxis(loose));
    }
    axes.forEach(a -> rows.getChildren().add(row(a)));
  }

  /** What cannot be used and belongs to no axis. */
  private static Node ofNoAxis(List<Finding> loose) {
    VBox sheet = Parts.sheet(4, Parts.label("Belongs to no axis and cannot be used", "ink-strong"));
    sheet.setId("line-findings");
    for (Finding finding : loose) {
      HBox row =
          new HBox(
              9,
              new Mark(States.mark(finding.severity()), finding.severity().label()),
              Parts.prose(
                  "%s: %s. %s".formatted(finding.rule().code(), finding.seen(), finding.remedy())));
      HBox.setHgrow(row.getChildren().get(1), Priority.ALWAYS);
      sheet.getChildren().add(row);
    }
    return sheet;
  }

  private Node welcome() {
    VBox sheet =
        Parts.sheet(
            12,
            Parts.label("An empty line", "ink-title"),
            Parts.prose(
                "An axis is a controller's channel, a drive, a motor and what it moves. Name these four and Unimotus"
                    + " fills in what follows from them: the channel, the settings from the plate, the wires, the"
                    + " predictions. Then you look at what it says, and measure."),
            Parts.row(
                10,
                Parts.primary("start-axis", "Start the first axis", desk::startAxis),
                Parts.action("open-demo", "Look at the demo line", desk::openDemo)));
    sheet.setMaxWidth(640);
    return sheet;
  }

  private Node row(AxisReview review) {
    Axis axis = review.axis();
    Progress progress = desk.progress(review);
    VBox name =
        Parts.column(
            3, Parts.label(axis.name(), "ink-strong"), Parts.prose(axis.note(), "ink-caption"));
    name.setPrefWidth(200);
    name.setMinWidth(200);
    HBox top = new HBox(14, name, thread(review));
    top.setAlignment(Pos.CENTER_LEFT);
    HBox steps = new HBox(6);
    steps.setMinWidth(Region.USE_PREF_SIZE);
    steps.setAlignment(Pos.CENTER_LEFT);
    for (WorkStep step : WorkStep.values()) {
      Progress.State state = progress.state(step);
      steps
          .getChildren()
          .addAll(
              new Mark(States.mark(state), States.word(state)),
              Parts.words(step.label(), "words-caption"));
    }
    review
        .worstStop()
        .filter(w -> w != StopOutcome.STOPS)
        .ifPresent(
            w -> steps.getChildren().add(Parts.words("· a stop " + w.label(), "words-danger")));
    desk.evidence(review)
        .map(e -> e.ready().verdicts())
        .ifPresent(
            v ->
                steps
                    .getChildren()
                    .add(
                        Parts.words(
                            "· %d of %d seen to"
                                .formatted(
                                    v.stream()
                                        .filter(r -> r.outcome() == Verdict.Outcome.AGREES)
                                        .count(),
                                    v.size()),
                            "words-caption")));
    Label next = Parts.label(progress.next(), "ink-label");
    HBox.setHgrow(next, Priority.SOMETIMES);
    HBox bottom =
        Parts.row(
            10,
            steps,
            Parts.spring(),
            next,
            Parts.quiet(
                "open-" + axis.id(),
                "at " + progress.nextStep().label(),
                () -> desk.show(axis.id(), progress.nextStep())));
    VBox sheet = Parts.sheet(7, top, bottom);
    sheet.setPadding(new Insets(9, 12, 7, 12));
    sheet.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            desk.show(axis.id(), progress.nextStep());
          }
        });
    return sheet;
  }

  /** Controller, link, drive, motor, machine in words, joined by the thread. */
  private Node thread(AxisReview review) {
    HBox thread = new HBox(0);
    thread.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(thread, Priority.ALWAYS);
    List<String> knots = knots(review);
    for (int i = 0; i < knots.size(); i++) {
      if (i > 0) {
        Region stroke = new Region();
        stroke.setMinSize(18, 2.5);
        stroke.setMaxHeight(2.5);
        boolean gap = knots.get(i).startsWith("no ") || knots.get(i - 1).startsWith("no ");
        stroke.getStyleClass().add(gap ? "thread-gap" : "thread-stroke");
        HBox.setHgrow(stroke, Priority.ALWAYS);
        stroke.setMaxWidth(60);
        thread.getChildren().add(stroke);
      }
      boolean missing = knots.get(i).startsWith("no ");
      Text knot = Parts.words(knots.get(i), missing ? "words-caption" : "words-label");
      HBox.setMargin(knot, new Insets(3, 7, 3, 7));
      thread.getChildren().add(knot);
    }
    return thread;
  }

  /** How the reference comes; empty where nothing is chosen yet. */
  private static Optional<String> link(SignalPath path) {
    return Optional.of(path.link().label()).filter(l -> !l.isEmpty());
  }

  private List<String> knots(AxisReview review) {
    Project project = desk.session().project();
    Axis axis = review.axis();
    List<String> knots = new ArrayList<>();
    knots.add(
        id(axis.controller())
            .flatMap(project::controller)
            .map(Controller::name)
            .orElse("no controller"));
    Optional<SignalPath> path = review.signalPath();
    knots.add(path.flatMap(LineView::link).orElse("no link"));
    knots.add(
        id(axis.drive())
            .flatMap(project::drive)
            .flatMap(d -> desk.session().sheets().find(DriveSheet.class, d.sheet()))
            .map(DriveSheet::name)
            .orElse("no drive"));
    knots.add(id(axis.motor()).flatMap(project::motor).map(this::motor).orElse("no motor"));
    knots.add(machine(axis));
    return knots;
  }

  private String motor(Motor motor) {
    MotorPlate plate = motor.plate();
    if (plate instanceof InductionPlate induction) {
      return kilowatts(induction.powerWatts()) + " motor";
    }
    return plate instanceof ServoPlate servo
        ? kilowatts(about(servo.ratedWatts())) + " servo motor"
        : plate.kind().label();
  }

  /** A servo is named by a power that its torque and speed make about. */
  private static double about(double watts) {
    return new BigDecimal(watts).round(new MathContext(2)).doubleValue();
  }

  private String kilowatts(double watts) {
    return desk.units().text(watts / 1000, unimotus.core.quantity.MeasureUnit.KILOWATT);
  }

  private String machine(Axis axis) {
    Mechanics mechanics = axis.mechanics();
    String kind = mechanics.getClass().getSimpleName().toLowerCase(Locale.ROOT);
    return kind + ", " + desk.units().text(axis.reference().speedAtFull(), mechanics.unit());
  }

  private static Optional<String> id(@org.jspecify.annotations.Nullable String id) {
    return Optional.ofNullable(id);
  }
}

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
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.Count;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorPlate;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.stops.StopOutcome;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.States;
import unimotus.workbench.Overview;
import unimotus.workbench.Progress;
import unimotus.workbench.WorkStep;
import unimotus.workbench.find.Target;

/** An axis of the overview: as a thread from controller to machine, or on one line. */
final class AxisRow {
  private static final double NAMES = 200;
  private static final double LEAST_NAMES = 150;
  private static final double DENSE_NAMES = 190;

  private final Desk desk;

  AxisRow(Desk desk) {
    this.desk = desk;
  }

  /** On one line: name, how it is commanded, the stations, what is wrong, what is next. */
  Node dense(Overview.Row row) {
    Axis axis = row.review().axis();
    Label name = Parts.label(axis.name(), "ink-strong");
    name.setPrefWidth(DENSE_NAMES);
    name.setMinWidth(DENSE_NAMES);
    HBox steps = new HBox(5);
    steps.setAlignment(Pos.CENTER_LEFT);
    steps.setMinWidth(Region.USE_PREF_SIZE);
    for (WorkStep step : WorkStep.values()) {
      Progress.State state = row.progress().state(step);
      if (state != Progress.State.LATER) {
        Mark mark =
            new Mark(States.mark(state), "%s: %s".formatted(step.label(), States.word(state)));
        steps.getChildren().add(mark);
      }
    }
    Label wrong = Parts.label(wrong(row), row.errors() > 0 ? "ink-attention" : "ink-caption");
    wrong.setMinWidth(Region.USE_PREF_SIZE);
    Label next = Parts.label(row.progress().next(), "ink-label");
    next.setMinWidth(0);
    next.setMaxWidth(Double.MAX_VALUE);
    Hint.on(next, row.progress()::next);
    HBox.setHgrow(next, Priority.ALWAYS);
    HBox line = Parts.row(12, name, steps, wrong, next, go(row));
    line.getStyleClass().add("dense-row");
    line.setId("row-" + axis.id());
    onTwoClicks(line, row);
    return line;
  }

  private static String wrong(Overview.Row row) {
    List<String> words = new ArrayList<>();
    if (row.review().assembly() == null) {
      words.add("incomplete");
    }
    if (row.errors() > 0) {
      words.add(Count.of(row.errors(), "error"));
    }
    if (row.warnings() > 0) {
      words.add(Count.of(row.warnings(), "warning"));
    }
    if (row.stale() > 0) {
      words.add(row.stale() + " stale");
    }
    return String.join(", ", words);
  }

  private Button go(Overview.Row row) {
    String axis = row.review().axis().id();
    String words =
        row.progress().mending().isPresent()
            ? "go to it"
            : "at " + row.progress().nextStep().label();
    return Parts.quiet("open-" + axis, words, () -> open(row));
  }

  /** Where the next thing is done: the field of a finding, else the station. */
  private void open(Overview.Row row) {
    String axis = row.review().axis().id();
    Target station = new Target.Station(axis, row.progress().nextStep());
    desk.navigation()
        .goTo(
            row.progress()
                .mending()
                .<Target>map(finding -> new Target.Mending(axis, finding))
                .orElse(station));
  }

  private void onTwoClicks(Node node, Overview.Row row) {
    node.setOnMouseClicked(
        e -> {
          if (e.getClickCount() == 2) {
            open(row);
          }
        });
  }

  /** An axis the rules have not been asked about yet: its names, as far as they need no path. */
  Node unchecked(Axis axis) {
    VBox sheet =
        Parts.sheet(7, top(axis, parts(axis)), Parts.label("being checked", "ink-caption"));
    sheet.setPadding(new Insets(9, 12, 7, 12));
    return sheet;
  }

  private HBox top(Axis axis, List<String> knots) {
    VBox name =
        Parts.column(
            3, Parts.label(axis.name(), "ink-strong"), Parts.prose(axis.note(), "ink-caption"));
    name.setPrefWidth(NAMES);
    name.setMinWidth(LEAST_NAMES);
    HBox top = new HBox(14, name, thread(knots));
    top.setAlignment(Pos.CENTER_LEFT);
    return top;
  }

  /** With room: the chain from controller to machine in words, the stations with their names. */
  Node roomy(Overview.Row row) {
    AxisReview review = row.review();
    Progress progress = row.progress();
    HBox top = top(review.axis(), knots(review));
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
                            "· %d of %d done"
                                .formatted(
                                    v.stream()
                                        .filter(r -> r.outcome() == Verdict.Outcome.AGREES)
                                        .count(),
                                    v.size()),
                            "words-caption")));
    Label next = Parts.label(progress.next(), "ink-label");
    HBox onward = Parts.row(10, next, go(row));
    FlowPane bottom = Parts.flow(24, steps, onward);
    VBox sheet = Parts.sheet(7, top, bottom);
    sheet.setPadding(new Insets(9, 12, 7, 12));
    onTwoClicks(sheet, row);
    return sheet;
  }

  /** Controller, link, drive, motor, machine in words, joined by the thread. */
  private Node thread(List<String> knots) {
    HBox thread = new HBox(0);
    thread.setAlignment(Pos.CENTER_LEFT);
    HBox.setHgrow(thread, Priority.ALWAYS);
    for (int i = 0; i < knots.size(); i++) {
      if (i > 0) {
        Region stroke = new Region();
        stroke.setMinSize(8, 2.5);
        stroke.setMaxHeight(2.5);
        boolean gap = knots.get(i).startsWith("no ") || knots.get(i - 1).startsWith("no ");
        stroke.getStyleClass().add(gap ? "thread-gap" : "thread-stroke");
        HBox.setHgrow(stroke, Priority.ALWAYS);
        stroke.setMaxWidth(60);
        thread.getChildren().add(stroke);
      }
      boolean missing = knots.get(i).startsWith("no ");
      Text knot = Parts.words(knots.get(i), missing ? "words-caption" : "words-label");
      HBox.setMargin(knot, new Insets(3, 5, 3, 5));
      thread.getChildren().add(knot);
    }
    return thread;
  }

  /** How the reference comes; empty where nothing is chosen yet. */
  private static Optional<String> link(SignalPath path) {
    return Optional.of(path.link().label()).filter(l -> !l.isEmpty());
  }

  /** A positioning axis has no path of a speed, but a station it is reached over. */
  private static String positioned(AxisReview review) {
    AxisAssembly assembly = review.assembly();
    return assembly != null && !assembly.stations().isEmpty() && assembly.axis().motion() != null
        ? "process data"
        : "no link";
  }

  private List<String> knots(AxisReview review) {
    List<String> knots = parts(review.axis());
    knots.add(1, review.signalPath().flatMap(AxisRow::link).orElseGet(() -> positioned(review)));
    knots.set(knots.size() - 1, machine(review));
    return knots;
  }

  /** Controller, drive, motor and machine. */
  private List<String> parts(Axis axis) {
    Project project = desk.session().project();
    List<String> knots = new ArrayList<>();
    knots.add(
        id(axis.controller())
            .flatMap(project::controller)
            .map(Controller::name)
            .orElse("no controller"));
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

  private static String machine(Axis axis) {
    return axis.mechanics().getClass().getSimpleName().toLowerCase(Locale.ROOT);
  }

  /** What moves, and how fast at 100 % or how far. */
  private String machine(AxisReview review) {
    String name = machine(review.axis());
    AxisAssembly assembly = review.assembly();
    if (assembly == null || !assembly.isPositioned()) {
      return "%s, %s"
          .formatted(
              name,
              desk.units().text(review.axis().reference().speedAtFull(), review.numberUnit()));
    }
    return review
        .signalPath()
        .map(
            path ->
                "%s, %s"
                    .formatted(
                        name,
                        desk.units()
                            .text(path.scale().most() - path.scale().least(), review.numberUnit())))
        .orElse(name);
  }

  private static Optional<String> id(@org.jspecify.annotations.Nullable String id) {
    return Optional.ofNullable(id);
  }
}

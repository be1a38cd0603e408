package unimotus.desktop.sequence;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.concurrent.Task;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.plant.Plant;
import unimotus.core.plant.PlantEvents;
import unimotus.core.program.SequenceProgram;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.station.EventMenu;
import unimotus.desktop.station.FindingList;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.SequenceEdits;
import unimotus.workbench.SequenceRun;

/** A sequence of the axis in view on its bench, and beside it its steps and what they stand for. */
public final class SequencePane extends StackPane {
  private static final double LEAST_MAIN = 440;
  private static final double LEAST_SIDE = 300;
  private static final double SIDE = 390;

  private final Desk desk;
  private final FlowPane chooser = Parts.flow(8);
  private final TextField events = new TextField();
  private final EventMenu menu = new EventMenu("add-bench-event", events);
  private final Label summary = Parts.prose("", "ink-label");
  private final BenchPlots plots;
  private final VBox fields = new VBox(10);
  private final StepsEditor editor;
  private final FindingList findings;
  private final Sides work;
  private final VBox empty = Parts.column(10);

  private String chosen = "";
  private @Nullable SequenceDesign shownDesign;
  private @Nullable AxisReview shownReview;
  private @Nullable Project shownProject;
  private @Nullable DisplayUnits shownUnits;
  private AtomicBoolean cancelled = new AtomicBoolean();

  /** An empty pane for a desk. */
  public SequencePane(Desk desk) {
    this.desk = desk;
    this.plots = new BenchPlots(desk);
    this.editor = new StepsEditor(desk);
    this.findings = new FindingList(desk);
    desk.atClose(() -> cancelled.set(true));
    events.setId("bench-events");
    events.setAccessibleText("what is done to the bench");
    events.setPromptText("0 at 0; 1 start; 9 permit off; 12 permit; 14 start; 60 end");
    events.setOnAction(e -> run());
    HBox.setHgrow(events, Priority.ALWAYS);
    // A field that is empty starts once; as soon as something stands there, so does the start.
    menu.setOnShowing(
        e -> {
          if (events.getText().isBlank()) {
            events.setText("1 start");
          }
        });
    summary.setId("bench-summary");
    HBox done = Parts.row(10, Parts.label("Done to it", "ink-label"), events);
    HBox ways =
        Parts.row(
            10,
            Parts.primary("run-sequence", "Run", this::run),
            menu,
            Parts.quiet("stop-sequence", "stop", () -> cancelled.set(true)));
    VBox main = new VBox(10, chooser, done, ways, summary, plots);
    VBox.setVgrow(plots, Priority.ALWAYS);
    // As high as there is room, and no lower than it can be read.
    ScrollPane bench = Parts.scrolling(main);
    bench.setFitToHeight(true);
    work = new Sides(bench, Parts.scrolling(fields), LEAST_MAIN, LEAST_SIDE, SIDE);
    empty.setMaxWidth(620);
    getChildren().addAll(work, empty);
    setAlignment(javafx.geometry.Pos.TOP_LEFT);
  }

  /** Shows the sequences of an axis. */
  public void show(AxisReview review) {
    List<SequenceDesign> all = desk.session().project().sequencesOf(review.axis().id());
    boolean any = !all.isEmpty();
    work.setVisible(any);
    empty.setVisible(!any);
    if (!any) {
      cancelled.set(true);
      shownDesign = null;
      begin(review.axis().id());
      return;
    }
    SequenceDesign design =
        all.stream().filter(q -> q.name().equals(chosen)).findFirst().orElse(all.get(0));
    chosen = design.name();
    // Its switches may be wired to the controller alone: any edit of the line may be one of them.
    boolean same =
        design.equals(shownDesign)
            && desk.session().project().equals(shownProject)
            && desk.units().equals(shownUnits);
    if (!same) {
      choose(review, all, design);
      shownDesign = design;
      shownReview = review;
      shownProject = desk.session().project();
      shownUnits = desk.units();
      fill(review, design);
      run();
    }
  }

  private void begin(String axis) {
    empty
        .getChildren()
        .setAll(
            Parts.prose(
                "A sequence is written as people say it, a step after the other: 'jog back until"
                    + " home within 20 s; 1200 mm; valve on until 'press is up' within 3 s; wait 2 s;"
                    + " repeat'. It is run here through the wires, and written as structured text.",
                "ink-label"),
            Parts.primary(
                "begin-sequence",
                "Write a sequence",
                () -> desk.apply(SequenceEdits.begin(axis, "Sequence"))));
  }

  private void choose(AxisReview review, List<SequenceDesign> all, SequenceDesign design) {
    TextField name = new TextField(design.name());
    name.setId("sequence-name");
    name.setAccessibleText("name of the sequence");
    name.setPrefColumnCount(14);
    name.setOnAction(e -> rename(design, name.getText()));
    name.focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                rename(design, name.getText());
              }
            });
    chooser.getChildren().setAll(name);
    if (all.size() > 1) {
      ChoiceField<SequenceDesign> which =
          new ChoiceField<>("sequence", all, SequenceDesign::name, this::look);
      which.setId("choose-sequence");
      chooser.getChildren().add(which.show(design));
    }
    chooser
        .getChildren()
        .addAll(
            Parts.quiet("another-sequence", "another", () -> another(review.axis().id(), all)),
            Parts.quiet(
                "remove-sequence", "remove", () -> desk.apply(SequenceEdits.remove(design))),
            Parts.action("write-sequence", "Write program", () -> write(review, design)));
  }

  /** Looks at the sequence of a name the next time it is shown. */
  public void look(String name) {
    chosen = name;
  }

  private void look(SequenceDesign design) {
    chosen = design.name();
    desk.refresh();
  }

  private void another(String axis, List<SequenceDesign> all) {
    int number = all.size() + 1;
    String name = "Sequence " + number;
    chosen = name;
    desk.apply(SequenceEdits.begin(axis, name));
  }

  private void rename(SequenceDesign design, String name) {
    if (name.isBlank() || name.strip().equals(design.name())) {
      return;
    }
    String before = chosen;
    chosen = name.strip();
    if (!desk.apply(SequenceEdits.rename(design, name))) {
      chosen = before;
    }
  }

  private void fill(AxisReview review, SequenceDesign design) {
    AxisAssembly axis = review.assembly();
    findings.show(
        review.findings().stream()
            .filter(
                f ->
                    f.place().equals("axis/%s/sequence/%s".formatted(design.axis(), design.name())))
            .toList());
    Optional<Plant> plant = axis == null ? Optional.empty() : plant(axis, design);
    fields.getChildren().setAll(editor.node());
    editor.show(design, plant);
    plant.map(PlantEvents::of).ifPresent(menu::offer);
    plant.ifPresent(
        p -> fields.getChildren().addAll(new NamesCard(desk, p), new ResponsesCard(desk, p)));
    fields
        .getChildren()
        .add(Parts.sheet(10, Parts.label("What the checks say", "ink-strong"), findings));
  }

  private Optional<Plant> plant(AxisAssembly axis, SequenceDesign design) {
    try {
      return Optional.of(Plant.of(desk.session().project(), desk.session().sheets(), axis, design));
    } catch (IllegalArgumentException unread) {
      // The findings beside the steps say which of them is not understood.
      return Optional.empty();
    }
  }

  private void run() {
    AxisReview review = shownReview;
    SequenceDesign design = shownDesign;
    if (review == null || design == null) {
      return;
    }
    cancelled.set(true);
    AtomicBoolean stop = new AtomicBoolean();
    cancelled = stop;
    summary.setText("running %s…".formatted(design.name()));
    var project = desk.session().project();
    var sheets = desk.session().sheets();
    String done = events.getText();
    Task<SequenceRun> task =
        new Task<>() {
          @Override
          protected SequenceRun call() {
            return SequenceRun.of(project, sheets, review, design, done, stop::get);
          }
        };
    task.setOnSucceeded(e -> show(task.getValue(), stop));
    task.setOnFailed(e -> refuse(String.valueOf(task.getException().getMessage()), stop));
    Thread thread = new Thread(task, "sequence-bench");
    thread.setDaemon(true);
    thread.start();
  }

  @SuppressWarnings("ReferenceEquality") // A run that was begun since then has the place now.
  private boolean isPast(AtomicBoolean stop) {
    return stop != cancelled;
  }

  private void show(SequenceRun run, AtomicBoolean stop) {
    if (isPast(stop)) {
      return;
    }
    summary.setText(BenchWords.of(desk, run));
    plots.show(run);
    editor.ran(run.played());
  }

  private void refuse(String why, AtomicBoolean stop) {
    if (!isPast(stop)) {
      plots.clear();
      editor.unran();
      summary.setText(why);
    }
  }

  private void write(AxisReview review, SequenceDesign design) {
    AxisAssembly axis = review.assembly();
    Optional<Plant> plant = axis == null ? Optional.empty() : plant(axis, design);
    if (plant.isEmpty()) {
      desk.refuse("the steps of %s are not understood yet".formatted(design.name()));
      return;
    }
    desk.dialogs()
        .export("sequence.st")
        .ifPresent(
            file -> {
              try {
                Files.writeString(
                    file,
                    SequenceProgram.block(plant.get().sequence(), plant.get().unit()).text(),
                    StandardCharsets.UTF_8);
                desk.say("program written to " + file);
              } catch (IOException e) {
                desk.refuse("the program could not be written: " + e.getMessage());
              }
            });
  }
}

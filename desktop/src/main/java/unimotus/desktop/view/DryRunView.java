package unimotus.desktop.view;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.concurrent.Task;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.bench.Trace;
import unimotus.core.dryrun.DryEvents;
import unimotus.core.dryrun.DryRun;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Picture;
import unimotus.desktop.sequence.SequencePane;
import unimotus.desktop.station.EventMenu;
import unimotus.desktop.station.FindingField;
import unimotus.desktop.station.RunPlots;
import unimotus.desktop.station.View;
import unimotus.formats.trace.TraceCsv;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.DryRuns;
import unimotus.workbench.find.Target;

/**
 * The dry-run and its traces: commands that act at the shaft at once, or outputs, buttons and
 * faults that go through the wires.
 */
final class DryRunView implements View {
  private static final String SEQUENCE = "/sequence/";
  private static final String PULSES =
      "Pulses move this axis: its moves are planned and held against the torque of its motor at Map, Motion; its sequences run here, through the wires.";
  private static final String MOVES =
      "This axis is told positions: its moves are planned and run through its loops, with torque, following error and trace.";

  private final Desk desk;
  private final HBox choices = Parts.row(8);
  private final ChainTabs chains = new ChainTabs("run-chain-", this::runAnew);
  private final HBox ways = new HBox(2);
  private final TextField own = new TextField();
  private final Label summary = Parts.prose("", "ink-label");
  private final Label notes = Parts.prose("", "ink-attention");
  private final EventMenu events = new EventMenu("add-event", own);
  private final RunPlots plots;
  private final Label handling =
      Parts.label(
          "Click sets a cursor, Shift-click the second; wheel zooms, drag pans, Home shows all. A simulation is not a proof.",
          "ink-caption");
  private final HBox ownRow;
  private final Button motion;
  private final Node node;

  /** What is run. */
  private enum Way {
    SHAFT("run-shaft", "at the shaft"),
    WIRES("run-wires", "through the wires"),
    SEQUENCE("run-steps", "a sequence");

    private final String id;
    private final String label;

    Way(String id, String label) {
      this.id = id;
      this.label = label;
    }
  }

  private final SequencePane sequence;
  private Way chosenWay = Way.SHAFT;
  private @Nullable AxisAssembly shownAxis;
  private @Nullable DisplayUnits shownUnits;
  private @Nullable DryRun shown;
  private DryRuns.@Nullable Playable playing;
  private String chosen = "";
  private AtomicBoolean cancelled = new AtomicBoolean();

  DryRunView(Desk desk) {
    this.desk = desk;
    this.plots = new RunPlots(desk);
    this.sequence = new SequencePane(desk);
    desk.atClose(() -> cancelled.set(true));
    own.setId("own-scenario");
    own.setAccessibleText("own events");
    own.setOnAction(e -> runOwn());
    HBox.setHgrow(own, Priority.ALWAYS);
    VBox.setVgrow(plots, Priority.ALWAYS);
    notes.setId("run-notes");
    motion = Parts.quiet("run-motion", "at Map, Motion", this::toMotion);
    ownRow =
        Parts.row(
            10,
            Parts.label("Own events", "ink-label"),
            own,
            events,
            Parts.action("export-csv", "Export CSV", this::exportCsv),
            Parts.action("export-png", "Export picture", this::exportPicture));
    VBox page =
        new VBox(
            10,
            Parts.row(16, ways, chains),
            choices,
            ownRow,
            summary,
            motion,
            notes,
            plots,
            handling,
            sequence);
    VBox.setVgrow(sequence, Priority.ALWAYS);
    page.setPadding(new Insets(12, 16, 12, 16));
    node = page;
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    desk.navigation().takeMended().filter(DryRunView::isOfSequence).ifPresent(this::aimAt);
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    SignalPath main = review == null ? null : review.path();
    plots.refresh();
    String whyNot =
        main == null ? review == null ? "" : review.whyNoPath() : DryRuns.whyNot(main).orElse(null);
    boolean moves = axis != null && axis.isPositioned();
    boolean runs = axis != null && whyNot == null;
    boolean inSteps =
        axis != null && (axis.isStepped() ? moves : runs && chosenWay == Way.SEQUENCE);
    List.of(ways, chains).forEach(n -> seen(n, runs));
    seen(motion, moves);
    seen(sequence, inSteps);
    List.of(choices, notes).forEach(n -> seen(n, !inSteps));
    seen(summary, !inSteps || moves);
    List.of(ownRow, handling).forEach(n -> seen(n, runs && !inSteps));
    seen(plots, runs && !inSteps);
    if (review != null && inSteps) {
      sequence.show(review);
    }
    if (review == null || axis == null || main == null || whyNot != null) {
      summary.setText(axis != null && moves && main != null ? told(axis) : whyNot);
      choices.getChildren().clear();
      notes.setText("");
      shownAxis = null;
      return;
    }
    offerWays();
    chains.show(main, review.beside());
    if (chosenWay != Way.SHAFT) {
      // The wires say which chain holds.
      seen(chains, false);
    }
    if (!inSteps && (!axis.equals(shownAxis) || !desk.units().equals(shownUnits))) {
      shownUnits = desk.units();
      shownAxis = axis;
      offer(axis, main, review.beside());
    }
  }

  private static boolean isOfSequence(Finding finding) {
    return finding.place().contains(SEQUENCE);
  }

  private void aimAt(Finding finding) {
    chosenWay = Way.SEQUENCE;
    sequence.look(finding.place().substring(finding.place().indexOf(SEQUENCE) + SEQUENCE.length()));
    FindingField.light(node, finding);
  }

  private static void seen(Node node, boolean isSeen) {
    node.setVisible(isSeen);
    node.setManaged(isSeen);
  }

  private void offerWays() {
    ways.getChildren().clear();
    for (Way each : Way.values()) {
      ways.getChildren().add(way(each));
    }
  }

  private static String told(AxisAssembly axis) {
    return axis.isStepped() ? PULSES : MOVES;
  }

  private void toMotion() {
    desk.axis()
        .ifPresent(
            axis ->
                desk.navigation()
                    .goTo(
                        new Target.InMotion(
                            axis.id(), "axis/%s/motion/moves".formatted(axis.id()))));
  }

  private void offer(AxisAssembly axis, SignalPath main, List<Chain> beside) {
    boolean throughWires = chosenWay == Way.WIRES;
    own.setPromptText(
        throughWires
            ? "0 number 12.5; 1 on %s:DO0; 20 open w3; 30 repair; 40 end"
                .formatted(axis.controller().id())
            : "0 permit; 0 reference 12.5; 1 forward; 20 stop; 40 end");
    events.setVisible(throughWires);
    events.setManaged(throughWires);
    events.offer(DryEvents.of(axis, main));
    List<DryRuns.Playable> ready =
        throughWires
            ? DryRuns.throughTheWires(axis, main, beside)
            : DryRuns.atTheShaft(axis, chains.path(main));
    choices.getChildren().setAll(Parts.label("Dry-run", "ink-title"));
    for (DryRuns.Playable each : ready) {
      choices
          .getChildren()
          .add(
              Parts.action(
                  "scenario-" + each.name().replace(' ', '-'), each.name(), () -> run(each)));
    }
    choices.getChildren().add(Parts.quiet("stop-run", "stop", () -> cancelled.set(true)));
    ready.stream()
        .filter(s -> s.name().equals(chosen))
        .findFirst()
        .or(() -> ready.stream().findFirst())
        .ifPresentOrElse(this::run, this::showNothing);
  }

  private void showNothing() {
    summary.setText("No wire and no contact starts this axis: write events of your own.");
    notes.setText("");
    plots.setVisible(false);
  }

  private Button way(Way each) {
    Button button =
        Parts.action(
            each.id,
            each.label,
            () -> {
              chosenWay = each;
              runAnew();
            });
    button.getStyleClass().add("tab");
    if (chosenWay == each) {
      button.getStyleClass().add("chosen");
    }
    return button;
  }

  private void runAnew() {
    shownAxis = null;
    refresh();
  }

  private void runOwn() {
    AxisReview review = desk.review().orElse(null);
    if (review == null || review.assembly() == null || review.path() == null) {
      return;
    }
    AxisAssembly axis = review.assembly();
    SignalPath main = review.path();
    try {
      run(
          chosenWay == Way.WIRES
              ? DryRuns.ownThroughTheWires(axis, main, review.beside(), own.getText())
              : DryRuns.ownAtTheShaft(axis, chains.path(main), own.getText()));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void run(DryRuns.Playable next) {
    cancelled.set(true);
    AtomicBoolean stop = new AtomicBoolean();
    cancelled = stop;
    playing = next;
    chosen = next.name();
    summary.setText("running %s…".formatted(next.name()));
    Task<DryRun> task =
        new Task<>() {
          @Override
          protected DryRun call() {
            return next.play(stop::get);
          }
        };
    task.setOnSucceeded(e -> show(task.getValue(), next));
    task.setOnFailed(e -> desk.refuse("the dry-run failed: " + task.getException().getMessage()));
    Thread thread = new Thread(task, "dry-run");
    thread.setDaemon(true);
    thread.start();
  }

  @SuppressWarnings("ReferenceEquality") // One that was chosen since then has the place now.
  private void show(DryRun run, DryRuns.Playable ran) {
    if (ran != playing || run.trace().size() == 0) {
      return;
    }
    shown = run;
    plots.setVisible(true);
    plots.show(run);
    summary.setText(describe(run.trace(), ran.name()));
    notes.setText(
        String.join(
            "\n",
            run.notes().stream()
                .map(
                    n ->
                        desk.units().text(round(n.atSeconds()), MeasureUnit.SECOND_UNIT)
                            + "  "
                            + n.text())
                .toList()));
    notes.setManaged(!run.notes().isEmpty());
  }

  private static double round(double seconds) {
    return Math.rint(100 * seconds) / 100;
  }

  private String describe(Trace t, String name) {
    int last = t.size() - 1;
    return "%s: %s; fastest %s, most current %s; at the end the drive is %s, the shaft turns %s"
        .formatted(
            name,
            desk.units().text(t.seconds(last), MeasureUnit.SECOND_UNIT),
            desk.units().text(RunPlots.most(t, Trace.Channel.SHAFT), MeasureUnit.RPM),
            desk.units().text(RunPlots.most(t, Trace.Channel.CURRENT), MeasureUnit.AMPERE_UNIT),
            t.status(last).label(),
            desk.units()
                .text(Math.rint(10 * t.value(Trace.Channel.SHAFT, last)) / 10, MeasureUnit.RPM));
  }

  private void exportCsv() {
    Trace t = shown == null ? null : shown.trace();
    if (t != null) {
      desk.dialogs().export("dry-run.csv").ifPresent(file -> writeCsv(t, file));
    }
  }

  private void writeCsv(Trace t, Path file) {
    try (BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
      TraceCsv.write(t, 10, out);
      desk.say("traces written to " + file);
    } catch (IOException e) {
      desk.refuse("the traces could not be written: " + e.getMessage());
    }
  }

  private void exportPicture() {
    desk.dialogs()
        .export("dry-run.png")
        .ifPresent(
            file -> {
              try {
                Picture.write(plots.snapshot(null, null), file);
                desk.say("picture written to " + file);
              } catch (IOException e) {
                desk.refuse("the picture could not be written: " + e.getMessage());
              }
            });
  }
}

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
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.bench.Bench;
import unimotus.core.bench.BenchSetup;
import unimotus.core.bench.Scenario;
import unimotus.core.bench.Trace;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Picture;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.station.View;
import unimotus.formats.trace.TraceCsv;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Scenarios;

/** The dry-run: a scenario on the virtual axis and its traces, with cursors that move together. */
final class DryRunView implements View {
  private final Desk desk;
  private final HBox choices = Parts.row(8);
  private final ChainTabs chains = new ChainTabs("run-chain-", this::runAnew);
  private final TextField own = new TextField();
  private final Label summary = Parts.prose("", "ink-label");
  private final Plot frequency = new Plot("Reference and output", "s", "Hz");
  private final Plot shaft;
  private final Plot current = new Plot("Current estimate", "s", "A");
  private final StatusStrip strip = new StatusStrip(frequency.xLow(), frequency.xHigh());
  private final VBox plots = new VBox(4);
  private final Node node;

  private @Nullable AxisAssembly shownAxis;
  private @Nullable DisplayUnits shownUnits;
  private @Nullable Trace trace;
  private Scenario scenario = new Scenario("none", List.of(), 1);
  private AtomicBoolean cancelled = new AtomicBoolean();

  DryRunView(Desk desk) {
    this.desk = desk;
    this.shaft = new Plot("Shaft speed", "s", "rpm");
    for (Plot plot : List.of(shaft, current)) {
      plot.xLow().bindBidirectional(frequency.xLow());
      plot.xHigh().bindBidirectional(frequency.xHigh());
      plot.cursor().bindBidirectional(frequency.cursor());
      plot.secondCursor().bindBidirectional(frequency.secondCursor());
    }
    frequency.setId("trace-frequency");
    shaft.setId("trace-shaft");
    own.setId("own-scenario");
    own.setPromptText("0 permit; 0 reference 12.5; 1 forward; 20 stop; 40 end");
    own.setOnAction(e -> runOwn());
    HBox.setHgrow(own, Priority.ALWAYS);
    List.of(frequency, shaft, current).forEach(p -> VBox.setVgrow(p, Priority.ALWAYS));
    List.of(frequency, shaft, current).forEach(p -> p.setPrefHeight(160));
    plots.getChildren().addAll(frequency, shaft, current, strip);
    VBox.setVgrow(plots, Priority.ALWAYS);
    HBox ownRow =
        Parts.row(
            10,
            Parts.label("Own events", "ink-label"),
            own,
            Parts.action("export-csv", "Export CSV", this::exportCsv),
            Parts.action("export-png", "Export picture", this::exportPicture));
    VBox page =
        new VBox(
            10,
            chains,
            choices,
            ownRow,
            summary,
            plots,
            Parts.label(
                "Click sets a cursor, Shift-click the second; wheel zooms, drag pans, Home shows all. A simulation is not a proof.",
                "ink-caption"));
    page.setPadding(new Insets(12, 16, 12, 16));
    node = page;
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    SignalPath main = review == null ? null : review.path();
    List.of(frequency, shaft, current).forEach(p -> p.setFormat(desk.units().format()));
    if (axis == null || main == null) {
      summary.setText(review == null ? "" : review.whyNoPath());
      chains.setManaged(false);
      chains.setVisible(false);
      choices.getChildren().clear();
      plots.setVisible(false);
      return;
    }
    plots.setVisible(true);
    chains.show(main, review.beside());
    SignalPath path = chains.path(main);
    if (!axis.equals(shownAxis) || !desk.units().equals(shownUnits)) {
      shownUnits = desk.units();
      shownAxis = axis;
      List<Scenario> ready = Scenarios.of(BenchSetup.of(axis, path), path);
      choices.getChildren().setAll(Parts.label("Dry-run", "ink-title"));
      for (Scenario each : ready) {
        choices
            .getChildren()
            .add(
                Parts.action(
                    "scenario-" + each.name().replace(' ', '-'), each.name(), () -> run(each)));
      }
      choices.getChildren().add(Parts.quiet("stop-run", "stop", () -> cancelled.set(true)));
      run(
          ready.stream()
              .filter(s -> s.name().equals(scenario.name()))
              .findFirst()
              .orElse(ready.get(0)));
    }
  }

  private void runAnew() {
    shownAxis = null;
    refresh();
  }

  private void runOwn() {
    try {
      run(Scenario.parse("own events", own.getText()));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void run(Scenario next) {
    AxisReview review = desk.review().orElseThrow();
    AxisAssembly axis = review.assembly();
    SignalPath main = review.path();
    if (axis == null || main == null) {
      return;
    }
    SignalPath path = chains.path(main);
    cancelled.set(true);
    AtomicBoolean stop = new AtomicBoolean();
    cancelled = stop;
    scenario = next;
    summary.setText("running %s…".formatted(next.name()));
    Task<Trace> task =
        new Task<>() {
          @Override
          protected Trace call() {
            return Bench.run(BenchSetup.of(axis, path), next, 0, stop::get);
          }
        };
    task.setOnSucceeded(e -> show(task.getValue(), next));
    task.setOnFailed(e -> desk.refuse("the dry-run failed: " + task.getException().getMessage()));
    Thread thread = new Thread(task, "dry-run");
    thread.setDaemon(true);
    thread.start();
  }

  @SuppressWarnings("ReferenceEquality") // A scenario chosen since then has the place now.
  private void show(Trace next, Scenario ran) {
    if (ran != scenario || next.size() == 0) {
      return;
    }
    trace = next;
    double end = next.seconds(next.size() - 1);
    double top =
        1.1
            * Math.max(
                1, Math.max(most(next, Trace.Channel.REFERENCE), most(next, Trace.Channel.OUTPUT)));
    double low = least(next, Trace.Channel.OUTPUT) < -0.01 ? -top : 0;
    frequency.show(
        List.of(
            series(next, Trace.Channel.REFERENCE, "plot-predicted", "reference"),
            series(next, Trace.Channel.OUTPUT, "plot-live", "output")),
        0,
        end,
        low,
        top);
    MeasureUnit shown = desk.units().shown(MeasureUnit.RPM);
    double perRpm = MeasureUnit.RPM.convert(1, shown);
    double fastest = 1.1 * perRpm * Math.max(1, most(next, Trace.Channel.SHAFT));
    shaft.setYUnit(shown.symbol());
    shaft.show(
        List.of(
            new Plot.Series(
                "shaft",
                "plot-live",
                next.size(),
                next::seconds,
                i -> perRpm * next.value(Trace.Channel.SHAFT, i))),
        0,
        end,
        low < 0 ? -fastest : 0,
        fastest);
    current.show(
        List.of(series(next, Trace.Channel.CURRENT, "plot-live", "current")),
        0,
        end,
        0,
        1.1 * Math.max(0.1, most(next, Trace.Channel.CURRENT)));
    strip.show(next);
    summary.setText(describe(next, ran));
  }

  private String describe(Trace t, Scenario ran) {
    int last = t.size() - 1;
    return "%s: %s; fastest %s, most current %s; at the end the drive is %s, the shaft turns %s"
        .formatted(
            ran.name(),
            desk.units().text(t.seconds(last), MeasureUnit.SECOND_UNIT),
            desk.units().text(most(t, Trace.Channel.SHAFT), MeasureUnit.RPM),
            desk.units().text(most(t, Trace.Channel.CURRENT), MeasureUnit.AMPERE_UNIT),
            t.status(last).label(),
            desk.units()
                .text(Math.rint(10 * t.value(Trace.Channel.SHAFT, last)) / 10, MeasureUnit.RPM));
  }

  private static Plot.Series series(Trace t, Trace.Channel channel, String style, String name) {
    return new Plot.Series(name, style, t.size(), t::seconds, i -> t.value(channel, i));
  }

  private static double most(Trace t, Trace.Channel channel) {
    double most = 0;
    for (int i = 0; i < t.size(); i++) {
      most = Math.max(most, Math.abs(t.value(channel, i)));
    }
    return most;
  }

  private static double least(Trace t, Trace.Channel channel) {
    double least = 0;
    for (int i = 0; i < t.size(); i++) {
      least = Math.min(least, t.value(channel, i));
    }
    return least;
  }

  private void exportCsv() {
    Trace t = trace;
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

package unimotus.desktop.stop;

import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.concurrent.Task;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopFunction;
import unimotus.core.review.AxisReview;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopTimes;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Tabs;
import unimotus.desktop.station.FindingField;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.StopDesigns;
import unimotus.workbench.WorkStep;

/** The station Make safe. */
public final class StopView implements View {
  /** What came of breaking one design; kept as long as the axis stays the same. */
  private record Broken(Subject of, FaultRun run) {}

  /** A stop as it was on an axis as it was. */
  private record Subject(AxisAssembly axis, StopFunction stop) {
    static Subject of(Shown shown) {
      return new Subject(shown.axis(), shown.stop());
    }
  }

  /** What the right-hand side takes of the page, and what each side needs. */
  private static final double RIGHT_SHARE = 0.45;

  private static final double LEAST_WIDTH = 384;

  private final Desk desk;
  private final Label title = Parts.label("", "ink-title");
  private final HBox stops = Parts.row(6);
  private final VerdictPane verdict = new VerdictPane();
  private final Label story = Parts.prose("", "ink-label");
  private final StopSentence sentence;
  private final ChainPane chain;
  private final SpeedTrace trace;
  private final DesignFields fields;
  private final FindingList findings;
  private final NewStopPane newStop;
  private final FaultMatrix matrix;
  private final ComparePane designs = new ComparePane();
  private final FiguresPane figures;
  private final RecordPane proof;
  private final StopWork work;
  private final Tabs<Side> tabs = new Tabs<>("side-", Side.class, s -> s.label, this::show);
  private final VBox side = new VBox(8);
  private final VBox left = new VBox(8);
  private final HBox middle = new HBox(12);
  private final VBox page;

  private Side shownSide = Side.FAULTS;
  private @Nullable Broken broken;
  private @Nullable Subject compared;
  private @Nullable String chosen;
  private @Nullable String another;

  /** The station for a desk. */
  public StopView(Desk desk) {
    this.desk = desk;
    this.work = new StopWork(desk, this::refresh);
    chain = new ChainPane(desk);
    trace = new SpeedTrace(desk);
    sentence = new StopSentence(desk);
    fields = new DesignFields(desk);
    findings = new FindingList(desk);
    newStop = new NewStopPane(desk, this::made, () -> make(null));
    figures = new FiguresPane(desk);
    proof = new RecordPane(desk);
    matrix =
        new FaultMatrix(
            r -> {
              Broken known = broken;
              if (known != null) {
                desk.navigation()
                    .openCircuit(known.run().demandedWith(r), FaultRun.wiringFaults(r));
              }
            });
    work.progress().setId("fault-progress");
    work.progress().setPrefWidth(120);
    VBox.setVgrow(middle, Priority.ALWAYS);
    page =
        new VBox(
            8,
            Parts.caution(
                "Calculated from the design, not certified. Local codes, the risk assessment and licensed people decide. Safe torque off neither brakes nor isolates."),
            middle);
    page.setPadding(new Insets(10, 14, 10, 14));
    build();
  }

  private void build() {
    ScrollPane scroll = Parts.scrolling(left);
    HBox.setHgrow(scroll, Priority.ALWAYS);
    scroll.setMinWidth(LEAST_WIDTH);
    scroll.setPrefWidth(LEAST_WIDTH);
    left.setPadding(new Insets(0, 8, 0, 0));
    left.getChildren()
        .addAll(
            stops,
            verdict,
            chain,
            trace.node(),
            story,
            fields,
            Parts.label("What the rules say", "ink-strong"),
            findings);
    ScrollPane scrolled = Parts.scrolling(side);
    VBox right = Parts.sheet(8, tabs, scrolled);
    right.setMinWidth(LEAST_WIDTH);
    right.prefWidthProperty().bind(page.widthProperty().multiply(RIGHT_SHARE));
    right.maxWidthProperty().bind(right.prefWidthProperty());
    VBox.setVgrow(scrolled, Priority.ALWAYS);
    middle.getChildren().setAll(scroll, right);
  }

  @Override
  public Node node() {
    return page;
  }

  @Override
  public void refresh() {
    Finding mended = desk.navigation().takeMended().orElse(null);
    if (mended != null) {
      aimAt(mended);
    }
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    boolean hasStop = axis != null && !axis.stops().isEmpty();
    boolean making = axis != null && hasStop && axis.axis().id().equals(another);
    newStop.offerWayBack(making);
    page.getChildren()
        .set(1, axis == null ? nothing(review) : hasStop && !making ? middle : newStop);
    if (axis != null && (!hasStop || making)) {
      newStop.refresh();
    }
    if (review == null || axis == null || !hasStop || making) {
      return;
    }
    findings.show(
        review.findings().stream()
            .filter(f -> WorkStep.of(f.rule()) == WorkStep.MAKE_SAFE)
            .toList());
    StopFunction stop = chosen(axis);
    choice(axis, stop);
    JudgedStop judged =
        review.stops().stream().filter(j -> j.stop().equals(stop)).findFirst().orElseThrow();
    Broken known = broken;
    boolean fresh = known != null && known.of().equals(new Subject(axis, stop));
    show(new Shown(axis, judged, fresh && known != null ? known.run() : null));
    if (mended != null) {
      FindingField.light(page, mended);
    }
  }

  /** The stop and the side a finding is mended at. */
  private void aimAt(Finding finding) {
    chosen = finding.place().substring(finding.place().lastIndexOf('/') + 1);
    if (finding.rule() == Rule.STANDING_BYPASS) {
      shownSide = Side.RECORD;
    } else if (finding.rule() == Rule.STOP_DISTANCE) {
      shownSide = Side.FIGURES;
    }
  }

  /** The stop that was chosen last, while the axis has it; else its first one. */
  private StopFunction chosen(AxisAssembly axis) {
    return axis.stops().stream()
        .filter(s -> s.id().equals(chosen))
        .findFirst()
        .orElse(axis.stops().get(0));
  }

  private void choice(AxisAssembly axis, StopFunction stop) {
    stops.getChildren().setAll(title);
    for (StopFunction other : axis.stops()) {
      if (axis.stops().size() > 1) {
        Button tab = Parts.action("stop-" + other.id(), other.name(), () -> choose(other.id()));
        tab.getStyleClass().add("tab");
        mark(tab, other.equals(stop));
        stops.getChildren().add(tab);
      }
    }
    stops
        .getChildren()
        .add(Parts.quiet("another-stop", "another stop", () -> make(axis.axis().id())));
  }

  private void choose(String stop) {
    chosen = stop;
    refresh();
  }

  private void make(@Nullable String axis) {
    another = axis;
    refresh();
  }

  /** Shows the stop that was built last. */
  private void made() {
    desk.review()
        .map(AxisReview::assembly)
        .ifPresent(axis -> chosen = axis.stops().get(axis.stops().size() - 1).id());
    make(null);
  }

  private static Node nothing(@Nullable AxisReview review) {
    return Parts.prose(review == null ? "Choose an axis." : review.whyNoPath(), "ink-label");
  }

  private void show(Shown shown) {
    title.setText("%s: %s".formatted(shown.axis().axis().name(), shown.stop().name()));
    verdict.show(shown);
    tabs.show(shownSide);
    fields.show(shown);
    StopCircuit circuit = shown.circuit();
    boolean told = circuit != null && shown.judged().verdict().stops();
    List.of(chain, trace.node(), story)
        .forEach(
            n -> {
              n.setVisible(told);
              n.setManaged(told);
            });
    if (circuit == null || !told) {
      side.getChildren().setAll(withheld());
      return;
    }
    StopTimes times = StopTimes.of(circuit);
    chain.show(shown.axis().axis().name(), times.sound());
    trace.show(times.sound());
    story.setText(sentence.of(shown.axis(), shown.stop(), times));
    side.getChildren().setAll(sideNodes(shown, circuit, times));
  }

  /** Of a stop that does not stop no figure is told. */
  private Node withheld() {
    if (shownSide == Side.RECORD) {
      desk.evidence().ifPresent(proof::show);
      return proof;
    }
    return Parts.prose(
        "No stop category, time, level or proof is given before this stop works: see the findings on the left and fix them at Wire or at the device.",
        "ink-label");
  }

  private static void mark(Button tab, boolean chosen) {
    tab.getStyleClass().remove("chosen");
    if (chosen) {
      tab.getStyleClass().add("chosen");
    }
  }

  private List<Node> sideNodes(Shown shown, StopCircuit circuit, StopTimes times) {
    FaultRun run = shown.run();
    if (shownSide == Side.RECORD) {
      desk.evidence().ifPresent(proof::show);
      return List.of(proof);
    }
    if (shownSide == Side.DESIGNS) {
      boolean fresh = Subject.of(shown).equals(compared);
      return fresh
          ? List.of(designs)
          : List.of(
              Parts.row(
                  8,
                  Parts.primary("compare", "Compare designs", () -> compare(shown)),
                  work.progress(),
                  work.cancel()));
    }
    if (run == null) {
      return List.of(
          Parts.prose(
              "Each element is given every fault that applies, then a second fault is added to each first one that was not detected.",
              "ink-label"),
          Parts.row(
              8,
              Parts.primary("run-faults", "Fault injection", () -> runFaults(shown, circuit)),
              work.progress(),
              work.cancel()));
    }
    if (shownSide == Side.FIGURES) {
      figures.show(circuit, shown.judged().verdict(), run, times);
      return List.of(figures);
    }
    matrix.show(run);
    return List.of(resumption(shown, circuit), matrix);
  }

  private static Node resumption(Shown shown, StopCircuit circuit) {
    List<StopEvent> way = shown.judged().verdict().resumption();
    return way.isEmpty()
        ? Parts.prose(
            "No order of demand, release, reset, mode, power off and on brings motion back without a new run command.",
            "ink-label")
        : Parts.prose(
            "Motion comes back without a new command: " + StopEvent.text(way, circuit),
            "ink-attention");
  }

  private void show(Side next) {
    shownSide = next;
    refresh();
  }

  private void runFaults(Shown shown, StopCircuit circuit) {
    AtomicBoolean stop = work.begin();
    work.run(
        new Task<Broken>() {
          @Override
          protected Broken call() {
            FaultRun run = FaultRun.of(circuit, shown.judged().verdict(), work::tell, stop::get);
            return new Broken(Subject.of(shown), run);
          }
        },
        found -> broken = found);
  }

  private void compare(Shown shown) {
    AtomicBoolean stop = work.begin();
    Project project = desk.session().project();
    work.run(
        new Task<List<StopDesigns.Design>>() {
          @Override
          protected List<StopDesigns.Design> call() {
            return StopDesigns.compare(
                project,
                desk.session().sheets(),
                shown.axis(),
                shown.stop(),
                work::tell,
                stop::get);
          }
        },
        found -> {
          designs.show(found);
          compared = Subject.of(shown);
        });
  }
}

package unimotus.desktop.shell;

import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.quantity.Count;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Styles;
import unimotus.desktop.station.States;
import unimotus.workbench.Progress;
import unimotus.workbench.WorkStep;
import unimotus.workbench.live.StationPresence;

/** The axes of the line, how each stands, and the next thing to do for the one looked at. */
final class AxisRail extends VBox {
  private static final double WIDE = 196;
  private static final double NARROW = 150;

  /** A held key repeats more often than this. */
  private static final long LONGEST_REPEAT_NANOS = 250_000_000;

  private final Desk desk;
  private final AxisActions actions;
  private final Button bus;
  private final VBox items = new VBox();
  private final VBox next = new VBox(6);
  private boolean pasteHeld;
  private long pastedNanos;

  AxisRail(Desk desk, AxisActions actions) {
    this.desk = desk;
    this.actions = actions;
    getStyleClass().add("rail");
    setNarrow(false);
    Button line = item("line", "The whole line", () -> desk.show(desk.axisId().get(), null));
    this.bus = item("bus", "Process-data bus", desk.navigation()::showBus);
    line.setId("line-overview");
    bus.setId("line-bus");
    bus.managedProperty().bind(bus.visibleProperty());
    Region spring = new Region();
    VBox.setVgrow(spring, Priority.ALWAYS);
    next.setPadding(new Insets(12, 12, 16, 16));
    Button add = Parts.quiet("new-axis", "+ new axis", desk::startAxis);
    VBox.setMargin(add, new Insets(6, 0, 0, 10));
    ScrollPane scrolled = Parts.scrolling(items);
    VBox.setVgrow(scrolled, Priority.NEVER);
    scrolled.setMinHeight(60);
    // As high as its axes, of which a long name takes two lines; where there is less it scrolls.
    scrolled.prefHeightProperty().bind(items.heightProperty());
    getChildren().addAll(line, bus, scrolled, add, spring, next);
    setPadding(new Insets(10, 0, 0, 0));
    setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.V && e.isShortcutDown()) {
            paste();
            e.consume();
          }
        });
    setOnKeyReleased(e -> pasteHeld &= e.getCode() != KeyCode.V);
  }

  /** Once for a key that is held, however often it repeats while the line is looked over. */
  private void paste() {
    boolean repeats = pasteHeld && System.nanoTime() - pastedNanos < LONGEST_REPEAT_NANOS;
    pasteHeld = true;
    if (!repeats) {
      actions.paste();
    }
    pastedNanos = System.nanoTime();
  }

  /** Gives room to the view where there is little. */
  void setNarrow(boolean narrow) {
    setPrefWidth(narrow ? NARROW : WIDE);
    setMinWidth(narrow ? NARROW : WIDE);
  }

  private static Button item(String id, String text, Runnable does) {
    Button button = new Button(text);
    button.setId("axis-" + id);
    button.getStyleClass().setAll("axis-item");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setWrapText(true);
    button.setOnAction(e -> does.run());
    return button;
  }

  void refresh() {
    items.getChildren().clear();
    for (Axis axis : desk.session().project().axes()) {
      items.getChildren().add(item(axis));
    }
    Button line = (Button) getChildren().get(0);
    boolean isLine = desk.step().get() == null && !desk.startingAxis().get();
    Styles.choose(line, isLine && !desk.onBus().get());
    Styles.choose(bus, isLine && desk.onBus().get());
    StationPresence found = desk.live().presence().get();
    bus.setText(
        found == null
            ? "Process-data bus"
            : "Process-data bus: " + found.summary(desk.session().project()));
    bus.setVisible(!desk.session().project().stations().isEmpty() || desk.onBus().get());
    showNext();
  }

  private Button item(Axis axis) {
    Button button = item(axis.id(), axis.name(), () -> show(axis));
    button.setGraphic(
        desk.isChecked()
            ? desk.session()
                .review()
                .axis(axis.id())
                .map(r -> mark(r, desk.progress(r)))
                .orElse(null)
            : new Mark(Mark.Kind.LATER, "being checked"));
    button.setGraphicTextGap(9);
    button.setContextMenu(actions.menu(axis));
    button.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.DELETE) {
            actions.remove(axis);
            e.consume();
          } else if (e.getCode() == KeyCode.C && e.isShortcutDown()) {
            actions.copy(axis);
            e.consume();
          }
        });
    if (axis.id().equals(desk.axisId().get()) && desk.step().get() != null) {
      button.getStyleClass().add("chosen");
    }
    return button;
  }

  /** An axis is shown at the station that is looked at, or at the one where work goes on. */
  private void show(Axis axis) {
    WorkStep at = desk.step().get();
    if (at == null) {
      at =
          desk.session()
              .review()
              .axis(axis.id())
              .map(r -> desk.progress(r).nextStep())
              .orElse(null);
    }
    desk.show(axis.id(), at);
  }

  private static Mark mark(AxisReview review, Progress progress) {
    if (review.assembly() == null) {
      return new Mark(Mark.Kind.OPEN, "incomplete");
    }
    if (review.count(Severity.ERROR) > 0) {
      return new Mark(Mark.Kind.ATTENTION, Count.of(review.count(Severity.ERROR), "error"));
    }
    Progress.State proof = progress.state(WorkStep.PROVE);
    return new Mark(
        proof == Progress.State.OPEN ? Mark.Kind.PARTLY : States.mark(proof),
        proof == Progress.State.OPEN ? "designed, not proven" : "proof: " + States.word(proof));
  }

  private void showNext() {
    next.getChildren().clear();
    Optional.ofNullable(desk.step().get())
        .flatMap(at -> desk.review())
        .ifPresent(
            review -> {
              Progress progress = desk.progress(review);
              next.getChildren()
                  .setAll(Parts.label("Next", "ink-caption"), Parts.prose(progress.next()));
              way(progress).ifPresent(next.getChildren()::add);
            });
  }

  /** A way to where one is already leads nowhere, but for one to the field of a finding. */
  private Optional<Button> way(Progress progress) {
    Optional<Finding> mending = progress.mending();
    if (mending.isPresent()) {
      return Optional.of(
          Parts.quiet("go-next-step", "go to it", () -> desk.navigation().goTo(mending.get())));
    }
    WorkStep there = progress.nextStep();
    return there == desk.step().get()
        ? Optional.empty()
        : Optional.of(
            Parts.quiet("go-next-step", "at " + there.label(), () -> desk.step().set(there)));
  }
}

package unimotus.desktop.shell;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Window;
import javafx.stage.WindowEvent;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.station.View;
import unimotus.desktop.view.Views;
import unimotus.formats.project.UnsavedCopies.Unsaved;
import unimotus.workbench.Progress;
import unimotus.workbench.WorkStep;

/**
 * The window's content: work order above, axes at the side, the view in the middle, messages below.
 */
public final class Shell extends StackPane {

  /** Below this width the list of axes gives up some of its room. */
  private static final double NARROW_WINDOW = 1100;

  private final Desk desk;
  private final Views views;
  private final ProjectMenu menu;
  private final Overlays overlays;
  private final Label saved = Parts.label("", "ink-caption");
  private final WorkOrderRail steps;
  private final AxisRail axes;
  private final AskBar ask = new AskBar();
  private final Saving saving;
  private final AxisActions actions;
  private final BorderPane frame = new BorderPane();
  private final StackPane content = new StackPane(frame);
  private final Zoomed zoomed;
  private final VBox middle = new VBox();
  private final UnprovedBand unproved;
  private final ArmedBand armed;
  private final HBox messageLine = new HBox();
  private final Label message = Parts.label("");
  private @Nullable View shown;
  private Runnable openWindow = () -> {};
  private final ReadOnlyStringWrapper title = new ReadOnlyStringWrapper("Unimotus");

  /** Builds the frame over a desk. */
  public Shell(Desk desk) {
    this.desk = desk;
    this.saving = new Saving(desk, ask);
    this.actions = new AxisActions(desk, ask);
    this.views = new Views(desk);
    this.menu = new ProjectMenu(desk, new MenuActions());
    this.overlays = new Overlays(desk, content, menu::commands);
    this.steps = new WorkOrderRail(desk);
    this.axes = new AxisRail(desk, actions);
    FileDrop.on(this, new MenuActions()::open);
    saved.setId("saved-state");
    message.setId("message");
    HBox project = Parts.row(8, menu, saved);
    project.setMinWidth(230);
    HBox header = new HBox(12, project, Parts.spring(), steps);
    header.setAlignment(Pos.BOTTOM_LEFT);
    header.getStyleClass().add("header");
    messageLine.getStyleClass().add("message-line");
    messageLine.getChildren().add(message);
    frame.setTop(header);
    frame.setLeft(axes);
    frame.setCenter(middle);
    this.zoomed = new Zoomed(desk, content);
    // A question lies over the message line, and moves nothing.
    content.getChildren().add(ask);
    StackPane.setAlignment(ask, Pos.BOTTOM_CENTER);
    getChildren().add(zoomed);
    unproved = new UnprovedBand(desk);
    armed = new ArmedBand(desk);
    frame.setBottom(new VBox(armed, messageLine));
    content
        .widthProperty()
        .addListener((o, was, is) -> axes.setNarrow(is.doubleValue() < NARROW_WINDOW));
    desk.onRefresh(this::refresh);
    desk.navigation().openWith(file -> leavingWork(() -> ProjectMenu.open(desk, file)));
    desk.message().addListener((o, was, is) -> showMessage(is));
    HeldKeys.watch(this);
    addEventFilter(KeyEvent.KEY_PRESSED, this::key);
    refresh();
  }

  private void showMessage(Desk.Message next) {
    message.setText(next.text());
    messageLine.getStyleClass().remove("attention");
    if (next.attention()) {
      messageLine.getStyleClass().add("attention");
    }
  }

  private void refresh() {
    String focused = focusedId();
    menu.refresh();
    saved.setText(saving.state());
    title.set(saving.title());
    steps.refresh();
    axes.refresh();
    unproved.refresh();
    zoomed.refresh();
    // The shell is the root of its scene, where the colour tokens are defined.
    getStyleClass().remove("dark");
    if (desk.preferences().get().dark()) {
      getStyleClass().add("dark");
    }
    showView();
    restoreFocus(focused);
  }

  private @Nullable String focusedId() {
    Node owner = getScene() == null ? null : getScene().getFocusOwner();
    return owner == null ? null : owner.getId();
  }

  /** Views redraw after an edit; the keyboard stays where it was. */
  private void restoreFocus(@Nullable String id) {
    if (id != null && getScene() != null) {
      Node owner = getScene().getFocusOwner();
      Node again = lookup("#" + id);
      if (again != null && again != owner) {
        again.requestFocus();
      }
    }
  }

  private void showView() {
    View next =
        desk.editingSheets().get()
            ? views.sheets()
            : desk.startingAxis().get()
                ? views.newAxis()
                : desk.onBus().get() ? views.bus() : views.of(desk.step().get());
    if (next != shown) {
      shown = next;
      Node node = next.node();
      VBox.setVgrow(node, javafx.scene.layout.Priority.ALWAYS);
      middle.getChildren().setAll(unproved, node);
    }
    next.refresh();
  }

  private void key(KeyEvent e) {
    if (e.isConsumed()) {
      return;
    }
    if (e.getCode() == KeyCode.ESCAPE && overlays.isFinding()) {
      overlays.toggleFind();
      e.consume();
    } else if (e.getCode() == KeyCode.W && e.isShortcutDown() && !e.isShiftDown()) {
      close();
      e.consume();
    } else if (e.getCode() == KeyCode.F9
        || (e.getCode() == KeyCode.ESCAPE && overlays.isCalculating())) {
      overlays.toggleCalculators();
      e.consume();
    } else if (e.getCode() == KeyCode.F1
        || (e.getCode() == KeyCode.ESCAPE && overlays.isHelping())) {
      overlays.toggleHelp();
      e.consume();
    } else if (zoomed.take(e) || (e.getCode() == KeyCode.F8 && armed.stop())) {
      e.consume();
    } else if (e.isAltDown() && e.getCode().isDigitKey()) {
      goTo(e.getCode().ordinal() - KeyCode.DIGIT0.ordinal());
      e.consume();
    } else if (e.getCode() == KeyCode.F2 && desk.onBus().get()) {
      views.bus().node().lookupAll("#station-name").forEach(Node::requestFocus);
      e.consume();
    } else if (e.getCode() == KeyCode.F2) {
      actions.renameShown();
      e.consume();
    } else if (isMoving(e) && !desk.onBus().get()) {
      actions.moveShown(e.getCode() == KeyCode.DOWN ? 1 : -1);
      e.consume();
    } else if (e.isAltDown()
        && !e.isShiftDown()
        && (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP)) {
      nextAxis(e.getCode() == KeyCode.DOWN ? 1 : -1);
      e.consume();
    } else if (e.isShortcutDown() && !isTyping() && isHistoryKey(e.getCode())) {
      history(e.getCode() == KeyCode.Y || e.isShiftDown());
      e.consume();
    }
  }

  private static boolean isMoving(KeyEvent e) {
    return e.isAltDown()
        && e.isShiftDown()
        && (e.getCode() == KeyCode.DOWN || e.getCode() == KeyCode.UP);
  }

  private static boolean isHistoryKey(KeyCode code) {
    return code == KeyCode.Z || code == KeyCode.Y;
  }

  /** While something is being typed, undo belongs to the field; else to the project. */
  private boolean isTyping() {
    Node owner = getScene().getFocusOwner();
    return owner instanceof QuantityField field
        ? field.isBeingTyped()
        : owner instanceof TextField && desk.startingAxis().get();
  }

  private void history(boolean forward) {
    Optional<String> name = forward ? desk.session().redoName() : desk.session().undoName();
    if (forward) {
      desk.session().redo();
    } else {
      desk.session().undo();
    }
    desk.say(
        name.map(n -> (forward ? "redone: " : "undone: ") + n)
            .orElse(forward ? "nothing to redo" : "nothing to undo"));
  }

  private void goTo(int number) {
    if (number == 0) {
      desk.show(desk.axisId().get(), null);
    } else if (number <= WorkStep.values().length && desk.review().isPresent()) {
      WorkStep step = WorkStep.values()[number - 1];
      boolean later = desk.progress(desk.review().get()).state(step) == Progress.State.LATER;
      if (later) {
        desk.refuse(step.label() + " is not in this version");
      } else {
        desk.show(desk.axisId().get(), step);
      }
    }
  }

  private void nextAxis(int way) {
    List<String> ids = desk.session().project().axes().stream().map(Axis::id).toList();
    int at = ids.indexOf(String.valueOf(desk.axisId().get()));
    if (!ids.isEmpty()) {
      desk.show(ids.get(Math.floorMod(at + way, ids.size())), desk.step().get());
    }
  }

  private final class MenuActions implements ProjectMenu.FileActions {
    @Override
    public void startNew() {
      leavingWork(
          () -> {
            desk.session().startNew();
            desk.show(null, null);
          });
    }

    @Override
    public void newWindow() {
      openWindow.run();
    }

    @Override
    public void open() {
      leavingWork(() -> desk.dialogs().openProject().ifPresent(f -> ProjectMenu.open(desk, f)));
    }

    @Override
    public void open(Path file) {
      desk.navigation().open(file);
    }

    @Override
    public void save() {
      saving.save();
    }

    @Override
    public void saveAs() {
      saving.saveAs();
    }

    @Override
    public void print() {
      if (shown != null) {
        new Printing(desk).print(shown.node());
      }
    }

    @Override
    public void quit() {
      close();
    }

    @Override
    public void find() {
      overlays.toggleFind();
    }

    @Override
    public void calculators() {
      overlays.toggleCalculators();
    }

    @Override
    public void help() {
      overlays.toggleHelp();
    }
  }

  /** What opens another window. */
  public void onNewWindow(Runnable open) {
    openWindow = open;
  }

  /** What stands above the window: the file, with a star while something is not saved. */
  public ReadOnlyStringProperty title() {
    return title.getReadOnlyProperty();
  }

  private void close() {
    Window window = getScene().getWindow();
    window.fireEvent(new WindowEvent(window, WindowEvent.WINDOW_CLOSE_REQUEST));
  }

  /** Shows keys and signs, or puts them away. */
  public void toggleHelp() {
    overlays.toggleHelp();
  }

  /** Shows what finds anything, or puts it away. */
  public void toggleFind() {
    overlays.toggleFind();
  }

  /** Asks what to do with unsaved work, then goes on; goes on at once where there is none. */
  public void leavingWork(Runnable then) {
    saving.leave(then);
  }

  /** Asks whether to take up work that an earlier session left unsaved on the file that is open. */
  public void offerUnsaved(Unsaved unsaved, Runnable letGo) {
    saving.offerUnsaved(unsaved, letGo);
  }
}

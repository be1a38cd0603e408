package unimotus.desktop;

import java.nio.file.Path;
import java.time.Clock;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import unimotus.desktop.shell.Shell;
import unimotus.workbench.Opening;
import unimotus.workbench.UnsavedKeeper;

/**
 * The windows of the program. Each has a project, a history and a copy of its unsaved work of its
 * own; what is remembered between sessions they share.
 */
final class Windows {
  /** The least that everything can still be used at. */
  private static final int LEAST_WIDTH = 800;

  private static final int LEAST_HEIGHT = 560;
  private static final double BESIDE = 32;

  private final Path preferences;
  private final Path sheets;
  private final Path state;

  /**
   * @param preferences where what is remembered is kept
   * @param sheets where device sheets of the user's own are kept
   * @param state where unsaved work is kept
   */
  Windows(Path preferences, Path sheets, Path state) {
    this.preferences = preferences;
    this.sheets = sheets;
    this.state = state;
  }

  /** One window. */
  record Opened(Stage stage, Desk desk, Shell shell) {}

  /** Puts a window together without showing it. */
  Opened make(Stage stage, Opening opening, double width, double height) {
    SystemDialogs dialogs = new SystemDialogs(() -> stage);
    Desk desk = new Desk(opening, dialogs, Clock.systemDefaultZone(), preferences, sheets);
    Shell shell = new Shell(desk);
    desk.preferences().get().lastFolder().ifPresent(dialogs::startIn);
    Scene scene = new Scene(shell, width, height);
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    Look.wear(scene);
    stage.setScene(scene);
    stage.titleProperty().bind(shell.title());
    Opened opened = new Opened(stage, desk, shell);
    shell.onNewWindow(() -> another(opened));
    return opened;
  }

  /** Opens an empty line in a window beside another one. */
  Opened another(Opened beside) {
    Stage stage = new Stage();
    Scene scene = beside.stage().getScene();
    Opened next =
        make(
            stage,
            Opening.of(beside.desk().session().sheets(), null),
            scene.getWidth(),
            scene.getHeight());
    next.desk().preferences().bindBidirectional(beside.desk().preferences());
    stage.setX(beside.stage().getX() + BESIDE);
    stage.setY(beside.stage().getY() + BESIDE);
    stage.show();
    keepUnsaved(next);
    return next;
  }

  /** Gives a window the sign it is known by on the desktop. */
  static void sign(Stage stage) {
    stage
        .getIcons()
        .add(new Image(Objects.requireNonNull(Windows.class.getResourceAsStream("unimotus.png"))));
  }

  /** Keeps a copy of what is not saved, and asks before a window is closed over it. */
  void keepUnsaved(Opened window) {
    sign(window.stage());
    AtomicReference<UnsavedKeeper> own = new AtomicReference<>();
    Shell shell = window.shell();
    UnsavedKeeper keeper =
        new UnsavedKeeper(
            window.desk().session(),
            state,
            unsaved ->
                // Later, so that the window has settled on the file that was opened.
                Platform.runLater(
                    () ->
                        shell.offerUnsaved(
                            unsaved, () -> Objects.requireNonNull(own.get()).letGo(unsaved))));
    own.set(keeper);
    window
        .stage()
        .setOnCloseRequest(
            e -> {
              e.consume();
              shell.leavingWork(
                  () -> {
                    keeper.forget();
                    keeper.close();
                    window.desk().close();
                    window.stage().close();
                  });
            });
  }
}

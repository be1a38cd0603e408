package unimotus.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicReference;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.desktop.shell.Shell;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Opening;
import unimotus.workbench.UnsavedKeeper;

/** Puts the pieces together and opens the window. */
public final class DesktopApp extends Application {
  /** The least that everything can still be used at. */
  private static final int LEAST_WIDTH = 800;

  private static final int LEAST_HEIGHT = 560;

  private static StartArguments arguments = StartArguments.of(List.of());
  private static CompletableFuture<Opening> opening = new CompletableFuture<>();

  /** Why device sheets of the user's folder were left out, told once the window is there. */
  private static final List<String> LEFT_OUT = new CopyOnWriteArrayList<>();

  /** Begins with the sheets and the wanted project while the window toolkit still starts. */
  static void prepare(StartArguments wanted) {
    arguments = wanted;
    opening =
        CompletableFuture.supplyAsync(
            () -> Opening.of(sheets(folders().sheets()), wanted.demo() ? Demo.project() : null));
  }

  private static Folders folders() {
    return Folders.of(System.getenv(), System.getProperty("user.home"));
  }

  @Override
  public void start(Stage stage) throws Exception {
    Folders folders = folders();
    Path shots = arguments.shots();
    Path preferences =
        shots != null
            ? Files.createTempDirectory("unimotus").resolve("preferences.properties")
            : folders.preferences();
    Look.load();
    SystemDialogs dialogs = new SystemDialogs(() -> stage);
    Desk desk =
        new Desk(
            opening.join(),
            dialogs,
            Clock.systemDefaultZone(),
            preferences,
            shots != null ? preferences.resolveSibling("sheets") : folders.sheets());
    Shell shell = new Shell(desk);
    desk.preferences().get().lastFolder().ifPresent(dialogs::startIn);
    Scene scene = new Scene(shell, arguments.width(), arguments.height());
    stage.setMinWidth(LEAST_WIDTH);
    stage.setMinHeight(LEAST_HEIGHT);
    Look.wear(scene);
    stage.setScene(scene);
    stage.titleProperty().bind(shell.title());
    openWanted(desk);
    if (!LEFT_OUT.isEmpty()) {
      desk.refuse(String.join("; ", LEFT_OUT));
    }
    stage.show();
    if (shots != null) {
      new Shots(stage, desk, shots).take();
      return;
    }
    keepUnsaved(stage, desk, shell, folders.state());
    if (System.getProperty("unimotus.startup") != null) {
      System.err.printf(
          "window usable after %d ms%n",
          java.lang.management.ManagementFactory.getRuntimeMXBean().getUptime());
      Platform.exit();
    }
  }

  private static SheetCatalogue sheets(Path folder) {
    if (!Files.isDirectory(folder)) {
      return SheetLibrary.catalogue();
    }
    List<FileFault> faults = new ArrayList<>();
    SheetCatalogue catalogue;
    try {
      catalogue = SheetLibrary.withFolder(folder, faults);
    } catch (IOException e) {
      LEFT_OUT.add("the folder of device sheets cannot be read: " + e.getMessage());
      return SheetLibrary.catalogue();
    }
    faults.forEach(f -> LEFT_OUT.add("device sheet left out: " + f.getMessage()));
    return catalogue;
  }

  private static void openWanted(Desk desk) {
    Path file = arguments.file();
    if (file != null) {
      try {
        desk.session().open(file);
        desk.remember(desk.preferences().get().withRecent(file));
      } catch (IOException e) {
        desk.refuse(e.getMessage());
      }
    }
  }

  private static void keepUnsaved(Stage stage, Desk desk, Shell shell, Path stateFolder) {
    AtomicReference<UnsavedKeeper> own = new AtomicReference<>();
    UnsavedKeeper keeper =
        new UnsavedKeeper(
            desk.session(),
            stateFolder,
            unsaved ->
                // Later, so that the window has settled on the file that was opened.
                Platform.runLater(
                    () ->
                        shell.offerUnsaved(
                            unsaved, () -> Objects.requireNonNull(own.get()).letGo(unsaved))));
    own.set(keeper);
    stage.setOnCloseRequest(
        e -> {
          e.consume();
          shell.leavingWork(
              () -> {
                keeper.forget();
                keeper.close();
                stage.close();
              });
        });
  }
}

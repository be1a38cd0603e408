package unimotus.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.desktop.shell.Shell;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Session;
import unimotus.workbench.UnsavedKeeper;

/** Puts the pieces together and opens the window. */
public final class DesktopApp extends Application {
  private static final Logger LOG = LoggerFactory.getLogger(DesktopApp.class);
  private static final int WIDTH = 1280;
  private static final int HEIGHT = 800;

  @Override
  public void start(Stage stage) throws Exception {
    List<String> arguments = getParameters().getRaw();
    Folders folders = Folders.of(System.getenv(), System.getProperty("user.home"));
    Session session = new Session(sheets(folders.sheets()));
    boolean shots = arguments.contains("--shots");
    Path preferences =
        shots
            ? Files.createTempDirectory("unimotus").resolve("preferences.properties")
            : folders.preferences();
    Desk desk = new Desk(session, new SystemDialogs(() -> stage), Clock.systemUTC(), preferences);
    Shell shell = new Shell(desk);
    Scene scene = new Scene(shell, WIDTH, HEIGHT);
    Look.wear(scene);
    stage.setScene(scene);
    stage.setTitle("Unimotus");
    openWanted(arguments, desk);
    stage.show();
    if (shots) {
      new Shots(stage, desk, Path.of(arguments.get(arguments.indexOf("--shots") + 1))).take();
      return;
    }
    keepUnsaved(stage, desk, shell, folders.state());
    if (System.getProperty("unimotus.startup") != null) {
      LOG.warn(
          "window usable after {} ms",
          java.lang.management.ManagementFactory.getRuntimeMXBean().getUptime());
      Platform.exit();
    }
  }

  private static SheetCatalogue sheets(Path folder) throws java.io.IOException {
    if (!Files.isDirectory(folder)) {
      return SheetLibrary.catalogue();
    }
    List<FileFault> faults = new ArrayList<>();
    SheetCatalogue catalogue = SheetLibrary.withFolder(folder, faults);
    faults.forEach(f -> LOG.warn("device sheet left out: {}", f.getMessage()));
    return catalogue;
  }

  private static void openWanted(List<String> arguments, Desk desk) {
    if (arguments.contains("demo")) {
      desk.session().start(Demo.project());
    } else if (!arguments.isEmpty()) {
      try {
        desk.session().open(Path.of(arguments.get(0)));
        desk.remember(desk.preferences().get().withRecent(Path.of(arguments.get(0))));
      } catch (java.io.IOException e) {
        desk.refuse(e.getMessage());
      }
    }
    desk.refresh();
  }

  private static void keepUnsaved(Stage stage, Desk desk, Shell shell, Path stateFolder) {
    UnsavedKeeper keeper = new UnsavedKeeper(desk.session(), stateFolder);
    keeper.found().ifPresent(unsaved -> shell.offerUnsaved(unsaved, keeper::forget));
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

package unimotus.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Opening;

/** Puts the pieces together and opens the window. */
public final class DesktopApp extends Application {
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
    Windows windows =
        new Windows(
            preferences,
            shots != null ? preferences.resolveSibling("sheets") : folders.sheets(),
            folders.state());
    Windows.Opened window =
        windows.make(stage, opening.join(), arguments.width(), arguments.height());
    Desk desk = window.desk();
    if (arguments.dark()) {
      desk.preferences().set(desk.preferences().get().withDark(true));
    }
    openWanted(desk);
    if (!LEFT_OUT.isEmpty()) {
      desk.refuse(String.join("; ", LEFT_OUT));
    }
    stage.show();
    if (shots != null) {
      new Shots(stage, desk, shots).take();
      return;
    }
    windows.keepUnsaved(window);
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
}

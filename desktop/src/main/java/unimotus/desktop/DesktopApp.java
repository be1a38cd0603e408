package unimotus.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Opening;
import unimotus.workbench.Session;

/** Puts the pieces together and opens the window. */
public final class DesktopApp extends Application {
  private static StartArguments arguments = StartArguments.of(List.of());
  private static CompletableFuture<Opening> opening = new CompletableFuture<>();

  /**
   * Done when the window is drawn. Checks begin then: beside the drawing they only slow it down
   * where there are few processors.
   */
  private static final CompletableFuture<@Nullable Void> SHOWN = new CompletableFuture<>();

  /** Then checks begin in any case: drawing may wait for them. */
  private static final long LONGEST_WAIT_MS = 2000;

  /** What could not be read, told once the window is there. */
  private static final List<String> REFUSED = new CopyOnWriteArrayList<>();

  /** Begins with the sheets and the wanted project while the window toolkit still starts. */
  static void prepare(StartArguments wanted) {
    arguments = wanted;
    opening = CompletableFuture.supplyAsync(() -> opened(wanted));
  }

  /** The wanted line, read; what the rules say of it is worked out while the window is drawn. */
  private static Opening opened(StartArguments wanted) {
    Session session = new Session(sheets(folders().sheets()));
    Executor background =
        task ->
            SHOWN
                .completeOnTimeout(null, LONGEST_WAIT_MS, TimeUnit.MILLISECONDS)
                .thenRunAsync(task);
    Path file = wanted.file();
    if (wanted.demo()) {
      session.start(Demo.project(), background);
    } else if (file != null) {
      try {
        session.open(file, background);
      } catch (IOException e) {
        REFUSED.add(e.getMessage());
      }
    }
    return Opening.of(session, background);
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
    desk.session()
        .file()
        .ifPresent(file -> desk.remember(desk.preferences().get().withRecent(file)));
    if (!REFUSED.isEmpty()) {
      desk.refuse(String.join("; ", REFUSED));
    }
    stage.show();
    SHOWN.complete(null);
    if (shots != null) {
      new Shots(stage, desk, shots).take();
      return;
    }
    windows.keepUnsaved(window);
    if (System.getProperty("unimotus.startup") != null) {
      tellTime("window usable after");
      AtomicBoolean told = new AtomicBoolean();
      desk.onRefresh(() -> leaveOnceChecked(desk, told));
      leaveOnceChecked(desk, told);
    }
  }

  private static void leaveOnceChecked(Desk desk, AtomicBoolean told) {
    if (desk.isChecked() && told.compareAndSet(false, true)) {
      tellTime("line checked after");
      Platform.exit();
    }
  }

  private static void tellTime(String what) {
    System.err.printf(
        "%s %d ms%n", what, java.lang.management.ManagementFactory.getRuntimeMXBean().getUptime());
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
      REFUSED.add("the folder of device sheets cannot be read: " + e.getMessage());
      return SheetLibrary.catalogue();
    }
    faults.forEach(f -> REFUSED.add("device sheet left out: " + f.getMessage()));
    return catalogue;
  }
}

package unimotus.desktop;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.extension.ExtendWith;
import org.testfx.api.FxRobot;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;
import unimotus.desktop.shell.Shell;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Opening;

/** A real window that a robot works with mouse and keyboard. */
@ExtendWith(StuckWindow.class)
abstract class WindowTest extends ApplicationTest {
  static final Clock CLOCK = Clock.fixed(Instant.parse("2026-01-02T03:04:05Z"), ZoneOffset.UTC);

  /** Answers the file questions in the user's place. */
  static final class Answers implements Dialogs {
    Path file = Path.of("nowhere");

    @Override
    public Optional<Path> openProject() {
      return Optional.of(file);
    }

    @Override
    public Optional<Path> saveProject(String suggestedName) {
      return Optional.of(file);
    }

    @Override
    public Optional<Path> importFile() {
      return Optional.of(file);
    }

    @Override
    public Optional<Path> export(String suggestedName) {
      return Optional.of(file);
    }
  }

  final Answers answers = new Answers();
  Path folder;
  Desk desk;
  Shell shell;
  Stage stage;

  @Override
  public void start(Stage shown) throws Exception {
    folder = Files.createTempDirectory("unimotus-window");
    stage = shown;
    desk =
        new Desk(
            Opening.of(SheetLibrary.catalogue(), null),
            answers,
            CLOCK,
            folder.resolve("preferences.properties"),
            folder.resolve("sheets"));
    desk.remember(desk.preferences().get().withName("A. Tester"));
    shell = new Shell(desk);
    Scene scene = new Scene(shell, 1280, 800);
    Look.load();
    Look.wear(scene);
    shown.setScene(scene);
    // The stage is that of the test before, which may have left it at another size.
    shown.setWidth(1280);
    shown.setHeight(800);
    shown.setX(0);
    shown.setY(0);
    shown.show();
    shown.toFront();
    shown.requestFocus();
  }

  /** As a window that is closed: what it is connected to, and what it tries beside it, ends. */
  @Override
  public void stop() {
    desk.close();
  }

  static void settle() {
    WaitForAsyncUtils.waitForFxEvents();
  }

  static void waitUntil(Callable<Boolean> condition) throws Exception {
    WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> isMet(condition));
    settle();
  }

  /** A view that is being redrawn while it is looked at does not meet anything yet. */
  private static boolean isMet(Callable<Boolean> condition) throws Exception {
    try {
      return condition.call();
    } catch (IndexOutOfBoundsException
        | java.util.NoSuchElementException
        | java.util.ConcurrentModificationException redrawn) {
      return false;
    }
  }

  /** Does something on the JavaFX thread and waits for it. */
  void onWindow(Runnable action) {
    WaitForAsyncUtils.asyncFx(action);
    settle();
  }

  void click(FxRobot robot, String query) {
    settle();
    robot.clickOn(query);
    settle();
  }

  /** Presses a button by keyboard, wherever it stands. */
  void press(String query) {
    interact(() -> lookup(query).query().requestFocus());
    push(KeyCode.SPACE);
    settle();
  }

  /** Types over what stands in a field, wherever it stands, and takes it with Enter. */
  void type(String field, String text) {
    interact(() -> lookup(field).<TextInputControl>query().requestFocus());
    push(KeyCode.CONTROL, KeyCode.A);
    write(text, 0);
    push(KeyCode.ENTER);
    settle();
  }

  /** Chooses a value that a field offers. */
  <T> void choose(String field, T value) {
    interact(() -> lookup(field).<ComboBox<T>>query().setValue(value));
    settle();
  }

  /** Whether words stand somewhere, among others. */
  boolean shows(String text) {
    return lookup((Labeled l) -> l.getText() != null && l.getText().contains(text) && l.isVisible())
        .tryQuery()
        .isPresent();
  }

  /** Whether just these words stand somewhere. */
  boolean says(String words) {
    return lookup((Labeled l) -> words.equals(l.getText())).tryQuery().isPresent();
  }

  /** All words that stand somewhere. */
  List<String> texts() {
    return lookup((Labeled l) -> l.getText() != null).<Labeled>queryAll().stream()
        .map(Labeled::getText)
        .toList();
  }

  /** Types over what stands in a field and takes it with Enter. */
  void enter(FxRobot robot, String query, String text) {
    // The keyboard brings a field into sight that lies below the fold.
    robot.interact(() -> robot.lookup(query).query().requestFocus());
    settle();
    robot.clickOn(query);
    robot.push(KeyCode.CONTROL, KeyCode.A);
    robot.write(text, 0);
    robot.push(KeyCode.ENTER);
    settle();
  }

  /** Fills a field without taking it. */
  void fill(FxRobot robot, String query, String text) {
    robot.clickOn(query);
    robot.push(KeyCode.CONTROL, KeyCode.A);
    robot.write(text, 0);
    settle();
  }

  /** Chooses by keyboard: first letters do not help in a list without type-ahead, so steps down. */
  @SuppressWarnings("unchecked")
  void choose(FxRobot robot, String query, String words) {
    ComboBox<Object> box = robot.lookup(query).queryAs(ComboBox.class);
    robot.interact(box::requestFocus);
    int wanted = -1;
    for (int i = 0; i < box.getItems().size(); i++) {
      if (box.getConverter().toString(box.getItems().get(i)).equals(words)) {
        wanted = i;
      }
    }
    if (wanted < 0) {
      throw new AssertionError(words + " is not offered by " + query);
    }
    int at = box.getSelectionModel().getSelectedIndex();
    robot.push(KeyCode.F4);
    for (; at < wanted; at++) {
      robot.push(KeyCode.DOWN);
    }
    for (; at > wanted; at--) {
      robot.push(KeyCode.UP);
    }
    robot.push(KeyCode.ENTER);
    settle();
  }

  String message(FxRobot robot) {
    return robot.lookup("#message").queryAs(Label.class).getText();
  }

  String text(FxRobot robot, String query) {
    Node node = robot.lookup(query).query();
    return node instanceof TextField field ? field.getText() : ((Label) node).getText();
  }
}

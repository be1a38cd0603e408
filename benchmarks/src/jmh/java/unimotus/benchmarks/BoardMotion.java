package unimotus.benchmarks;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.IntConsumer;
import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Window;
import unimotus.desktop.Main;
import unimotus.formats.project.ProjectFile;

/**
 * Time between frames on the wire board of a line of 504 wires and 112 devices, in the real window:
 * panned at once after it was laid out, panned again, and with an output toggled at every frame.
 */
public final class BoardMotion {
  private static final int AXES = 56;
  private static final int WIRES = 504;
  private static final int FRAMES = 250;
  private static final int TOGGLES = 60;

  private BoardMotion() {}

  /**
   * Opens the window, measures, prints and ends.
   *
   * @param arguments none
   * @throws Exception where the line cannot be written
   */
  public static void main(String[] arguments) throws Exception {
    Path file = Files.createTempDirectory("unimotus-board").resolve("long.unimotus.json");
    Files.write(file, ProjectFile.write(LongLine.of(AXES, WIRES)));
    Thread measuring = new Thread(BoardMotion::measure, "measuring");
    measuring.setDaemon(true);
    measuring.start();
    Main.main(new String[] {file.toString()});
  }

  private static void measure() {
    try {
      Scene scene = shown("#axis-axis-0");
      fire(scene, "#axis-axis-0");
      shown("#step-wire");
      fire(scene, "#step-wire");
      shown("#whole-line");
      pause();
      long before = System.nanoTime();
      fire(scene, "#whole-line");
      frames(2, i -> {});
      System.out.printf("laid out: %.0f ms%n", (System.nanoTime() - before) / 1e6);
      ScrollPane pane = onWindow(() -> paneAround(scene.lookup("#board")));
      IntConsumer pan = i -> pane.setVvalue(Math.min(1, 0.004 * i));
      print("panned at once", frames(FRAMES, pan));
      pause();
      print("panned again", frames(FRAMES, pan));
      onWindow(
          () -> {
            pane.setVvalue(0);
            return true;
          });
      pause();
      Node output = onWindow(() -> anOutput(scene));
      print("output toggled at every frame", frames(TOGGLES, i -> press(output)));
      System.exit(0);
    } catch (InterruptedException | ExecutionException | RuntimeException e) {
      e.printStackTrace();
      System.exit(2);
    }
  }

  /** An output that can be switched; which of them are made depends on what was in sight. */
  private static Node anOutput(Scene scene) {
    return scene.getRoot().lookupAll(".terminal-row").stream()
        .filter(n -> n.getId() != null && n.getId().matches("terminal-plc-.*-DO\\d+"))
        .findFirst()
        .orElseThrow();
  }

  private static ScrollPane paneAround(Node board) {
    for (Node at = board; at != null; at = at.getParent()) {
      if (at instanceof ScrollPane pane) {
        return pane;
      }
    }
    throw new IllegalStateException("the board is not in a pane");
  }

  private static void press(Node output) {
    Event.fireEvent(
        output,
        new KeyEvent(KeyEvent.KEY_PRESSED, " ", " ", KeyCode.SPACE, false, false, false, false));
  }

  private static void pause() throws InterruptedException {
    Thread.sleep(2000);
  }

  private static Scene shown(String id) throws InterruptedException, ExecutionException {
    while (true) {
      Scene scene =
          onWindow(
              () -> {
                List<Window> open = Window.getWindows();
                return open.isEmpty() ? null : open.get(0).getScene();
              });
      if (scene != null && scene.lookup(id) != null) {
        return scene;
      }
      Thread.sleep(50);
    }
  }

  private static void fire(Scene scene, String button)
      throws InterruptedException, ExecutionException {
    onWindow(
        () -> {
          ((Button) scene.lookup(button)).fire();
          return true;
        });
  }

  private static <T> T onWindow(Supplier<T> action)
      throws InterruptedException, ExecutionException {
    CompletableFuture<T> done = new CompletableFuture<>();
    while (true) {
      try {
        Platform.runLater(() -> complete(done, action));
        return done.get();
      } catch (IllegalStateException notYetStarted) {
        Thread.sleep(50);
      }
    }
  }

  private static <T> void complete(CompletableFuture<T> done, Supplier<T> action) {
    try {
      done.complete(action.get());
    } catch (RuntimeException e) {
      done.completeExceptionally(e);
    }
  }

  /** Milliseconds from frame to frame while something is done at each. */
  private static List<Double> frames(int count, IntConsumer each)
      throws InterruptedException, ExecutionException {
    CompletableFuture<List<Double>> done = new CompletableFuture<>();
    List<Double> gaps = new ArrayList<>();
    new AnimationTimer() {
      private long last = System.nanoTime();
      private int frame;

      @Override
      public void handle(long ignored) {
        long now = System.nanoTime();
        gaps.add((now - last) / 1e6);
        last = now;
        if (frame == count) {
          stop();
          done.complete(gaps);
        } else {
          each.accept(frame++);
        }
      }
    }.start();
    return done.get();
  }

  private static void print(String what, List<Double> gaps) {
    List<Double> sorted = new ArrayList<>(gaps.subList(1, gaps.size()));
    Collections.sort(sorted);
    int n = sorted.size();
    System.out.printf(
        "%s: median %.0f ms a frame, 95 %% %.0f ms, longest %.0f ms (%d frames)%n",
        what, sorted.get(n / 2), sorted.get(n * 95 / 100), sorted.get(n - 1), n);
  }
}

package unimotus.desktop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.desktop.kit.Picture;
import unimotus.desktop.shell.Shell;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.WorkStep;

/** Takes a picture of every main view, made from the demo line, and ends the program. */
final class Shots {
  /** Words as a manual might list them. */
  private static final ManualWords FROM_A_MANUAL =
      new ManualWords(
          List.of(
              new ControlBit(0, ControlMeaning.RUN, "start"),
              new ControlBit(1, ControlMeaning.REVERSE, "backward"),
              new ControlBit(7, ControlMeaning.RESET, "clear fault"),
              new ControlBit(10, ControlMeaning.ALWAYS_SET, "control by link")),
          List.of(
              new StatusBit(0, StatusMeaning.READY, "ready"),
              new StatusBit(2, StatusMeaning.RUNNING, "motor on"),
              new StatusBit(3, StatusMeaning.FAULT, "fault"),
              new StatusBit(8, StatusMeaning.AT_REFERENCE, "at speed")));

  private static final Duration SETTLE = Duration.millis(500);

  /** A view, and what is done to come to it from the one before. */
  record Shot(String name, Consumer<Desk> pose) {}

  private final Stage stage;
  private final Desk desk;
  private final Path folder;
  private final Deque<Shot> waiting = new ArrayDeque<>();

  Shots(Stage stage, Desk desk, Path folder) {
    this.stage = stage;
    this.desk = desk;
    this.folder = folder;
    waiting.add(new Shot("empty", d -> d.session().startNew()));
    waiting.add(new Shot("new-axis", Desk::startAxis));
    waiting.add(new Shot("line", d -> d.openDemo()));
    waiting.add(view("identify", "rinse-drum", WorkStep.IDENTIFY));
    waiting.add(view("wire", "rinse-drum", WorkStep.WIRE));
    waiting.add(
        new Shot(
            "wire-measuring",
            d -> {
              press("#activity-measuring");
              key("#terminal-drum-drive-STO1", KeyCode.R);
              key("#terminal-drum-drive-COM", KeyCode.B);
              key("#terminal-controller-1-AO0", KeyCode.W);
            }));
    waiting.add(
        new Shot(
            "wire-truth",
            d -> {
              press("#activity-wiring");
              press("#mode-truth");
            }));
    waiting.add(pressed("wire-schedule", "#mode-schedule"));
    waiting.add(
        new Shot(
            "sheets",
            d -> {
              d.editingSheets().set(true);
              press("#sheet-begin");
            }));
    waiting.add(
        new Shot(
            "bus",
            d -> {
              d.navigation().showBus();
              d.say("");
              press("#station-slicer-drive");
            }));
    waiting.add(pressed("bus-coupler", "#station-dock-coupler"));
    waiting.add(
        new Shot(
            "bus-start-up",
            d -> {
              press("#station-slicer-drive");
              press("#bus-start_up");
            }));
    waiting.add(
        new Shot(
            "bus-objects",
            d -> {
              press("#bus-objects");
              type("#bus-object-search", "velocity");
            }));
    waiting.add(view("make-safe-begun", "rinse-drum", WorkStep.MAKE_SAFE));
    waiting.add(pressed("make-safe-running", "#run-faults"));
    waiting.add(new Shot("make-safe", d -> {}));
    waiting.add(pressed("make-safe-figures", "#side-figures"));
    waiting.add(pressed("make-safe-proof", "#side-record"));
    waiting.add(pressed("new-stop", "#another-stop"));
    waiting.add(view("set-up-begun", "rinse-drum", WorkStep.SET_UP));
    waiting.add(new Shot("set-up", d -> focus("#setting-R30")));
    waiting.add(pressed("set-up-compare", "#side-compare"));
    waiting.add(
        new Shot(
            "set-up-trial",
            d -> {
              press("#side-rehearse");
              press("#order-reverse");
            }));
    waiting.add(pressed("set-up-ready", "#side-ready"));
    waiting.add(view("path", "rinse-drum", WorkStep.MAP));
    waiting.add(
        new Shot(
            "words",
            d -> {
              press("#map-words");
              press("#want-start-forward");
            }));
    waiting.add(pressed("words-sent", "#send-next"));
    waiting.add(
        new Shot(
            "words-manual",
            d -> {
              d.apply(
                  SetUpEdits.fieldbus(
                      "drum-drive", "enter words", f -> f.withWords(FROM_A_MANUAL)));
              press("#edit-words");
            }));
    waiting.add(
        new Shot(
            "registers",
            d -> {
              d.session().undo();
              press("#words-back");
              d.show("infeed-belt", WorkStep.MAP);
              d.say("");
              press("#map-registers");
            }));
    waiting.add(pressed("register", "#register-row-1"));
    waiting.add(pressed("controller-bus", "#map-controller"));
    waiting.add(view("controller", "rinse-drum", WorkStep.MAP));
    waiting.add(
        new Shot(
            "frames",
            d -> {
              d.show("infeed-belt", WorkStep.MAP);
              press("#map-frames");
              type("#compose-count", "3");
            }));
    waiting.add(
        new Shot(
            "live",
            d -> {
              press("#map-live");
              press("#live-stand-ins");
              press("#live-join");
            }));
    waiting.add(
        new Shot(
            "find",
            d -> {
              press("#map-find");
              press("#find-units");
            }));
    waiting.add(
        new Shot(
            "motion-scaling",
            d -> {
              d.show("slicer-x", WorkStep.MAP);
              d.say("");
              press("#map-motion");
            }));
    waiting.add(pressed("motion", "#motion-moves"));
    waiting.add(pressed("motion-loops", "#motion-loops"));
    waiting.add(pressed("motion-bits", "#motion-bits"));
    waiting.add(pressed("controller-motion", "#map-controller"));
    waiting.add(
        new Shot(
            "motion-coils",
            d -> {
              d.show("bale-tie", WorkStep.MAP);
              d.say("");
              press("#map-motion");
              press("#motion-coils");
            }));
    waiting.add(pressed("motion-pulses", "#motion-moves"));
    waiting.add(view("wire-pulses", "bale-tie", WorkStep.WIRE));
    waiting.add(view("prove-pulses", "bale-tie", WorkStep.PROVE));
    waiting.add(view("identify-servo", "slicer-z", WorkStep.IDENTIFY));
    waiting.add(view("wire-servo", "slicer-z", WorkStep.WIRE));
    waiting.add(view("make-safe-servo", "slicer-z", WorkStep.MAKE_SAFE));
    waiting.add(view("set-up-servo", "slicer-z", WorkStep.SET_UP));
    waiting.add(view("prove-servo", "slicer-z", WorkStep.PROVE));
    waiting.add(view("dry-run-servo", "slicer-x", WorkStep.DRY_RUN));
    waiting.add(
        new Shot(
            "path-servo",
            d -> {
              d.show("slicer-x", WorkStep.MAP);
              press("#map-path");
            }));
    waiting.add(view("dry-run-begun", "drying-fan", WorkStep.DRY_RUN));
    waiting.add(pressed("dry-run-wires", "#run-wires"));
    waiting.add(pressed("dry-run-running", "#scenario-presets-in-turn"));
    waiting.add(new Shot("dry-run", d -> {}));
    waiting.add(view("sequence-begun", "bale-tie", WorkStep.DRY_RUN));
    waiting.add(new Shot("sequence", d -> {}));
    waiting.add(view("prove", "drying-fan", WorkStep.PROVE));
    waiting.add(
        new Shot(
            "help",
            d -> {
              if (stage.getScene().getRoot() instanceof Shell shell) {
                shell.toggleHelp();
              }
            }));
    waiting.add(
        new Shot(
            "path-dark",
            d -> {
              if (stage.getScene().getRoot() instanceof Shell shell) {
                shell.toggleHelp();
              }
              d.preferences().set(d.preferences().get().withDark(true));
              d.show("infeed-belt", WorkStep.MAP);
              press("#map-path");
              d.say("");
            }));
  }

  private static Shot view(String name, @Nullable String axis, WorkStep step) {
    return new Shot(
        name,
        d -> {
          d.show(axis, step);
          d.say("");
        });
  }

  /** Presses a button of the view that is shown. */
  private Shot pressed(String name, String button) {
    return new Shot(name, d -> press(button));
  }

  private void press(String button) {
    // What stands in a scroll pane is there once it was laid out.
    stage.getScene().getRoot().applyCss();
    stage.getScene().getRoot().layout();
    if (stage.getScene().lookup(button) instanceof Button pressed) {
      pressed.fire();
    }
  }

  private void key(String on, KeyCode code) {
    Node node = stage.getScene().lookup(on);
    if (node != null) {
      node.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
    }
  }

  private void type(String field, String text) {
    if (stage.getScene().lookup(field) instanceof TextField typed) {
      typed.setText(text);
    }
  }

  private void focus(String field) {
    stage.getScene().lookup(field).requestFocus();
  }

  /** The views in the order they are come to. */
  List<Shot> views() {
    return List.copyOf(waiting);
  }

  void take() throws IOException {
    Files.createDirectories(folder);
    next();
  }

  private void next() {
    Shot shot = waiting.poll();
    if (shot == null) {
      Platform.exit();
      return;
    }
    try {
      shot.pose().accept(desk);
    } catch (RuntimeException e) {
      System.err.println("unimotus: picture " + shot.name() + " failed: " + e);
      Platform.exit();
      return;
    }
    PauseTransition pause = new PauseTransition(SETTLE);
    pause.setOnFinished(e -> write(shot));
    pause.play();
  }

  private void write(Shot shot) {
    Path file = folder.resolve(shot.name() + ".png");
    try {
      Picture.write(stage.getScene().snapshot(null), file);
      System.out.println(file);
      next();
    } catch (IOException e) {
      System.err.println("unimotus: " + file + " could not be written: " + e.getMessage());
      Platform.exit();
    }
  }
}

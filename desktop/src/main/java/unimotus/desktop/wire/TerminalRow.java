package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.text.Text;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.InputReading;
import unimotus.core.wiring.LineSolution;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Styles;
import unimotus.workbench.board.WireBench;

/** One terminal on the board: its dot, marking, use, and what it does or sees now. */
final class TerminalRow extends HBox {
  private final TerminalRef ref;
  private final Terminal terminal;
  private final Circle dot = new Circle(5);
  private final Region glyph = new Region();
  private final Text value = Parts.words("", "terminal-value");
  private final boolean switchable;

  TerminalRow(
      TerminalRef ref, Terminal terminal, String use, boolean rightward, boolean switchable) {
    super(7);
    this.ref = ref;
    this.terminal = terminal;
    this.switchable = switchable;
    Text name = Parts.words(terminal.id(), "terminal-name");
    Text label = Parts.words(use, "words-caption");
    glyph.getStyleClass().add("level");
    dot.getStyleClass().add("terminal");
    dot.setMouseTransparent(true);
    getStyleClass().add("terminal-row");
    setId("terminal-" + ref.device() + "-" + ref.terminal());
    setFocusTraversable(true);
    setAlignment(rightward ? Pos.CENTER_RIGHT : Pos.CENTER_LEFT);
    if (rightward) {
      getChildren().addAll(value, glyph, label, name);
    } else {
      getChildren().addAll(name, label, glyph, value);
    }
    boolean tells = terminal.role().isBinaryInput() || switchable;
    glyph.setVisible(tells);
    glyph.setManaged(tells);
    setAccessibleText("%s, %s".formatted(ref, use));
  }

  TerminalRef ref() {
    return ref;
  }

  Circle dot() {
    return dot;
  }

  /** The sign of an output, which can be clicked to switch it. */
  Region glyph() {
    return glyph;
  }

  boolean isSwitchable() {
    return switchable;
  }

  /** Shows what the terminal does or sees in the present state. */
  void paint(WireBench bench, LineSolution solution, boolean wired, Readout readout) {
    List<String> marks = new ArrayList<>(List.of("terminal"));
    mark(marks, "wired", wired);
    mark(marks, "armed", ref.equals(bench.armed()));
    mark(marks, "red-probe", ref.equals(bench.red()));
    mark(marks, "black-probe", ref.equals(bench.black()));
    Styles.set(dot, marks);
    if (switchable) {
      boolean on = bench.state().isOn(ref);
      Styles.set(glyph, List.of("level", "switch", on ? "closed" : "open"));
      tell(on ? "on" : "off");
    } else if (terminal.role().isBinaryInput()) {
      paintInput(solution.input(ref), readout);
    } else {
      paintSignal(bench, solution, readout);
    }
  }

  private static void mark(List<String> marks, String style, boolean is) {
    if (is) {
      marks.add(style);
    }
  }

  /** Sets words only where they differ: setting them lays the row out again. */
  private void tell(String words) {
    if (!words.equals(value.getText())) {
      value.setText(words);
    }
  }

  private void paintInput(Optional<InputReading> reading, Readout readout) {
    String level = reading.map(r -> r.level().label()).orElse("");
    Styles.set(glyph, List.of("level", level.isEmpty() ? "unread" : level));
    tell(reading.map(r -> r.level().label() + "  " + readout.volts(r.volts())).orElse(""));
  }

  private void paintSignal(WireBench bench, LineSolution solution, Readout readout) {
    OptionalDouble received = solution.received(ref);
    tell(
        received.isEmpty()
            ? ""
            : readout.fixed(received.getAsDouble(), 2) + (takesCurrent(bench) ? " mA" : " V"));
  }

  private boolean takesCurrent(WireBench bench) {
    return bench
        .installation()
        .device(ref.device())
        .filter(d -> d.takesCurrent(ref.terminal()))
        .isPresent();
  }
}

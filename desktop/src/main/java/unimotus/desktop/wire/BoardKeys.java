package unimotus.desktop.wire;

import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.input.KeyEvent;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.workbench.board.WireBench;
import unimotus.workbench.board.WireBench.Lead;

/**
 * The keys on a terminal: Enter wires or measures, Space switches an output, R and B put a probe, W
 * chooses the wires one after the other, E goes to the other end of the chosen one.
 */
final class BoardKeys {
  private final WireBench bench;
  private final Consumer<TerminalRef> touched;
  private final Consumer<TerminalRef> focus;
  private final Function<TerminalRef, List<Wire>> wiresOn;
  private final Collection<TerminalRow> rows;

  BoardKeys(
      WireBench bench,
      Consumer<TerminalRef> touched,
      Consumer<TerminalRef> focus,
      Function<TerminalRef, List<Wire>> wiresOn,
      Collection<TerminalRow> rows) {
    this.bench = bench;
    this.touched = touched;
    this.focus = focus;
    this.wiresOn = wiresOn;
    this.rows = rows;
  }

  void key(KeyEvent e, TerminalRow row) {
    switch (e.getCode()) {
      case ENTER -> touched.accept(row.ref());
      case SPACE -> {
        if (row.isSwitchable()) {
          bench.toggle(row.ref());
        } else {
          touched.accept(row.ref());
        }
      }
      case R -> bench.put(Lead.RED, row.ref());
      case B -> bench.put(Lead.BLACK, row.ref());
      case W -> chooseNextWire(row.ref());
      case E -> otherEnd(row.ref());
      case DOWN -> step(row, 1);
      case UP -> step(row, -1);
      default -> {
        return;
      }
    }
    e.consume();
  }

  /** Chooses the next of the wires on a terminal. */
  private void chooseNextWire(TerminalRef ref) {
    List<String> on = wiresOn.apply(ref).stream().map(Wire::id).toList();
    if (!on.isEmpty()) {
      int at = bench.wire().map(w -> on.indexOf(w.id())).orElse(-1);
      bench.choose(on.get((at + 1) % on.size()));
    }
  }

  /** Follows the chosen wire, or the first one on the terminal, to where it ends. */
  private void otherEnd(TerminalRef ref) {
    Wire wire = bench.wire().filter(w -> w.touches(ref)).orElse(null);
    if (wire == null) {
      wire = wiresOn.apply(ref).stream().findFirst().orElse(null);
    }
    if (wire != null) {
      bench.choose(wire.id());
      focus.accept(wire.otherEnd(ref));
    }
  }

  private void step(TerminalRow from, int by) {
    List<TerminalRow> same =
        rows.stream()
            .filter(r -> r.ref().device().equals(from.ref().device()))
            .sorted((a, b) -> Double.compare(a.getLayoutY(), b.getLayoutY()))
            .toList();
    int next = same.indexOf(from) + by;
    if (next >= 0 && next < same.size()) {
      same.get(next).requestFocus();
    }
  }
}

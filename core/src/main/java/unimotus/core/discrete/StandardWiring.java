package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * Proposes the wires of a two-wire axis: run forward and reverse from free outputs of the matching
 * kind, the common, the reference pair and the answer pair. Wires that are there already are kept
 * and not doubled.
 */
public final class StandardWiring {
  private final AxisAssembly axis;
  private final AxisTerminals terminals;
  private final List<Wire> all;
  private final List<Wire> proposed = new ArrayList<>();

  private StandardWiring(AxisAssembly axis, List<Wire> allWires) {
    this.axis = axis;
    this.terminals = new AxisTerminals(axis);
    this.all = new ArrayList<>(allWires);
  }

  /**
   * The wires to add.
   *
   * @param allWires every wire of the project, so that no point is used twice
   * @return possibly empty, where everything is wired already
   */
  public static List<Wire> propose(AxisAssembly axis, List<Wire> allWires) {
    StandardWiring wiring = new StandardWiring(axis, allWires);
    wiring.command("run-forward");
    wiring.command("run-reverse");
    wiring.release();
    wiring.returnOfInputs();
    wiring.reference();
    wiring.answer();
    return List.copyOf(wiring.proposed);
  }

  private void command(String function) {
    Optional<TerminalRef> input = terminals.input(function);
    if (input.isEmpty() || touched(input.get())) {
      return;
    }
    boolean source =
        terminals.settings().selector(SelectorRole.INPUT_LOGIC, "source").equals("source");
    freeOutput(source ? TerminalRole.SOURCING_OUTPUT : TerminalRole.SINKING_OUTPUT)
        .ifPresent(output -> join(output, input.get()));
  }

  /**
   * A control release is joined to the drive's own 24 V, or pulled to the common of a sinking
   * input.
   */
  private void release() {
    boolean source =
        terminals.settings().selector(SelectorRole.INPUT_LOGIC, "source").equals("source");
    Optional<TerminalRef> feed = source ? terminals.driveSupply() : terminals.inputCommon();
    terminals
        .input("enable")
        .filter(t -> !touched(t))
        .ifPresent(t -> feed.ifPresent(f -> join(f, t)));
  }

  private Optional<TerminalRef> freeOutput(TerminalRole wanted) {
    return terminals.binaryOutputs().stream()
        .filter(o -> terminals.controllerTerminal(o).role() == wanted)
        .filter(o -> !touched(o))
        .findFirst();
  }

  private void returnOfInputs() {
    terminals.inputCommon().ifPresent(c -> terminals.controllerZero().ifPresent(z -> join(z, c)));
  }

  private void reference() {
    Reference reference = axis.axis().reference();
    if (reference.output() != null && reference.input() != null) {
      joinPair(
          terminals.onController(reference.output()),
          axis.controllerSheet().terminal(reference.output()),
          terminals.onDrive(reference.input()),
          axis.driveSheet().terminal(reference.input()));
    }
  }

  private void answer() {
    Answer answer = axis.axis().answer();
    if (answer.output() != null && answer.input() != null) {
      joinPair(
          terminals.onDrive(answer.output()),
          axis.driveSheet().terminal(answer.output()),
          terminals.onController(answer.input()),
          axis.controllerSheet().terminal(answer.input()));
    }
  }

  private void joinPair(
      TerminalRef from, Optional<Terminal> fromSheet, TerminalRef to, Optional<Terminal> toSheet) {
    join(from, to);
    Optional<String> fromCommon = fromSheet.map(Terminal::common);
    Optional<String> toCommon = toSheet.map(Terminal::common);
    if (fromCommon.isPresent() && toCommon.isPresent()) {
      join(
          new TerminalRef(from.device(), fromCommon.get()),
          new TerminalRef(to.device(), toCommon.get()));
    }
  }

  private void join(TerminalRef from, TerminalRef to) {
    if (new Nets(all).joined(from, to)) {
      return;
    }
    Set<String> taken = new HashSet<>(all.stream().map(Wire::id).toList());
    Wire wire = new Wire(Ids.from("w" + (all.size() + 1), taken), from, to);
    all.add(wire);
    proposed.add(wire);
  }

  private boolean touched(TerminalRef terminal) {
    return all.stream().anyMatch(w -> w.touches(terminal));
  }
}

package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** Whether permission, commands and references reach the drive over the wires as drawn. */
public final class DiscreteChecks {
  private final AxisAssembly axis;
  private final AxisTerminals terminals;
  private final Nets nets;
  private final List<Finding> found = new ArrayList<>();

  private DiscreteChecks(AxisAssembly axis) {
    this.axis = axis;
    this.terminals = new AxisTerminals(axis);
    this.nets = new Nets(axis.wires());
  }

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    DiscreteChecks checks = new DiscreteChecks(axis);
    checks.checkWireEnds();
    checks.checkPermission();
    checks.checkRun();
    checks.checkReverse();
    checks.checkLevel();
    checks.checkRestart();
    checks.checkReferenceWires();
    return checks.found;
  }

  private void checkWireEnds() {
    for (Wire wire : axis.wires()) {
      checkEnd(wire, wire.from());
      checkEnd(wire, wire.to());
    }
  }

  private void checkEnd(Wire wire, TerminalRef end) {
    boolean known =
        end.device().equals(axis.drive().id())
            ? axis.driveSheet().terminal(end.terminal()).isPresent()
            : !end.device().equals(axis.controller().id())
                || axis.controllerSheet().terminal(end.terminal()).isPresent();
    if (!known) {
      add(
          Severity.ERROR,
          Rule.UNKNOWN_TERMINAL,
          "wires/" + wire.id(),
          "wire %s ends on %s, which the device does not have".formatted(wire.id(), end),
          "A conductor that ends nowhere carries nothing.",
          "Move the end to a terminal of the device, or remove the wire.");
    }
  }

  private void checkPermission() {
    List<TerminalRef> sto = terminals.safeTorqueOff();
    boolean jumper =
        terminals.settings().selector(SelectorRole.STO_JUMPER, "removed").equals("fitted");
    if (!sto.isEmpty() && jumper) {
      add(
          Severity.NOTE,
          Rule.BYPASSED_PERMISSION,
          "drive/sto",
          "the works jumper bridges safe torque off: no stop circuit can take the torque away",
          "Good for a bench test with the motor uncoupled, not for a machine.",
          "Wire the stop circuit, remove the jumper and keep it for bench tests. The risk assessment decides.");
    }
    boolean open = sto.stream().anyMatch(t -> axis.wires().stream().noneMatch(w -> w.touches(t)));
    if (!sto.isEmpty() && !jumper && open) {
      addNoPermission("safe torque off is neither wired nor bridged (%s)".formatted(names(sto)));
    }
    terminals
        .input("enable")
        .filter(t -> axis.wires().stream().noneMatch(w -> w.touches(t)))
        .ifPresent(
            t -> addNoPermission("the enable input %s is not wired".formatted(t.terminal())));
  }

  private void addNoPermission(String seen) {
    add(
        Severity.ERROR,
        Rule.NO_PERMISSION,
        "drive/permission",
        seen,
        "The drive stays blocked and reports that it may not run, whatever is commanded.",
        "Wire the permission, or for a bench test with the motor uncoupled fit the works jumper and record it.");
  }

  private void checkRun() {
    Optional<TerminalRef> run = terminals.input("run-forward");
    if (run.isEmpty()) {
      addRunUnwired("no input of the drive is set to run forward");
      return;
    }
    List<TerminalRef> outputs = outputsOn(run.get());
    if (outputs.isEmpty()) {
      addRunUnwired(
          "%s (run forward) has no output of the controller on it".formatted(run.get().terminal()));
      return;
    }
    checkCircuit(run.get(), outputs);
  }

  private void checkReverse() {
    terminals.input("run-reverse").ifPresent(t -> checkCircuit(t, outputsOn(t)));
  }

  private void addRunUnwired(String seen) {
    add(
        Severity.ERROR,
        Rule.RUN_UNWIRED,
        "wires",
        seen,
        "The drive will stand ready and never start.",
        "Wire a binary output of the controller to the run input.");
  }

  private List<TerminalRef> outputsOn(TerminalRef input) {
    return nets.joinedWith(input, terminals.binaryOutputs());
  }

  private void checkCircuit(TerminalRef input, List<TerminalRef> outputs) {
    if (outputs.size() > 1) {
      add(
          Severity.ERROR,
          Rule.USED_TWICE,
          "wires",
          "%s hangs on %d outputs: %s".formatted(input.terminal(), outputs.size(), names(outputs)),
          "Either output switches the input; a sourcing one against a sinking one is a short circuit.",
          "Leave one output on the input.");
    }
    for (TerminalRef output : outputs) {
      checkSense(input, terminals.controllerTerminal(output));
    }
  }

  private void checkSense(TerminalRef input, Terminal output) {
    boolean source =
        terminals.settings().selector(SelectorRole.INPUT_LOGIC, "source").equals("source");
    if (output.role() == TerminalRole.RELAY_CONTACT) {
      checkContactFeed(output, source);
      return;
    }
    boolean sourcing = output.role() == TerminalRole.SOURCING_OUTPUT;
    if (sourcing != source) {
      add(
          Severity.ERROR,
          Rule.SOURCE_SINK,
          "drive/" + input.terminal(),
          "%s is a %s output, the drive's inputs are set to %s"
              .formatted(
                  output.id(), sourcing ? "sourcing" : "sinking", source ? "source" : "sink"),
          sourcing
              ? "Both ends of the input sit near +24 V: it reads off for good, on or off."
              : "Nothing feeds the input: it reads off for good, on or off.",
          "Put the input selector to %s, with the drive switched off, and check the common."
              .formatted(sourcing ? "source" : "sink"));
    }
    checkCommon(source);
  }

  private void checkCommon(boolean source) {
    boolean joined =
        terminals
            .inputCommon()
            .flatMap(c -> terminals.controllerZero().map(z -> nets.joined(c, z)))
            .orElse(false);
    if (!joined) {
      String common = terminals.inputCommon().map(TerminalRef::terminal).orElse("the input common");
      String zero = terminals.controllerZero().map(TerminalRef::terminal).orElse("0 V");
      add(
          Severity.ERROR,
          Rule.NO_COMMON,
          "wires/common",
          "%s of the drive and %s of the controller are not joined".formatted(common, zero),
          source
              ? "The current has no way back: the input floats and reads off or at random."
              : "The input's current cannot reach the output's 0 V: it reads off.",
          "Join %s with %s.".formatted(common, zero));
    }
  }

  private void checkContactFeed(Terminal contact, boolean source) {
    TerminalRef feed =
        terminals.onController(contact.common() == null ? contact.id() : contact.common());
    Optional<TerminalRef> wanted = source ? terminals.driveSupply() : terminals.inputCommon();
    boolean fed =
        wanted.map(w -> nets.joined(feed, w)).orElse(false)
            || (source
                && terminals.controllerSupply().map(s -> nets.joined(feed, s)).orElse(false));
    if (!fed) {
      add(
          Severity.ERROR,
          Rule.NO_COMMON,
          "wires/common",
          "the contact %s is not fed: %s is not joined with %s"
              .formatted(
                  contact.id(),
                  feed.terminal(),
                  wanted.map(TerminalRef::terminal).orElse("a supply")),
          "A dry contact passes on only what it is given; the input never sees a voltage.",
          "Join %s with %s of the drive."
              .formatted(feed.terminal(), wanted.map(TerminalRef::terminal).orElse("the supply")));
    }
  }

  private void checkLevel() {
    if (terminals.settings().choice(SettingRole.INPUT_LEVEL, "active-high").equals("active-low")
        && terminals.settings().selector(SelectorRole.INPUT_LOGIC, "source").equals("source")) {
      add(
          Severity.ERROR,
          Rule.INPUT_LEVEL,
          "drive/inputs",
          "inputs are set active low while the selector stands at source",
          "An open contact or a broken wire then means run.",
          "Set the level to active high; agree the level with the selector before power.");
    }
  }

  private void checkRestart() {
    boolean twoWire =
        terminals.settings().choice(SettingRole.CONTROL_WIRING, "two-wire").equals("two-wire");
    boolean allowed =
        terminals.settings().choice(SettingRole.RESTART_AT_POWER_UP, "blocked").equals("allowed");
    if (twoWire && allowed) {
      add(
          Severity.WARNING,
          Rule.RESTART,
          "drive/"
              + axis.driveSheet()
                  .setting(SettingRole.RESTART_AT_POWER_UP)
                  .map(s -> s.code())
                  .orElse("restart"),
          "two-wire control with restart allowed: power that returns with the contact closed starts the motor",
          "Nobody near the machine expects a start when the mains come back.",
          "Block the restart, use three-wire control, or have the controller drop the run command on power loss.");
    }
  }

  private void checkReferenceWires() {
    String output = axis.axis().reference().output();
    String input = axis.axis().reference().input();
    if (output == null || input == null) {
      addReference(
          "no %s is chosen for the reference"
              .formatted(output == null ? "output point" : "drive input"));
      return;
    }
    boolean signal = nets.joined(terminals.onController(output), terminals.onDrive(input));
    boolean back =
        commonOf(axis.controllerSheet().terminal(output))
            .map(terminals::onController)
            .flatMap(
                c ->
                    commonOf(axis.driveSheet().terminal(input))
                        .map(terminals::onDrive)
                        .map(d -> nets.joined(c, d)))
            .orElse(false);
    if (!signal) {
      addReference(
          "%s of the controller and %s of the drive are not joined".formatted(output, input));
    } else if (!back) {
      addReference("the returns of %s and %s are not joined".formatted(output, input));
    }
  }

  private static Optional<String> commonOf(Optional<Terminal> terminal) {
    return terminal.map(Terminal::common);
  }

  private void addReference(String seen) {
    add(
        Severity.ERROR,
        Rule.REFERENCE_UNWIRED,
        "wires/reference",
        seen,
        "The speed stays at its minimum, or drifts with whatever the open input picks up.",
        "Wire signal and return, as a shielded pair.");
  }

  private static String names(List<TerminalRef> refs) {
    return String.join(", ", refs.stream().map(TerminalRef::terminal).toList());
  }

  private void add(
      Severity severity, Rule rule, String place, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity, rule, "axis/%s/%s".formatted(axis.axis().id(), place), seen, why, remedy));
  }
}

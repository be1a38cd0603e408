package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.settings.LinkChecks;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.TruthTable;

/** Whether permission, commands and references reach the drive over the wires as drawn. */
public final class DiscreteChecks {
  private final AxisAssembly axis;
  private final AxisTerminals terminals;
  private final Nets nets;
  private final TruthTable table;
  private final Installation installation;
  private final List<Finding> found = new ArrayList<>();

  private DiscreteChecks(AxisAssembly axis) {
    this.axis = axis;
    this.terminals = new AxisTerminals(axis);
    this.nets = new Nets(axis.wires());
    this.table = TruthTable.of(axis);
    this.installation = Installation.of(axis);
  }

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    DiscreteChecks checks = new DiscreteChecks(axis);
    checks.checkWireEnds();
    checks.checkPermission();
    if (!LinkChecks.isCommandedByLink(axis) && !axis.isStepped()) {
      checks.checkRun();
    }
    checks.checkUsedTwice();
    checks.checkPulses();
    checks.checkStarts();
    List<Finding> pulses = PulseChecks.check(axis, checks.table);
    checks.found.addAll(pulses);
    List<String> told = pulses.stream().map(Finding::place).toList();
    ReadingChecks.check(axis, checks.table).stream()
        .filter(f -> !told.contains(f.place()))
        .forEach(checks.found::add);
    checks.found.addAll(PurposeChecks.check(axis, checks.table));
    checks.found.addAll(LoadChecks.check(axis, checks.table));
    checks.found.addAll(FailSafeChecks.check(axis));
    checks.checkRestart();
    return checks.found;
  }

  private void checkWireEnds() {
    for (Wire wire : axis.wires()) {
      checkMixed(wire);
    }
  }

  /** A wire of the power side has no business on a control terminal. */
  private void checkMixed(Wire wire) {
    boolean power = isPower(wire.from()) || isPower(wire.to());
    boolean control = isControl(wire.from()) || isControl(wire.to());
    if (power && control) {
      add(
          Severity.ERROR,
          Rule.MIXED_WIRE,
          "wires/" + wire.id(),
          "wire %s connects %s and %s: one is power, the other control"
              .formatted(wire.id(), wire.from(), wire.to()),
          "Mains on a control terminal destroys the device and may kill.",
          "Move the end to a power terminal, or remove the wire.");
    }
  }

  private boolean isPower(TerminalRef end) {
    return installation.terminal(end).filter(t -> t.role().isPower()).isPresent();
  }

  private boolean isControl(TerminalRef end) {
    return installation.terminal(end).filter(t -> !t.role().isPower()).isPresent();
  }

  private void checkPermission() {
    List<TerminalRef> sto = terminals.safeTorqueOff();
    boolean jumper =
        terminals.settings().is(SelectorRole.STO_JUMPER, Option.FITTED, Option.REMOVED);
    if (!sto.isEmpty() && jumper) {
      add(
          Severity.NOTE,
          Rule.BYPASSED_PERMISSION,
          "drive/sto",
          "the factory-fitted jumper bridges safe torque off: no stop can take the torque away there",
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
        "The drive stays blocked and reports that it may not run, at any command.",
        "Wire the permission, or for a bench test with the motor uncoupled fit the factory-fitted jumper and record it.");
  }

  private void checkRun() {
    checkLatch();
    Optional<TerminalRef> run = terminals.input("run-forward").or(() -> anyStart());
    if (run.isEmpty()) {
      addRunUnwired("no input of the drive is set to run forward or start");
    } else if (table.inputs().stream().noneMatch(run.get()::equals) || !isMeant(run.get())) {
      addRunUnwired(
          "%s (run forward) has no output of the controller on it".formatted(run.get().terminal()));
    }
  }

  /** A start that is latched needs something that ends it. */
  private void checkLatch() {
    boolean latched =
        new EffectiveSettings(axis.drive(), axis.driveSheet())
            .is(SettingRole.CONTROL_WIRING, Option.THREE_WIRE, Option.TWO_WIRE);
    anyStart()
        .filter(start -> latched && terminals.input("stop").isEmpty())
        .ifPresent(
            start ->
                add(
                    Severity.ERROR,
                    Rule.STOP_UNASSIGNED,
                    "drive/" + start.terminal(),
                    "%s is set to start and latches, no input is set to stop"
                        .formatted(start.terminal()),
                    "The drive refuses the start, or nothing wired could end it.",
                    "Set an input to stop and wire a contact to it that opens."));
  }

  private Optional<TerminalRef> anyStart() {
    return terminals
        .input("start")
        .or(() -> terminals.input("start-delayed"))
        .or(() -> terminals.input("start-reverse"));
  }

  private boolean isMeant(TerminalRef input) {
    return Meanings.of(axis).stream().anyMatch(i -> i.input().equals(input));
  }

  private void addRunUnwired(String seen) {
    add(
        Severity.ERROR,
        Rule.RUN_UNWIRED,
        "wires",
        seen,
        "The drive will stay ready and never start.",
        "Wire a binary output of the controller to the run input.");
  }

  private void checkUsedTwice() {
    for (TerminalRef input : table.inputs()) {
      List<TerminalRef> outputs = nets.joinedWith(input, terminals.binaryOutputs());
      if (outputs.size() > 1) {
        add(
            Severity.ERROR,
            Rule.USED_TWICE,
            "wires",
            "%s is connected to %d outputs: %s"
                .formatted(input.terminal(), outputs.size(), names(outputs)),
            "Either output switches the input; a sourcing one against a sinking one is a short circuit.",
            "Leave one output on the input.");
      }
    }
  }

  /** Slow contacts cannot follow a pulse train (common practice). */
  private void checkPulses() {
    terminals
        .input("pulse-reference")
        .map(i -> nets.joinedWith(i, terminals.binaryOutputs()))
        .stream()
        .flatMap(List::stream)
        .filter(o -> terminals.controllerTerminal(o).role() == TerminalRole.RELAY_CONTACT)
        .forEach(
            o ->
                add(
                    Severity.ERROR,
                    Rule.RELAY_PULSES,
                    "controller/" + o.terminal(),
                    "%s is a relay contact and is asked for pulses".formatted(o.terminal()),
                    "A contact makes and breaks some ten times a second, bounces, and wears out in hours.",
                    "Use a transistor output for pulses."));
  }

  /** Plain and delayed start exclude each other (common practice). */
  private void checkStarts() {
    boolean both =
        terminals.input("start").isPresent() && terminals.input("start-delayed").isPresent();
    if (both) {
      add(
          Severity.ERROR,
          Rule.START_TWICE,
          "drive/inputs",
          "both the plain and the delayed start are assigned to inputs",
          "The drive reports a configuration alarm and does not run.",
          "Leave one of the two. After a Hand–Off–Auto selector take the delayed one.");
    }
    HandMode.of(axis, table).forEach(h -> found.addAll(h.findings(axis.axis().id())));
  }

  private void checkRestart() {
    boolean twoWire =
        terminals.settings().is(SettingRole.CONTROL_WIRING, Option.TWO_WIRE, Option.TWO_WIRE);
    boolean allowed =
        terminals.settings().is(SettingRole.RESTART_AT_POWER_UP, Option.ALLOWED, Option.BLOCKED);
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

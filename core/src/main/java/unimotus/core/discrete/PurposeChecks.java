package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Nets;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.TruthTable;

/**
 * What an input of the drive is wired for against the function the drive is set to give it, and
 * commands that are never off.
 */
final class PurposeChecks {
  private static final String NONE = "none";

  private final AxisAssembly axis;
  private final TruthTable table;
  private final EffectiveSettings settings;
  private final List<Finding> found = new ArrayList<>();

  private PurposeChecks(AxisAssembly axis, TruthTable table) {
    this.axis = axis;
    this.table = table;
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
  }

  static List<Finding> check(AxisAssembly axis, TruthTable table) {
    PurposeChecks checks = new PurposeChecks(axis, table);
    if (checks.settings.is(SettingRole.COMMAND_SOURCE, Option.TERMINALS, Option.TERMINALS)) {
      checks.checkFunctions();
      checks.checkNeverOff();
    }
    return checks.found;
  }

  private record Purpose(TerminalRef input, Meaning meaning, String function) {
    boolean differs() {
      return !meaning.word().equals(function);
    }

    String words() {
      return "%s is wired for %s and set to %s"
          .formatted(
              input.terminal(), meaning.label(), function.equals(NONE) ? "nothing" : shown());
    }

    private String shown() {
      return function.replace('-', ' ');
    }
  }

  private void checkFunctions() {
    List<Purpose> wrong = new ArrayList<>();
    Set<TerminalRef> seen = new HashSet<>();
    for (Intent intent : axis.intents()) {
      if (intent.input().device().equals(axis.drive().id()) && seen.add(intent.input())) {
        purpose(intent).filter(Purpose::differs).ifPresent(wrong::add);
      }
    }
    Set<TerminalRef> told = new HashSet<>();
    for (Purpose one : wrong) {
      wrong.stream()
          .filter(o -> !told.contains(one.input()) && !told.contains(o.input()))
          .filter(o -> o.function().equals(one.meaning().word()))
          .filter(o -> one.function().equals(o.meaning().word()))
          .findFirst()
          .ifPresent(
              other -> {
                told.add(one.input());
                told.add(other.input());
                add(
                    one.input(),
                    "%s; %s: the two are exchanged".formatted(one.words(), other.words()),
                    "Exchange the two wires, or the functions of the two terminals.");
              });
    }
    wrong.stream()
        .filter(p -> !told.contains(p.input()))
        .forEach(
            p ->
                add(
                    p.input(),
                    p.words(),
                    "Set %s to %s, or move the wire."
                        .formatted(code(p.input().terminal()), p.meaning().label())));
    checkIdle(seen);
  }

  private Optional<Purpose> purpose(Intent intent) {
    return settings
        .functionOf(intent.input().terminal())
        .map(f -> new Purpose(intent.input(), intent.meaning(), f));
  }

  /** An output that switches an input the drive makes nothing of. */
  private void checkIdle(Set<TerminalRef> meant) {
    Nets nets = new Nets(axis.wires());
    AxisTerminals terminals = new AxisTerminals(axis);
    for (Terminal terminal : axis.driveSheet().terminals()) {
      TerminalRef input = terminals.onDrive(terminal.id());
      boolean idle = settings.functionOf(terminal.id()).filter(NONE::equals).isPresent();
      if (idle && !meant.contains(input)) {
        nets.joinedWith(input, terminals.binaryOutputs()).stream()
            .findFirst()
            .ifPresent(
                output ->
                    found.add(
                        new Finding(
                            Severity.WARNING,
                            Rule.INPUT_PURPOSE,
                            place(input),
                            "%s is switched by %s and set to nothing"
                                .formatted(input.terminal(), output),
                            "The program switches it and nothing happens.",
                            "Give %s a function (%s), or remove the wire."
                                .formatted(input.terminal(), code(terminal.id())))));
      }
    }
  }

  private void add(TerminalRef input, String seen, String remedy) {
    found.add(
        new Finding(
            Severity.ERROR,
            Rule.INPUT_PURPOSE,
            place(input),
            seen,
            "The drive does something else than whoever commands it means, or nothing.",
            remedy));
  }

  /** A wire beside the contact, an output shorted to its supply: on whatever is commanded. */
  private void checkNeverOff() {
    for (TerminalRef input : table.inputs()) {
      boolean runs =
          input.device().equals(axis.drive().id())
              && settings
                  .functionOf(input.terminal())
                  .flatMap(Meaning::find)
                  .filter(m -> m.isRun() && m != Meaning.STOP)
                  .isPresent();
      if (runs && isNeverOff(input)) {
        found.add(
            new Finding(
                Severity.ERROR,
                Rule.COMMAND_AT_REST,
                place(input),
                "%s (%s) is on at any command, also at rest"
                    .formatted(
                        input.terminal(),
                        settings.functionOf(input.terminal()).orElse(NONE).replace('-', ' ')),
                "The motor may start as soon as power and permission are there.",
                "Find the wire beside the contact, or the output that is shorted to its supply. Command over a contact that opens."));
      }
    }
  }

  private boolean isNeverOff(TerminalRef input) {
    List<TruthTable.Row> alive =
        table.rows().stream()
            .filter(
                r ->
                    !r.state()
                        .position(axis.drive().id(), CommandState.READY)
                        .equals(CommandState.NO_POWER))
            .toList();
    return alive.size() > 1 && alive.stream().allMatch(r -> r.cell(input).level() == Level.ON);
  }

  private String code(String terminal) {
    return axis.driveSheet()
        .setting(SettingRole.INPUT_FUNCTION, terminal)
        .map(s -> s.code())
        .orElse("its function");
  }

  private String place(TerminalRef input) {
    return "axis/%s/drive/%s".formatted(axis.axis().id(), input.terminal());
  }
}

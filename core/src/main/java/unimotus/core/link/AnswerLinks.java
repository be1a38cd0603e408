package unimotus.core.link;

import java.util.List;
import java.util.Optional;
import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** What the drive tells the controller in on and off. */
final class AnswerLinks {
  private AnswerLinks() {}

  /** Closed is healthy: a broken wire, a lost supply and a fault all read alike. */
  static void fault(Draft draft) {
    TerminalRef output =
        freeOutput(draft)
            .orElseThrow(() -> Draft.lacking(draft.drive(), "contact or output for its fault"));
    answer(draft, output, "healthy");
  }

  /** As many of ready, running and at-speed as the drive has outputs for. */
  static void status(Draft draft) {
    int wired = 0;
    for (String state : List.of("ready", "running", "at-speed")) {
      Optional<TerminalRef> output = freeOutput(draft);
      if (output.isPresent()) {
        answer(draft, output.get(), state);
        wired++;
      }
    }
    if (wired == 0) {
      throw Draft.lacking(draft.drive(), "output for its state");
    }
  }

  private static Optional<TerminalRef> freeOutput(Draft draft) {
    PlacedDevice drive = draft.drive();
    return drive.sheet().terminals().stream()
        .filter(t -> t.role().isBinaryOutput())
        .map(t -> drive.ref(t.id()))
        .filter(draft::isFree)
        .sorted(
            (a, b) ->
                Boolean.compare(
                    Draft.terminal(drive, b).role() == TerminalRole.RELAY_CONTACT,
                    Draft.terminal(drive, a).role() == TerminalRole.RELAY_CONTACT))
        .findFirst();
  }

  private static void answer(Draft draft, TerminalRef output, String state) {
    PlacedDevice controller = draft.controller();
    PlacedDevice drive = draft.drive();
    TerminalRef input =
        draft
            .free(controller, TerminalRole.DIGITAL_INPUT)
            .orElseThrow(() -> Draft.lacking(controller, "binary input"));
    Terminal terminal = Draft.terminal(drive, output);
    draft.set(SettingRole.OUTPUT_FUNCTION, output.terminal(), state);
    draft.wire(output, input, "drive " + state.replace('-', ' '));
    if (terminal.role() == TerminalRole.RELAY_CONTACT && terminal.common() != null) {
      TerminalRef supply = draft.need(controller, TerminalRole.SUPPLY_24V);
      draft.wire(supply, drive.ref(terminal.common()), "feed of the contact");
    } else {
      TerminalRef zero = draft.need(controller, TerminalRole.COMMON_0V);
      drive.zero().ifPresent(z -> draft.wire(zero, z, "0 V"));
    }
    draft.mean(input, state, new Condition(drive.id(), state));
  }
}

package unimotus.core.way.analog;

import unimotus.core.link.Draft;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.ShieldedPair;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;

/** How a voltage or a current is led from the controller to the drive. */
enum AnalogIntent implements LinkIntent {
  ANALOG_REFERENCE;

  @Override
  public Account account() {
    return new Account(
        LinkGroup.REFERENCE, "Speed reference", "analog output of the controller, shielded pair");
  }

  @Override
  public void wire(Draft draft, LinkChoice choice) {
    Reference reference = draft.axis().axis().reference();
    TerminalRef output =
        ShieldedPair.end(draft, draft.controller(), reference.output(), TerminalRole.ANALOG_OUTPUT);
    String wired = reference.local() == null ? reference.input() : null;
    TerminalRef input = ShieldedPair.end(draft, draft.drive(), wired, TerminalRole.ANALOG_INPUT);
    draft.put(
        draft
            .axis()
            .axis()
            .withReference(
                reference.setBy(null).withTerminals(output.terminal(), input.terminal())));
    ShieldedPair.join(draft, draft.controller(), output, draft.drive(), input, "speed reference");
    draft.set(SettingRole.REFERENCE_SOURCE, null, input.terminal());
  }
}

package unimotus.core.link;

import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** Commands and answers over switches and contacts in the panel. */
final class PanelLinks {
  private PanelLinks() {}

  /** Momentary start, normally closed stop; the drive latches. */
  static void threeWire(Draft draft) {
    draft.release("run-forward");
    TerminalRef stop = draft.input("stop");
    TerminalRef start = draft.input("start");
    PlacedDevice buttons = draft.part("push-buttons-start-stop", "buttons");
    TerminalRef feed = new Feeds(draft).overContact();
    draft.wire(feed, buttons.ref("11"), "feed of the buttons");
    draft.wire(buttons.ref("11"), buttons.ref("13"), "feed of the buttons");
    draft.wire(buttons.ref("12"), stop, "stop");
    draft.wire(buttons.ref("14"), start, "start");
    draft.mean(stop, "stop", new Condition(buttons.id(), "stop", false));
    draft.mean(start, "start", new Condition(buttons.id(), "start"));
    draft.set(SettingRole.CONTROL_WIRING, Option.THREE_WIRE);
    draft.set(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
  }

  /** A contact in the winding that opens when it is hot, read by the controller. */
  static void motorTemperature(Draft draft) {
    PlacedDevice controller = draft.controller();
    TerminalRef input =
        draft
            .free(controller, TerminalRole.DIGITAL_INPUT)
            .orElseThrow(() -> Draft.lacking(controller, "binary input"));
    PlacedDevice contact = draft.part("motor-temperature-contact", "motor temperature");
    draft.wire(
        draft.need(controller, TerminalRole.SUPPLY_24V), contact.ref("T1"), "temperature contact");
    draft.wire(contact.ref("T2"), input, "temperature contact");
    draft.mean(input, "motor-cool", new Condition(contact.id(), "cool"));
  }
}

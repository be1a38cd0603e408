package unimotus.core.link;

import java.util.List;
import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/**
 * The chain of a spindle-like drive: feed → contact of the enable relay → auxiliary contact of the
 * emergency-stop contactor → changeover contact of the direction relay → forward or reverse. With
 * the contactor open neither direction can be commanded. Reset is a contact of its own from the
 * same feed.
 */
final class InterlockLinks {
  private static final String RELAY = "relay-two-changeover";

  private InterlockLinks() {}

  /** Wires the chain and returns the button that opens it and the contactor in it. */
  static List<String> chain(Draft draft) {
    TerminalRef forward = draft.input("run-forward");
    TerminalRef reverse = draft.input("run-reverse");
    TerminalRef reset = draft.input("reset");
    TerminalRef feed = new Feeds(draft).overContact();
    PlacedDevice enable = draft.part(RELAY, "enable relay");
    PlacedDevice contactor = draft.part("contactor-24v", "emergency-stop contactor");
    PlacedDevice direction = draft.part(RELAY, "direction relay");
    PlacedDevice resetRelay = draft.part(RELAY, "reset relay");
    PlacedDevice button = draft.part("emergency-stop-button", "emergency stop");

    draft.wire(feed, enable.ref("11"), "interlock chain");
    draft.wire(enable.ref("14"), contactor.ref("13"), "interlock chain");
    draft.wire(contactor.ref("14"), direction.ref("11"), "interlock chain");
    draft.wire(direction.ref("12"), forward, "run forward");
    draft.wire(direction.ref("14"), reverse, "run reverse");
    draft.wire(feed, resetRelay.ref("11"), "reset");
    draft.wire(resetRelay.ref("14"), reset, "reset");

    Condition enabled = coil(draft, enable, "enable relay");
    Condition turned = coil(draft, direction, "direction relay");
    Condition resetOn = coil(draft, resetRelay, "reset relay");
    stopCircuit(draft, contactor, button);

    Condition released = new Condition(button.id(), "pulled");
    Condition straight = new Condition(turned.device(), turned.state(), false);
    draft.mean(forward, "run-forward", enabled, released, straight);
    draft.mean(reverse, "run-reverse", enabled, released, turned);
    draft.mean(reset, "reset", resetOn);
    draft.set(SettingRole.CONTROL_WIRING, Option.TWO_WIRE);
    draft.set(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
    return List.of(button.id(), contactor.id());
  }

  /** Hangs a coil on a free output of the controller. */
  private static Condition coil(Draft draft, PlacedDevice relay, String signal) {
    PlacedDevice controller = draft.controller();
    TerminalRef supply = draft.need(controller, TerminalRole.SUPPLY_24V);
    TerminalRef zero = draft.need(controller, TerminalRole.COMMON_0V);
    TerminalRef output =
        draft
            .free(controller, TerminalRole.SOURCING_OUTPUT)
            .or(() -> draft.free(controller, TerminalRole.SINKING_OUTPUT))
            .or(() -> draft.free(controller, TerminalRole.RELAY_CONTACT))
            .orElseThrow(() -> Draft.lacking(controller, "binary output"));
    Terminal terminal = Draft.terminal(controller, output);
    boolean sinking = terminal.role() == TerminalRole.SINKING_OUTPUT;
    draft.wire(sinking ? supply : output, relay.ref("A1"), signal);
    draft.wire(relay.ref("A2"), sinking ? output : zero, signal);
    if (terminal.role() == TerminalRole.RELAY_CONTACT && terminal.common() != null) {
      draft.wire(supply, controller.ref(terminal.common()), "feed of the contact");
    }
    return new Condition(output.device(), output.terminal());
  }

  private static void stopCircuit(Draft draft, PlacedDevice contactor, PlacedDevice button) {
    PlacedDevice controller = draft.controller();
    draft.wire(draft.need(controller, TerminalRole.SUPPLY_24V), button.ref("11"), "emergency stop");
    draft.wire(button.ref("12"), contactor.ref("A1"), "emergency stop");
    draft.wire(
        contactor.ref("A2"), draft.need(controller, TerminalRole.COMMON_0V), "emergency stop");
  }
}

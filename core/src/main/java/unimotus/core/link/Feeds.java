package unimotus.core.link;

import java.util.Optional;
import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/**
 * How a drive's binary inputs get their current: from an output of the controller of the matching
 * kind, or over a contact from the drive's own supply.
 */
public final class Feeds {
  private final Draft draft;

  Feeds(Draft draft) {
    this.draft = draft;
  }

  /**
   * Wires a free output of the controller to an input, with its return, and notes what it means.
   */
  public void fromController(TerminalRef input, String meaning) {
    if (!draft.isFree(input)) {
      return;
    }
    TerminalRef output = output();
    Terminal terminal = Draft.terminal(draft.controller(), output);
    draft.wire(output, input, meaning.replace('-', ' '));
    if (terminal.role() == TerminalRole.RELAY_CONTACT && terminal.common() != null) {
      draft.wire(overContact(), draft.controller().ref(terminal.common()), "feed of the contact");
    } else {
      returnFor(terminal.role() == TerminalRole.SOURCING_OUTPUT);
    }
    draft.mean(input, meaning, new Condition(output.device(), output.terminal()));
  }

  /** A free output that fits the inputs; where none fits, the inputs are set to fit one. */
  private TerminalRef output() {
    PlacedDevice controller = draft.controller();
    PlacedDevice drive = draft.drive();
    boolean source = drive.inputsAreSource();
    Optional<TerminalRef> sourcing = draft.free(controller, TerminalRole.SOURCING_OUTPUT);
    Optional<TerminalRef> sinking = draft.free(controller, TerminalRole.SINKING_OUTPUT);
    Optional<TerminalRef> relay = draft.free(controller, TerminalRole.RELAY_CONTACT);
    Optional<TerminalRef> fitting = source ? sourcing : sinking;
    if (fitting.isPresent()) {
      return fitting.get();
    }
    Optional<TerminalRef> other = source ? sinking : sourcing;
    if (other.isPresent() && canTurn(drive)) {
      turn(drive, source ? Option.SINK : Option.SOURCE);
      return other.get();
    }
    return relay.orElseThrow(() -> Draft.lacking(controller, "binary output"));
  }

  /** Inputs may change sides only while nothing hangs on them; inputs of either polarity always. */
  private boolean canTurn(PlacedDevice drive) {
    boolean unwired =
        drive.sheet().terminals().stream()
            .filter(t -> t.role() == TerminalRole.DIGITAL_INPUT)
            .allMatch(t -> draft.isFree(drive.ref(t.id())));
    return takesEither(drive)
        || (unwired && drive.sheet().selector(SelectorRole.INPUT_LOGIC).isPresent());
  }

  private static boolean takesEither(PlacedDevice drive) {
    return drive.sheet().first(TerminalRole.EITHER_WAY_INPUT).isPresent();
  }

  private void turn(PlacedDevice drive, Option logic) {
    drive
        .sheet()
        .selector(SelectorRole.INPUT_LOGIC)
        .map(Selector::id)
        .ifPresent(id -> draft.select(drive.device(), id, logic.word()));
  }

  private void returnFor(boolean sourcing) {
    PlacedDevice drive = draft.drive();
    PlacedDevice controller = draft.controller();
    if (!takesEither(drive)) {
      drive
          .zero()
          .ifPresent(z -> draft.wire(draft.need(controller, TerminalRole.COMMON_0V), z, "0 V"));
      return;
    }
    TerminalRef rail =
        draft.need(controller, sourcing ? TerminalRole.COMMON_0V : TerminalRole.SUPPLY_24V);
    draft.wire(rail, draft.need(drive, TerminalRole.INPUT_COMMON), "input common");
  }

  /** The terminal of the drive that feeds its inputs over a dry contact. */
  public TerminalRef overContact() {
    PlacedDevice drive = draft.drive();
    if (takesEither(drive)) {
      drive
          .zero()
          .ifPresent(
              z -> draft.wire(z, draft.need(drive, TerminalRole.INPUT_COMMON), "input common"));
    }
    return drive.inputsAreSource()
        ? draft.need(drive, TerminalRole.SUPPLY_24V)
        : draft.need(drive, TerminalRole.INPUT_COMMON);
  }
}

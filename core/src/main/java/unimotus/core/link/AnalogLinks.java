package unimotus.core.link;

import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Answer;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** What the drive answers over its analog outputs. */
final class AnalogLinks {
  private AnalogLinks() {}

  static void actual(Draft draft) {
    Answer answer = draft.axis().axis().answer();
    TerminalRef output =
        ShieldedPair.end(draft, draft.drive(), answer.output(), TerminalRole.ANALOG_OUTPUT);
    TerminalRef input =
        ShieldedPair.end(draft, draft.controller(), answer.input(), TerminalRole.ANALOG_INPUT);
    boolean isNew = answer.input() == null;
    draft.put(
        draft.axis().axis().withAnswer(answer.withTerminals(output.terminal(), input.terminal())));
    if (isNew) {
      matchRange(draft, output, input);
    }
    ShieldedPair.join(draft, draft.drive(), output, draft.controller(), input, "actual speed");
  }

  static void load(Draft draft) {
    PlacedDevice drive = draft.drive();
    PlacedDevice controller = draft.controller();
    TerminalRef output =
        draft
            .free(drive, TerminalRole.ANALOG_OUTPUT)
            .orElseThrow(() -> Draft.lacking(drive, "analog output"));
    TerminalRef input =
        draft
            .free(controller, TerminalRole.ANALOG_INPUT)
            .orElseThrow(() -> Draft.lacking(controller, "analog input"));
    matchRange(draft, output, input);
    ShieldedPair.join(draft, drive, output, controller, input, "load signal");
  }

  /** Sets the controller's input to the range the drive sends. */
  private static void matchRange(Draft draft, TerminalRef output, TerminalRef input) {
    String range =
        draft
            .drive()
            .choice(SettingRole.ANSWER_RANGE, output.terminal(), SignalRange.V_0_10.label());
    PlacedDevice controller = draft.controller();
    controller
        .sheet()
        .selector(SelectorRole.CHANNEL_RANGE, input.terminal())
        .filter(s -> s.options().contains(range))
        .filter(
            s ->
                !controller
                    .selector(SelectorRole.CHANNEL_RANGE, input.terminal(), "")
                    .equals(range))
        .ifPresent(s -> draft.select(draft.axis().controller(), s.id(), range));
  }
}

package unimotus.core.link;

import java.util.List;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** Commands from the controller's outputs. */
final class CommandLinks {
  private CommandLinks() {}

  /** Forward, and reverse where the drive has an input set to it. */
  static void twoWire(Draft draft) {
    Feeds feeds = new Feeds(draft);
    feeds.fromController(draft.input("run-forward"), "run-forward");
    draft
        .inputSetTo("run-reverse")
        .ifPresent(reverse -> feeds.fromController(reverse, "run-reverse"));
    draft.set(SettingRole.CONTROL_WIRING, Option.TWO_WIRE);
    draft.set(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
  }

  /** A start that is pulsed and a stop that is held; the drive latches. */
  static void latched(Draft draft) {
    Feeds feeds = new Feeds(draft);
    draft.release("run-forward");
    draft.release("run-reverse");
    feeds.fromController(draft.input("stop"), "stop");
    feeds.fromController(draft.input("start"), "start");
    for (String turning : List.of("start-reverse", "direction")) {
      draft.inputSetTo(turning).ifPresent(input -> feeds.fromController(input, turning));
    }
    draft.set(SettingRole.CONTROL_WIRING, Option.THREE_WIRE);
    draft.set(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
  }

  static void enable(Draft draft) {
    TerminalRef input = draft.input("enable");
    if (draft.isFree(input)) {
      draft.wire(new Feeds(draft).overContact(), input, "control release");
      draft.mean(input, "enable");
    }
  }

  static void directionAndReset(Draft draft) {
    Feeds feeds = new Feeds(draft);
    draft.release("run-reverse");
    feeds.fromController(draft.input("direction"), "direction");
    feeds.fromController(draft.input("reset"), "reset");
  }
}

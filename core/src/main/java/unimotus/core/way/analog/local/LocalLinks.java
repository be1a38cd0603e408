package unimotus.core.way.analog.local;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.link.Draft;
import unimotus.core.link.ShieldedPair;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Condition;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** Potentiometer, keypad and the Hand – Off – Auto selector. */
final class LocalLinks {
  /** The key of the form with a delayed start. */
  static final String DELAYED = "delayed";

  private LocalLinks() {}

  /** The reference of an axis that has no other; else a potentiometer to be used in Hand. */
  static void potentiometer(Draft draft) {
    TerminalRef wiper = wired(draft);
    Reference reference = draft.axis().axis().reference();
    if (reference.output() == null && reference.input() == null) {
      choose(draft, LocalReference.POTENTIOMETER, wiper.terminal());
      draft.set(SettingRole.REFERENCE_SOURCE, null, wiper.terminal());
    }
  }

  /** Nothing is wired; the analog terminals chosen before are given up. */
  static void keypad(Draft draft) {
    if (!draft.canSet(SettingRole.REFERENCE_SOURCE, Option.KEYPAD)) {
      throw Draft.lacking(draft.drive(), "keypad to take the reference from");
    }
    choose(draft, LocalReference.KEYPAD, null);
    draft.set(SettingRole.REFERENCE_SOURCE, Option.KEYPAD);
    draft.note("the speed is entered at the keypad");
  }

  private static void choose(Draft draft, LocalReference local, @Nullable String input) {
    Axis axis = draft.axis().axis();
    draft.put(axis.withReference(axis.reference().setBy(local).withTerminals(null, input)));
  }

  /**
   * Two-wire: Auto lets the program's outputs through to the run inputs, Hand closes run forward
   * and the manual request, Off opens all of them.
   */
  static void handOffAutoTwoWire(Draft draft) {
    TerminalRef forward = draft.input(Meaning.RUN_FORWARD.word());
    List<TerminalRef> inputs = new ArrayList<>(List.of(forward));
    draft
        .inputSetTo(Meaning.RUN_REVERSE.word())
        .filter(i -> !draft.isFree(i))
        .ifPresent(inputs::add);
    TerminalRef manual = draft.input(Meaning.MANUAL_REQUEST.word());
    TerminalRef feed = draft.feeds().overContact();
    PlacedDevice selector = draft.part("selector-hand-off-auto-run", "selector");
    Condition auto = new Condition(selector.id(), "auto");
    Condition hand = new Condition(selector.id(), "hand");
    for (int i = 0; i < inputs.size(); i++) {
      TerminalRef input = inputs.get(i);
      // What the wires mean has to be said before a contact parts them.
      draft.declare(input);
      draft.meanOnlyWhen(input, auto);
      if (!draft.isFree(input)) {
        draft.cutInto(
            input, selector.ref((i + 1) + "3"), selector.ref((i + 1) + "4"), "run in Auto");
      }
    }
    draft.wire(feed, selector.ref("33"), "feed of the selector");
    draft.wire(selector.ref("33"), selector.ref("43"), "feed of the selector");
    draft.wire(selector.ref("34"), forward, "run in Hand");
    draft.wire(selector.ref("44"), manual, "manual request");
    draft.mean(forward, Meaning.RUN_FORWARD.word(), hand);
    draft.mean(manual, Meaning.MANUAL_REQUEST.word(), hand);
    draft.set(SettingRole.CONTROL_WIRING, Option.TWO_WIRE);
    draft.set(SettingRole.COMMAND_SOURCE, Option.TERMINALS);
    wired(draft);
  }

  /**
   * Off opens stop and start; Auto closes stop only, so that the program may command; Hand closes
   * both and asks for the local potentiometer.
   */
  static void handOffAuto(Draft draft, boolean delayedStart) {
    String starting = delayedStart ? "start-delayed" : "start";
    draft.release("run-forward");
    draft.release(delayedStart ? "start" : "start-delayed");
    TerminalRef stop = draft.input("stop");
    TerminalRef start = draft.input(starting);
    TerminalRef manual = draft.input("manual-request");
    PlacedDevice selector = draft.part("selector-hand-off-auto", "selector");
    TerminalRef feed = draft.feeds().overContact();
    draft.wire(feed, selector.ref("1"), "feed of the selector");
    draft.wire(selector.ref("1"), selector.ref("3"), "feed of the selector");
    draft.wire(selector.ref("3"), selector.ref("5"), "feed of the selector");
    draft.wire(selector.ref("2"), stop, "stop");
    draft.wire(selector.ref("4"), start, "start");
    draft.wire(selector.ref("6"), manual, "manual request");
    draft.mean(stop, "stop", new Condition(selector.id(), "off", false));
    draft.mean(start, starting, new Condition(selector.id(), "hand"));
    draft.mean(manual, "manual-request", new Condition(selector.id(), "hand"));
    draft.set(SettingRole.CONTROL_WIRING, Option.THREE_WIRE);
    wired(draft);
  }

  /** Hangs a potentiometer on the drive's 10 V and a free analog input, which is returned. */
  private static TerminalRef wired(Draft draft) {
    PlacedDevice drive = draft.drive();
    TerminalRef supply = draft.need(drive, TerminalRole.REFERENCE_10V);
    TerminalRef input =
        draft
            .free(drive, TerminalRole.ANALOG_INPUT)
            .orElseThrow(() -> Draft.lacking(drive, "analog input for the potentiometer"));
    PlacedDevice track = draft.part("potentiometer-5k", "potentiometer");
    WireMake make = ShieldedPair.make(draft, "local reference");
    draft.wire(supply, track.ref("1"), make);
    draft.wire(track.ref("2"), input, make);
    drive
        .commonOf(Draft.terminal(drive, input))
        .ifPresent(common -> draft.wire(track.ref("3"), common, make));
    drive
        .sheet()
        .selector(SelectorRole.INPUT_KIND, input.terminal())
        .filter(s -> drive.takesCurrent(input.terminal()))
        .map(Selector::id)
        .ifPresent(id -> draft.select(draft.axis().drive(), id, Option.VOLTAGE.word()));
    draft.set(SettingRole.ANALOG_RANGE, input.terminal(), SignalRange.V_0_10.label());
    return input;
  }
}

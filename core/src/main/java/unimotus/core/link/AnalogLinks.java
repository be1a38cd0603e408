package unimotus.core.link;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.LocalReference;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Shield;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** Analog links, each a shielded pair earthed at the panel end. */
final class AnalogLinks {
  private AnalogLinks() {}

  static void reference(Draft draft) {
    Reference reference = draft.axis().axis().reference();
    TerminalRef output =
        chosen(draft, draft.controller(), reference.output(), TerminalRole.ANALOG_OUTPUT);
    String wired = reference.local() == null ? reference.input() : null;
    TerminalRef input = chosen(draft, draft.drive(), wired, TerminalRole.ANALOG_INPUT);
    put(
        draft,
        draft
            .axis()
            .axis()
            .withReference(
                reference.setBy(null).withTerminals(output.terminal(), input.terminal())));
    pair(draft, draft.controller(), output, draft.drive(), input, "speed reference");
    draft.set(SettingRole.REFERENCE_SOURCE, null, input.terminal());
  }

  static void actual(Draft draft) {
    Answer answer = draft.axis().axis().answer();
    TerminalRef output = chosen(draft, draft.drive(), answer.output(), TerminalRole.ANALOG_OUTPUT);
    TerminalRef input =
        chosen(draft, draft.controller(), answer.input(), TerminalRole.ANALOG_INPUT);
    boolean isNew = answer.input() == null;
    put(
        draft,
        draft.axis().axis().withAnswer(answer.withTerminals(output.terminal(), input.terminal())));
    if (isNew) {
      matchRange(draft, output, input);
    }
    pair(draft, draft.drive(), output, draft.controller(), input, "actual speed");
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
    pair(draft, drive, output, controller, input, "load signal");
  }

  /** The reference of an axis that has no other; else a potentiometer to be used in Hand. */
  static void potentiometer(Draft draft) {
    TerminalRef wiper = localPotentiometer(draft);
    Reference reference = draft.axis().axis().reference();
    if (reference.output() == null && reference.input() == null) {
      local(draft, LocalReference.POTENTIOMETER, wiper.terminal());
      draft.set(SettingRole.REFERENCE_SOURCE, null, wiper.terminal());
    }
  }

  /** Nothing is wired; the analog terminals chosen before are given up. */
  static void keypad(Draft draft) {
    if (!draft.canSet(SettingRole.REFERENCE_SOURCE, Option.KEYPAD)) {
      throw Draft.lacking(draft.drive(), "keypad to take the reference from");
    }
    local(draft, LocalReference.KEYPAD, null);
    draft.set(SettingRole.REFERENCE_SOURCE, Option.KEYPAD);
    draft.note("the speed is entered at the keypad");
  }

  private static void local(Draft draft, LocalReference local, @Nullable String input) {
    Axis axis = draft.axis().axis();
    put(draft, axis.withReference(axis.reference().setBy(local).withTerminals(null, input)));
  }

  /** Hangs a potentiometer on the drive's 10 V and a free analog input, which is returned. */
  static TerminalRef localPotentiometer(Draft draft) {
    PlacedDevice drive = draft.drive();
    TerminalRef supply = draft.need(drive, TerminalRole.REFERENCE_10V);
    TerminalRef input =
        draft
            .free(drive, TerminalRole.ANALOG_INPUT)
            .orElseThrow(() -> Draft.lacking(drive, "analog input for the potentiometer"));
    PlacedDevice track = draft.part("potentiometer-5k", "potentiometer");
    WireMake make = shielded(draft, "local reference");
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

  private static TerminalRef chosen(
      Draft draft, PlacedDevice device, @Nullable String terminal, TerminalRole role) {
    return terminal != null
        ? device.ref(terminal)
        : draft.free(device, role).orElseThrow(() -> Draft.lacking(device, role.label()));
  }

  private static void put(Draft draft, Axis axis) {
    draft.replace(draft.project().with(axis));
  }

  private static void pair(
      Draft draft,
      PlacedDevice fromDevice,
      TerminalRef from,
      PlacedDevice toDevice,
      TerminalRef to,
      String signal) {
    WireMake make = shielded(draft, signal);
    draft.wire(from, to, make.withCable(make.cable(), "1"));
    Optional<String> fromCommon = common(fromDevice, from);
    Optional<String> toCommon = common(toDevice, to);
    if (fromCommon.isPresent() && toCommon.isPresent()) {
      draft.wire(
          fromDevice.ref(fromCommon.get()),
          toDevice.ref(toCommon.get()),
          make.withCable(make.cable(), "2").withSignal(signal + " return"));
    }
  }

  private static Optional<String> common(PlacedDevice device, TerminalRef ref) {
    return Optional.ofNullable(Draft.terminal(device, ref).common());
  }

  private static WireMake shielded(Draft draft, String signal) {
    String cable = "%s %s".formatted(draft.axis().axis().name(), signal);
    return WireMake.PLAIN.withShield(Shield.PANEL_END).withCable(cable, "").withSignal(signal);
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

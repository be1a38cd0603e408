package unimotus.core.wiring;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Device;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * A device with its sheet looked up.
 *
 * @param device the device
 * @param sheet its sheet
 */
public record PlacedDevice(Device device, DeviceSheet sheet) {

  /** Id of the device. */
  public String id() {
    return device.id();
  }

  /** A terminal of this device, named with it. */
  public TerminalRef ref(String terminal) {
    return new TerminalRef(device.id(), terminal);
  }

  /** The position of a terminal's selector; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String terminal, String otherwise) {
    return sheet.selector(role, terminal).map(this::position).orElse(otherwise);
  }

  /** The position of the device's selector; {@code otherwise} where it has none. */
  public String selector(SelectorRole role, String otherwise) {
    return sheet.selector(role).map(this::position).orElse(otherwise);
  }

  private String position(Selector selector) {
    return selector.positionIn(device.selectors());
  }

  /** The signal range an analog terminal is set to. */
  public SignalRange rangeOf(String terminal) {
    String setting =
        choice(
            SettingRole.ANSWER_RANGE,
            terminal,
            choice(SettingRole.ANALOG_RANGE, terminal, SignalRange.V_0_10.label()));
    String label = selector(SelectorRole.CHANNEL_RANGE, terminal, setting);
    return SignalRange.ofLabel(label).orElse(SignalRange.V_0_10);
  }

  /**
   * Whether an analog input stands on current: by its own switch where it has one, else by its
   * range.
   */
  public boolean takesCurrent(String terminal) {
    String kind = selector(SelectorRole.INPUT_KIND, terminal, "");
    return kind.isEmpty() ? rangeOf(terminal).isCurrent() : kind.equals(Option.CURRENT.word());
  }

  /** Whether the device's selector stands at {@code option}; without one, {@code otherwise}. */
  public boolean is(SelectorRole role, Option option, Option otherwise) {
    return selector(role, otherwise.word()).equals(option.word());
  }

  /** Whether a drive's choice is {@code option}; without such a setting, {@code otherwise}. */
  public boolean is(SettingRole role, Option option, Option otherwise) {
    return choice(role, null, otherwise.word()).equals(option.word());
  }

  /** The choice a drive's setting stands at; {@code otherwise} where there is no such setting. */
  public String choice(SettingRole role, @Nullable String terminal, String otherwise) {
    if (!(device instanceof Drive drive && sheet instanceof DriveSheet driveSheet)) {
      return otherwise;
    }
    EffectiveSettings settings = new EffectiveSettings(drive, driveSheet);
    return terminal == null
        ? settings.choice(role, otherwise)
        : settings.choice(role, terminal, otherwise);
  }

  /** The terminal a terminal's circuit closes to; the device's zero where the sheet names none. */
  public Optional<TerminalRef> commonOf(Terminal terminal) {
    return terminal.common() != null
        ? Optional.of(ref(terminal.common()))
        : zero().filter(z -> !z.terminal().equals(terminal.id()));
  }

  /** The negative pole the device's own circuits count from; empty for a plain part. */
  public Optional<TerminalRef> zero() {
    return sheet
        .first(TerminalRole.COMMON_0V)
        .or(() -> sheet.first(TerminalRole.INPUT_COMMON))
        .map(t -> ref(t.id()));
  }

  /** The device's own 24 V; empty where it has none. */
  public Optional<TerminalRef> supply() {
    return sheet.first(TerminalRole.SUPPLY_24V).map(t -> ref(t.id()));
  }

  /** Whether the device's safety inputs expect test pulses instead of plain contacts. */
  public boolean isPulseTested() {
    return is(SelectorRole.SAFETY_INPUT_KIND, Option.PULSE_TESTED, Option.CONTACT);
  }

  /** Whether the device's binary inputs want +24 V ({@code source}) as against 0 V. */
  public boolean inputsAreSource() {
    return is(SelectorRole.INPUT_LOGIC, Option.SOURCE, Option.SOURCE);
  }
}

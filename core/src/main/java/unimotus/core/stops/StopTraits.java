package unimotus.core.stops;

import java.util.List;
import java.util.function.Predicate;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** What a device does in a stop by its sheet and its settings. */
final class StopTraits {
  private StopTraits() {}

  /** The terminals of a role on a device, in the sheet's order. */
  static List<TerminalRef> all(PlacedDevice device, TerminalRole role) {
    return all(device, t -> t.role() == role);
  }

  static List<TerminalRef> all(PlacedDevice device, Predicate<Terminal> which) {
    return device.sheet().terminals().stream().filter(which).map(t -> device.ref(t.id())).toList();
  }

  /** Whether the works jumper bridges a drive's safe torque off. */
  static boolean isJumpered(PlacedDevice drive) {
    return drive.is(SelectorRole.STO_JUMPER, Option.FITTED, Option.REMOVED);
  }

  /**
   * Whether a drive takes a run command that is still held when its permission comes back; one
   * whose sheet is silent is taken to do so.
   */
  static boolean restartsAfterStop(PlacedDevice drive) {
    return drive.is(SettingRole.RESTART_AFTER_STO, Option.ALLOWED, Option.ALLOWED);
  }

  /**
   * Whether a drive takes a run command that is still held when power returns; one whose sheet is
   * silent is taken to do so.
   */
  static boolean restartsAtPowerUp(PlacedDevice drive) {
    return drive.is(SettingRole.RESTART_AT_POWER_UP, Option.ALLOWED, Option.ALLOWED);
  }

  /** Whether a relay is set to wait for the reset button to be pressed and let go. */
  static boolean isManualReset(PlacedDevice relay) {
    return relay.is(SelectorRole.RESET_MODE, Option.MANUAL, Option.MANUAL);
  }

  /** Whether a safety relay takes notice when its channels differ for too long. */
  static boolean watchesDiscrepancy(PlacedDevice relay) {
    return !relay.is(SelectorRole.DISCREPANCY_TIME, Option.OFF, Option.OFF);
  }

  /** Whether a drive takes notice when its safe torque off channels differ. */
  static boolean comparesChannels(PlacedDevice drive) {
    return drive.isPulseTested()
        || drive.sheet().terminals().stream()
            .anyMatch(
                t ->
                    t.role() == TerminalRole.SAFE_TORQUE_OFF
                        && t.given(Figure.DISCREPANCY_SECONDS).isPresent());
  }
}

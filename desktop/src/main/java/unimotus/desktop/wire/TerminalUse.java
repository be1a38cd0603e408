package unimotus.desktop.wire;

import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.PlacedDevice;
import unimotus.workbench.board.WireBench;

/** What terminals are for, in words. */
final class TerminalUse {
  private final WireBench bench;
  private final Map<TerminalRef, String> signals;

  /**
   * @param signals what the wires carry, by terminal
   */
  TerminalUse(WireBench bench, Map<TerminalRef, String> signals) {
    this.bench = bench;
    this.signals = signals;
  }

  /** What a terminal is for: the function a drive's input is set to, the signal on its wire. */
  String of(PlacedDevice device, Terminal terminal) {
    if (device.device() instanceof Drive drive && device.sheet() instanceof DriveSheet sheet) {
      Optional<String> function = new EffectiveSettings(drive, sheet).functionOf(terminal.id());
      if (function.isPresent()) {
        return function.get().equals("none") ? "not used" : function.get().replace('-', ' ');
      }
      String shows = device.choice(SettingRole.OUTPUT_FUNCTION, terminal.id(), "");
      if (!shows.isEmpty()) {
        return "closed when " + shows.replace('-', ' ');
      }
    }
    return device.device() instanceof Controller
        ? signalOn(device.ref(terminal.id())).orElse(terminal.label())
        : terminal.label();
  }

  /** What the wire on a controller's point carries, which says more than the point's own words. */
  private Optional<String> signalOn(TerminalRef ref) {
    return Optional.ofNullable(signals.get(ref)).filter(s -> isPoint(ref));
  }

  private boolean isPoint(TerminalRef ref) {
    return bench
        .installation()
        .terminal(ref)
        .filter(t -> t.role().isBinaryOutput() || t.role().isBinaryInput() || t.role().isAnalog())
        .isPresent();
  }
}

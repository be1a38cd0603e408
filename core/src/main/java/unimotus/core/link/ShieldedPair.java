package unimotus.core.link;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Shield;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** A screened pair between two devices, its screen on earth at the panel end. */
public final class ShieldedPair {
  private ShieldedPair() {}

  /** The wire of a cable of its own for a signal. */
  public static WireMake make(Draft draft, String signal) {
    String cable = "%s %s".formatted(draft.axis().axis().name(), signal);
    return WireMake.PLAIN.withShield(Shield.PANEL_END).withCable(cable, "").withSignal(signal);
  }

  /** The terminal that is chosen; the first free one of a role where none is. */
  public static TerminalRef end(
      Draft draft, PlacedDevice device, @Nullable String chosen, TerminalRole role) {
    return chosen != null
        ? device.ref(chosen)
        : draft.free(device, role).orElseThrow(() -> Draft.lacking(device, role.label()));
  }

  /** Joins two terminals and their commons. */
  public static void join(
      Draft draft,
      PlacedDevice fromDevice,
      TerminalRef from,
      PlacedDevice toDevice,
      TerminalRef to,
      String signal) {
    WireMake make = make(draft, signal);
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
}

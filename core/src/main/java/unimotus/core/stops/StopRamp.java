package unimotus.core.stops;

import java.util.Locale;
import java.util.Optional;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Nets;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/**
 * What a stop does before the torque goes: how long it waits, and whether the drive ramps down
 * meanwhile. The delay of a timed safe stop 1 sits in the drive, or in the delayed contacts of a
 * safety relay whose other contacts take the run command away.
 *
 * @param rampSeconds set from the frequency ramp times count to, to standstill; 0 where the drive
 *     does not ramp
 * @param delaySeconds until the torque goes; 0 where it goes at once
 * @param delayedBy what waits, in words; empty where nothing does
 * @param holds whether the drive holds the shaft at standstill until the torque goes
 */
record StopRamp(double rampSeconds, double delaySeconds, String delayedBy, boolean holds) {
  /** Without a ramp, and at once. */
  private static final StopRamp NONE = new StopRamp(0, 0, "", false);

  static StopRamp of(StopCircuit circuit) {
    EffectiveSettings settings =
        new EffectiveSettings(circuit.axis().drive(), circuit.axis().driveSheet());
    double normal =
        settings.is(SettingRole.STOP_MODE, Option.RAMP, Option.COAST)
            ? settings.number(SettingRole.DECELERATION_TIME, 0)
            : 0;
    if (circuit.stop().effect() == StopEffect.RUN_INPUTS) {
      return new StopRamp(normal, 0, "", false);
    }
    if (circuit.stop().effect() != StopEffect.SS1_T) {
      return NONE;
    }
    double own = settings.number(SettingRole.SAFE_STOP_DELAY, 0);
    if (own > 0) {
      String drive = circuit.axis().drive().name().toLowerCase(Locale.ROOT);
      return new StopRamp(settings.number(SettingRole.SAFE_STOP_RAMP, 0), own, drive, true);
    }
    return relayDelay(circuit)
        .map(
            t ->
                new StopRamp(
                    losesRunCommand(circuit) ? normal : 0,
                    t.seconds(),
                    "%s of %s"
                        .formatted(t.contact().terminal(), circuit.name(t.contact().device())),
                    false))
        .orElse(NONE);
  }

  /** A contact that lets go late. */
  private record Late(TerminalRef contact, double seconds) {}

  /** The latest of the delayed contacts that feed what stops; empty where none does. */
  private static Optional<Late> relayDelay(StopCircuit circuit) {
    Nets nets = new Nets(circuit.wires());
    Late latest = null;
    for (PlacedDevice relay : circuit.relays()) {
      for (Terminal contact : relay.sheet().terminals()) {
        TerminalRef ref = relay.ref(contact.id());
        double seconds = contact.given(Figure.DELAY_SECONDS).orElse(0.0);
        boolean feeds = circuit.stopping().stream().anyMatch(s -> nets.joined(s, ref));
        if (seconds > 0 && feeds && (latest == null || seconds > latest.seconds())) {
          latest = new Late(ref, seconds);
        }
      }
    }
    return Optional.ofNullable(latest);
  }

  /** Whether a contact that opens at once lies on an input by which the drive is commanded. */
  private static boolean losesRunCommand(StopCircuit circuit) {
    Nets nets = new Nets(circuit.axis().wires());
    EffectiveSettings settings =
        new EffectiveSettings(circuit.axis().drive(), circuit.axis().driveSheet());
    for (Terminal input : circuit.axis().driveSheet().terminals()) {
      String function = settings.functionOf(input.id()).orElse("none");
      boolean commands = function.equals("enable-ramp") || Meaning.isRun(function);
      TerminalRef ref = circuit.drive().ref(input.id());
      if (commands && circuit.relays().stream().anyMatch(r -> opensAtOnce(r, ref, nets))) {
        return true;
      }
    }
    return false;
  }

  private static boolean opensAtOnce(PlacedDevice relay, TerminalRef input, Nets nets) {
    return relay.sheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.RELAY_CONTACT)
        .filter(t -> t.given(Figure.DELAY_SECONDS).orElse(0.0) == 0)
        .filter(t -> t.closedIn().contains(unimotus.core.sheet.PartSheet.ENERGISED))
        .anyMatch(
            t ->
                nets.joined(relay.ref(t.id()), input)
                    || (t.common() != null && nets.joined(relay.ref(t.common()), input)));
  }

  /** Whether the drive ramps down. */
  boolean isDriven() {
    return rampSeconds > 0;
  }
}

package unimotus.core.plant;

import unimotus.core.wiring.WiringFault;

/** Something that is done to a plant while its sequence runs. */
public sealed interface PlantEvent {

  /** In words. */
  String text();

  /** The start button is pressed or let go. */
  record Start(boolean pressed) implements PlantEvent {
    @Override
    public String text() {
      return pressed ? "start" : "start let go";
    }
  }

  /** What has to hold for it goes, or comes back. */
  record Permit(boolean holds) implements PlantEvent {
    @Override
    public String text() {
      return holds ? "permit" : "permit off";
    }
  }

  /** Automatic mode is chosen, or hand. */
  record Mode(boolean auto) implements PlantEvent {
    @Override
    public String text() {
      return auto ? "auto" : "hand";
    }
  }

  /** A button or a switch takes a position. */
  record Set(String part, String position) implements PlantEvent {
    @Override
    public String text() {
      return "set %s %s".formatted(part, position);
    }
  }

  /** Something breaks. */
  record Broken(WiringFault fault) implements PlantEvent {
    @Override
    public String text() {
      return fault.text();
    }
  }

  /** Everything that broke is repaired. */
  record Repaired() implements PlantEvent {
    @Override
    public String text() {
      return "repaired";
    }
  }
}

package unimotus.core.wiring;

import unimotus.core.machine.TerminalRef;

/** Something broken or wrong in the wiring. */
public sealed interface WiringFault {

  /** The fault in words. */
  String text();

  /** A wire without continuity. */
  record OpenWire(String wire) implements WiringFault {
    @Override
    public String text() {
      return "wire %s open".formatted(wire);
    }
  }

  /** A terminal joined to +24 V. */
  record ShortToSupply(TerminalRef terminal) implements WiringFault {
    @Override
    public String text() {
      return "%s shorted to 24 V".formatted(terminal);
    }
  }

  /** A terminal joined to 0 V. */
  record ShortToZero(TerminalRef terminal) implements WiringFault {
    @Override
    public String text() {
      return "%s shorted to 0 V".formatted(terminal);
    }
  }

  /** Two terminals joined. */
  record CrossShort(TerminalRef one, TerminalRef other) implements WiringFault {
    @Override
    public String text() {
      return "%s shorted to %s".formatted(one, other);
    }
  }

  /** One end of a wire on another terminal than drawn. */
  record MovedEnd(String wire, TerminalRef from, TerminalRef to) implements WiringFault {
    @Override
    public String text() {
      return "wire %s on %s instead of %s".formatted(wire, to, from);
    }
  }

  /** A supply or test output that gives nothing. */
  record DeadSource(TerminalRef terminal) implements WiringFault {
    @Override
    public String text() {
      return "%s gives nothing".formatted(terminal);
    }
  }

  /** A contact or safety output that does not open. */
  record StuckClosed(TerminalRef contact) implements WiringFault {
    @Override
    public String text() {
      return "%s does not open".formatted(contact);
    }
  }

  /** A contact or safety output that does not close. */
  record StuckOpen(TerminalRef contact) implements WiringFault {
    @Override
    public String text() {
      return "%s does not close".formatted(contact);
    }
  }

  /** A relay or contactor that stays as it is, driven or not. */
  record Stuck(String device, String position) implements WiringFault {
    @Override
    public String text() {
      return "%s stays %s".formatted(device, position);
    }
  }

  /** A joint in a wire with a resistance of its own. */
  record HighResistance(String wire, double ohms) implements WiringFault {
    @Override
    public String text() {
      return "wire %s with %s Ω in a joint".formatted(wire, ohms);
    }
  }
}

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

  /** A joint in a wire with a resistance of its own. */
  record HighResistance(String wire, double ohms) implements WiringFault {
    @Override
    public String text() {
      return "wire %s with %s Ω in a joint".formatted(wire, ohms);
    }
  }
}

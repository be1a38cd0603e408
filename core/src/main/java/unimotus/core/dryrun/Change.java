package unimotus.core.dryrun;

import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.WiringFault;

/** Something that is done to a line while it is dry-run. */
public sealed interface Change {

  /** What is done, in words. */
  String text();

  /** The program's number, the knob or the keypad is set, in the unit of the mechanics. */
  record Commanded(double number) implements Change {
    @Override
    public String text() {
      return "number %s".formatted(number);
    }
  }

  /** An output of the controller goes on or off. */
  record Switched(TerminalRef output, boolean on) implements Change {
    @Override
    public String text() {
      return "%s %s".formatted(on ? "on" : "off", output);
    }
  }

  /** An analog output is put to a value of its own, whatever the number says. */
  record Sent(TerminalRef output, double value) implements Change {
    @Override
    public String text() {
      return "signal %s %s".formatted(output, value);
    }
  }

  /** A button, selector or contact takes a position. */
  record Moved(String device, String position) implements Change {
    @Override
    public String text() {
      return "set %s %s".formatted(device, position);
    }
  }

  /** The network or the keypad commands run; direction 1, −1 or 0 for stop. */
  record Asked(int direction) implements Change {
    @Override
    public String text() {
      return direction == 0 ? "stop" : direction > 0 ? "forward" : "reverse";
    }
  }

  /** The drive's mains go or come back. */
  record Powered(boolean on) implements Change {
    @Override
    public String text() {
      return on ? "power on" : "power off";
    }
  }

  /** Something breaks. */
  record Broken(WiringFault fault) implements Change {
    @Override
    public String text() {
      return "fault: " + fault.text();
    }
  }

  /** Everything that broke is repaired. */
  record Mended() implements Change {
    @Override
    public String text() {
      return "repair";
    }
  }
}

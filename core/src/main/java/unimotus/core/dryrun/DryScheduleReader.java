package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.WiringFault;

/**
 * Reads a schedule: events with their times in seconds, parted by semicolons or lines, such as
 * {@code 0 number 12.5; 0.5 on plc:DO0; 3 set selector hand; 5 open w3; 20 end}.
 */
public final class DryScheduleReader {
  private static final String FORMS =
      "number V, on D:T, off D:T, signal D:T V, set DEVICE POSITION, forward, reverse, stop,"
          + " power on, power off, open WIRE, short-24 D:T, short-0 D:T, dead D:T, repair, end";

  private final AxisAssembly axis;
  private final Installation installation;

  private DryScheduleReader(AxisAssembly axis) {
    this.axis = axis;
    this.installation = Installation.of(axis);
  }

  /**
   * Reads a schedule for an axis.
   *
   * @throws IllegalArgumentException naming the part that cannot be read, or the name that leads
   *     nowhere
   */
  public static DrySchedule read(AxisAssembly axis, String name, String text) {
    DryScheduleReader reader = new DryScheduleReader(axis);
    List<DrySchedule.Event> events = new ArrayList<>();
    double end = 0;
    for (String part : text.split("[;\\n]", -1)) {
      if (part.isBlank()) {
        continue;
      }
      String[] words = part.strip().split("\\s+");
      double at = number(part, words[0]);
      if (words.length == 2 && words[1].equalsIgnoreCase("end")) {
        end = at;
      } else {
        events.add(new DrySchedule.Event(at, reader.change(part, words)));
      }
    }
    double last = events.stream().mapToDouble(DrySchedule.Event::atSeconds).max().orElse(0);
    return new DrySchedule(name, events, end > 0 ? end : last + 30);
  }

  private Change change(String part, String[] words) {
    String verb = words.length < 2 ? "" : words[1].toLowerCase(Locale.ROOT);
    return switch (verb) {
      case "number" -> new Change.Commanded(number(part, word(part, words, 2, 3)));
      case "on", "off" -> new Change.Switched(output(word(part, words, 2, 3)), verb.equals("on"));
      case "signal" -> signal(part, words);
      case "set" -> moved(word(part, words, 2, 4), words[3]);
      case "forward" -> asked(part, words, 1);
      case "reverse" -> asked(part, words, -1);
      case "stop" -> asked(part, words, 0);
      case "power" -> powered(part, word(part, words, 2, 3));
      // Events written before the word was changed are still read.
      case "repair", "mend" -> mended(part, words);
      default -> new Change.Broken(fault(part, verb, words));
    };
  }

  private static Change asked(String part, String[] words, int direction) {
    word(part, words, 1, 2);
    return new Change.Asked(direction);
  }

  private static Change mended(String part, String[] words) {
    word(part, words, 1, 2);
    return new Change.Mended();
  }

  private static Change powered(String part, String word) {
    if (!word.equals("on") && !word.equals("off")) {
      throw unreadable(part);
    }
    return new Change.Powered(word.equals("on"));
  }

  private Change signal(String part, String[] words) {
    TerminalRef ref = terminal(word(part, words, 2, 4));
    TerminalRole role = installation.terminal(ref).map(Terminal::role).orElseThrow();
    if (role != TerminalRole.ANALOG_OUTPUT && role != TerminalRole.WIPER) {
      throw new IllegalArgumentException(
          "%s is no analog output and no wiper (%s)".formatted(ref, role.label()));
    }
    return new Change.Sent(ref, number(part, words[3]));
  }

  private WiringFault fault(String part, String verb, String[] words) {
    return switch (verb) {
      case "open" -> new WiringFault.OpenWire(wire(word(part, words, 2, 3)));
      case "short-24" -> new WiringFault.ShortToSupply(terminal(word(part, words, 2, 3)));
      case "short-0" -> new WiringFault.ShortToZero(terminal(word(part, words, 2, 3)));
      case "dead" -> new WiringFault.DeadSource(terminal(word(part, words, 2, 3)));
      default -> throw unreadable(part);
    };
  }

  /** The word at a place of a part that has so many words, the time among them. */
  private static String word(String part, String[] words, int place, int count) {
    if (words.length != count) {
      throw unreadable(part);
    }
    return words[place];
  }

  private TerminalRef output(String text) {
    TerminalRef ref = terminal(text);
    boolean switched =
        ref.device().equals(axis.controller().id())
            && installation.terminal(ref).filter(t -> t.role().isBinaryOutput()).isPresent();
    if (!switched) {
      throw new IllegalArgumentException(
          "%s is no binary output of %s".formatted(ref, axis.controller().name()));
    }
    return ref;
  }

  private TerminalRef terminal(String text) {
    return installation
        .named(text)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "there is no terminal '%s' on this axis; write DEVICE:TERMINAL"
                        .formatted(text)));
  }

  private String wire(String id) {
    if (axis.wires().stream().noneMatch(w -> w.id().equals(id))) {
      throw new IllegalArgumentException("there is no wire '%s' on this axis".formatted(id));
    }
    return id;
  }

  private Change moved(String device, String position) {
    Optional<PlacedPart> part =
        axis.parts().stream().filter(p -> p.part().id().equals(device)).findFirst();
    if (part.isEmpty()) {
      throw new IllegalArgumentException(
          "there is no part '%s' on this axis; there are: %s"
              .formatted(
                  device,
                  String.join(", ", axis.parts().stream().map(p -> p.part().id()).toList())));
    }
    List<String> positions = part.get().sheet().positions();
    if (!positions.contains(position)) {
      throw new IllegalArgumentException(
          "%s has no position '%s'; it has: %s"
              .formatted(device, position, String.join(", ", positions)));
    }
    return new Change.Moved(device, position);
  }

  private static double number(String part, String word) {
    try {
      return QuantityText.parseIn("schedule", word, MeasureUnit.ONE);
    } catch (IllegalArgumentException e) {
      throw unreadable(part);
    }
  }

  private static IllegalArgumentException unreadable(String part) {
    return new IllegalArgumentException(
        "schedule: cannot read '%s'; write TIME and one of: %s".formatted(part.strip(), FORMS));
  }
}

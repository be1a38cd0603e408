package unimotus.core.plant;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.PartSheet;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.PlacedDevice;
import unimotus.core.wiring.WiringFault;

/**
 * Reads what is done to a plant: events with their times in seconds, parted by semicolons or lines,
 * such as {@code 0 at 40 mm; 0.1 start; 3 open w61; 9 repair; 10 start; 60 end}.
 */
public final class PlantScheduleReader {
  /** The forms of an event, as they are told where one is not understood. */
  public static final String FORMS =
      "start, permit off, permit, hand, auto, set PART POSITION, open WIRE, short-24 D:T, short-0"
          + " D:T, dead D:T, repair, at POSITION (at 0 s), end";

  private static final double USUAL = 60;

  private final Installation line;
  private final MeasureUnit unit;
  private final List<PlantSchedule.Event> events = new ArrayList<>();
  private double startsAt;
  private double end;

  private PlantScheduleReader(Plant plant) {
    this.line = plant.line();
    this.unit = plant.unit();
  }

  /**
   * Reads a schedule.
   *
   * @throws IllegalArgumentException naming the event that is not understood, or the name that
   *     leads nowhere
   */
  public static PlantSchedule read(Plant plant, String text) {
    PlantScheduleReader reader = new PlantScheduleReader(plant);
    for (String part : text.split("[;\\n]", -1)) {
      if (!part.isBlank()) {
        reader.event(part.strip());
      }
    }
    double last = reader.events.stream().mapToDouble(PlantSchedule.Event::at).max().orElse(0);
    return new PlantSchedule(
        reader.events, reader.startsAt, reader.end > 0 ? reader.end : last + USUAL);
  }

  private void event(String part) {
    String[] words = part.split("\\s+");
    if (words.length < 2) {
      throw unreadable(part);
    }
    double seconds = seconds(part, words[0]);
    String verb = words[1].toLowerCase(Locale.ROOT);
    String rest = part.substring(part.indexOf(words[1]) + words[1].length()).strip();
    switch (verb) {
      case "end" -> end = seconds;
      case "at" -> at(part, seconds, rest);
      case "start" -> events.addAll(PlantSchedule.press(seconds));
      default -> events.add(new PlantSchedule.Event(seconds, what(part, verb, rest, words)));
    }
  }

  private void at(String part, double seconds, String rest) {
    if (seconds != 0) {
      throw new IllegalArgumentException(
          "bench: '%s': where the machine stands at first is said at 0 s".formatted(part));
    }
    startsAt = QuantityText.parseIn("position", rest, unit);
  }

  private PlantEvent what(String part, String verb, String rest, String[] words) {
    return switch (verb) {
      case "permit" -> new PlantEvent.Permit(!rest.equals("off"));
      case "hand" -> new PlantEvent.Mode(false);
      case "auto" -> new PlantEvent.Mode(true);
      case "repair" -> new PlantEvent.Repaired();
      case "set" -> set(part, words);
      case "open" -> new PlantEvent.Broken(new WiringFault.OpenWire(wire(rest)));
      case "short-24" -> new PlantEvent.Broken(new WiringFault.ShortToSupply(terminal(rest)));
      case "short-0" -> new PlantEvent.Broken(new WiringFault.ShortToZero(terminal(rest)));
      case "dead" -> new PlantEvent.Broken(new WiringFault.DeadSource(terminal(rest)));
      default -> throw unreadable(part);
    };
  }

  private PlantEvent set(String part, String[] words) {
    if (words.length != 4) {
      throw unreadable(part);
    }
    List<String> switches =
        line.devices().stream()
            .filter(PlantScheduleReader::isSwitch)
            .map(PlacedDevice::id)
            .toList();
    if (!switches.contains(words[2])) {
      throw new IllegalArgumentException(
          "bench: there is no switch '%s' here; there are: %s"
              .formatted(words[2], String.join(", ", switches)));
    }
    PartSheet sheet = (PartSheet) line.device(words[2]).orElseThrow().sheet();
    if (!sheet.positions().contains(words[3])) {
      throw new IllegalArgumentException(
          "bench: %s has no position '%s'; it has: %s"
              .formatted(words[2], words[3], String.join(", ", sheet.positions())));
    }
    return new PlantEvent.Set(words[2], words[3]);
  }

  private static boolean isSwitch(PlacedDevice device) {
    return device.device() instanceof Part
        && device.sheet() instanceof PartSheet sheet
        && sheet.positions().size() > 1;
  }

  private String wire(String id) {
    boolean there =
        Stream.concat(line.wires().stream(), line.powerWires().stream())
            .anyMatch(w -> w.id().equals(id));
    if (!there) {
      throw new IllegalArgumentException(
          "bench: there is no wire '%s' round this controller".formatted(id));
    }
    return id;
  }

  private TerminalRef terminal(String text) {
    return line.named(text)
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "bench: there is no terminal '%s' round this controller; write DEVICE:TERMINAL"
                        .formatted(text)));
  }

  private static double seconds(String part, String word) {
    try {
      return QuantityText.parseIn("time", word, MeasureUnit.ONE);
    } catch (IllegalArgumentException notNumber) {
      throw unreadable(part);
    }
  }

  private static IllegalArgumentException unreadable(String part) {
    return new IllegalArgumentException(
        "bench: cannot read '%s'; write TIME and one of: %s".formatted(part, FORMS));
  }
}

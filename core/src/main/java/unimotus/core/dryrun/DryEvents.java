package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.path.SignalPath;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.quantity.QuantityText;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/** What can be done to an axis in a dry-run, to choose from. */
public final class DryEvents {
  private static final double[] PERCENT = {0, 25, 50, 100};

  /** So long after the last event the next one is put, and the end after that, in seconds. */
  private static final double LATER_SECONDS = 2;

  private static final double END_SECONDS = 10;

  private final AxisAssembly axis;
  private final Set<TerminalRef> wired;

  private DryEvents(AxisAssembly axis) {
    this.axis = axis;
    this.wired =
        axis.wires().stream().flatMap(w -> Stream.of(w.from(), w.to())).collect(Collectors.toSet());
  }

  /**
   * Events of one kind.
   *
   * @param label the words shown to the user
   * @param choices never empty
   */
  public record Group(String label, List<Choice> choices) {
    /** Takes a copy. */
    public Group {
      choices = List.copyOf(choices);
    }
  }

  /**
   * One event.
   *
   * @param words what happens
   * @param event as {@link DryScheduleReader} reads it after the time
   */
  public record Choice(String words, String event) {}

  /** What can be done to an axis through its wires; kinds of which there is nothing left out. */
  public static List<Group> of(AxisAssembly axis, SignalPath path) {
    DryEvents events = new DryEvents(axis);
    List<Group> groups = new ArrayList<>();
    groups.add(new Group("Number", events.numbers(path)));
    groups.add(new Group("Outputs", events.outputs()));
    groups.add(new Group("Buttons and contacts", events.positions()));
    groups.add(new Group("Network or keypad", events.asked()));
    groups.add(new Group("Mains", events.mains()));
    groups.add(new Group("A wire opens", events.openWires()));
    groups.add(new Group("A terminal is shorted", events.shorts()));
    groups.add(new Group("An output gives nothing", events.dead()));
    groups.add(new Group("Everything is repaired", List.of(new Choice("repair all", "repair"))));
    return groups.stream().filter(g -> !g.choices().isEmpty()).toList();
  }

  /**
   * A schedule with one more event behind its last one. An end that stands in it stays, later where
   * the event would come after it; what cannot be read is left as it was typed.
   *
   * @param text a schedule as {@link DryScheduleReader} reads it, possibly empty
   * @param event what happens, without its time
   */
  public static String appended(String text, String event) {
    List<String> parts = new ArrayList<>();
    OptionalDouble end = OptionalDouble.empty();
    double at = 0;
    for (String part : text.split("[;\\n]", -1)) {
      String[] words = part.strip().split("\\s+");
      OptionalDouble seconds = seconds(words[0]);
      if (words.length == 2 && words[1].equalsIgnoreCase("end") && seconds.isPresent()) {
        end = seconds;
      } else if (!part.isBlank()) {
        parts.add(part.strip());
        at = seconds.isPresent() ? Math.max(at, seconds.getAsDouble() + LATER_SECONDS) : at;
      }
    }
    parts.add(time(at) + " " + event);
    if (end.isPresent()) {
      parts.add(time(end.getAsDouble() > at ? end.getAsDouble() : at + END_SECONDS) + " end");
    }
    return String.join("; ", parts);
  }

  private static OptionalDouble seconds(String word) {
    try {
      return OptionalDouble.of(QuantityText.parseIn("schedule", word, MeasureUnit.ONE));
    } catch (IllegalArgumentException unreadable) {
      // The schedule is refused by name when it is played; here it only has no time.
      return OptionalDouble.empty();
    }
  }

  private static String time(double seconds) {
    return seconds == Math.rint(seconds)
        ? Long.toString((long) seconds)
        : Double.toString(Math.rint(seconds * 1000) / 1000);
  }

  private List<Choice> numbers(SignalPath path) {
    List<Choice> choices = new ArrayList<>();
    for (double percent : PERCENT) {
      double number = path.scale().inverse(percent);
      String unit = path.scale().numberUnit().symbol();
      choices.add(
          new Choice(
              "%s %%: %s %s"
                  .formatted(
                      QuantityFormat.PLAIN.number(percent),
                      QuantityFormat.PLAIN.number(number),
                      unit),
              "number " + number));
    }
    return choices;
  }

  private List<Terminal> binaryOutputs() {
    return axis.controllerSheet().terminals().stream()
        .filter(t -> t.role().isBinaryOutput())
        .filter(t -> wired.contains(new TerminalRef(axis.controller().id(), t.id())))
        .toList();
  }

  private List<Choice> outputs() {
    List<Choice> choices = new ArrayList<>();
    for (Terminal output : binaryOutputs()) {
      TerminalRef ref = new TerminalRef(axis.controller().id(), output.id());
      String what = meaning(ref).map(m -> " (" + m + ")").orElse("");
      choices.add(new Choice("%s on%s".formatted(output.id(), what), "on " + ref));
      choices.add(new Choice("%s off%s".formatted(output.id(), what), "off " + ref));
    }
    return choices;
  }

  /** What the input that an output leads to is set to. */
  private Optional<String> meaning(TerminalRef output) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    return axis.wires().stream()
        .filter(w -> w.touches(output))
        .map(w -> w.otherEnd(output))
        .filter(t -> t.device().equals(axis.drive().id()))
        .flatMap(t -> settings.functionOf(t.terminal()).flatMap(Meaning::find).stream())
        .map(Meaning::label)
        .findFirst();
  }

  private List<Choice> positions() {
    List<Choice> choices = new ArrayList<>();
    for (PlacedPart part : axis.parts()) {
      for (String position : part.sheet().positions()) {
        choices.add(
            new Choice(
                "%s: %s".formatted(part.part().name(), position),
                "set %s %s".formatted(part.part().id(), position)));
      }
    }
    return choices;
  }

  private List<Choice> asked() {
    return List.of(
        new Choice("forward", "forward"),
        new Choice("reverse", "reverse"),
        new Choice("stop", "stop"));
  }

  private List<Choice> mains() {
    return List.of(new Choice("lost", "power off"), new Choice("back", "power on"));
  }

  private List<Choice> openWires() {
    return axis.wires().stream().map(DryEvents::opened).toList();
  }

  private static Choice opened(Wire wire) {
    String signal = wire.make().signal();
    return new Choice(
        "%s: %s – %s%s"
            .formatted(
                wire.id(), wire.from(), wire.to(), signal.isEmpty() ? "" : " (" + signal + ")"),
        "open " + wire.id());
  }

  private List<Choice> shorts() {
    List<Choice> choices = new ArrayList<>();
    for (TerminalRef input : wiredInputs()) {
      choices.add(new Choice("%s to 24 V".formatted(input), "short-24 " + input));
      choices.add(new Choice("%s to 0 V".formatted(input), "short-0 " + input));
    }
    return choices;
  }

  private List<TerminalRef> wiredInputs() {
    return axis.driveSheet().terminals().stream()
        .filter(
            t ->
                t.role() == TerminalRole.DIGITAL_INPUT
                    || t.role() == TerminalRole.EITHER_WAY_INPUT
                    || t.role() == TerminalRole.SAFE_TORQUE_OFF)
        .map(t -> new TerminalRef(axis.drive().id(), t.id()))
        .filter(wired::contains)
        .toList();
  }

  private List<Choice> dead() {
    return binaryOutputs().stream()
        .map(t -> new TerminalRef(axis.controller().id(), t.id()))
        .map(r -> new Choice(r.terminal(), "dead " + r))
        .toList();
  }
}

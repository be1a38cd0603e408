package unimotus.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Device;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Nets;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Meanings;
import unimotus.core.wiring.PlacedDevice;

/** A project in the middle of being wired for one axis. Not thread-safe. */
public final class Draft {
  private final SheetCatalogue sheets;
  private final String axisId;
  private final List<String> done = new ArrayList<>();
  private final Set<String> assigned = new HashSet<>();
  private final List<TerminalRef> cut = new ArrayList<>();
  private Project project;

  /** Begins with a project as it stands. */
  public Draft(Project project, SheetCatalogue sheets, String axisId) {
    this.project = project;
    this.sheets = sheets;
    this.axisId = axisId;
  }

  Project project() {
    return project;
  }

  List<String> done() {
    return done;
  }

  /** Adds a word to what was done. */
  public void note(String text) {
    done.add(text);
  }

  void replace(Project next) {
    project = next;
  }

  /** Takes the axis as it is now meant. */
  public void put(Axis axis) {
    project = project.with(axis);
  }

  /** What the drive's inputs can be fed from. */
  public Feeds feeds() {
    return new Feeds(this);
  }

  /** The axis as it stands now. */
  public AxisAssembly axis() {
    return project
        .axis(axisId)
        .flatMap(a -> AxisAssembly.of(project, sheets, a))
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "axis '%s' has no controller, drive and motor yet".formatted(axisId)));
  }

  /** The axis' drive as it stands now. */
  public PlacedDevice drive() {
    return new PlacedDevice(axis().drive(), axis().driveSheet());
  }

  /** The axis' controller as it stands now. */
  public PlacedDevice controller() {
    return new PlacedDevice(axis().controller(), axis().controllerSheet());
  }

  /** The one terminal of a role that a link cannot do without. */
  public TerminalRef need(PlacedDevice device, TerminalRole role) {
    return device
        .sheet()
        .first(role)
        .map(t -> device.ref(t.id()))
        .orElseThrow(() -> lacking(device, role.label()));
  }

  /** That a device has no more of something. */
  public static IllegalArgumentException lacking(PlacedDevice device, String what) {
    return new IllegalArgumentException(
        "%s (%s) has no free %s".formatted(device.device().name(), device.sheet().name(), what));
  }

  /** Whether no wire ends on a terminal. */
  public boolean isFree(TerminalRef terminal) {
    return project.wires().stream().noneMatch(w -> w.touches(terminal));
  }

  /** The first unwired terminal of a role. */
  public Optional<TerminalRef> free(PlacedDevice device, TerminalRole role) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == role)
        .map(t -> device.ref(t.id()))
        .filter(this::isFree)
        .findFirst();
  }

  /** The drive's input that is set to a function now; empty where none is. */
  public Optional<TerminalRef> inputSetTo(String function) {
    return settings().inputFor(function).map(t -> drive().ref(t));
  }

  private EffectiveSettings settings() {
    return new EffectiveSettings(axis().drive(), axis().driveSheet());
  }

  /** The drive's input for a function: the one set to it, else a free one, which is then set. */
  public TerminalRef input(String function) {
    Optional<TerminalRef> set = inputSetTo(function);
    if (set.isPresent()) {
      assigned.add(set.get().terminal());
      return set.get();
    }
    List<String> candidates =
        axis().driveSheet().settings().stream()
            .filter(s -> s.role() == SettingRole.INPUT_FUNCTION && s.terminal() != null)
            .filter(s -> s.takes(new SettingValue.Choice(function)))
            .map(SettingDefinition::terminal)
            .filter(t -> isFree(drive().ref(t)) && !assigned.contains(t))
            .sorted((a, b) -> Boolean.compare(isSpokenFor(a), isSpokenFor(b)))
            .toList();
    if (candidates.isEmpty()) {
      throw lacking(drive(), "binary input for '%s'".formatted(function.replace('-', ' ')));
    }
    assigned.add(candidates.get(0));
    set(SettingRole.INPUT_FUNCTION, candidates.get(0), function);
    return drive().ref(candidates.get(0));
  }

  private boolean isSpokenFor(String terminal) {
    return settings().functionOf(terminal).filter(f -> !f.equals("none")).isPresent();
  }

  /** Takes a function off whatever input has it. */
  public void release(String function) {
    inputSetTo(function).ifPresent(t -> set(SettingRole.INPUT_FUNCTION, t.terminal(), "none"));
  }

  /** Sets a choice of the drive where it has such a setting and it stands otherwise. */
  public void set(SettingRole role, Option option) {
    set(role, null, option.word());
  }

  /** Whether the drive takes this choice. */
  public boolean canSet(SettingRole role, Option option) {
    return axis()
        .driveSheet()
        .setting(role)
        .filter(d -> d.takes(new SettingValue.Choice(option.word())))
        .isPresent();
  }

  /**
   * Sets a choice of a terminal, or of the drive where {@code terminal} is null, where it has such
   * a setting and it stands otherwise.
   */
  public void set(SettingRole role, @Nullable String terminal, String value) {
    Optional<SettingDefinition> definition =
        terminal == null
            ? axis().driveSheet().setting(role)
            : axis().driveSheet().setting(role, terminal);
    SettingValue choice = new SettingValue.Choice(value);
    definition
        .filter(d -> d.takes(choice) && !settings().value(d).equals(choice))
        .ifPresent(
            d -> {
              Drive drive = axis().drive();
              project =
                  project.with(
                      d.initial().equals(choice)
                          ? drive.withDefault(d.code())
                          : drive.withSetting(d.code(), choice));
              done.add("set %s %s to %s".formatted(d.code(), d.name(), value));
            });
  }

  /** Sets a number of the drive where it has such a setting and it stands otherwise. */
  public void set(SettingRole role, double value) {
    axis()
        .driveSheet()
        .setting(role)
        .ifPresent(
            d -> {
              SettingValue number = new SettingValue.Number(value);
              if (!d.takes(number)) {
                throw new IllegalArgumentException(
                    "%s %s does not take %s".formatted(d.code(), d.name(), value));
              }
              if (!settings().value(d).equals(number)) {
                project = project.with(axis().drive().withSetting(d.code(), number));
                done.add("set %s %s to %s".formatted(d.code(), d.name(), value));
              }
            });
  }

  /** Puts the device's selector of a role into a position, where it has such a selector. */
  void select(PlacedDevice device, SelectorRole role, Option position) {
    device
        .sheet()
        .selector(role)
        .filter(s -> !device.selector(role, "").equals(position.word()))
        .ifPresent(
            s -> {
              Device now = project.device(device.id()).orElseThrow();
              select(now, s.id(), position.word());
            });
  }

  /** Puts a selector of a device into a position. */
  public void select(Device device, String selector, String position) {
    project = project.with(device.withSelector(selector, position));
    done.add("put %s of %s to %s".formatted(selector, device.name(), position));
  }

  /** The classes of panel parts there are. */
  public List<PartSheet> partSheets() {
    return sheets.all(PartSheet.class);
  }

  /** Adds a panel part of a class. */
  public PlacedDevice part(String sheetId, String role) {
    return add(sheet(sheetId), axis().axis().name() + " " + role);
  }

  /** A part of a class that the line has already; a new one where it has none. */
  PlacedDevice shared(String sheetId, String name) {
    PartSheet sheet = sheet(sheetId);
    return project.parts().stream()
        .filter(p -> p.sheet().equals(sheetId))
        .findFirst()
        .map(p -> new PlacedDevice(p, sheet))
        .orElseGet(() -> add(sheet, name));
  }

  private PartSheet sheet(String id) {
    return sheets
        .find(PartSheet.class, id)
        .orElseThrow(() -> new IllegalArgumentException("there is no part sheet '" + id + "'"));
  }

  private PlacedDevice add(PartSheet sheet, String name) {
    List<String> taken = project.devices().stream().map(Device::id).toList();
    Part part = new Part(Ids.from(name, taken), name, sheet.id(), Map.of());
    project = project.with(part);
    done.add("added " + name);
    return new PlacedDevice(part, sheet);
  }

  /** Joins two terminals unless they are one conductor already. */
  public void wire(TerminalRef from, TerminalRef to, String signal) {
    wire(from, to, WireMake.PLAIN.withSignal(signal));
  }

  /** Joins two terminals by a wire of a make, unless they are one conductor already. */
  public void wire(TerminalRef from, TerminalRef to, WireMake make) {
    if (new Nets(project.wires()).joined(from, to)) {
      return;
    }
    Set<String> taken = new HashSet<>(project.wires().stream().map(Wire::id).toList());
    Wire wire = new Wire(Ids.from("w" + (project.wires().size() + 1), taken), from, to, make);
    project = project.with(wire);
    done.add("connected %s and %s".formatted(from, to));
  }

  /**
   * Leads what ends on a terminal over a contact: its wires to one side, a new one from the other.
   */
  public void cutInto(TerminalRef terminal, TerminalRef feed, TerminalRef switched, String signal) {
    List<Wire> next = new ArrayList<>();
    for (Wire wire : project.wires()) {
      next.add(wire.touches(terminal) ? wire.withEnds(wire.otherEnd(terminal), feed) : wire);
    }
    project = project.withWires(next);
    done.add("moved what ended on %s to %s".formatted(terminal, feed));
    wire(switched, terminal, signal);
    cut.add(terminal);
  }

  /** Says of an input what its wires suggest, where nothing was said of it. */
  public void declare(TerminalRef input) {
    boolean declared = project.intents().stream().anyMatch(i -> i.input().equals(input));
    if (!declared) {
      List<Intent> next = new ArrayList<>(project.intents());
      Meanings.of(axis()).stream().filter(i -> i.input().equals(input)).forEach(next::add);
      project = project.withIntents(next);
    }
  }

  /** The inputs that were led over a contact. */
  List<TerminalRef> cutInputs() {
    return List.copyOf(cut);
  }

  /** Notes that an input is meant on only under one more condition. */
  public void meanOnlyWhen(TerminalRef input, Condition more) {
    List<Intent> next = new ArrayList<>();
    for (Intent intent : project.intents()) {
      List<Condition> when = new ArrayList<>(intent.when());
      when.add(more);
      next.add(
          intent.input().equals(input)
              ? new Intent(intent.axis(), input, intent.meaning(), when)
              : intent);
    }
    project = project.withIntents(next);
  }

  /** Notes when an input is meant to read on. */
  public void mean(TerminalRef input, String meaning, Condition... when) {
    Intent intent = new Intent(axisId, input, Meaning.ofWord(meaning), List.of(when));
    if (!project.intents().contains(intent)) {
      List<Intent> next = new ArrayList<>(project.intents());
      next.add(intent);
      project = project.withIntents(next);
    }
  }

  /** The terminal behind a reference of one of the axis' devices. */
  public static Terminal terminal(PlacedDevice device, TerminalRef ref) {
    return device.sheet().terminal(ref.terminal()).orElseThrow();
  }
}

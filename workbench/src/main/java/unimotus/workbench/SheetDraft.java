package unimotus.workbench;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import unimotus.core.machine.Ids;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.SheetFaults;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * A device sheet of the user's own in the making, with undo. It starts from a class there is. Not
 * thread-safe.
 */
public final class SheetDraft {
  private final Deque<DeviceSheet> past = new ArrayDeque<>();
  private final Deque<DeviceSheet> undone = new ArrayDeque<>();
  private DeviceSheet sheet;

  private SheetDraft(DeviceSheet sheet) {
    this.sheet = sheet;
  }

  /** A draft that starts as a copy of a class, under an id that is free. */
  public static SheetDraft from(DeviceSheet start, SheetCatalogue known) {
    List<String> taken = known.all(DeviceSheet.class).stream().map(DeviceSheet::id).toList();
    String name = start.name() + ", own";
    return new SheetDraft(start.withIdentity(Ids.from(name, taken), name));
  }

  /** A draft that changes an own sheet. */
  public static SheetDraft of(DeviceSheet own) {
    return new SheetDraft(own);
  }

  /** The sheet as it is now. */
  public DeviceSheet sheet() {
    return sheet;
  }

  /** What keeps it from being used; empty where nothing does. */
  public List<String> faults() {
    return SheetFaults.of(sheet);
  }

  /**
   * Changes the sheet.
   *
   * @throws IllegalArgumentException where the sheet refuses; it then stays as it was
   */
  public void change(UnaryOperator<DeviceSheet> change) {
    DeviceSheet next = change.apply(sheet);
    if (!next.equals(sheet)) {
      past.push(sheet);
      undone.clear();
      sheet = next;
    }
  }

  /** Takes back the last change; does nothing where there is none. */
  public void undo() {
    if (!past.isEmpty()) {
      undone.push(sheet);
      sheet = past.pop();
    }
  }

  /** Brings the last undone change again; does nothing where there is none. */
  public void redo() {
    if (!undone.isEmpty()) {
      past.push(sheet);
      sheet = undone.pop();
    }
  }

  /** Renames the class. */
  public void rename(String name) {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a device class needs a name");
    }
    change(s -> s.withIdentity(s.id(), name.strip()));
  }

  /** Puts a terminal in the place of another, and follows a new marking wherever it is named. */
  public void put(Terminal before, Terminal after) {
    boolean taken = !after.id().equals(before.id()) && sheet.terminal(after.id()).isPresent();
    if (after.id().isBlank() || taken) {
      throw new IllegalArgumentException(
          taken
              ? "terminal '%s' is there already".formatted(after.id())
              : "a terminal needs a marking");
    }
    change(
        s ->
            s.withTerminals(
                    s.terminals().stream()
                        .map(t -> t.equals(before) ? after : follow(t, before.id(), after.id()))
                        .toList())
                .withSelectors(
                    s.selectors().stream().map(x -> follow(x, before.id(), after.id())).toList()));
  }

  private static Terminal follow(Terminal terminal, String was, String is) {
    return was.equals(terminal.common()) ? terminal.withCommon(is) : terminal;
  }

  private static Selector follow(Selector selector, String was, String is) {
    return was.equals(selector.terminal()) ? selector.withTerminal(is) : selector;
  }

  /** Adds a terminal after another one, as a junction to begin with. */
  public Terminal addAfter(Terminal before) {
    List<String> taken = sheet.terminals().stream().map(Terminal::id).toList();
    int n = taken.size() + 1;
    while (taken.contains("T" + n)) {
      n++;
    }
    Terminal added = new Terminal("T" + n, "New terminal", TerminalRole.JUNCTION, null, Map.of());
    change(
        s -> {
          List<Terminal> next = new ArrayList<>(s.terminals());
          next.add(next.indexOf(before) + 1, added);
          return s.withTerminals(next);
        });
    return added;
  }

  /** Removes a terminal with the switches that belong to it. */
  public void remove(Terminal terminal) {
    change(
        s ->
            s.withTerminals(s.terminals().stream().filter(t -> !t.equals(terminal)).toList())
                .withSelectors(
                    s.selectors().stream()
                        .filter(x -> !terminal.id().equals(x.terminal()))
                        .toList()));
  }

  /** Puts a switch in the place of another. */
  public void put(Selector before, Selector after) {
    change(
        s ->
            s.withSelectors(
                s.selectors().stream().map(x -> x.equals(before) ? after : x).toList()));
  }

  /** Adds a switch like another one, under a free id. */
  public void addLike(Selector selector) {
    List<String> taken = sheet.selectors().stream().map(Selector::id).toList();
    String id = free(selector.id(), taken);
    change(
        s -> {
          List<Selector> next = new ArrayList<>(s.selectors());
          next.add(
              next.indexOf(selector) + 1,
              new Selector(
                  id,
                  selector.label(),
                  selector.role(),
                  selector.terminal(),
                  selector.options(),
                  selector.initial()));
          return s.withSelectors(next);
        });
  }

  private static String free(String stem, List<String> taken) {
    int n = 2;
    while (taken.contains(stem + "-" + n)) {
      n++;
    }
    return stem + "-" + n;
  }

  /** Removes a switch. */
  public void remove(Selector selector) {
    change(s -> s.withSelectors(s.selectors().stream().filter(x -> !x.equals(selector)).toList()));
  }

  /** Puts a setting of a drive in the place of another. */
  public void put(SettingDefinition before, SettingDefinition after) {
    boolean taken =
        !after.code().equals(before.code())
            && sheet instanceof DriveSheet d
            && d.setting(after.code()).isPresent();
    if (taken) {
      throw new IllegalArgumentException("setting '%s' is there already".formatted(after.code()));
    }
    settings(list -> list.stream().map(x -> x.equals(before) ? after : x).toList());
  }

  /** Adds a setting like another one, under a free code. */
  public void addLike(SettingDefinition setting) {
    if (!(sheet instanceof DriveSheet drive)) {
      return;
    }
    String code =
        free(setting.code(), drive.settings().stream().map(SettingDefinition::code).toList());
    settings(
        list -> {
          List<SettingDefinition> next = new ArrayList<>(list);
          next.add(next.indexOf(setting) + 1, setting.withCode(code));
          return next;
        });
  }

  /** Removes a setting of a drive. */
  public void remove(SettingDefinition setting) {
    settings(list -> list.stream().filter(x -> !x.equals(setting)).toList());
  }

  private void settings(UnaryOperator<List<SettingDefinition>> change) {
    change(s -> s instanceof DriveSheet d ? pruned(d.withSettings(change.apply(d.settings()))) : s);
  }

  /** Rules follow the settings: what is gone is named no more. */
  private static DriveSheet pruned(DriveSheet drive) {
    return drive.withRules(
        drive.rules().stream()
            .flatMap(r -> r.keeping(c -> drive.setting(c).isPresent()).stream())
            .toList());
  }
}

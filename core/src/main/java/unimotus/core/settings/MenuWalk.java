package unimotus.core.settings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Menu;
import unimotus.core.sheet.SettingDefinition;

/** The way through a drive's keypad from one setting to the next, counted in key presses. */
public final class MenuWalk {
  private static final int DIGITS = 10;
  private static final int LETTERS = 26;

  private final Menu menu;
  private final List<String> codes;
  private final List<String> groups = new ArrayList<>();
  private final Map<String, Place> places = new HashMap<>();

  /** Where a setting stands. */
  private record Place(int inList, int group, int inGroup) {}

  /** The walks of a sheet. */
  public MenuWalk(DriveSheet sheet) {
    menu = sheet.menu();
    codes = sheet.settings().stream().map(SettingDefinition::code).toList();
    Map<String, Integer> filled = new HashMap<>();
    for (SettingDefinition setting : sheet.settings()) {
      if (!groups.contains(setting.group())) {
        groups.add(setting.group());
      }
      int inGroup = filled.merge(setting.group(), 1, Integer::sum) - 1;
      places.put(
          setting.code(), new Place(places.size(), groups.indexOf(setting.group()), inGroup));
    }
  }

  /**
   * Key presses from one setting to another, without those that change the value.
   *
   * @param from where the cursor is; null for the top of the menu
   * @param to a code of the sheet
   */
  public int presses(@Nullable String from, String to) {
    return steps(from, to).stream().mapToInt(Presses::times).sum();
  }

  /** The same in words, such as {@code esc, ▼ 2×, enter, ▼ 3×}. */
  public String keys(@Nullable String from, String to) {
    return String.join(
        ", ", steps(from, to).stream().filter(p -> p.times() > 0).map(Presses::text).toList());
  }

  /** Where a setting stands, in words. */
  public String position(String code) {
    return switch (menu.style()) {
      case LIST -> "%d of %d".formatted(place(code).inList() + 1, codes.size());
      case GROUPS ->
          "%s, entry %d".formatted(groups.get(place(code).group()), place(code).inGroup() + 1);
      case DIGITS -> "dial " + code;
    };
  }

  private Place place(String code) {
    return Objects.requireNonNull(places.get(code), code);
  }

  private record Presses(String key, int times) {
    String text() {
      return times == 1 ? key : "%s %d×".formatted(key, times);
    }
  }

  private List<Presses> steps(@Nullable String from, String to) {
    return switch (menu.style()) {
      case LIST ->
          List.of(ring(from == null ? 0 : place(from).inList(), place(to).inList(), codes.size()));
      case GROUPS -> throughGroups(from == null ? null : place(from), place(to));
      case DIGITS -> dialled(from == null ? codes.get(0) : from, to);
    };
  }

  private List<Presses> throughGroups(@Nullable Place here, Place there) {
    if (here != null && here.group() == there.group()) {
      int by = there.inGroup() - here.inGroup();
      return List.of(straight(by));
    }
    List<Presses> steps = new ArrayList<>();
    if (here != null) {
      steps.add(new Presses(menu.back(), 1));
    }
    steps.add(ring(here == null ? 0 : here.group(), there.group(), groups.size()));
    steps.add(new Presses(menu.enter(), 1));
    steps.add(straight(there.inGroup()));
    return steps;
  }

  private List<Presses> dialled(String from, String to) {
    List<Presses> steps = new ArrayList<>();
    for (int i = 0; i < to.length(); i++) {
      char target = to.charAt(i);
      char now = i < from.length() ? from.charAt(i) : target;
      if (!Character.isLetterOrDigit(target)) {
        continue;
      }
      if (!steps.isEmpty()) {
        steps.add(new Presses(menu.enter(), 1));
      }
      boolean digit = Character.isDigit(target) && Character.isDigit(now);
      steps.add(ring(now, target, digit ? DIGITS : LETTERS));
    }
    return steps;
  }

  private Presses straight(int by) {
    return new Presses(by < 0 ? menu.previous() : menu.next(), Math.abs(by));
  }

  private Presses ring(int from, int to, int size) {
    int forward = Math.floorMod(to - from, size);
    int backward = size - forward;
    return forward <= backward ? straight(forward) : straight(-backward);
  }
}

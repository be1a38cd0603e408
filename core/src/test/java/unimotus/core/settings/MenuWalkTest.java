package unimotus.core.settings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.sheet.DriveSheet;

/** Key presses counted by hand on four kinds of menu. */
class MenuWalkTest {
  private static MenuWalk walk(String drive) {
    DriveSheet sheet = Lines.SHEETS.find(DriveSheet.class, drive).orElseThrow();
    return new MenuWalk(sheet);
  }

  /** Groups: out of one, along the ring of groups the short way, in, and down. */
  @ParameterizedTest
  @CsvSource(
      nullValues = "-",
      delimiter = '|',
      value = {
        "- | A01 | enter | 1",
        "- | A03 | enter, ▼ 2× | 3",
        "- | M10 | ▼, enter | 2",
        "- | M12 | ▼, enter, ▼ 2× | 4",
        "M10 | M12 | ▼ 2× | 2",
        "M12 | M10 | ▲ 2× | 2",
        "M12 | M12 | '' | 0",
        "M12 | R31 | esc, ▼ 2×, enter, ▼ | 5",
        "R31 | A01 | esc, ▲ 3×, enter | 5",
        "A01 | S90 | esc, ▲, enter | 3",
      })
  void groupsAreLeftAndEntered(String from, String to, String keys, int presses) {
    MenuWalk walk = walk("terminal-drive-4kw");
    assertThat(walk.keys(from, to)).isEqualTo(keys);
    assertThat(walk.presses(from, to)).isEqualTo(presses);
  }

  @Test
  void placesAreToldAsTheMenuHasThem() {
    assertThat(walk("terminal-drive-4kw").position("M12")).isEqualTo("Motor, entry 3");
    assertThat(walk("compact-drive-2kw").position("001")).startsWith("dial ");
    DriveSheet list = Lines.SHEETS.find(DriveSheet.class, "pump-drive-5k5").orElseThrow();
    String last = list.settings().get(list.settings().size() - 1).code();
    int size = list.settings().size();
    assertThat(walk("pump-drive-5k5").position(last)).isEqualTo("%d of %d".formatted(size, size));
  }

  /** One list closed to a ring: the last entry is one press back from the first. */
  @Test
  void aListIsARing() {
    DriveSheet sheet = Lines.SHEETS.find(DriveSheet.class, "pump-drive-5k5").orElseThrow();
    MenuWalk walk = new MenuWalk(sheet);
    int size = sheet.settings().size();
    String first = sheet.settings().get(0).code();
    String last = sheet.settings().get(size - 1).code();
    String third = sheet.settings().get(2).code();
    assertThat(walk.keys(null, first)).isEmpty();
    assertThat(walk.keys(null, last)).isEqualTo("▼");
    assertThat(walk.keys(first, third)).isEqualTo("▲ 2×");
    assertThat(walk.keys(third, first)).isEqualTo("▼ 2×");
    assertThat(walk.keys(last, first)).isEqualTo("▲");
    String half = sheet.settings().get(size / 2).code();
    assertThat(walk.presses(first, half)).isEqualTo(size / 2);
  }

  /** Digits turn on rings of ten: 101 to 305 is two up, none, four up, with a key between. */
  @Test
  void digitsAreDialled() {
    MenuWalk walk = walk("fieldbus-drive-1k5");
    assertThat(walk.keys("101", "305")).isEqualTo("+ 2×, shift, shift, + 4×");
    assertThat(walk.presses("101", "305")).isEqualTo(8);
    assertThat(walk.keys("101", "109".replace('9', '4'))).isEqualTo("shift, shift, + 3×");
    assertThat(walk.keys("707", "101")).isEqualTo("+ 4×, shift, shift, + 4×");
    assertThat(walk.keys(null, "101")).isEqualTo("shift, shift");
    assertThat(walk.keys("209", "201")).isEqualTo("shift, shift, + 2×");
    assertThat(walk.keys("201", "209")).isEqualTo("shift, shift, − 2×");
  }
}

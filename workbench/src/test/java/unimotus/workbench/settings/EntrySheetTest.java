package unimotus.workbench.settings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import unimotus.core.settings.EntrySheetProperties;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/**
 * The order of entry on every shipped frequency drive; on a servo drive hardly a setting rewrites
 * another.
 */
class EntrySheetTest extends EntrySheetProperties {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  static Stream<DriveSheet> drives() {
    return SHEETS.all(DriveSheet.class).stream()
        .filter(d -> d.driveKind() instanceof DriveKind.Frequency);
  }

  @Override
  protected DriveSheet drive(String id) {
    return SHEETS.find(DriveSheet.class, id).orElseThrow();
  }

  @Test
  void sixDrivesOrMoreWithFortySettingsOrMoreInThreeKindsOfMenu() {
    assertThat(drives()).hasSizeGreaterThanOrEqualTo(6);
    assertThat(drives()).allSatisfy(d -> assertThat(d.settings()).hasSizeGreaterThanOrEqualTo(40));
    assertThat(drives().map(d -> d.menu().style()).distinct()).hasSize(3);
  }
}

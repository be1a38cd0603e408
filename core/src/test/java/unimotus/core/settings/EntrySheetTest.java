package unimotus.core.settings;

import java.util.stream.Stream;
import unimotus.core.FixtureSheets;
import unimotus.core.sheet.DriveSheet;

/** The order of entry on the fixture drives. */
class EntrySheetTest extends EntrySheetProperties {
  static Stream<DriveSheet> drives() {
    return FixtureSheets.catalogue().all(DriveSheet.class).stream();
  }

  @Override
  protected DriveSheet drive(String id) {
    return FixtureSheets.catalogue().find(DriveSheet.class, id).orElseThrow();
  }
}

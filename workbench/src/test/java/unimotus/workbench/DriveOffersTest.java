package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Mechanics;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/** Drives offered for a new axis, against current, phases and voltage read from their sheets. */
class DriveOffersTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  private static DriveOffers offers(String motor, Mains mains, SignalRange range) {
    return DriveOffers.of(
        SHEETS,
        new AxisDraft(
            "Belt",
            "controller-modular",
            "terminal-drive-4kw",
            motor,
            mains,
            range,
            new Mechanics.Drum(20, 0.5),
            25));
  }

  private static Map<String, String> reasons(DriveOffers offers) {
    Map<String, String> reasons = new TreeMap<>();
    offers.leftOut().forEach((sheet, why) -> reasons.put(sheet.id(), why));
    return reasons;
  }

  @Test
  void aDriveTooSmallForTheMotorIsLeftOutWithBothCurrents() {
    DriveOffers offers = offers("motor-4kw-4pole", Mains.THREE_400, SignalRange.MA_4_20);
    assertThat(offers.drives()).extracting(DriveSheet::id).contains("terminal-drive-4kw");
    assertThat(reasons(offers).get("compact-drive-2kw")).contains("8.05 A");
  }

  @Test
  void aDriveForOtherMainsIsLeftOut() {
    assertThat(reasons(offers("motor-0k75-6pole", Mains.ONE_230, SignalRange.V_0_10)))
        .containsKey("terminal-drive-4kw")
        .doesNotContainKey("single-phase-drive-1k5");
    assertThat(reasons(offers("motor-0k75-6pole", Mains.THREE_400, SignalRange.V_0_10)))
        .containsKey("single-phase-drive-1k5");
  }

  @Test
  void aServoMotorIsRunByNoFrequencyDrive() {
    DriveOffers offers = offers("servo-motor-0k75", Mains.NOT_KNOWN, SignalRange.V_0_10);
    assertThat(offers.leftOut().values()).allMatch(w -> w.contains("runs") || !w.isBlank());
    assertThat(offers.drives()).noneMatch(d -> !d.driveKind().motors().contains("servo"));
  }

  /** By the sheets' own figures: what is offered gives the current, on these mains. */
  @Test
  void everyOfferFitsByTheFiguresOfItsSheet() {
    for (MotorSheet motor : SHEETS.all(MotorSheet.class)) {
      if (!(motor.plate() instanceof InductionPlate plate)) {
        continue;
      }
      for (Mains mains : List.of(Mains.THREE_400, Mains.ONE_230)) {
        DriveOffers offers = offers(motor.id(), mains, SignalRange.V_0_10);
        assertThat(offers.drives().size() + offers.leftOut().size())
            .isEqualTo(SHEETS.all(DriveSheet.class).size());
        for (DriveSheet drive : offers.drives()) {
          assertThat(drive.ratings().currentAmperes())
              .as("%s on %s", motor.id(), drive.id())
              .isGreaterThanOrEqualTo(plate.currentAmperes());
          if (drive.power() != null) {
            assertThat(drive.power().phases()).isEqualTo(mains == Mains.ONE_230 ? 1 : 3);
          }
        }
        assertThat(offers.leftOut().keySet())
            .extracting(DeviceSheet::id)
            .noneMatch(id -> offers.drives().stream().anyMatch(d -> d.id().equals(id)));
      }
    }
  }
}

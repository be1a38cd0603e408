package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Project;
import unimotus.core.motion.InfeedChecks;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/**
 * What feeds the link of a servo drive: regulated 1.5 times the line (400 V gives 600 V, 230 V
 * gives 345 V), plain √2 times (230 V gives 325 V); common practice.
 */
class InfeedTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  private static Project drive(
      String sheet, double mains, double motor, Map<String, SettingValue> set) {
    Project demo = Demo.project();
    Drive drive = demo.drive("slicer-drive-module").orElseThrow();
    Project next =
        demo.with(new Drive(drive.id(), drive.name(), sheet, drive.selectors(), set))
            .with(
                demo.record(drive.id()).withFeed(Feed.USUAL.withMains(mains, mains > 300 ? 3 : 1)));
    ServoPlate plate = (ServoPlate) demo.motor("slicer-x-motor").orElseThrow().plate();
    return next.with(
        demo.motor("slicer-x-motor").orElseThrow().withPlate(plate.withVoltageVolts(motor)));
  }

  private static List<Finding> found(Project project) {
    return InfeedChecks.check(
        AxisAssembly.of(project, SHEETS, project.axis("slicer-x").orElseThrow()).orElseThrow());
  }

  @ParameterizedTest
  @CsvSource({
    "servo-drive-two-axis, 400, s02, 600, true",
    "servo-drive-two-axis, 400, s02, 590, true",
    "servo-drive-two-axis, 230, s02, 600, false",
    "servo-drive-two-axis, 230, s02, 345, true",
    "servo-drive-two-axis, 400, s02, 345, false",
    "servo-drive-0k75, 230, k02, 325, true",
    "servo-drive-0k75, 230, k02, 345, false"
  })
  void theNominalLinkVoltageIsThatOfTheMains(
      String sheet, double mains, String code, double set, boolean sound) {
    List<Finding> found =
        found(drive(sheet, mains, 400, Map.of(code, new SettingValue.Number(set))));
    assertThat(found.stream().noneMatch(f -> f.rule() == Rule.LINK_VOLTAGE)).isEqualTo(sound);
    if (!sound) {
      assertThat(found.get(0).place()).endsWith("/drive/" + code);
    }
  }

  @Test
  void aForcedInfeedAndAMotorForLessAreTold() {
    Map<String, SettingValue> forced = Map.of("s04", new SettingValue.Choice("forced"));
    assertThat(found(drive("servo-drive-two-axis", 400, 400, forced)))
        .extracting(Finding::rule)
        .containsExactly(Rule.INFEED_FORCED);
    assertThat(found(drive("servo-drive-two-axis", 400, 230, Map.of())))
        .singleElement()
        .satisfies(
            f -> assertThat(f.seen()).contains("wound for drives on 230 V").contains("400 V"));
    assertThat(found(Demo.project())).isEmpty();
    Project other = Demo.project();
    assertThat(
            InfeedChecks.check(
                AxisAssembly.of(other, SHEETS, other.axis("rinse-drum").orElseThrow())
                    .orElseThrow()))
        .isEmpty();
  }
}

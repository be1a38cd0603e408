package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.function.UnaryOperator;
import javafx.scene.Node;
import org.junit.jupiter.api.Test;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.Project;
import unimotus.workbench.Edit;
import unimotus.workbench.WorkStep;

/** A finding leads to the very field, which has the keyboard and is lit. */
class FindingFieldTest extends WindowTest {
  private void spoil(String axis, UnaryOperator<Project> how) {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show(axis, WorkStep.PROVE);
          desk.apply(new Edit("spoil", how));
        });
    settle();
  }

  private void spoilThePlateOfTheBelt() {
    spoil(
        "infeed-belt",
        p -> {
          String drive = p.axis("infeed-belt").orElseThrow().drive();
          return p.with(
              p.record(drive).withPlate(new DrivePlate("", "0.1", java.util.List.of(), false)));
        });
  }

  private String fieldOf(Rule rule) {
    onWindow(
        () -> {
          Finding finding =
              desk.review().orElseThrow().findings().stream()
                  .filter(f -> f.rule() == rule)
                  .findFirst()
                  .orElseThrow(() -> new AssertionError(rule));
          desk.navigation().goTo(finding);
        });
    settle();
    Node focused = window().getFocusOwner();
    assertThat(focused).as(rule.name()).isNotNull();
    assertThat(focused.getStyleClass()).as(rule.name()).contains("lit");
    return focused.getId();
  }

  private javafx.scene.Scene window() {
    return lookup("#line-overview").query().getScene();
  }

  @Test
  void identifyAndThePathLeadToTheirFields() {
    spoilThePlateOfTheBelt();
    assertThat(fieldOf(Rule.FIRMWARE)).isEqualTo("drive-firmware");
    assertThat(fieldOf(Rule.DAMAGED)).isEqualTo("drive-sound");
    spoil(
        "rinse-drum",
        p -> {
          var axis = p.axis("rinse-drum").orElseThrow();
          return p.with(axis.withReference(axis.reference().withProgramFullScale(32_767)));
        });
    assertThat(fieldOf(Rule.RAW_FULL_SCALE)).isEqualTo("program-100-");
  }

  /** A range that is a setting of the drive is set at Set up, in its very row. */
  @Test
  void aRangeInTheDriveLeadsToItsSetting() {
    onWindow(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
          desk.navigation()
              .goTo(
                  desk.review().orElseThrow().findings().stream()
                      .filter(f -> f.rule() == Rule.LIVE_ZERO)
                      .findFirst()
                      .orElseThrow());
        });
    settle();
    assertThat(desk.step().get()).isEqualTo(WorkStep.SET_UP);
    assertThat(lookup(".journey-row.chosen").queryAll()).hasSize(1);
  }

  /** The second of two stops is chosen before its field is lit. */
  @Test
  void makeSafeLeadsToTheStopAndItsField() {
    spoil(
        "slicer-z",
        p -> {
          var stop = p.stops().stream().filter(s -> s.verticalLoad()).findFirst().orElseThrow();
          return p.with(stop.withLoad(true, false));
        });
    assertThat(fieldOf(Rule.VERTICAL_LOAD)).isEqualTo("stop-brake");
  }

  /** The next step of the line and of the rail leads where the finding itself does. */
  @Test
  void theNextStepLeadsToTheFieldOfItsFinding() {
    spoilThePlateOfTheBelt();
    onWindow(() -> desk.step().set(null));
    for (String way : java.util.List.of("#open-infeed-belt", "#go-next-step")) {
      press(way);
      settle();
      assertThat(desk.step().get()).isEqualTo(WorkStep.IDENTIFY);
      Node focused = window().getFocusOwner();
      assertThat(focused.getStyleClass()).as(way).contains("lit");
      onWindow(() -> desk.show("infeed-belt", WorkStep.PROVE));
      settle();
    }
  }
}

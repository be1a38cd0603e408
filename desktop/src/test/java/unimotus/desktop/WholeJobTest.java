package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Labeled;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.testfx.api.FxRobot;
import unimotus.core.finding.Severity;
import unimotus.core.path.Station;
import unimotus.core.proof.AxisProof;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Verdict.Outcome;
import unimotus.core.way.analog.AnalogCause;
import unimotus.formats.project.ProjectFile;
import unimotus.workbench.Evidence;

/**
 * The whole job in the real window: from an empty project to a proven axis, saved and opened again.
 */
class WholeJobTest extends WindowTest {

  /** Some four hundred keys and clicks: longer than any other robot on a machine that is busy. */
  @Timeout(value = 4, unit = TimeUnit.MINUTES)
  @Test
  void fromAnEmptyProjectToAProvenAxis() throws Exception {
    FxRobot robot = this;
    buildTheAxis(robot);
    wireIt(robot);
    lookAtThePath(robot);
    breakAndMendASetting(robot);
    dryRun(robot);
    proveIt(robot);
    saveAndOpenAgain(robot);
  }

  private void buildTheAxis(FxRobot robot) {
    click(robot, "#start-axis");
    fill(robot, "#axis-name", "Belt");
    choose(robot, "#axis-range", "4-20 mA");
    fill(robot, "#axis-gear", "91.5");
    fill(robot, "#axis-size", "500 mm");
    fill(robot, "#axis-speed", "twenty");
    click(robot, "#axis-add");
    assertThat(message(robot))
        .as("bad input is named and loses nothing")
        .contains("Full speed")
        .contains("'twenty' is not a number");
    assertThat(text(robot, "#axis-name")).isEqualTo("Belt");
    fill(robot, "#axis-speed", "25 m/min");
    click(robot, "#axis-add");
    assertThat(desk.axis().orElseThrow().name()).isEqualTo("Belt");
  }

  private void wireIt(FxRobot robot) {
    assertThat(errors()).as("unwired").contains("DIS-006", "ANA-009");
    click(robot, "#wire-by-intent");
    assertThat(errors()).isEmpty();
  }

  private void lookAtThePath(FxRobot robot) {
    robot.push(KeyCode.ALT, KeyCode.DIGIT5);
    settle();
    click(robot, "#station-number");
    enter(robot, "#station-entry", "12.5");
    assertThat(number(robot, "#station-counts")).isEqualTo("16384");
    assertThat(number(robot, "#station-signal")).isEqualTo("12");
    assertThat(number(robot, "#station-frequency")).isIn("25", "25.01", "24.99");
    click(robot, "#station-frequency");
    enter(robot, "#station-entry", "40 Hz");
    assertThat(number(robot, "#station-number")).isEqualTo("20");
    click(robot, "#station-frequency");
    enter(robot, "#station-entry", "40 V");
    assertThat(message(robot)).contains("measures voltage");
    robot.push(KeyCode.ESCAPE);
    settle();
    assertThat(number(robot, "#station-frequency"))
        .as("Escape leaves the value")
        .isIn("40", "40.01", "39.99");
  }

  private String number(FxRobot robot, String query) {
    return robot
        .from(robot.lookup(query))
        .lookup(
            (Labeled l) ->
                l.getStyleClass().contains("ink-big") || l.getStyleClass().contains("ink-strong"))
        .queryAs(Labeled.class)
        .getText()
        .replace("\u202f", "");
  }

  private void find(FxRobot robot, String setting) {
    fill(robot, "#search-settings", setting);
    robot.push(KeyCode.ENTER);
    settle();
  }

  private void breakAndMendASetting(FxRobot robot) {
    robot.push(KeyCode.ALT, KeyCode.DIGIT4);
    settle();
    find(robot, "L21");
    enter(robot, "#setting-L21", "45 Hz");
    assertThat(errors()).contains("ANA-007");
    find(robot, "L21");
    enter(robot, "#setting-L21", "4000 Hz");
    assertThat(message(robot))
        .contains("L21 Maximum frequency")
        .contains("4000 Hz")
        .contains("1 to 400 Hz");
    robot.push(KeyCode.ESCAPE);
    robot.push(KeyCode.CONTROL, KeyCode.Z);
    settle();
    assertThat(errors()).as("undone").isEmpty();
    robot.push(KeyCode.CONTROL, KeyCode.Y);
    settle();
    assertThat(errors()).as("redone").contains("ANA-007");
    click(robot, "#take-over");
    assertThat(errors()).as("what follows from plate and reference is entered again").isEmpty();
  }

  private void dryRun(FxRobot robot) throws Exception {
    robot.push(KeyCode.ALT, KeyCode.DIGIT6);
    settle();
    waitUntil(
        () ->
            robot
                .lookup(
                    (Labeled l) -> l.getText() != null && l.getText().startsWith("run and stop:"))
                .tryQuery()
                .isPresent());
    click(robot, "#scenario-permission-lost");
    waitUntil(
        () ->
            robot
                .lookup(
                    (Labeled l) ->
                        l.getText() != null && l.getText().startsWith("permission lost:"))
                .tryQuery()
                .isPresent());
    answers.file = folder.resolve("dry-run.csv");
    click(robot, "#export-csv");
    assertThat(Files.readAllLines(answers.file).get(0)).contains("Shaft speed (rpm)");
    enter(robot, "#own-scenario", "0 permit; 0 jump");
    assertThat(message(robot)).contains("'0 jump'");
  }

  private void proveIt(FxRobot robot) {
    robot.push(KeyCode.ALT, KeyCode.DIGIT7);
    settle();
    fill(robot, "#measured-by", "a tester");
    enter(robot, "#reading-ref0-frequency", "10");
    enter(robot, "#reading-ref50-frequency", "30");
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.DIFFERS);
    assertThat(evidence().diagnosis().suspicions().get(0).cause())
        .as("the detective names the live zero")
        .isEqualTo(AnalogCause.DRIVE_DEAD_ZERO);
    assertThat(
            robot
                .lookup("#detective")
                .lookup((Labeled l) -> l.getText().contains("without live zero"))
                .tryQuery())
        .isPresent();
    for (Prediction prediction : evidence().predictions()) {
      measure(robot, prediction);
    }
    assertThat(evidence().proof().verdicts())
        .filteredOn(v -> v.outcome() != Outcome.AGREES)
        .extracting(v -> v.prediction().key() + " " + v.outcome() + " " + v.reading())
        .isEmpty();
    assertThat(desk.session().project().readings())
        .allSatisfy(r -> assertThat(r.takenAt()).isEqualTo("2026-01-02T03:04:05Z"));
    assertThat(desk.session().project().readings())
        .anySatisfy(r -> assertThat(r.by()).isEqualTo("a tester"));
  }

  private void measure(FxRobot robot, Prediction prediction) {
    String field = "#reading-" + prediction.key().replace('.', '-');
    if (prediction.expectation() instanceof Expectation.Amount a) {
      robot.interact(() -> robot.lookup(field).query().requestFocus());
      robot.push(KeyCode.CONTROL, KeyCode.A);
      robot.write(
          desk.units().number(a.value(), a.unit()).replace("\u202f", "").replace("−", "-"), 0);
      robot.push(KeyCode.ENTER);
      settle();
    } else {
      choose(robot, field, ((Expectation.Word) prediction.expectation()).expected());
    }
  }

  private void saveAndOpenAgain(FxRobot robot) throws Exception {
    answers.file = folder.resolve("belt.unimotus.json");
    robot.push(KeyCode.CONTROL, KeyCode.S);
    settle();
    assertThat(text(robot, "#saved-state")).isEqualTo("saved");
    var saved = desk.session().project();
    robot.push(KeyCode.CONTROL, KeyCode.N);
    settle();
    assertThat(desk.session().project().axes()).isEmpty();
    robot.push(KeyCode.CONTROL, KeyCode.O);
    settle();
    assertThat(desk.session().project()).isEqualTo(saved);
    assertThat(ProjectFile.load(answers.file).project()).isEqualTo(saved);
    assertThat(evidence().proof().state()).isEqualTo(AxisProof.State.PROVEN);
    assertThat(evidence().path().value(Station.COUNTS, 12.5)).isEqualTo(16384);
  }

  private Evidence evidence() {
    return desk.evidence().orElseThrow();
  }

  private List<String> errors() {
    return desk.review().orElseThrow().findings().stream()
        .filter(f -> f.severity() == Severity.ERROR)
        .map(f -> f.rule().code())
        .toList();
  }
}

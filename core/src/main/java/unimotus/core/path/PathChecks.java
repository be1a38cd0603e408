package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;

/** What a path that is not yet wired already gives away: ends that do not fit each other. */
public final class PathChecks {
  /** Slip moves the machine speed by a few percent; more than this is a wrong number. */
  private static final double SAME_SPEED = 0.04;

  private final AxisAssembly axis;
  private final SignalPath path;
  private final PathFindings findings;

  private PathChecks(AxisAssembly axis, SignalPath path) {
    this.axis = axis;
    this.path = path;
    this.findings = new PathFindings(axis, path.scale().numberUnit());
  }

  /** Findings of one axis, those of its link apart; possibly empty. */
  public static List<Finding> check(AxisAssembly axis, SignalPath path) {
    PathChecks checks = new PathChecks(axis, path);
    path.speed().ifPresent(checks::checkMachineSpeed);
    checks.checkAnswer();
    checks.checkShown();
    return checks.findings.found();
  }

  private void checkMachineSpeed(SpeedLink link) {
    double straight = path.mechanics().machine(path.motor().shaftRpm(link.frequencyAtFullHertz()));
    double meant = axis.axis().reference().speedAtFull();
    if (Math.abs(Math.abs(straight) - Math.abs(meant)) > SAME_SPEED * Math.abs(meant)) {
      findings.add(
          Severity.WARNING,
          Rule.MACHINE_SPEED,
          "mechanics",
          "at %s the machine makes %s, the program means %s"
              .formatted(
                  text(link.frequencyAtFullHertz(), HERTZ_UNIT),
                  findings.number(straight),
                  findings.number(meant)),
          "The program's number and the machine's speed do not agree, however well the link is set.",
          "Correct the gear, the diameter or the program's span.");
    }
  }

  /**
   * The answer of an axis is its speed: an output that shows something else tells the program lies.
   */
  private void checkShown() {
    String output = axis.axis().answer().output();
    if (output == null || !axis.axis().answer().isWired()) {
      return;
    }
    AnswerPath answer = path.answer();
    if (answer == null) {
      wrongAnswer(output, "nothing");
    } else if (!answer.drive().shown().quantity().isSpeed()) {
      wrongAnswer(output, "the " + answer.drive().shown().quantity().label());
    } else if (answer.drive().shown().low() != 0) {
      findings.add(
          Severity.ERROR,
          Rule.ANSWER_SCALE,
          "answer",
          "the low end of %s shows %s, the program takes it for standstill"
              .formatted(output, text(answer.drive().shown().low(), answer.drive().shown().unit())),
          "The program shows another speed than the drive makes.",
          "Let the low end of the output show 0.");
    }
  }

  private void wrongAnswer(String output, String shown) {
    findings.add(
        Severity.ERROR,
        Rule.ANSWER_MEANING,
        "answer",
        "%s of the drive is set to show %s, the program takes it for the speed"
            .formatted(output, shown),
        "The program shows a number that is no speed, and acts on it.",
        "Set the output to show the frequency or the speed.");
  }

  private void checkAnswer() {
    AnswerPath answer = path.answer();
    if (answer == null) {
      return;
    }
    if (answer.drive().range() != answer.module().range()
        || answer.module().fullScaleCounts() != answer.program().fullScaleCounts()) {
      findings.add(
          Severity.ERROR,
          Rule.ANSWER_SCALE,
          "answer",
          "%s sends %s, %s reads %s; module %s counts, program %s"
              .formatted(
                  answer.drive().terminal(),
                  answer.drive().range().label(),
                  answer.module().point(),
                  answer.module().range().label(),
                  text(answer.module().fullScaleCounts()),
                  text(answer.program().fullScaleCounts())),
          "The program shows another speed than the drive makes.",
          "Use the same range and the same full scale at both ends.");
    }
  }
}

package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;
import static unimotus.core.quantity.MeasureUnit.PERCENT;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;

/** What a path that is not yet wired already gives away: ends that do not fit each other. */
public final class PathChecks {
  private static final double SAME_HERTZ = 0.05;

  /** Slip moves the machine speed by a few percent; more than this is a wrong number. */
  private static final double SAME_SPEED = 0.04;

  private final AxisAssembly axis;
  private final SignalPath path;
  private final Reference reference;
  private final EffectiveSettings settings;
  private final List<Finding> found = new ArrayList<>();

  private PathChecks(AxisAssembly axis, SignalPath path) {
    this.axis = axis;
    this.path = path;
    this.reference = axis.axis().reference();
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
  }

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis, SignalPath path) {
    PathChecks checks = new PathChecks(axis, path);
    checks.checkRanges();
    checks.checkSelector();
    checks.checkFullScale();
    checks.checkResolution();
    checks.checkSpan();
    checks.checkFloor();
    checks.checkSignalLoss();
    checks.checkMachineSpeed();
    checks.checkAnswer();
    return checks.found;
  }

  private void checkRanges() {
    SignalRange sent = path.module().range();
    SignalRange read = path.input().range();
    if (sent == read) {
      return;
    }
    if (sent.isCurrent() == read.isCurrent()
        && sent.hasLiveZero() != read.hasLiveZero()
        && sent.high() == read.high()) {
      addLiveZero(sent, read);
      return;
    }
    add(
        Severity.ERROR,
        Rule.SIGNAL_KIND,
        "reference",
        "%s sends %s, %s reads %s"
            .formatted(reference.output(), sent.label(), reference.input(), read.label()),
        "The speed is wrong over the whole range, or stands at one end of it.",
        "Set both ends to the same range; a current is the better choice over distance.");
  }

  private void addLiveZero(SignalRange sent, SignalRange read) {
    double atZero = read.percentAt(sent.signalAt(0));
    String seen =
        atZero > 0
            ? "at 0 %% the drive reads %s, fading to no error at 100 %%"
                .formatted(text(atZero, PERCENT))
            : "the drive reads nothing below %s of the controller's span and takes it for a broken wire"
                .formatted(text(sent.percentAt(read.low()), PERCENT));
    add(
        Severity.ERROR,
        Rule.LIVE_ZERO,
        "reference",
        "%s sends %s, %s reads %s: %s"
            .formatted(reference.output(), sent.label(), reference.input(), read.label(), seen),
        "Low speeds are wrong most, full speed is right: it looks proven when tried at full speed only.",
        "Set %s to %s (%s)."
            .formatted(
                reference.input(),
                sent.label(),
                code(SettingRole.ANALOG_RANGE, reference.input())));
  }

  private void checkSelector() {
    String terminal = reference.input();
    if (terminal == null
        || axis.driveSheet().selector(SelectorRole.INPUT_KIND, terminal).isEmpty()) {
      return;
    }
    String kind = settings.selector(SelectorRole.INPUT_KIND, terminal, "voltage");
    String set = settings.choice(SettingRole.ANALOG_RANGE, terminal, "");
    boolean current =
        SignalRange.ofLabel(set).map(SignalRange::isCurrent).orElse(kind.equals("current"));
    if (current != kind.equals("current")) {
      add(
          Severity.ERROR,
          Rule.INPUT_SELECTOR,
          "drive/" + terminal,
          "the switch of %s stands at %s, %s is set to %s"
              .formatted(terminal, kind, code(SettingRole.ANALOG_RANGE, terminal), set),
          "The switch decides what the terminal takes; the setting only scales it.",
          "Put the switch to %s, with the drive switched off."
              .formatted(current ? "current" : "voltage"));
    }
  }

  private void checkFullScale() {
    int program = path.counts().fullScaleCounts();
    int module = path.module().fullScaleCounts();
    if (program != module) {
      add(
          Severity.ERROR,
          Rule.RAW_FULL_SCALE,
          "reference",
          "the program writes %s counts for 100 %%, the module takes %s as full scale: ratio %s"
              .formatted(text(program), text(module), text((double) program / module)),
          program < module
              ? "Full speed is never reached: every value is short by that ratio."
              : "The top of the range is cut off at the module's full scale.",
          "Scale to %s in the program.".formatted(text(module)));
    }
  }

  private void checkResolution() {
    double span = Math.abs(reference.speedAtFull() - reference.speedAtZero());
    double percentStep =
        Math.max(
            path.module().step()
                / (path.module().range().high() - Math.max(0, path.module().range().low()))
                * 100,
            path.input().step());
    double step = span * percentStep / 100;
    if (step > reference.wantedStep()) {
      add(
          Severity.WARNING,
          Rule.RESOLUTION,
          "reference",
          "one step is %s, %s is wanted".formatted(speed(step), speed(reference.wantedStep())),
          "Finer commands than one step make no difference to the machine.",
          "Use a finer converter, a span that fits the range, or accept the step.");
    }
  }

  private void checkSpan() {
    DriveReference drive = path.reference();
    double meantLow = reference.frequencyAtZeroHertz();
    double meantHigh = reference.frequencyAtFullHertz();
    if (differs(meantLow, drive.frequencyAtLowHertz())
        || differs(meantHigh, drive.frequencyAtHighHertz())) {
      add(
          Severity.ERROR,
          Rule.SPAN_ENDS,
          "reference",
          "the program means %s to %s, the drive makes %s to %s of it"
              .formatted(
                  text(meantLow),
                  text(meantHigh, HERTZ_UNIT),
                  text(drive.frequencyAtLowHertz()),
                  text(drive.frequencyAtHighHertz(), HERTZ_UNIT)),
          "Minimum and maximum must be the same two numbers in controller and drive, or every speed is off.",
          "Set %s and %s to %s and %s Hz, or change the program."
              .formatted(
                  code(SettingRole.FREQUENCY_AT_LOW, reference.input()),
                  code(SettingRole.FREQUENCY_AT_HIGH, reference.input()),
                  text(meantLow),
                  text(meantHigh)));
    }
    if (drive.frequencyAtHighHertz() > drive.maximumHertz() + SAME_HERTZ) {
      double share =
          (drive.maximumHertz() - drive.frequencyAtLowHertz())
              / (drive.frequencyAtHighHertz() - drive.frequencyAtLowHertz());
      add(
          Severity.ERROR,
          Rule.CLAMPED_MAXIMUM,
          "drive/"
              + axis.driveSheet()
                  .setting(SettingRole.MAXIMUM_FREQUENCY)
                  .map(s -> s.code())
                  .orElse("maximum"),
          "the reference runs to %s, the maximum frequency is %s"
              .formatted(
                  text(drive.frequencyAtHighHertz(), HERTZ_UNIT),
                  text(drive.maximumHertz(), HERTZ_UNIT)),
          "Above %s of the reference the speed stands still.".formatted(text(share * 100, PERCENT)),
          "Raise the maximum frequency if motor and machine allow it, or scale the reference down.");
    }
  }

  private void checkFloor() {
    DriveReference drive = path.reference();
    if (drive.minimumHertz() > Math.abs(drive.frequencyAtLowHertz()) + SAME_HERTZ
        && !path.module().range().isBipolar()) {
      add(
          Severity.WARNING,
          Rule.MINIMUM_FLOOR,
          "drive/"
              + axis.driveSheet()
                  .setting(SettingRole.MINIMUM_FREQUENCY)
                  .map(s -> s.code())
                  .orElse("minimum"),
          "the reference begins at %s, the minimum frequency is %s"
              .formatted(
                  text(drive.frequencyAtLowHertz(), HERTZ_UNIT),
                  text(drive.minimumHertz(), HERTZ_UNIT)),
          "Low commands make no difference until the minimum is passed.",
          "Lower the minimum, or begin the program's span at the same frequency.");
    }
  }

  private void checkSignalLoss() {
    if (path.input().range().hasLiveZero() && path.input().lossAction().equals("none")) {
      add(
          Severity.WARNING,
          Rule.SIGNAL_LOSS,
          "drive/" + reference.input(),
          "%s has a live zero, but a lost signal does nothing"
              .formatted(path.input().range().label()),
          "A broken wire then reads as minimum speed and nobody is told.",
          "Set %s to fault.".formatted(code(SettingRole.LOSS_ACTION, reference.input())));
    }
  }

  private void checkMachineSpeed() {
    double straight =
        path.product()
            .forward(
                path.gear()
                    .forward(
                        path.slip()
                            .forward(
                                path.poles().forward(path.reference().frequencyAtHighHertz()))));
    double meant = reference.speedAtFull();
    if (Math.abs(Math.abs(straight) - Math.abs(meant)) > SAME_SPEED * Math.abs(meant)) {
      add(
          Severity.WARNING,
          Rule.MACHINE_SPEED,
          "mechanics",
          "at %s the machine makes %s, the program means %s"
              .formatted(
                  text(path.reference().frequencyAtHighHertz(), HERTZ_UNIT),
                  speed(straight),
                  speed(meant)),
          "The program's number and the machine's speed do not agree, however well the link is set.",
          "Correct the gear, the diameter or the program's span.");
    }
  }

  private void checkAnswer() {
    AnswerPath answer = path.answer();
    if (answer == null) {
      return;
    }
    if (answer.drive().range() != answer.module().range()
        || answer.module().fullScaleCounts() != answer.program().fullScaleCounts()) {
      add(
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

  private boolean differs(double a, double b) {
    return Math.abs(a - b) > SAME_HERTZ;
  }

  private String speed(double value) {
    MeasureUnit unit = path.product().unit();
    return text(value, unit);
  }

  private String code(SettingRole role, @org.jspecify.annotations.Nullable String terminal) {
    return terminal == null
        ? role.name()
        : axis.driveSheet()
            .setting(role, terminal)
            .map(s -> s.code() + " " + s.name())
            .orElse(role.name());
  }

  private void add(
      Severity severity, Rule rule, String place, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity, rule, "axis/%s/%s".formatted(axis.axis().id(), place), seen, why, remedy));
  }
}

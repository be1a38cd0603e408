package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;
import static unimotus.core.quantity.MeasureUnit.PERCENT;

import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;

/** The ends of an analog reference held against each other. */
final class AnalogPathChecks {
  private final AxisAssembly axis;
  private final AnalogLink link;
  private final Reference reference;
  private final EffectiveSettings settings;
  private final PathFindings findings;

  AnalogPathChecks(AxisAssembly axis, AnalogLink link, PathFindings findings) {
    this.axis = axis;
    this.link = link;
    this.reference = axis.axis().reference();
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    this.findings = findings;
  }

  void check() {
    checkRanges();
    checkSelector();
    checkFullScale();
    checkResolution();
    checkSpan();
    checkFloor();
    checkSignalLoss();
  }

  private void checkRanges() {
    SignalRange sent = link.module().range();
    SignalRange read = link.input().range();
    if (sent == read) {
      return;
    }
    if (sent.isCurrent() == read.isCurrent()
        && sent.hasLiveZero() != read.hasLiveZero()
        && sent.high() == read.high()) {
      addLiveZero(sent, read);
      return;
    }
    findings.add(
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
    findings.add(
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
                findings.code(SettingRole.ANALOG_RANGE, reference.input())));
  }

  private void checkSelector() {
    String terminal = reference.input();
    if (terminal == null
        || axis.driveSheet().selector(SelectorRole.INPUT_KIND, terminal).isEmpty()) {
      return;
    }
    boolean onCurrent =
        settings.is(SelectorRole.INPUT_KIND, terminal, Option.CURRENT, Option.VOLTAGE);
    String set = settings.choice(SettingRole.ANALOG_RANGE, terminal, "");
    boolean current = SignalRange.ofLabel(set).map(SignalRange::isCurrent).orElse(onCurrent);
    if (current != onCurrent) {
      findings.add(
          Severity.ERROR,
          Rule.INPUT_SELECTOR,
          "drive/" + terminal,
          "the switch of %s stands at %s, %s is set to %s"
              .formatted(
                  terminal,
                  kind(onCurrent),
                  findings.code(SettingRole.ANALOG_RANGE, terminal),
                  set),
          "The switch decides what the terminal takes; the setting only scales it.",
          "Put the switch to %s, with the drive switched off.".formatted(kind(current)));
    }
  }

  private static String kind(boolean current) {
    return (current ? Option.CURRENT : Option.VOLTAGE).word();
  }

  private void checkFullScale() {
    int program = link.counts().fullScaleCounts();
    int module = link.module().fullScaleCounts();
    if (program != module) {
      findings.add(
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
    OutputModule module = link.module();
    double span = module.range().high() - Math.max(0, module.range().low());
    findings.addResolution(
        Math.max(module.step() / span * 100, link.input().step()),
        "Use a finer converter, a span that fits the range, or accept the step.");
  }

  private void checkSpan() {
    DriveReference drive = link.reference();
    double meantLow = reference.frequencyAtZeroHertz();
    double meantHigh = reference.frequencyAtFullHertz();
    if (differs(meantLow, drive.frequencyAtLowHertz())
        || differs(meantHigh, drive.frequencyAtHighHertz())) {
      findings.add(
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
                  findings.code(SettingRole.FREQUENCY_AT_LOW, reference.input()),
                  findings.code(SettingRole.FREQUENCY_AT_HIGH, reference.input()),
                  text(meantLow),
                  text(meantHigh)));
    }
    findings.addClamped(
        drive.frequencyAtLowHertz(), drive.frequencyAtHighHertz(), drive.maximumHertz());
  }

  private void checkFloor() {
    if (!link.module().range().isBipolar()) {
      findings.addFloor(
          Math.abs(link.reference().frequencyAtLowHertz()), link.reference().minimumHertz());
    }
  }

  private void checkSignalLoss() {
    if (link.input().range().hasLiveZero() && link.input().lossAction() == Option.NONE) {
      findings.add(
          Severity.WARNING,
          Rule.SIGNAL_LOSS,
          "drive/" + reference.input(),
          "%s has a live zero, but a lost signal does nothing"
              .formatted(link.input().range().label()),
          "A broken wire then reads as minimum speed and nobody is told.",
          "Set %s to fault.".formatted(findings.code(SettingRole.LOSS_ACTION, reference.input())));
    }
  }

  private boolean differs(double a, double b) {
    return Math.abs(a - b) > PathFindings.SAME_HERTZ;
  }
}

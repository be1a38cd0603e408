package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.PERCENT;

import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.SettingRole;

/** The ends of an analog reference held against each other. */
final class AnalogPathChecks {
  private final AxisAssembly axis;
  private final AnalogLink link;
  private final Reference reference;
  private final PathFindings findings;

  AnalogPathChecks(AxisAssembly axis, AnalogLink link, PathFindings findings) {
    this.axis = axis;
    this.link = link;
    this.reference = axis.axis().reference();
    this.findings = findings;
  }

  void check() {
    DriveEndChecks ends = new DriveEndChecks(axis, link, reference.input(), findings);
    checkRanges();
    ends.checkSelector();
    checkFullScale();
    checkResolution();
    ends.checkScaling();
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
        "The speed is wrong over the whole range, or is stuck at one end of it.",
        "Set both ends to the same range; a current is the better choice over distance.");
  }

  private void addLiveZero(SignalRange sent, SignalRange read) {
    double atZero = read.percentAt(sent.signalAt(0));
    String seen =
        atZero > 0
            ? "at 0 %% the drive reads %s, fading to no error at 100 %%"
                .formatted(text(atZero, PERCENT))
            : "the drive reads nothing below %s of the controller's span and takes it for a wire break"
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
}

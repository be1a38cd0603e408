package unimotus.core.way.analog;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;

import org.jspecify.annotations.Nullable;
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

/** The drive's analog input and its scaling held against what is meant. */
public final class DriveEndChecks {
  private final AxisAssembly axis;
  private final DriveEnd link;
  private final @Nullable String terminal;
  private final EffectiveSettings settings;
  private final PathFindings findings;

  /**
   * Checks of one input.
   *
   * @param terminal the input; null where none is chosen yet
   */
  public DriveEndChecks(
      AxisAssembly axis, DriveEnd link, @Nullable String terminal, PathFindings findings) {
    this.axis = axis;
    this.link = link;
    this.terminal = terminal;
    this.settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    this.findings = findings;
  }

  /** Says where scaling, limits and the action on a lost signal do not fit what is meant. */
  public void checkScaling() {
    checkSpan();
    checkFloor();
    checkSignalLoss();
  }

  /** Says where the switch of the input and the setting of its range disagree. */
  public void checkSelector() {
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
          "the switch of %s is at %s, %s is set to %s"
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

  private void checkSpan() {
    DriveReference drive = link.reference();
    Reference reference = axis.axis().reference();
    double meantLow = reference.frequencyAtZeroHertz();
    double meantHigh = reference.frequencyAtFullHertz();
    if (differs(meantLow, drive.frequencyAtLowHertz())
        || differs(meantHigh, drive.frequencyAtHighHertz())) {
      findings.add(
          Severity.ERROR,
          Rule.SPAN_ENDS,
          "reference",
          "the %s means %s to %s, the drive makes %s to %s of it"
              .formatted(
                  link.commander(),
                  text(meantLow),
                  text(meantHigh, HERTZ_UNIT),
                  text(drive.frequencyAtLowHertz()),
                  text(drive.frequencyAtHighHertz(), HERTZ_UNIT)),
          link.isProgrammed()
              ? "Minimum and maximum must be the same two numbers in controller and drive, or every speed is off."
              : "The ends of the travel are other speeds than are wanted.",
          "Set %s and %s to %s and %s Hz, or change the program."
              .formatted(
                  findings.code(SettingRole.FREQUENCY_AT_LOW, terminal),
                  findings.code(SettingRole.FREQUENCY_AT_HIGH, terminal),
                  text(meantLow),
                  text(meantHigh)));
    }
    findings.addClamped(
        drive.frequencyAtLowHertz(), drive.frequencyAtHighHertz(), drive.maximumHertz());
  }

  private void checkFloor() {
    if (link.reference().leastPercent() >= 0) {
      findings.addFloor(
          Math.abs(link.reference().frequencyAtLowHertz()), link.reference().minimumHertz());
    }
  }

  private void checkSignalLoss() {
    if (link.input().range().hasLiveZero() && link.input().lossAction() == Option.NONE) {
      findings.add(
          Severity.WARNING,
          Rule.SIGNAL_LOSS,
          "drive/" + terminal,
          "%s has a live zero, but a lost signal does nothing"
              .formatted(link.input().range().label()),
          "A wire break then reads as minimum speed and nothing reports it.",
          "Set %s to fault.".formatted(findings.code(SettingRole.LOSS_ACTION, terminal)));
    }
  }

  private boolean differs(double a, double b) {
    return Math.abs(a - b) > PathFindings.SAME_HERTZ;
  }
}

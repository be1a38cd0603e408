package unimotus.core.way.analog.local;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.VOLT_UNIT;

import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.analog.DriveEndChecks;

/** A potentiometer as it is wired, held against the input that reads it. */
final class KnobChecks {
  /** Of the range: what contact and end resistances take anyway (common practice). */
  private static final double END_SHARE = 0.03;

  private final AxisAssembly axis;
  private final KnobLink link;
  private final PathFindings findings;
  private final String input;

  KnobChecks(AxisAssembly axis, KnobLink link, PathFindings findings) {
    this.axis = axis;
    this.link = link;
    this.findings = findings;
    this.input = link.input().terminal();
  }

  void check() {
    DriveEndChecks ends = new DriveEndChecks(axis, link, input, findings);
    checkRange();
    ends.checkSelector();
    ends.checkScaling();
    PotentiometerWires.at(axis, input).ifPresent(this::checkTravel);
  }

  private void checkRange() {
    SignalRange range = link.input().range();
    if (range != SignalRange.V_0_10 && range != SignalRange.V_BIPOLAR_10) {
      findings.add(
          Severity.ERROR,
          range.hasLiveZero() && !range.isCurrent() ? Rule.LIVE_ZERO : Rule.SIGNAL_KIND,
          "drive/" + input,
          "a potentiometer gives 0-10 V, %s reads %s".formatted(input, range.label()),
          "Part of the travel does nothing, or the input takes it for a lost signal.",
          "Set %s to 0-10 V.".formatted(findings.code(SettingRole.ANALOG_RANGE, input)));
    }
  }

  private void checkTravel(PotentiometerWires wires) {
    OptionalDouble least = wires.volts(0);
    OptionalDouble most = wires.volts(100);
    if (least.isEmpty() || most.isEmpty()) {
      return;
    }
    double full = link.knob().volts();
    if (Math.max(least.getAsDouble(), most.getAsDouble()) < END_SHARE * full) {
      dead();
    } else if (most.getAsDouble() < least.getAsDouble()) {
      exchanged(least.getAsDouble(), most.getAsDouble());
    } else if (least.getAsDouble() > END_SHARE * full
        || Math.abs(most.getAsDouble() - full) > END_SHARE * full) {
      travel(least.getAsDouble(), most.getAsDouble());
    } else {
      checkMiddle(wires.volts(50));
    }
  }

  private void dead() {
    findings.add(
        Severity.ERROR,
        Rule.POTENTIOMETER_TRAVEL,
        place(),
        "%s has no volts at any position of the knob".formatted(input),
        "The motor stays at its minimum.",
        "Connect the ends of the track to the drive's 10 V and to the common of the input.");
  }

  private void exchanged(double least, double most) {
    findings.add(
        Severity.ERROR,
        Rule.POTENTIOMETER_ENDS,
        place(),
        "%s has %s with the knob at 0 %% and %s at 100 %%"
            .formatted(input, volts(least), volts(most)),
        "Turned down, the motor runs at full speed.",
        "Exchange the two ends of the track.");
  }

  private void travel(double least, double most) {
    findings.add(
        Severity.ERROR,
        Rule.POTENTIOMETER_TRAVEL,
        place(),
        "the wiper goes from %s to %s, %s at its track are meant"
            .formatted(volts(least), volts(most), volts(link.knob().volts())),
        most > link.knob().volts()
            ? "Full speed is reached early on the travel, and the input may take harm."
            : "The ends of the travel are not the ends of the speed.",
        "Lower end to the common, upper end to the drive's 10 V, a track its supply can feed, an input that reads volts.");
  }

  /** A wiper that its input loads stands low in the middle of its travel. */
  private void checkMiddle(OptionalDouble middle) {
    double half = link.knob().volts() / 2;
    Optional.of(middle)
        .filter(OptionalDouble::isPresent)
        .map(OptionalDouble::getAsDouble)
        .filter(v -> half - v > END_SHARE * link.knob().volts())
        .ifPresent(
            v ->
                findings.add(
                    Severity.WARNING,
                    Rule.POTENTIOMETER_TRAVEL,
                    place(),
                    "half way the wiper has %s, the input of %s loads it"
                        .formatted(volts(v), text(link.knob().inputOhms())),
                    "The scale at the knob is not even.",
                    "Take a potentiometer of less resistance; the 10 V have to feed it."));
  }

  private static String volts(double value) {
    return text(value, VOLT_UNIT);
  }

  private String place() {
    return "wires/potentiometer-" + input;
  }
}

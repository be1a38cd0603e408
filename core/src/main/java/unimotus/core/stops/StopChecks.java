package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;

/** Whether the stops of an axis can do what they are there for. */
public final class StopChecks {
  private final AxisAssembly axis;
  private final StopFunction stop;
  private final List<Finding> found = new ArrayList<>();

  private StopChecks(AxisAssembly axis, StopFunction stop) {
    this.axis = axis;
    this.stop = stop;
  }

  /** Findings of all stops of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    List<Finding> found = new ArrayList<>();
    for (StopFunction stop : axis.stops()) {
      StopChecks checks = new StopChecks(axis, stop);
      checks.run();
      found.addAll(checks.found);
    }
    return found;
  }

  private void run() {
    StopCircuit circuit;
    try {
      circuit = StopCircuit.of(axis, stop);
    } catch (IllegalArgumentException unjoined) {
      add(
          Severity.ERROR,
          Rule.STOP_UNREACHED,
          unjoined.getMessage(),
          "The stop is on paper only.",
          "Wire it again, or remove the stop.");
      return;
    }
    checkKind();
    checkReset(circuit);
    checkRestart(circuit);
    checkFeed(circuit);
    checkStart(circuit);
    if (stop.effect().isSafetyStop()) {
      checkLoad();
      checkTimes(circuit);
    }
  }

  private void checkKind() {
    if (!stop.effect().isSafetyStop()) {
      add(
          Severity.WARNING,
          Rule.NO_SAFETY_STOP,
          "%s ends on the %s".formatted(stop.name(), stop.effect().label().toLowerCase()),
          "Settings and electronics not made for safety decide whether the motor stops.",
          "Lead it onto safe torque off, or show in the risk assessment that it need not be safe.");
    }
  }

  private void checkReset(StopCircuit circuit) {
    if (stop.trigger().isGuard() && !circuit.isManualReset()) {
      add(
          Severity.WARNING,
          Rule.AUTOMATIC_RESET,
          "%s is released when the guard closes".formatted(stop.name()),
          "A guard that closes does not prove that the person has left.",
          "Reset by hand from outside the danger, or show that nobody can stand behind the guard.");
    }
  }

  private void checkRestart(StopCircuit circuit) {
    boolean restarts =
        stop.effect() == StopEffect.CONTACTORS
            ? circuit.restartsAtPowerUp()
            : circuit.restartsAfterStop();
    if (stop.effect().isSafetyStop() && restarts) {
      add(
          Severity.ERROR,
          Rule.STOP_RESTART,
          "the drive takes a run command that is still held when %s is released"
              .formatted(stop.name()),
          "Releasing a stop must not by itself start the motor.",
          "Set the drive to wait for a new run command.");
    }
  }

  /** Whether the drive's safety inputs are told what feeds them. */
  private void checkFeed(StopCircuit circuit) {
    Optional<String> kind =
        circuit.drive().sheet().selector(SelectorRole.SAFETY_INPUT_KIND).isEmpty()
            ? Optional.empty()
            : Optional.of(circuit.drive().selector(SelectorRole.SAFETY_INPUT_KIND, "contact"));
    if (!stop.effect().usesSafeTorqueOff() || kind.isEmpty()) {
      return;
    }
    boolean pulses = circuit.relay() == null && circuit.feedsPulses();
    boolean setForPulses = kind.get().equals("pulse-tested");
    if (pulses != setForPulses) {
      add(
          Severity.ERROR,
          Rule.SAFETY_FEED,
          "safe torque off is fed by %s, and set for %s"
              .formatted(
                  pulses ? "test pulses" : "plain contacts",
                  setForPulses ? "test pulses" : "plain contacts"),
          "The wrong setting gives a standing fault, or channels that nothing tests.",
          "Set the drive's safety inputs for %s."
              .formatted(pulses ? "pulse-tested outputs" : "contacts"));
    }
  }

  private void checkStart(StopCircuit circuit) {
    Optional<Hindrance> hindrance = Hindrance.of(circuit);
    boolean told =
        found.stream().map(Finding::rule).anyMatch(r -> r == Rule.SAFETY_FEED)
            && hindrance.filter(h -> h == Hindrance.FEED).isPresent();
    if (hindrance.isPresent() && !told) {
      add(
          Severity.ERROR,
          Rule.STOP_NOT_RELEASED,
          "%s cannot be released: %s".formatted(stop.name(), hindrance.get().label()),
          "The motor never starts, and somebody will bridge the stop to make it run.",
          "Look at the stop circuit in the Wire view; wire it as its makers say.");
    }
  }

  private void checkLoad() {
    if (stop.verticalLoad() && !stop.holdingBrake()) {
      add(
          Severity.ERROR,
          Rule.VERTICAL_LOAD,
          "the load hangs, and no brake holds it when %s takes the torque".formatted(stop.name()),
          "Without torque the load sinks or falls.",
          "Fit a holding brake that closes without power, and say so here.");
    }
  }

  private void checkTimes(StopCircuit circuit) {
    StopTimeline timeline = StopTimeline.fromMaximum(circuit);
    StopTimeline.Timing timing = timeline.timing();
    if (!timeline.comesToRest() && !stop.verticalLoad()) {
      add(
          Severity.WARNING,
          Rule.NO_STANDSTILL,
          "nothing brakes the load once %s has taken the torque".formatted(stop.name()),
          "Safe torque off does not brake: the load turns on for an unknown time.",
          "Enter the friction of the load, or ramp down first.");
    }
    if (stop.effect() != StopEffect.SS1_T) {
      return;
    }
    if (!(timing.delaySeconds() > 0)) {
      add(
          Severity.ERROR,
          Rule.STOP_DELAY,
          "the delay of %s is 0 s".formatted(stop.name()),
          "Without a delay the torque goes at once: the ramp never happens.",
          "Set a delay in which the ramp from maximum speed fits, and confirm it on the drive.");
    } else if (!timing.hasMargin()) {
      addMargin(timeline);
    }
    addEnergy(timeline);
  }

  private void addMargin(StopTimeline timeline) {
    StopTimeline.Timing timing = timeline.timing();
    boolean cut = timing.marginSeconds() < 0;
    add(
        cut ? Severity.ERROR : Severity.WARNING,
        Rule.STOP_RAMP,
        "the ramp takes %s from maximum speed, torque goes after %s"
            .formatted(seconds(timing.neededSeconds()), seconds(timing.delaySeconds())),
        cut
            ? "Torque goes at %s rpm (%s %%); the rest is a coast without control."
                .formatted(
                    number(timeline.torqueOffRpm()),
                    number(100 * timeline.torqueOffRpm() / timing.topRpm()))
            : "A tenth of the ramp is the usual margin; a warm motor and a low link take longer.",
        timing.neededSeconds() > timing.rampSeconds()
            ? "The current limit allows no less than %s: lengthen the delay to %s."
                .formatted(seconds(timing.neededSeconds()), seconds(1.1 * timing.neededSeconds()))
            : "Shorten the safe ramp to %s, or lengthen the delay to %s."
                .formatted(
                    seconds(timing.delaySeconds() / 1.1), seconds(1.1 * timing.rampSeconds())));
  }

  private void addEnergy(StopTimeline timeline) {
    BrakingEnergy energy = BrakingEnergy.of(axis, stop, timeline);
    if (!energy.fits()) {
      add(
          Severity.WARNING,
          Rule.BRAKING_ENERGY,
          "the ramp returns %s, the d.c. link takes %s"
              .formatted(
                  text(energy.returnedJoules(), MeasureUnit.JOULE_UNIT),
                  text(energy.linkJoules(), MeasureUnit.JOULE_UNIT)),
          "The drive trips on over-voltage and the rest is a coast, or it stretches the ramp.",
          "Fit a braking resistor of at most %s for %s, or lengthen ramp and delay."
              .formatted(
                  text(Math.floor(energy.mostOhms()), MeasureUnit.OHM_UNIT),
                  text(Math.ceil(energy.peakWatts()), MeasureUnit.WATT_UNIT)));
    }
  }

  private void add(Severity severity, Rule rule, String seen, String why, String remedy) {
    found.add(new Finding(severity, rule, place(rule), seen, why, remedy));
  }

  private String place(Rule rule) {
    SettingRole role =
        switch (rule) {
          case STOP_RAMP -> SettingRole.SAFE_STOP_RAMP;
          case STOP_DELAY -> SettingRole.SAFE_STOP_DELAY;
          case STOP_RESTART -> SettingRole.RESTART_AFTER_STO;
          default -> null;
        };
    String at = "axis/%s/".formatted(axis.axis().id());
    return role == null
        ? at + "stop/" + stop.id()
        : axis.driveSheet()
            .setting(role)
            .map(s -> at + "drive/" + s.code())
            .orElse(at + "stop/" + stop.id());
  }

  private static String seconds(double value) {
    return text(Math.round(value * 100) / 100.0, MeasureUnit.SECOND_UNIT);
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(Math.round(value));
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }
}

package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopTrigger;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;

/**
 * Whether the stops of an axis can do what they are there for. The verdict comes first; what only a
 * stop that stops can be told is told of no other.
 */
public final class StopChecks {
  private final AxisAssembly axis;
  private final StopFunction stop;
  private final List<Finding> found = new ArrayList<>();

  private StopChecks(AxisAssembly axis, StopFunction stop) {
    this.axis = axis;
    this.stop = stop;
  }

  /** Findings of all stops of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis, List<JudgedStop> stops) {
    List<Finding> found = new ArrayList<>();
    for (JudgedStop judged : stops) {
      StopChecks checks = new StopChecks(axis, judged.stop());
      checks.run(judged);
      found.addAll(checks.found);
    }
    return found;
  }

  private void run(JudgedStop judged) {
    checkVerdict(judged);
    StopCircuit circuit = judged.circuit();
    if (circuit == null) {
      return;
    }
    if (judged.verdict().outcome() != StopOutcome.DOES_NOT_STOP) {
      // Where it does not stop, what is in the way is named already.
      checkParts(circuit);
    }
    checkKind();
    checkReset(circuit);
    checkRestart(circuit, judged.verdict());
    checkFeed(circuit);
    if (stop.effect().isSafetyStop() && judged.verdict().stops()) {
      checkLoad();
      new StopTimeChecks(this, axis, stop).check(circuit);
    } else if (judged.verdict().stops()) {
      checkCategory(circuit);
    }
  }

  private void checkVerdict(JudgedStop judged) {
    StopVerdict verdict = judged.verdict();
    String because = String.join("; ", verdict.because());
    switch (verdict.outcome()) {
      case STOPS -> verdict.weaknesses().forEach(this::addWeakness);
      case DOES_NOT_STOP ->
          add(
              Severity.ERROR,
              Rule.STOP_FAILS,
              "%s does not stop: %s".formatted(stop.name(), because),
              way(judged)
                  + "torque stays possible while the stop is demanded: nobody is protected by it.",
              "Remove what is named, check the circuit again, and prove the stop.");
      case CANNOT_BE_STARTED ->
          add(
              Severity.ERROR,
              Rule.STOP_NOT_RELEASED,
              "%s cannot be released: %s".formatted(stop.name(), because),
              "The motor never starts, and somebody will bridge the stop to make it run.",
              "Check the stop circuit at Wire; wire it as the manuals of its devices say.");
      case CANNOT_BE_TOLD ->
          add(
              Severity.ERROR,
              Rule.STOP_UNTOLD,
              "what %s does cannot be determined: %s".formatted(stop.name(), because),
              "A stop that cannot be predicted protects nobody.",
              "Complete or correct the circuit until it can be determined.");
    }
  }

  private static String way(JudgedStop judged) {
    StopCircuit circuit = judged.circuit();
    return circuit == null || judged.verdict().way().isEmpty()
        ? "Here "
        : "After '%s' ".formatted(StopEvent.text(judged.verdict().way(), circuit));
  }

  private void addWeakness(StopVerdict.Weakness weakness) {
    add(
        Severity.ERROR,
        Rule.STOP_CHANNEL,
        weakness.text(),
        "Only the other channel stops the motor: one more fault and nothing does.",
        "Remove what is named, or lead the channel over the contact that has to open it.");
  }

  /** A part that is named and wired round has no influence on the stop. */
  private void checkParts(StopCircuit circuit) {
    for (String part : stop.parts()) {
      if (!circuit.acts(part)) {
        add(
            Severity.ERROR,
            Rule.STOP_UNREACHED,
            "%s takes no part in %s: no conductor leads from it to what takes the motion away"
                .formatted(circuit.name(part), stop.name()),
            "What it does changes nothing at the motor.",
            "Wire it into the stop circuit, or take it out of the stop.");
      }
    }
  }

  private void checkKind() {
    if (!stop.effect().isSafetyStop()) {
      add(
          Severity.WARNING,
          Rule.NO_SAFETY_STOP,
          "%s ends on the %s"
              .formatted(stop.name(), stop.effect().label().toLowerCase(Locale.ROOT)),
          "Settings and electronics not made for safety decide whether the motor stops.",
          "Lead it onto safe torque off, or show in the risk assessment that it need not be safe.");
    }
  }

  /** An emergency stop is of stop category 0 or 1, never 2. */
  private void checkCategory(StopCircuit circuit) {
    boolean two = StopTimeline.fromMaximum(circuit).category() == StopCategory.TWO;
    boolean emergency =
        stop.trigger() == StopTrigger.EMERGENCY_STOP || stop.trigger() == StopTrigger.CABLE_PULL;
    if (two && emergency) {
      add(
          Severity.ERROR,
          Rule.STOP_CATEGORY_TWO,
          "%s ramps down and leaves the power on: that is stop category 2".formatted(stop.name()),
          "An emergency stop is of stop category 0 or 1: in the end the power has to be gone.",
          "Remove the torque after standstill: timed safe stop 1, or contactors.");
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

  /** Motion without a new command, with the shortest sequence that brings it. */
  private void checkRestart(StopCircuit circuit, StopVerdict verdict) {
    if (!verdict.resumption().isEmpty()) {
      add(
          Severity.ERROR,
          Rule.STOP_RESTART,
          "motion comes back without a new run command: "
              + StopEvent.text(verdict.resumption(), circuit),
          "Releasing a stop, resetting it or the return of power must not by itself start the motor.",
          "Have the drive wait for a new run command, or have the stop withdraw the one there is.");
    }
    if (!verdict.modeStart().isEmpty()) {
      add(
          Severity.WARNING,
          Rule.MODE_STARTS,
          "a switch starts the motor while the run command is held: "
              + StopEvent.text(verdict.modeStart(), circuit),
          "Selecting a mode must not by itself start the motor.",
          "Have the change of mode withdraw the run command, or the drive wait for a new one.");
    }
  }

  /** Whether the drive's safety inputs are told what really feeds them. */
  private void checkFeed(StopCircuit circuit) {
    boolean hasKind = circuit.drive().sheet().selector(SelectorRole.SAFETY_INPUT_KIND).isPresent();
    Optional<Boolean> pulses = FeedKind.of(circuit);
    if (!stop.effect().usesSafeTorqueOff() || !hasKind || pulses.isEmpty()) {
      return;
    }
    boolean setForPulses = circuit.drive().isPulseTested();
    if (pulses.get() != setForPulses) {
      add(
          Severity.ERROR,
          Rule.SAFETY_FEED,
          "safe torque off is fed by %s, and set for %s"
              .formatted(
                  pulses.get() ? "test pulses" : "plain contacts",
                  setForPulses ? "test pulses" : "plain contacts"),
          "The wrong setting gives a standing fault, or channels that nothing tests.",
          "Set the drive's safety inputs for %s."
              .formatted(pulses.get() ? "pulse-tested outputs" : "contacts"));
    }
  }

  private void checkLoad() {
    if (stop.verticalLoad() && !stop.holdingBrake()) {
      add(
          Severity.ERROR,
          Rule.VERTICAL_LOAD,
          "the load is suspended, and no brake holds it when %s takes the torque"
              .formatted(stop.name()),
          "Without torque the load sinks or falls.",
          "Fit a holding brake that closes without power, and say so here.");
    }
  }

  void add(Severity severity, Rule rule, String seen, String why, String remedy) {
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
}

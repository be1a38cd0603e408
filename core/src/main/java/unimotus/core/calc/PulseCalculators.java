package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Sums.remark;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.SeriesResistor;

/** Questions about step motors and pulse trains. */
final class PulseCalculators {
  private static final String COUNTING = "counting";
  private static final String PRACTICE = "common practice";
  private static final int STEPS = 200;

  /** Largest number of a signed word of 16 bits. */
  private static final double WORD = 32_767;

  private PulseCalculators() {}

  static List<Calculator> all() {
    return List.of(
        pulses(),
        pulseTime(),
        travelPulses(),
        stepTravel(),
        wordTurns(),
        timerCounts(),
        cornerSpeed(),
        standstillHeat(),
        seriesResistor());
  }

  private static Parameter stepsPerTurn() {
    return positive("steps", "pulses for a turn: full steps times microsteps", MeasureUnit.ONE);
  }

  private static Parameter lead() {
    return positive("lead", "travel for a turn", MeasureUnit.MILLIMETRE);
  }

  private static Calculator pulses() {
    return new Calculator(
        "pulses",
        "pulses for a number of turns",
        List.of(of("turns", "turns of the motor", MeasureUnit.ONE), stepsPerTurn()),
        "turns=5 steps=400",
        in ->
            result(
                "pulses",
                "turns·steps",
                "%s·%s",
                in.get("turns") * in.get("steps"),
                MeasureUnit.COUNTS,
                COUNTING,
                in.get("turns"),
                in.get("steps")));
  }

  private static Calculator pulseTime() {
    return new Calculator(
        "pulse-time",
        "time that a number of pulses takes at a rate",
        List.of(
            of("pulses", "number of pulses", MeasureUnit.COUNTS),
            positive("rate", "pulses a second", MeasureUnit.HERTZ_UNIT)),
        "pulses=2000 rate=100Hz",
        in ->
            result(
                "time",
                "t = pulses/rate",
                "%s/%s",
                in.get("pulses") / in.get("rate"),
                MeasureUnit.SECOND_UNIT,
                COUNTING,
                in.get("pulses"),
                in.get("rate")));
  }

  private static Calculator travelPulses() {
    return new Calculator(
        "travel-pulses",
        "pulses for a travel on a screw or belt",
        List.of(
            of("travel", "travel of the machine", MeasureUnit.MILLIMETRE), lead(), stepsPerTurn()),
        "travel=300mm lead=3.175mm steps=2000",
        in -> {
          double exact = in.get("travel") / in.get("lead") * in.get("steps");
          double whole = Math.rint(exact);
          double missed = (exact - whole) / in.get("steps") * in.get("lead");
          return remark(
              result(
                  "pulses",
                  "travel/lead·steps, whole",
                  "%s/%s·%s",
                  whole,
                  MeasureUnit.COUNTS,
                  COUNTING,
                  in.get("travel"),
                  in.get("lead"),
                  in.get("steps")),
              "misses the travel by %s by rounding"
                  .formatted(QuantityFormat.PLAIN.text(missed * 1000, MeasureUnit.MICROMETRE)));
        });
  }

  private static Calculator stepTravel() {
    return new Calculator(
        "step-travel",
        "travel of one pulse on a screw or belt",
        List.of(lead(), stepsPerTurn()),
        "lead=3.175mm steps=2000",
        in ->
            result(
                "travel of a pulse",
                "lead/steps",
                "%s/%s·1000",
                in.get("lead") / in.get("steps") * 1000,
                MeasureUnit.MICROMETRE,
                COUNTING,
                in.get("lead"),
                in.get("steps")));
  }

  private static Calculator wordTurns() {
    return new Calculator(
        "word-turns",
        "whole turns whose pulses fit a signed word of 16 bits",
        List.of(stepsPerTurn()),
        "steps=400",
        in ->
            result(
                "turns",
                "32 767/steps, whole turns",
                "32 767/%s",
                Math.floor(WORD / in.get("steps")),
                MeasureUnit.ONE,
                COUNTING,
                in.get("steps")));
  }

  private static Calculator timerCounts() {
    return new Calculator(
        "timer-counts",
        "number to enter into a timer with a time base",
        List.of(
            of("time", "wanted time", MeasureUnit.SECOND_UNIT),
            positive("base", "time base of the timer", MeasureUnit.SECOND_UNIT)),
        "time=5s base=100ms",
        in -> {
          double exact = in.get("time") / in.get("base");
          double whole = Math.rint(exact);
          CalcResult counts =
              result(
                  "number",
                  "time/base, whole",
                  "%s/%s",
                  whole,
                  MeasureUnit.ONE,
                  COUNTING,
                  in.get("time"),
                  in.get("base"));
          return Math.abs(exact - whole) < 1e-9
              ? counts
              : remark(
                  counts,
                  "the timer can only do %s"
                      .formatted(
                          QuantityFormat.PLAIN.text(
                              whole * in.get("base"), MeasureUnit.SECOND_UNIT)));
        });
  }

  private static Calculator cornerSpeed() {
    return new Calculator(
        "step-corner",
        "speed at which the torque of a step motor begins to fall",
        List.of(
            positive("voltage", "supply of the driver", MeasureUnit.VOLT_UNIT),
            positive("inductance", "of a phase as connected", MeasureUnit.HENRY_UNIT),
            positive("current", "set current of a phase", MeasureUnit.AMPERE_UNIT),
            of("steps", "full steps for a turn", MeasureUnit.ONE, STEPS)),
        "voltage=36V inductance=2.5mH current=2.8A",
        in -> {
          int steps = in.whole("steps");
          Coils coils =
              new Coils(CoilConnection.WHOLE, in.get("current"), 1, in.get("inductance"), steps);
          return new CalcResult(
              coils.cornerRpm(in.get("voltage")),
              MeasureUnit.RPM,
              coils.cornerSum(in.get("voltage")),
              PRACTICE,
              "beyond it the torque falls with the speed; use 50 to 70 % of the pull-out curve");
        });
  }

  private static Calculator standstillHeat() {
    return new Calculator(
        "standstill-heat",
        "heat left in a step motor at rest with a lower current",
        List.of(
            positive("current", "current while it runs", MeasureUnit.AMPERE_UNIT),
            of("rest", "current at rest", MeasureUnit.AMPERE_UNIT)),
        "current=2.8A rest=1.4A",
        in ->
            remark(
                result(
                    "share of the heat",
                    "(I_rest/I)²",
                    "(%s/%s)²·100",
                    100 * Math.pow(in.get("rest") / in.get("current"), 2),
                    MeasureUnit.PERCENT,
                    "Joule heat",
                    in.get("rest"),
                    in.get("current")),
                "holding torque falls with the current"));
  }

  private static Calculator seriesResistor() {
    return new Calculator(
        "series-resistor",
        "resistor before an opto input on a higher voltage",
        List.of(
            positive("voltage", "voltage of the output", MeasureUnit.VOLT_UNIT),
            of("forward", "voltage across the diode of the input", MeasureUnit.VOLT_UNIT),
            of("inside", "resistance inside the input", MeasureUnit.OHM_UNIT),
            positive("least", "current at which it is on for certain", MeasureUnit.AMPERE_UNIT),
            positive("most", "current that it bears", MeasureUnit.AMPERE_UNIT)),
        "voltage=24V forward=1.2V inside=330ohm least=7mA most=16mA",
        in -> {
          SeriesResistor.Input input =
              new SeriesResistor.Input(
                  in.get("forward"), in.get("inside"), in.get("least"), in.get("most"));
          SeriesResistor fit =
              SeriesResistor.of(in.get("voltage"), input)
                  .orElseThrow(
                      () ->
                          new IllegalArgumentException(
                              "no resistor is needed, or none of the series brings the current between %s and %s A"
                                  .formatted(
                                      QuantityFormat.PLAIN.number(in.get("least")),
                                      QuantityFormat.PLAIN.number(in.get("most")))));
          return new CalcResult(
              fit.ohms(),
              MeasureUnit.OHM_UNIT,
              fit.sum(),
              "Ohm's law; E12 of IEC 60063 (from memory)",
              "take one of %s W or more".formatted(QuantityFormat.PLAIN.number(fit.ratedWatts())));
        });
  }
}

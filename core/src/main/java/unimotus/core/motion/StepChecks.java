package unimotus.core.motion;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StepDesign;
import unimotus.core.move.MoveStep;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.sheet.CoilConnection;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.SwitchTable;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.PhaseCurrent;
import unimotus.core.stepper.PulseScale;
import unimotus.core.stepper.StepDemand;

/** Whether coils, switches, pulses and moves of a step motor go together. */
public final class StepChecks {
  /** Rounding that adds up to less than a pulse over all rounds is none. */
  private static final double NOTHING = 1e-9;

  private final AxisAssembly assembly;
  private final StepAxis axis;
  private final List<Finding> found = new ArrayList<>();

  private StepChecks(AxisAssembly assembly, StepAxis axis) {
    this.assembly = assembly;
    this.axis = axis;
  }

  /** Findings of one axis; empty where no step driver runs it. */
  public static List<Finding> check(AxisAssembly assembly) {
    if (!assembly.isStepped()) {
      return List.of();
    }
    Optional<StepAxis> axis = StepAxis.of(assembly);
    if (axis.isEmpty()) {
      return List.of(
          new Finding(
              Severity.WARNING,
              Rule.MOTION_UNKNOWN,
              "axis/%s/motion".formatted(assembly.axis().id()),
              StepAxis.fault(assembly).orElse("what it is to do is undetermined"),
              "Nothing can be worked out of its pulses, its moves and its torque.",
              "Enter them at Map, Motion."));
    }
    StepChecks checks = new StepChecks(assembly, axis.get());
    checks.coils();
    checks.supply();
    checks.scaling();
    checks.moves();
    return checks.found;
  }

  private void coils() {
    CoilConnection chosen = axis.design().stepping().coils();
    int leads = axis.plate().leads();
    if (chosen == null) {
      add(
          Severity.WARNING,
          Rule.COILS,
          "coils",
          "how the %d leads of its motor are connected is not chosen".formatted(leads),
          "Current, torque over speed and heat follow from it and are not worked out.",
          "Choose the connection at Map, Motion, Coils.");
      return;
    }
    Optional<Coils> coils = axis.coils();
    if (coils.isEmpty()) {
      add(
          Severity.ERROR,
          Rule.COILS,
          "coils",
          "a motor with %d leads is not connected as %s".formatted(leads, chosen.label()),
          "There are no ends for it.",
          "Choose one of: %s."
              .formatted(
                  CoilConnection.of(leads).stream()
                      .map(CoilConnection::label)
                      .collect(Collectors.joining(", "))));
      return;
    }
    if (chosen.isUnipolar()) {
      add(
          Severity.ERROR,
          Rule.COILS,
          "coils",
          "its coils are connected %s, its driver switches whole coils".formatted(chosen.label()),
          "The centre tap joins both outputs of a phase: the driver sees a short circuit.",
          "Leave the centre taps open and take half of each coil, or both in series.");
      return;
    }
    current(coils.get());
  }

  private void current(Coils coils) {
    SwitchTable currents = axis.driver().currents();
    PhaseCurrent wanted;
    try {
      wanted = PhaseCurrent.of(coils, axis.plate().amperes(), currents, axis.driver().amperes());
    } catch (IllegalArgumentException tooLow) {
      add(
          Severity.ERROR,
          Rule.PHASE_CURRENT,
          "switches",
          String.valueOf(tooLow.getMessage()),
          "The motor is overheated at every setting.",
          "Another connection of the coils, or a driver for less current.");
      return;
    }
    double set = axis.phaseAmperes();
    if (set > wanted.limit() * (1 + 1e-9)) {
      add(
          Severity.ERROR,
          Rule.PHASE_CURRENT,
          "switches",
          "%s A %s is set; the coils %s bear %s A %s"
              .formatted(
                  number(set),
                  axis.driver().amperes().label(),
                  coils.connection().label(),
                  number(wanted.limit()),
                  axis.driver().amperes().label()),
          "The winding heats with the square of the current, at standstill too.",
          "Set the next lower one, %s A: %s."
              .formatted(number(wanted.chosen().value()), currents.words(wanted.chosen())));
    } else if (set < wanted.chosen().value() * (1 - 1e-9)) {
      add(
          Severity.NOTE,
          Rule.PHASE_CURRENT,
          "switches",
          "%s A is set; the coils bear %s A"
              .formatted(number(set), number(wanted.chosen().value())),
          "Torque falls with the current: the motor gives about %.0f %% of it."
              .formatted(100 * set / wanted.limit()),
          "Where the torque is needed, set %s A: %s."
              .formatted(number(wanted.chosen().value()), currents.words(wanted.chosen())));
    }
  }

  private void supply() {
    double volts = axis.design().stepping().supplyVolts();
    double least = axis.driver().leastVolts();
    double most = axis.driver().mostVolts();
    if (volts == 0) {
      add(
          Severity.WARNING,
          Rule.STEP_SUPPLY,
          "supply",
          "the d.c. supply of the driver is not entered",
          "How the torque falls with the speed follows from it and from the coils.",
          "Enter its voltage at Map, Motion, Coils; the driver takes %s to %s V."
              .formatted(number(least), number(most)));
    } else if (volts < least || volts > most) {
      add(
          Severity.ERROR,
          Rule.STEP_SUPPLY,
          "supply",
          "the supply gives %s V, the driver takes %s to %s V"
              .formatted(number(volts), number(least), number(most)),
          volts > most
              ? "It destroys the driver; a braking motor raises it further."
              : "The driver does not work, or loses steps.",
          "Another supply.");
    }
  }

  private void scaling() {
    Optional<ScalingDifference> program = axis.program();
    if (program.isEmpty()) {
      add(
          Severity.WARNING,
          Rule.SCALING_NOT_READ,
          "scaling/program",
          "the pulses the program counts for its unit are not read",
          "A move that is a neat ratio wrong is a mismatch of them and the switches.",
          "Read them in the program and enter them at Map, Motion, Scaling.");
    } else if (!program.get().isEqual()) {
      add(
          Severity.ERROR,
          Rule.SCALING_COPY,
          "scaling/program",
          "program counts %s times the machine's pulses for one unit; %s"
              .formatted(
                  number(program.get().ratio().doubleValue()),
                  program.get().causes().stream()
                      .map(c -> "%s: %s".formatted(c.kind().label(), c.seen()))
                      .collect(Collectors.joining("; "))),
          "Every move goes by that ratio too far or too near, or the wrong way.",
          "Set the switches of the driver and the numbers of the program alike.");
    }
    word();
  }

  private void word() {
    StepDesign design = axis.design().stepping();
    double most =
        Math.max(Math.abs(axis.design().travel().least()), Math.abs(axis.design().travel().most()));
    if (!axis.design().travel().isLimited()) {
      return;
    }
    double pulses = most * axis.scale().pulsesPerUnit().doubleValue();
    double holds = Math.pow(2, design.wordBits() - 1.0) - 1;
    if (pulses > holds) {
      add(
          Severity.ERROR,
          Rule.POSITION_BITS,
          "word",
          "travel goes to %s, which is %.0f pulses; %d signed bits hold %.0f (%s turns of the motor)"
              .formatted(
                  text(most, axis.unit()),
                  pulses,
                  design.wordBits(),
                  holds,
                  number(Math.floor(holds / axis.pulsesPerTurn()))),
          "The number overflows and the axis turns back or stops short.",
          "Multiply in a wider number: 32 bits.");
    }
  }

  private void moves() {
    double hertz;
    try {
      hertz = axis.peakHertz();
    } catch (IllegalArgumentException outside) {
      add(
          Severity.ERROR,
          Rule.MOVE_RANGE,
          "moves",
          String.valueOf(outside.getMessage()),
          "The axis runs against its end and loses its position.",
          "Correct the move, or the travel.");
      return;
    }
    if (hertz == 0) {
      add(
          Severity.WARNING,
          Rule.MOTION_UNKNOWN,
          "moves",
          "no moves are entered",
          "Rate, torque and lost steps are not checked.",
          "Enter what the axis is to do at Map, Motion, Moves.");
      return;
    }
    rate(hertz);
    width(hertz);
    start();
    axis.demand().ifPresent(this::torque);
    rounding();
  }

  private void rate(double hertz) {
    if (hertz > axis.driver().mostHertz() * (1 + 1e-9)) {
      add(
          Severity.ERROR,
          Rule.PULSE_RATE,
          "moves",
          "the moves need %s, the driver takes %s"
              .formatted(
                  text(hertz, MeasureUnit.HERTZ_UNIT),
                  text(axis.driver().mostHertz(), MeasureUnit.HERTZ_UNIT)),
          "Pulses are lost, and nobody counts them.",
          "A lower velocity, or fewer pulses a turn at the switches.");
    }
    PulseOutput.of(assembly)
        .filter(o -> o.mostHertz() > 0 && hertz > o.mostHertz() * (1 + 1e-9))
        .ifPresent(
            o ->
                add(
                    Severity.ERROR,
                    Rule.PULSE_RATE,
                    "moves",
                    "the moves need %s, output %s gives %s"
                        .formatted(
                            text(hertz, MeasureUnit.HERTZ_UNIT),
                            o.output(),
                            text(o.mostHertz(), MeasureUnit.HERTZ_UNIT)),
                    "The axis moves slower than meant, or the controller refuses.",
                    "A faster output, a lower velocity, or fewer pulses a turn at the switches."));
  }

  /** A pulse that is on or off too shortly is not counted. */
  private void width(double hertz) {
    Optional<PulseOutput> output = PulseOutput.of(assembly);
    double least =
        output
            .flatMap(o -> assembly.driveSheet().terminal(o.input().terminal()))
            .flatMap(t -> t.given(Figure.SHORTEST_SECONDS))
            .orElse(0.0);
    output
        .filter(o -> o.shortestSeconds(hertz) < least * (1 - 1e-9))
        .ifPresent(
            o ->
                add(
                    Severity.ERROR,
                    Rule.PULSE_RATE,
                    "moves",
                    "at %s a pulse of %s lasts %s (%.0f %% on); %s takes %s and longer"
                        .formatted(
                            text(hertz, MeasureUnit.HERTZ_UNIT),
                            o.output(),
                            text(o.shortestSeconds(hertz), MeasureUnit.SECOND_UNIT),
                            100 * o.duty(),
                            o.input(),
                            text(least, MeasureUnit.SECOND_UNIT)),
                    "Pulses are lost, and nobody counts them.",
                    "A lower velocity, fewer pulses a turn, or an output that is on for half."));
  }

  private void start() {
    double start = axis.design().stepping().startHertz();
    axis.pullInHertz()
        .filter(most -> start > most)
        .ifPresent(
            most ->
                add(
                    Severity.ERROR,
                    Rule.START_RATE,
                    "moves",
                    "pulses begin at %s; with its load the motor starts at once up to %s"
                        .formatted(
                            text(start, MeasureUnit.HERTZ_UNIT),
                            text(most, MeasureUnit.HERTZ_UNIT)),
                    "It hums and stands still.",
                    "Begin lower and ramp up."));
  }

  private void torque(StepDemand demand) {
    String curve =
        axis.curve().filter(c -> c.isEstimated()).isPresent()
            ? "the curve worked out of coils and supply"
            : "its catalogue's curve";
    if (demand.stallsAt().isPresent()) {
      add(
          Severity.ERROR,
          Rule.STEP_STALL,
          "moves",
          "after %s the moves need more torque than the motor gives at %s, by %s"
              .formatted(
                  text(demand.stallsAt().getAsDouble(), MeasureUnit.SECOND_UNIT),
                  text(demand.usedAtRate(), MeasureUnit.HERTZ_UNIT).replace("Hz", "full steps/s"),
                  curve),
          "It falls out of step and stands humming; the position is lost.",
          "Less acceleration, a lower velocity, a higher supply, or a larger motor.");
    } else if (demand.isTight()) {
      add(
          Severity.WARNING,
          Rule.STEP_STALL,
          "moves",
          "the moves use %.0f %% of the torque at %s, by %s"
              .formatted(
                  100 * demand.used(),
                  text(demand.usedAtRate(), MeasureUnit.HERTZ_UNIT).replace("Hz", "full steps/s"),
                  curve),
          "Little is left for cold grease and wear: up to %.0f %% is usual."
              .formatted(100 * StepDemand.MOST_USED),
          "Less acceleration, a lower velocity, or a higher supply.");
    }
    double full = (double) axis.pulsesPerTurn() / axis.plate().stepsPerTurn();
    if (demand.bandSeconds() > 0 && full < 4) {
      add(
          Severity.NOTE,
          Rule.STEP_RESONANCE,
          "moves",
          "%s of the moves are spent at %.0f to %.0f full steps a second with %s microsteps"
              .formatted(
                  text(demand.bandSeconds(), MeasureUnit.SECOND_UNIT),
                  StepDemand.BAND_LOW,
                  StepDemand.BAND_HIGH,
                  number(full)),
          "The motor may shake there and lose steps.",
          "More microsteps, or pass the band quickly.");
    }
  }

  /** What incremental moves lose by whole pulses adds up round after round. */
  private void rounding() {
    PulseScale scale = axis.scale();
    double lost = 0;
    for (MoveStep step : axis.design().moves().steps()) {
      if (step instanceof MoveStep.Incremental incremental) {
        lost += scale.pulses(BigDecimal.valueOf(incremental.distance())).missed();
      }
    }
    double all = lost * axis.design().moves().times();
    if (Math.abs(all) > Math.max(NOTHING, scale.travelPerPulse())) {
      add(
          Severity.WARNING,
          Rule.PULSE_ROUNDING,
          "moves",
          "its moves by a distance are no whole pulses: %s are missed in a round, %s in %d"
              .formatted(
                  text(lost, axis.unit()), text(all, axis.unit()), axis.design().moves().times()),
          "What is missed adds up with every round.",
          "Move to positions, home each round, or choose a gear that gives whole pulses.");
    }
  }

  private void add(
      Severity severity, Rule rule, String part, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity,
            rule,
            "axis/%s/motion/%s".formatted(assembly.axis().id(), part),
            seen,
            why,
            remedy));
  }

  private static String text(double value, MeasureUnit unit) {
    return QuantityFormat.PLAIN.text(value, unit);
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

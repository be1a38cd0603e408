package unimotus.core.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.MotionState;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.sequence.SequenceMachine;

/**
 * An axis while a sequence moves it: the program's pulses on one side, the machine with its
 * switches on the other. Not thread-safe.
 */
final class MovedAxis {
  /** Takes something that is worth a word. */
  interface Notes {
    /** Takes it with its time in seconds. */
    void take(double now, String text);
  }

  private final Plant plant;
  private final PlantWires wires;
  private final Notes notes;
  private final @Nullable Moving moving;

  MovedAxis(Plant plant, PlantWires wires, double startsAt, Notes notes) {
    this.plant = plant;
    this.wires = wires;
    this.notes = notes;
    StepAxis steps = plant.steps();
    this.moving = steps == null ? null : new Moving(steps, startsAt);
  }

  /** What is not known and therefore not looked at; possibly empty. */
  List<String> unknown() {
    return moving == null
        ? List.of("this axis is not moved by pulses: moves and jogs of the sequence never end here")
        : moving.unknown();
  }

  void tell(double now, SequenceMachine.Commanded told) {
    if (moving != null) {
      moving.tell(now, told);
    }
  }

  void advance(double from, double to) {
    if (moving != null) {
      moving.advance(from, to);
    }
  }

  boolean isDone(double now) {
    return moving != null && moving.source.isDone(now);
  }

  boolean isAtRest(double now) {
    return moving == null || moving.source.isAtRest(now);
  }

  /** Why an end of the travel stops it, in words; empty where it does not. */
  Optional<String> isStopped(double now, Optional<TerminalRef> meant) {
    return moving == null ? Optional.empty() : moving.stopped(now, meant);
  }

  double position() {
    return moving == null ? 0 : moving.rotor.position();
  }

  long lost() {
    return moving == null ? 0 : moving.rotor.lost();
  }

  SequencePlayed.Sample sample(double now) {
    return moving == null
        ? new SequencePlayed.Sample(now, 0, 0, 0)
        : new SequencePlayed.Sample(
            now,
            moving.source.at(now).velocity() * moving.pulsesPerUnit,
            moving.source.counted(now),
            moving.rotor.position());
  }

  /** One that is moved by pulses. */
  private final class Moving {
    private final StepAxis steps;
    private final PulseSource source;
    private final PulseLine line;
    private final StepRotor rotor;
    private final double pulsesPerUnit;
    private final Map<String, List<SwitchReading>> readings;
    private final Map<String, Boolean> operated = new HashMap<>();
    private long sent;
    private int jogs;

    Moving(StepAxis steps, double startsAt) {
      this.steps = steps;
      AxisScaling program = steps.copies().of(Holder.PROGRAM).orElseGet(steps::machine);
      this.pulsesPerUnit = program.signedCountsPerUnit();
      this.source =
          new PulseSource(steps.design().moves().limits(), steps.design().stepping().creep());
      this.line = new PulseLine(wires, plant.axis(), steps);
      if (line.isSelfTested()) {
        throw new IllegalArgumentException(
            "bench: the self-test of %s is on, which turns the motor by itself"
                .formatted(plant.axis().drive().name()));
      }
      this.rotor = new StepRotor(steps, startsAt);
      this.readings = SequencePlay.readings(plant, wires);
      operate();
    }

    List<String> unknown() {
      List<String> unknown = new ArrayList<>();
      rotor.unknown().ifPresent(unknown::add);
      if (steps.copies().of(Holder.PROGRAM).isEmpty()) {
        unknown.add(
            "the pulses the program counts for its unit are not read: those of the machine are taken");
      }
      return unknown;
    }

    void tell(double now, SequenceMachine.Commanded told) {
      jogs = told.forward() ? 1 : told.backward() ? -1 : 0;
      if (told.zero()) {
        source.zero(now);
      }
      source.tell(now, told.execute(), told.amount(), told.absolute(), jogs);
    }

    void advance(double from, double to) {
      MotionState state = source.at(to);
      long target = Math.round(state.position() * pulsesPerUnit);
      long pulses = target - sent;
      sent = target;
      double signed = state.velocity() * pulsesPerUnit;
      if (pulses == 0 && signed == 0) {
        rotor.take(0, 0, 0, 0, true, false);
        return;
      }
      boolean backward = signed == 0 ? pulses < 0 : signed < 0;
      line.point(backward);
      Optional<String> fault = line.fault(Math.abs(signed));
      int way = line.way();
      int flip = backward == way < 0 ? 1 : -1;
      boolean blocked = isBlocked(way);
      boolean fell =
          rotor.take(
              flip * pulses,
              Math.abs(signed),
              flip * state.acceleration() * pulsesPerUnit,
              steps.design().stepping().startHertz(),
              fault.isEmpty(),
              blocked);
      fault.ifPresent(f -> notes.take(from, f));
      if (fell) {
        fell(from, Math.abs(signed), blocked);
      }
      operate();
    }

    private void fell(double now, double hertz, boolean blocked) {
      String where = QuantityFormat.PLAIN.text(rounded(rotor.position()), steps.unit());
      notes.take(
          now,
          blocked
              ? "it stands against its mechanical end at %s while pulses go on".formatted(where)
              : "the motor falls out of step at %s, %s"
                  .formatted(where, QuantityFormat.PLAIN.text(hertz, MeasureUnit.HERTZ_UNIT)));
    }

    private double rounded(double position) {
      return Math.rint(position * 1000) / 1000;
    }

    private boolean isBlocked(int way) {
      double at = rotor.position();
      return plant.switches().stream()
          .anyMatch(
              s ->
                  s.use() == SwitchUse.LOW_END && way < 0 && at <= s.from()
                      || s.use() == SwitchUse.HIGH_END && way > 0 && at >= s.to());
    }

    /** Only where it comes on or off: what else was done to a switch in between stays. */
    private void operate() {
      for (PlacedSwitch each : plant.switches()) {
        boolean is = each.isOperated(rotor.position());
        Boolean was = operated.put(each.part(), is);
        if (was == null ? is : was != is) {
          wires.operate(each.part(), is);
        }
      }
    }

    Optional<String> stopped(double now, Optional<TerminalRef> meant) {
      double velocity = source.at(now).velocity();
      int way = velocity == 0 ? jogs : (int) Math.signum(velocity);
      for (PlacedSwitch each : plant.switches()) {
        boolean ahead =
            each.use() == SwitchUse.LOW_END && way < 0
                || each.use() == SwitchUse.HIGH_END && way > 0;
        for (SwitchReading reading : readings.getOrDefault(each.part(), List.of())) {
          boolean exempt = meant.filter(reading.input()::equals).isPresent();
          if (ahead && !exempt && reading.saysOperated(wires.level(reading.input()))) {
            return Optional.of(
                "%s says the %s of the travel is reached: it ends"
                    .formatted(reading.input(), each.use().label()));
          }
        }
      }
      return Optional.empty();
    }
  }
}

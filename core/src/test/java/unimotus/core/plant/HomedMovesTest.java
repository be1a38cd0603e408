package unimotus.core.plant;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.Lines;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Wire;
import unimotus.core.move.MoveLimits;
import unimotus.core.wiring.WiringFault;

/**
 * Homing and moves tick by tick through the wires against closed forms that know of no tick: x =
 * v²/2a + v(t − v/a) up to the switch, v²/2a to rest, J·α + friction against the curve.
 */
class HomedMovesTest {
  private static final int CASES = Campaign.size(3000, 60);
  private static final double SCAN = SequencePlay.SCAN_SECONDS;
  private static final double PULSE = 1 / FixturePlants.PULSES_PER_MM;

  /** Distance from rest after a time, up to a velocity. */
  private static double distance(double seconds, double velocity, double acceleration) {
    double ramp = velocity / acceleration;
    return seconds <= ramp
        ? acceleration * seconds * seconds / 2
        : velocity * ramp / 2 + velocity * (seconds - ramp);
  }

  private static double seconds(double distance, double velocity, double acceleration) {
    double ramp = velocity * velocity / 2 / acceleration;
    return distance <= ramp
        ? Math.sqrt(2 * distance / acceleration)
        : velocity / acceleration + (distance - ramp) / velocity;
  }

  private static double number(Random random, double low, double high) {
    return Math.rint(100 * (low + random.nextDouble() * (high - low))) / 100;
  }

  @Test
  void homeIsWhereTheClosedFormPutsItAndMovesAddUp() {
    Random random = new Random(41);
    List<String> differ = new ArrayList<>();
    for (int i = 0; i < CASES; i++) {
      double from = number(random, 5, 60);
      double creep = number(random, 3, 20);
      double acceleration = number(random, 60, 500);
      double one = number(random, -8, 80);
      double two = number(random, -one - 9, 30);
      Project project =
          FixturePlants.with(
              FixturePlants.project(),
              FixturePlants.design(creep, MoveLimits.of(40, acceleration)));
      String words =
          String.format(
              Locale.ROOT,
              "jog back until home within 60 s; move to %s mm; %s mm; wait 0.05 s",
              one,
              two);
      SequencePlayed played = FixturePlants.play(project, words, PlantSchedule.started(from, 120));
      double edge = seconds(from - FixturePlants.HOME_TO, creep, acceleration);
      // Seen in the scan after the edge, on the edge itself in that one or the next.
      double scans = Math.ceil(edge / SCAN);
      boolean fits = false;
      for (double scan : new double[] {scans - 1, scans, scans + 1}) {
        double home =
            from - distance(scan * SCAN, creep, acceleration) - creep * creep / 2 / acceleration;
        boolean near = Math.abs(scan * SCAN - edge) < SCAN + 0.002;
        fits |= near && Math.abs(played.position() - (home + one + two)) < 2 * PULSE;
      }
      if (!fits || played.end() != SequencePlayed.End.DONE || played.lostPulses() != 0) {
        differ.add(
            "%d: %s from %s, %s at %s".formatted(i, words, from, played.end(), played.position()));
      }
    }
    assertThat(differ).isEmpty();
  }

  /** Where it needs clearly more or clearly less than the curve gives at its peak. */
  @Test
  void itStallsWhereTheTorqueSaysSo() {
    Random random = new Random(43);
    List<String> differ = new ArrayList<>();
    int stalls = 0;
    int looked = 0;
    for (int i = 0; i < CASES; i++) {
      // The output gives 20 000 pulses a second, 250 mm/s.
      double velocity = number(random, 20, 245);
      double acceleration = number(random, 100, 3000);
      double friction = number(random, 0, 1.2);
      double inertia = random.nextInt(100) * 1e-6;
      Project project =
          FixturePlants.with(
              FixturePlants.project(),
              FixturePlants.design(10, MoveLimits.of(velocity, acceleration)));
      Project loaded =
          project.with(project.axes().get(0).withLoad(new Load(inertia, friction, 0, 0, 1)));
      var steps = FixturePlants.plant(loaded, FixturePlants.sequence("200 mm")).steps();
      double peak = Math.min(velocity, Math.sqrt(200 * acceleration));
      double needed =
          (steps.plate().inertiaKgM2() + inertia) * acceleration / 5 * 2 * Math.PI + friction;
      double given = steps.curve().orElseThrow().at(peak / 5 * 200);
      if (Math.abs(needed / given - 1) < 0.03) {
        continue;
      }
      looked++;
      SequencePlayed played = FixturePlants.play(loaded, "200 mm", PlantSchedule.started(0, 60));
      boolean stalled = played.lostPulses() > 0;
      stalls += stalled ? 1 : 0;
      if (stalled != needed > given || !stalled && Math.abs(played.position() - 200) > PULSE) {
        differ.add(
            "%d: %s mm/s, %s mm/s², %s N·m of %s"
                .formatted(i, velocity, acceleration, needed, given));
      }
    }
    assertThat(differ).isEmpty();
    assertThat(stalls).isBetween(looked / 10, looked * 9 / 10);
  }

  /**
   * Whatever is cut, the machine stays between its mechanical ends; and where no pulse was lost and
   * it ran to its end, it is where the program takes it to be.
   */
  @Test
  void itStaysBetweenItsEndsWhateverBreaks() {
    Random random = new Random(47);
    for (int i = 0; i < CASES / 3; i++) {
      Project project = FixturePlants.project();
      List<PlantSchedule.Event> events = new ArrayList<>(PlantSchedule.press(0.1));
      int faults = random.nextInt(3);
      boolean pointed = true;
      for (int k = 0; k < faults; k++) {
        Wire cut = project.wires().get(random.nextInt(project.wires().size()));
        String wire = cut.id();
        pointed &= !cut.touches("rd") && !cut.touches(Lines.ref("drive:DR+"));
        events.add(
            new PlantSchedule.Event(
                number(random, 0, 8), new PlantEvent.Broken(new WiringFault.OpenWire(wire))));
      }
      double from = number(random, 0.5, 200);
      SequencePlayed played =
          FixturePlants.play(project, FixturePlants.WORDS, new PlantSchedule(events, from, 30));
      List<SequencePlayed.Sample> samples = played.samples();
      double least = samples.stream().mapToDouble(SequencePlayed.Sample::position).min().orElse(0);
      double most = samples.stream().mapToDouble(SequencePlayed.Sample::position).max().orElse(0);
      assertThat(least).isGreaterThanOrEqualTo(FixturePlants.LOW_STOP - 2 * PULSE);
      assertThat(most).isLessThanOrEqualTo(FixturePlants.HIGH_STOP + 2 * PULSE);
      // Without its direction no pulse is lost, and all go forward.
      if (pointed && played.lostPulses() == 0 && played.end() == SequencePlayed.End.DONE) {
        assertThat(played.position()).isBetween(-0.25, 0.0);
      }
    }
  }
}

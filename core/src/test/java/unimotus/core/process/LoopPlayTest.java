package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.process.LoopEvent.Kind;
import unimotus.core.process.LoopPlay.Feedback;

/**
 * The loop of a drive: against the method of steps, against an independent integrator
 * (Dormand-Prince 8(5,3) of a published library) and against the feedback turned by hand.
 */
class LoopPlayTest {
  private static final int CASES = Campaign.size(1000, 60);
  private static final OutputRamp AT_ONCE = new OutputRamp(50, 50, 0, 0);
  private static final ProcessRange METRES = new ProcessRange(0, 2.5, "m");

  private static LoopSettings loop(
      ProcessRange range, double setPoint, double gain, double integral, OutputRamp ramp) {
    return new LoopSettings(range, setPoint, true, gain, integral, 0, 0, ramp, false);
  }

  private static LoopPlayed play(
      LoopSettings loop, Process process, List<LoopEvent> events, double seconds) {
    return LoopPlay.of(
        loop, SleepSettings.NEVER, Feedback.IDEAL, process, events, seconds, LoopPlay.TICK);
  }

  private static List<LoopEvent> started(LoopEvent... more) {
    List<LoopEvent> events = new ArrayList<>(List.of(LoopEvent.of(0, Kind.START)));
    events.addAll(List.of(more));
    return events;
  }

  /** Feedback as somebody turns it. */
  private record Turned(DoubleUnaryOperator over, double[] now) implements Process {
    static Turned of(DoubleUnaryOperator over) {
      return new Turned(over, new double[1]);
    }

    @Override
    public double value() {
      return over.applyAsDouble(now[0]);
    }

    @Override
    public void advance(double hertz, double demand, double seconds) {
      now[0] += seconds;
    }
  }

  private static double hertz(LoopPlayed played, double at) {
    return played.samples().get((int) Math.round(at / LoopPlay.TICK)).hertz();
  }

  /**
   * Ti = τ: the value rises by pieces that are known (method of steps). Gain 1 %/% of 0 to 10 on 0
   * to 50 Hz; 0.2 of the unit for each hertz, so that the loop's gain is 1: it never goes over.
   */
  @Test
  void aStepIsThatOfTheMethodOfSteps() {
    double lag = 6;
    double dead = 2;
    Process process = new FirstOrder(0.2, lag, dead, 0, 0, LoopPlay.TICK);
    LoopPlayed played =
        play(loop(new ProcessRange(0, 10, ""), 5, 0.9, lag, AT_ONCE), process, started(), 40);
    for (LoopPlayed.Sample sample : played.samples()) {
      double exact = 0;
      double factor = 1;
      for (int n = 1; n * dead <= sample.seconds(); n++) {
        factor *= 0.9 / lag / n;
        exact += (n % 2 == 1 ? 1 : -1) * factor * Math.pow(sample.seconds() - n * dead, n);
      }
      assertThat(sample.value()).isCloseTo(5 * exact, within(0.01));
    }
  }

  /** A tank under its loop, by an integrator of its own and in equations of its own. */
  @Test
  void aTankGoesAsTheDifferentialEquationSays() {
    Random random = new Random(9);
    List<String> differ = new ArrayList<>();
    int looked = 0;
    for (int i = 0; i < CASES; i++) {
      double head = 20 + 30 * random.nextDouble();
      double fall = 0.02 + 0.1 * random.nextDouble();
      double height = 5 + 8 * random.nextDouble();
      double friction = 0.05 * random.nextDouble();
      double area = 0.5 + 3 * random.nextDouble();
      double demand = 1 + 4 * random.nextDouble();
      double gain = 1 + 3 * random.nextDouble();
      double integral = 60 + 300 * random.nextDouble();
      double from = 1.2 + 0.2 * random.nextDouble();
      double wanted = 1.5;
      double[] limits = {1, 0};
      OrdinaryDifferentialEquation equations =
          new OrdinaryDifferentialEquation() {
            @Override
            public int getDimension() {
              return 2;
            }

            @Override
            public double[] computeDerivatives(double t, double[] y) {
              double error = (wanted - y[0]) / 2.5;
              double share = gain * error + y[1];
              limits[0] = Math.min(limits[0], share);
              limits[1] = Math.max(limits[1], share);
              double left = head * share * share - height;
              double flow = left > 0 ? Math.sqrt(left / (fall + friction)) : 0;
              return new double[] {(flow - demand) / 3600 / area, gain * error / integral};
            }
          };
      double end = 400;
      double[] there =
          new DormandPrince853Integrator(1e-6, 1, 1e-9, 1e-9)
              .integrate(equations, new ODEState(0, new double[] {from, 0}), end)
              .getPrimaryState();
      if (limits[0] < 0 || limits[1] >= 1) {
        continue;
      }
      looked++;
      Process tank =
          new TankLevel(
              new PumpSystem(new PumpCurve(50, head, fall), height, friction),
              area,
              2.5,
              true,
              from);
      LoopPlayed played =
          play(
              loop(METRES, wanted, gain, integral, AT_ONCE),
              tank,
              started(new LoopEvent(0, Kind.DEMAND, demand)),
              end);
      if (Math.abs(played.last().value() - there[0]) > 1e-4) {
        differ.add("%s for %s".formatted(played.last(), there[0]));
      }
    }
    assertThat(differ).isEmpty();
    assertThat(looked).isGreaterThan(CASES / 3);
  }

  /** The pressure of a closed pipe, and the frequency that holds it at its demand. */
  @Test
  void aPipeGoesAsTheDifferentialEquationSaysAndSettlesWhereThePumpHoldsIt() {
    Random random = new Random(10);
    List<String> differ = new ArrayList<>();
    int looked = 0;
    for (int i = 0; i < CASES; i++) {
      PumpCurve curve = new PumpCurve(50, 60 + 20 * random.nextDouble(), 0.1 + random.nextDouble());
      PumpSystem pump = new PumpSystem(curve, 2, 0.2);
      double vessel = 20 + 60 * random.nextDouble();
      double demand = 1 + 2 * random.nextDouble();
      double bar = 3;
      double metres = 1e5 / (1000 * 9.80665);
      double[] least = {1};
      OrdinaryDifferentialEquation equations =
          new OrdinaryDifferentialEquation() {
            @Override
            public int getDimension() {
              return 2;
            }

            @Override
            public double[] computeDerivatives(double t, double[] y) {
              double error = (bar - y[0]) / 10;
              double share = 2 * error + y[1];
              double left = curve.shutOffMetres() * share * share - 2 - y[0] * metres;
              least[0] = Math.min(least[0], Math.min(left, 1 - share));
              double flow = left > 0 ? Math.sqrt(left / (curve.fall() + 0.2)) : 0;
              double out = demand * Math.sqrt(Math.max(0, y[0]) / bar);
              return new double[] {(flow - out) / 3.6 / vessel, 2 * error / 120};
            }
          };
      double lifts = 2 + bar * metres + (curve.fall() + 0.2) * 0.6 * demand * demand;
      double start = Math.sqrt(lifts / curve.shutOffMetres());
      double end = 25;
      double[] there =
          new DormandPrince853Integrator(1e-7, 0.1, 1e-8, 1e-8)
              .integrate(equations, new ODEState(0, new double[] {bar, start}), end)
              .getPrimaryState();
      if (least[0] <= 0) {
        continue;
      }
      looked++;
      // The play takes over from the hand at the same frequency.
      LoopPlayed played =
          play(
              loop(new ProcessRange(0, 10, "bar"), bar, 2, 120, AT_ONCE),
              new PipePressure(pump, vessel, bar, bar),
              started(
                  new LoopEvent(0, Kind.HAND, start * 50),
                  LoopEvent.of(0.02, Kind.AUTO),
                  new LoopEvent(0, Kind.DEMAND, demand)),
              end);
      if (Math.abs(played.last().value() - there[0]) > 0.01) {
        differ.add("%s for %s".formatted(played.last(), there[0]));
      }
      LoopPlayed settled =
          play(
              loop(new ProcessRange(0, 10, "bar"), bar, 2, 120, AT_ONCE),
              new PipePressure(pump, vessel, bar, bar),
              started(new LoopEvent(0, Kind.DEMAND, demand)),
              2000);
      double holds = pump.against(2 + bar * metres).hertz(demand);
      if (Math.abs(settled.last().hertz() - holds) > 0.05) {
        differ.add("settles at %s, not %s".formatted(settled.last(), holds));
      }
    }
    assertThat(differ).isEmpty();
    assertThat(looked).isGreaterThan(CASES / 3);
  }

  /**
   * Handbook, section 9: low, up to the maximum on the ramp; at the set-point it drops by gain
   * times error and holds; above, down by gain·error/Ti to the least output; below again, up.
   */
  @Test
  void theFeedbackTurnedByHand() {
    OutputRamp ramp = new OutputRamp(50, 50, 10, 10);
    LoopSettings loop =
        new LoopSettings(new ProcessRange(0, 100, "%"), 50, true, 0.5, 10, 0, 15, ramp, false);
    DoubleUnaryOperator turned = t -> t < 40 ? 20 : t < 60 ? 50 : t < 140 ? 60 : 40;
    LoopPlayed played = play(loop, Turned.of(turned), started(), 200);
    // 0.5·30 % at once and 0.5·30 %/10 s on: 1.5 %/s, 50 Hz after (100 − 15)/1.5 = 57 s: not by
    // then.
    assertThat(hertz(played, 20)).isCloseTo(0.5 * (15 + 30), within(0.02));
    // At the set-point 15 % = 7.5 Hz drop off, and it holds.
    assertThat(hertz(played, 39.9) - hertz(played, 50)).isCloseTo(7.5, within(0.1));
    assertThat(hertz(played, 59)).isCloseTo(hertz(played, 45), within(1e-9));
    // Above: down by 5 % = 2.5 Hz at once, then by 0.5·10 %/10 s = 0.25 Hz/s.
    assertThat(hertz(played, 70) - hertz(played, 80)).isCloseTo(2.5, within(0.02));
    assertThat(hertz(played, 139)).as("the least output, not a stop").isEqualTo(15);
    assertThat(hertz(played, 160)).isGreaterThan(20);
  }

  /**
   * From saturation: 0.5·80 % and no more than the rest is integrated; at the set-point it drops.
   */
  @Test
  void itLeavesTheMaximumAsSoonAsTheErrorTurns() {
    LoopSettings loop =
        new LoopSettings(new ProcessRange(0, 100, "%"), 80, true, 0.5, 10, 0, 0, AT_ONCE, false);
    LoopPlayed played = play(loop, Turned.of(t -> t < 100 ? 0 : t < 110 ? 80 : 90), started(), 120);
    assertThat(hertz(played, 99)).isEqualTo(50);
    assertThat(hertz(played, 105)).isCloseTo(50 * (1 - 0.5 * 0.8), within(0.02));
    assertThat(hertz(played, 115)).isLessThan(30 - 2.4);
  }

  /** More speed lowers it: the other way round. */
  @Test
  void anInverseLoopAsksForMoreWhereTheFeedbackIsHigh() {
    LoopSettings cooling =
        new LoopSettings(new ProcessRange(0, 100, "°C"), 60, false, 1, 20, 0, 0, AT_ONCE, false);
    assertThat(hertz(play(cooling, Turned.of(t -> 80), started(), 5), 2)).isGreaterThan(10);
    assertThat(hertz(play(cooling, Turned.of(t -> 40), started(), 5), 2)).isZero();
  }

  private static LoopPlayed lost(LostFeedback lost) {
    LoopSettings loop =
        new LoopSettings(new ProcessRange(0, 100, "%"), 50, true, 0.5, 10, 0, 10, AT_ONCE, false);
    return LoopPlay.of(
        loop,
        SleepSettings.NEVER,
        new Feedback(0, 0, lost),
        Turned.of(t -> 30),
        started(LoopEvent.of(10, Kind.FEEDBACK_LOST), LoopEvent.of(60, Kind.FEEDBACK_BACK)),
        100,
        LoopPlay.TICK);
  }

  @Test
  void aLostFeedbackIsMetAsItIsSet() {
    double before = hertz(lost(LostFeedback.HOLD), 9.9);
    assertThat(hertz(lost(LostFeedback.HOLD), 50)).isCloseTo(before, within(0.1));
    assertThat(hertz(lost(LostFeedback.MINIMUM), 50)).isEqualTo(10);
    assertThat(hertz(lost(LostFeedback.UNSEEN), 50)).as("full speed").isEqualTo(50);
    LoopPlayed fault = lost(LostFeedback.FAULT);
    assertThat(hertz(fault, 10.1)).isZero();
    assertThat(fault.last().state()).as("it needs a new start").isEqualTo(LoopState.FAULT);
    assertThat(fault.last().hertz()).isZero();
  }

  /** Asleep, it takes the low end for an empty tank and starts: nobody has commanded that. */
  @Test
  void aLossThatIsNotNoticedWakesASleepingDrive() {
    LoopSettings loop = loop(METRES, 1.5, 2, 60, AT_ONCE);
    SleepSettings sleep = new SleepSettings(20, 2, SleepSettings.Arming.FROM_START, 0.3, 1, 0, 0);
    for (LostFeedback lost : LostFeedback.values()) {
      LoopPlayed played =
          LoopPlay.of(
              loop,
              sleep,
              new Feedback(0, 0, lost),
              Turned.of(t -> 1.6),
              started(LoopEvent.of(10, Kind.FEEDBACK_LOST)),
              30,
              LoopPlay.TICK);
      assertThat(played.first(LoopState.ASLEEP).orElseThrow()).isLessThan(10);
      assertThat(played.last().hertz() > 0).as(lost.label()).isEqualTo(lost == LostFeedback.UNSEEN);
    }
  }

  /** What is over the rim is lost: 60 m³/h into 1 m² fill the last half metre in 30 s. */
  @Test
  void aTankThatIsFullRunsOver() {
    TankLevel tank =
        new TankLevel(new PumpSystem(new PumpCurve(50, 40, 0.01), 4, 0), 1, 2, true, 1.5);
    double flow = Math.sqrt((40 - 4) / 0.01);
    for (int i = 0; i < 10_000; i++) {
      tank.advance(50, 0, 0.01);
    }
    assertThat(tank.value()).isEqualTo(2);
    assertThat(tank.lost()).isCloseTo(flow / 3600 * 100 - 0.5, within(1e-6));
  }

  @Test
  void whatWasLostNeedsANewStart() {
    LoopSettings loop = loop(METRES, 1.5, 2, 60, AT_ONCE);
    LoopPlayed played =
        play(
            loop,
            Turned.of(t -> 1),
            started(
                LoopEvent.of(10, Kind.MAINS_LOST),
                LoopEvent.of(12, Kind.START),
                LoopEvent.of(20, Kind.MAINS_BACK),
                LoopEvent.of(50, Kind.START)),
            60);
    assertThat(hertz(played, 10.1)).isZero();
    assertThat(hertz(played, 49)).as("a start without mains is no start").isZero();
    assertThat(hertz(played, 51)).isPositive();
    assertThat(play(loop, Turned.of(t -> 1), List.of(LoopEvent.of(0, Kind.AUTO)), 5).last().hertz())
        .as("never started")
        .isZero();
  }

  @Test
  void fromTheHandToTheLoopItDoesNotJump() {
    LoopPlayed played =
        play(
            loop(METRES, 1.5, 4, 60, AT_ONCE),
            Turned.of(t -> 1.4),
            started(new LoopEvent(5, Kind.HAND, 33), LoopEvent.of(20, Kind.AUTO)),
            30);
    assertThat(hertz(played, 19)).isEqualTo(33);
    assertThat(hertz(played, 20.05)).isCloseTo(33, within(0.05));
    assertThat(hertz(played, 29)).isGreaterThan(33.5);
    assertThat(played.last().state()).isEqualTo(LoopState.RUNNING);
  }

  @Test
  void theConverterAndTheTransmitterAreInTheLoop() {
    LoopSettings loop = loop(new ProcessRange(0, 100, "%"), 50, 1, 1e9, AT_ONCE);
    Turned stepped = Turned.of(t -> t < 1 ? 0 : 40);
    LoopPlayed lagging =
        LoopPlay.of(
            loop,
            SleepSettings.NEVER,
            new Feedback(2, 0, LostFeedback.UNSEEN),
            stepped,
            started(),
            20,
            LoopPlay.TICK);
    // One time constant after the step 63 % of it are seen.
    assertThat(hertz(lagging, 3)).isCloseTo(25 - 20 * (1 - Math.exp(-1)), within(0.1));
    LoopPlayed coarse =
        LoopPlay.of(
            loop,
            SleepSettings.NEVER,
            new Feedback(0, 2, LostFeedback.UNSEEN),
            Turned.of(t -> 40),
            started(),
            2,
            LoopPlay.TICK);
    assertThat(coarse.last().hertz())
        .as("a third is read")
        .isCloseTo(50 * (0.5 - 1.0 / 3), within(0.01));
  }

  @Test
  void whatIsNoLoopIsRefused() {
    assertThatThrownBy(() -> new ProcessRange(3, 3, "bar")).hasMessageContaining("not 3 and 3 bar");
    assertThatThrownBy(() -> loop(METRES, 2.6, 1, 10, AT_ONCE))
        .hasMessage("set-point: must be 0 to 2.5 m, not 2.6");
    assertThatThrownBy(() -> loop(METRES, 1, 0, 10, AT_ONCE)).hasMessageContaining("loop gain");
    assertThatThrownBy(() -> loop(METRES, 1, 1, 0, AT_ONCE))
        .hasMessage("integral time: must be over 0 s, not 0.0; none is infinite");
    assertThatThrownBy(
            () ->
                play(
                    loop(METRES, 1, 1, 10, AT_ONCE),
                    Turned.of(t -> 1),
                    started(new LoopEvent(1, Kind.HAND, 60)),
                    5))
        .hasMessageContaining("0 to 50.0 Hz, not 60.0 Hz");
  }
}

package unimotus.core.process;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.process.LoopEvent.Kind;
import unimotus.core.process.LoopPlay.Feedback;
import unimotus.core.process.SleepDoubt.Cure;
import unimotus.core.process.SleepDoubt.Setting;
import unimotus.core.process.SleepSettings.Arming;

/** What is told of sleep beforehand, against the loop played on its process. */
class SleepWindowTest {
  private static final int STARTS = Campaign.size(5000, 1000);
  private static final int PIPES = Campaign.size(500, 40);
  private static final double AT_WORK = 200;
  private static final ProcessRange BAR = new ProcessRange(0, 10, "bar");
  private static final PumpSystem PUMP = new PumpSystem(new PumpCurve(50, 60, 0.4), 2, 0.1);

  private static SleepSettings sleep(double level, double delay, double deviation) {
    return new SleepSettings(level, delay, Arming.FROM_START, deviation, 1, 0, 0);
  }

  private static LoopSettings loop(double gain, double integral, double minimum, OutputRamp ramp) {
    return new LoopSettings(BAR, 3, true, gain, integral, 0, minimum, ramp, false);
  }

  private static PumpDuty duty(double rest, double least, double most) {
    PumpSystem held = PUMP.against(PipePressure.metres(PUMP, 3));
    return new PumpDuty(held, held.staticMetres(), rest, least, most, 0.01, 30);
  }

  private static Optional<SleepDoubt> doubt(SleepWindow window, SleepDoubt.Kind kind) {
    return window.doubts().stream().filter(d -> d.kind() == kind).findFirst();
  }

  /** Feedback that stays where it is. */
  private record Still(double value) implements Process {
    @Override
    public void advance(double hertz, double demand, double seconds) {
      // Nothing it does is seen.
    }
  }

  /**
   * Over ramp, level, delay, gain, integral time and deviation: asleep before the level is passed,
   * as the window says it is, while the feedback is as far off as it was at waking.
   */
  @Test
  void asleepWhileStartingIsToldAsItIsPlayed() {
    Random random = new Random(33);
    List<String> differ = new ArrayList<>();
    int asleep = 0;
    int looked = 0;
    for (int i = 0; i < STARTS; i++) {
      double maximum = 40 + random.nextInt(25);
      OutputRamp ramp = new OutputRamp(maximum, 50, random.nextInt(40), 20);
      double level = Math.rint(random.nextDouble() * maximum);
      double deviation = 0.05 + 2 * random.nextDouble();
      LoopSettings loop =
          loop(0.2 + 8 * random.nextDouble(), 0.5 + 30 * random.nextDouble(), 0, ramp);
      SleepSettings sleep = sleep(level, 1 + random.nextInt(30), deviation);
      SleepWindow window = new SleepWindow(loop, sleep, duty(0.01, 1, 2), 0);
      if (Math.abs(window.passesSeconds() - sleep.delaySeconds()) < 0.05 || level == 0) {
        continue;
      }
      looked++;
      LoopPlayed played =
          LoopPlay.of(
              loop,
              sleep,
              Feedback.IDEAL,
              new Still(3 - deviation),
              List.of(LoopEvent.of(0, Kind.START)),
              sleep.delaySeconds() + 1,
              1);
      boolean slept = played.first(LoopState.ASLEEP).isPresent();
      boolean told = doubt(window, SleepDoubt.Kind.STARTING).isPresent();
      asleep += slept ? 1 : 0;
      if (slept != told) {
        differ.add("%s, told %s, played %s".formatted(window, told, played.notes()));
      }
    }
    assertThat(differ).isEmpty();
    assertThat(looked).isGreaterThan(STARTS * 9 / 10);
    assertThat(asleep).isBetween(looked / 5, looked * 4 / 5);
  }

  private static SleepSettings with(SleepSettings sleep, Cure cure, double value) {
    return switch (cure.setting()) {
      case LEVEL -> sleep.level(value);
      case DELAY -> sleep.delay(value);
      case DEVIATION -> sleep.wakesAt(value);
      default -> sleep;
    };
  }

  private static LoopSettings with(LoopSettings loop, Cure cure, double value) {
    return switch (cure.setting()) {
      case RAMP -> loop(loop.gain(), loop.integralSeconds(), 0, loop.ramp().upIn(value));
      case GAIN -> loop(value, loop.integralSeconds(), 0, loop.ramp());
      default -> loop;
    };
  }

  /** Each cure cures alone, and not before its limit: both tried in the play. */
  @Test
  void eachCureIsTheSmallestChangeThatCures() {
    Random random = new Random(34);
    List<String> differ = new ArrayList<>();
    int tried = 0;
    for (int i = 0; i < STARTS / 5; i++) {
      OutputRamp ramp = new OutputRamp(50, 50, 1 + random.nextInt(40), 20);
      LoopSettings loop =
          loop(0.5 + 8 * random.nextDouble(), 2 + 30 * random.nextDouble(), 0, ramp);
      SleepSettings sleep =
          sleep(36 + random.nextInt(5), 2 + random.nextInt(20), 0.2 + 2 * random.nextDouble());
      SleepWindow window = new SleepWindow(loop, sleep, duty(0.01, 4, 5), 0);
      Optional<SleepDoubt> starting = doubt(window, SleepDoubt.Kind.STARTING);
      if (starting.isEmpty()) {
        continue;
      }
      for (Cure cure : starting.get().cures()) {
        double step = 0.02 * cure.limit() * (cure.isUnder() ? -1 : 1);
        tried++;
        boolean cured =
            sleeps(with(loop, cure, cure.limit() + step), with(sleep, cure, cure.limit() + step));
        boolean still =
            sleeps(with(loop, cure, cure.limit() - step), with(sleep, cure, cure.limit() - step));
        // A level may be limited by what holds the pump at work instead.
        boolean isByWork = cure.setting() == Setting.LEVEL && window.highHertz() < 36;
        if (cured || (!still && !isByWork)) {
          differ.add("%s of %s: cured %s, still %s".formatted(cure, window, !cured, still));
        }
      }
    }
    assertThat(differ).isEmpty();
    assertThat(tried).isGreaterThan(STARTS / 10);
  }

  private static boolean sleeps(LoopSettings loop, SleepSettings sleep) {
    return LoopPlay.of(
            loop,
            sleep,
            Feedback.IDEAL,
            new Still(3 - sleep.wakeDeviation()),
            List.of(LoopEvent.of(0, Kind.START)),
            sleep.delaySeconds() + 1,
            1)
        .first(LoopState.ASLEEP)
        .isPresent();
  }

  /**
   * A closed pipe over its demands: within the window it works at the least that is drawn and
   * sleeps at the leak, outside it does not; as the loop played on the pump says.
   */
  @Test
  void levelsWithinTheWindowSleepAtRestAndStayAwakeAtWork() {
    Random random = new Random(35);
    List<String> differ = new ArrayList<>();
    int inside = 0;
    int looked = 0;
    for (int i = 0; i < PIPES; i++) {
      double rest = 0.05 + 0.1 * random.nextDouble();
      double least = 2 + 3 * random.nextDouble();
      OutputRamp ramp = new OutputRamp(50, 50, 0, 0);
      double minimum = random.nextInt(3) * 18;
      LoopSettings loop = loop(2, 60, minimum, ramp);
      PumpDuty duty = duty(rest, least, 6);
      SleepWindow any = new SleepWindow(loop, sleep(1, 20, 0.4), duty, 0);
      double level =
          any.lowHertz() - 1 + (duty.workingHertz() - any.lowHertz() + 2) * random.nextDouble();
      SleepWindow window = new SleepWindow(loop, sleep(level, 20, 0.4), duty, 0);
      if (Math.abs(level - window.lowHertz()) < 0.1
          || Math.abs(level - duty.workingHertz()) < 0.1) {
        continue;
      }
      looked++;
      LoopPlayed played = emptied(window);
      double first = played.first(LoopState.ASLEEP).orElse(Double.POSITIVE_INFINITY);
      boolean worked = first > AT_WORK;
      boolean slept = first < Double.POSITIVE_INFINITY;
      boolean never = doubt(window, SleepDoubt.Kind.NEVER).isPresent();
      boolean atWork = doubt(window, SleepDoubt.Kind.AT_WORK).isPresent();
      inside += !never && !atWork ? 1 : 0;
      if (worked == atWork || (worked && slept == never)) {
        differ.add("%s: slept %s, worked %s".formatted(window, slept, worked));
      }
    }
    assertThat(differ).isEmpty();
    assertThat(inside).isGreaterThan(looked / 10);
    assertThat(looked - inside).isGreaterThan(looked / 10);
  }

  /** At the least that is drawn for a while, then less and less until only the leak is left. */
  private static LoopPlayed emptied(SleepWindow window) {
    PumpDuty duty = window.duty();
    List<LoopEvent> events = new ArrayList<>(atWork(duty.leastFlow()));
    for (int i = 0; i <= 100; i++) {
      double less = duty.leastFlow() + (duty.restFlow() - duty.leastFlow()) * i / 100;
      events.add(new LoopEvent(AT_WORK + 10 * i, Kind.DEMAND, less));
    }
    return LoopPlay.of(
        window.loop(),
        window.sleep(),
        Feedback.IDEAL,
        new PipePressure(PUMP, 10, 3, 3),
        events,
        AT_WORK + 2000,
        1);
  }

  /** Taken over by the loop where it is held already. */
  private static List<LoopEvent> atWork(double demand) {
    double hertz = PUMP.against(PipePressure.metres(PUMP, 3)).hertz(demand);
    return List.of(
        LoopEvent.of(0, Kind.START),
        new LoopEvent(0, Kind.DEMAND, demand),
        new LoopEvent(0, Kind.HAND, hertz),
        LoopEvent.of(0.02, Kind.AUTO));
  }

  /** Handbook, section 9: 60 Hz in 30 s, 40 Hz for 15 s; armed after the level it is no fault. */
  @Test
  void theHandbooksPumpAndItsCures() {
    LoopSettings loop =
        new LoopSettings(
            new ProcessRange(0, 2.5, "m"),
            1.8,
            true,
            20,
            60,
            0,
            0,
            new OutputRamp(60, 60, 30, 30),
            false);
    PumpDuty duty =
        new PumpDuty(new PumpSystem(new PumpCurve(60, 20, 0.02), 4, 0.01), 5, 0.1, 15, 18, 2, 60);
    SleepWindow window = new SleepWindow(loop, sleep(40, 15, 0.3), duty, 0);
    SleepDoubt starting = doubt(window, SleepDoubt.Kind.STARTING).orElseThrow();
    assertThat(starting.seen())
        .isEqualTo("15 s after it wakes it is asleep again; 40 Hz would be passed after 20 s");
    assertThat(starting.cures())
        .contains(new Cure(Setting.DELAY, false, 20), new Cure(Setting.RAMP, true, 22.5));
    assertThat(window.passesSeconds()).isCloseTo(20, within(1e-12));
    SleepSettings armed = new SleepSettings(40, 15, Arming.AFTER_LEVEL, 0.3, 1, 0, 0);
    assertThat(doubt(new SleepWindow(loop, armed, duty, 0), SleepDoubt.Kind.STARTING)).isEmpty();
    assertThat(new SleepWindow(loop, SleepSettings.NEVER, duty, 0).doubts()).isEmpty();
  }

  @Test
  void aLevelOverTheMaximumAndADemandTooHighAreTold() {
    LoopSettings loop = loop(2, 5, 20, new OutputRamp(50, 50, 5, 5));
    SleepWindow over = new SleepWindow(loop, sleep(55, 20, 0.4), duty(0.05, 2, 20), 0);
    assertThat(over.doubts())
        .extracting(SleepDoubt::kind)
        .containsExactly(SleepDoubt.Kind.CANNOT_HOLD, SleepDoubt.Kind.OVER_MAXIMUM);
    assertThat(over.doubts().get(0).seen()).startsWith("20 m³/h at 32.59 m need");
  }

  /** 4 l in the store, 0.5 m³/h leak: 29 s, and 0.42 bar for half a minute; played too. */
  @Test
  void aStoreTooSmallForItsLeakHunts() {
    LoopSettings loop = loop(20, 60, 0, new OutputRamp(50, 50, 0, 0));
    SleepWindow window = new SleepWindow(loop, sleep(38, 20, 0.4), duty(0.5, 3, 5), 0);
    SleepDoubt hunts = doubt(window, SleepDoubt.Kind.HUNTS).orElseThrow();
    assertThat(hunts.cures()).hasSize(1);
    assertThat(hunts.cures().get(0).limit()).isCloseTo(30 * 0.5 / 3600 / 0.01, within(1e-9));
    LoopPlayed played =
        LoopPlay.of(
            loop,
            window.sleep(),
            Feedback.IDEAL,
            new PipePressure(PUMP, 10, 3, 3),
            atWork(0.5),
            1200,
            0.1);
    double first = played.first(LoopState.ASLEEP).orElseThrow();
    double woke =
        played.notes().stream()
            .filter(n -> n.state() == LoopState.RUNNING && n.seconds() > first)
            .mapToDouble(LoopPlayed.Note::seconds)
            .findFirst()
            .orElseThrow();
    // The ramp down still feeds a little, the wake delay adds its second.
    assertThat(woke - first).isBetween(25.0, 40.0);
    assertThat(played.times(LoopState.ASLEEP)).isGreaterThan(5);
  }

  /** Before it sleeps it fills the store by the boost. */
  @Test
  void theBoostFillsTheStoreBeforeItSleeps() {
    LoopSettings loop = loop(20, 60, 0, new OutputRamp(50, 50, 0, 0));
    SleepSettings boosted = new SleepSettings(38, 20, Arming.FROM_START, 0.4, 1, 0.3, 60);
    LoopPlayed played =
        LoopPlay.of(
            loop, boosted, Feedback.IDEAL, new PipePressure(PUMP, 10, 3, 3), atWork(0.2), 300, 0.1);
    double asleep = played.first(LoopState.ASLEEP).orElseThrow();
    assertThat(played.first(LoopState.BOOSTING).orElseThrow()).isLessThan(asleep);
    double stored = played.samples().get((int) Math.round(asleep * 10)).value();
    assertThat(stored).isCloseTo(3.3, within(0.05));
  }

  @Test
  void whatIsNoSleepIsRefused() {
    assertThatThrownBy(() -> sleep(40, 0, 0.3))
        .hasMessageContaining("sleep delay: must be over 0 s");
    assertThatThrownBy(() -> sleep(40, 5, 0)).hasMessageContaining("at 0 it wakes at once");
    assertThatThrownBy(() -> sleep(-1, 5, 1)).hasMessageContaining("not -1.0 Hz");
    assertThatThrownBy(() -> duty(1, 0.5, 2)).hasMessageContaining("must rise from 0 on");
  }
}

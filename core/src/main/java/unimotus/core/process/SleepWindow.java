package unimotus.core.process;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import unimotus.core.process.SleepDoubt.Cure;
import unimotus.core.process.SleepDoubt.Kind;
import unimotus.core.process.SleepDoubt.Setting;
import unimotus.core.quantity.QuantityFormat;

/**
 * The sleep levels that work over all that a pump has to cope with, and what is wrong with the one
 * that is set: over what holds the set-point at rest and over the least output, under what holds it
 * at work and under what is passed in time at the start.
 *
 * @param duty null where nothing is known of the pump: only what follows from the settings is told
 * @param lagSeconds from waking to the beginning of the ramp, 0 or more
 */
public record SleepWindow(
    LoopSettings loop, SleepSettings sleep, @Nullable PumpDuty duty, double lagSeconds) {
  /** Checks the numbers. */
  public SleepWindow {
    if (!(lagSeconds >= 0) || Double.isInfinite(lagSeconds)) {
      throw new IllegalArgumentException("sleep: the lag must be 0 s or more, not " + lagSeconds);
    }
  }

  /** Levels over this one sleep where nothing is drawn. */
  public double lowHertz() {
    return duty == null ? loop.minimumHertz() : Math.max(duty.restingHertz(), loop.minimumHertz());
  }

  /** Levels up to this one stay awake at the least that is drawn and while starting. */
  public double highHertz() {
    double maximum = loop.ramp().maximumHertz();
    double working = duty == null ? maximum : Math.min(duty.workingHertz(), maximum);
    OptionalDouble start = highestAtStart();
    return start.isPresent() ? Math.min(working, start.getAsDouble()) : working;
  }

  /** Whether any level works. */
  public boolean isOpen() {
    return highHertz() > lowHertz();
  }

  /** The highest level that is passed in time; empty where nothing is counted before. */
  private OptionalDouble highestAtStart() {
    if (sleep.arming() == SleepSettings.Arming.AFTER_LEVEL) {
      return OptionalDouble.empty();
    }
    double maximum = loop.ramp().maximumHertz();
    double left = sleep.delaySeconds() - lagSeconds;
    if (left <= 0) {
      return OptionalDouble.of(0);
    }
    double ramp = loop.ramp().toMaximumSeconds();
    double ramped = ramp == 0 ? maximum : maximum * left / ramp;
    return OptionalDouble.of(Math.min(maximum, Math.min(ramped, askedAfter(left))));
  }

  /** What the loop asks for some time after waking, the feedback still as far off. */
  private double askedAfter(double seconds) {
    return loop.ramp().maximumHertz()
        * loop.gain()
        * wakeShare()
        * (1 + seconds / loop.integralSeconds());
  }

  private double wakeShare() {
    return sleep.wakeDeviation() / loop.range().span();
  }

  /** When the level is passed after waking, counted from then on; infinite where it never is. */
  public double passesSeconds() {
    double maximum = loop.ramp().maximumHertz();
    if (sleep.levelHertz() > maximum) {
      return Double.POSITIVE_INFINITY;
    }
    double ramped = loop.ramp().toMaximumSeconds() * sleep.levelHertz() / maximum;
    double first = maximum * loop.gain() * wakeShare();
    double missing = sleep.levelHertz() / first - 1;
    double asked = missing > 0 ? loop.integralSeconds() * missing : 0;
    return lagSeconds + Math.max(ramped, asked);
  }

  /** All that is wrong with what is set; empty where nothing is, or where it never is to sleep. */
  public List<SleepDoubt> doubts() {
    List<SleepDoubt> doubts = new ArrayList<>();
    if (duty != null) {
      cannotHold(duty).ifPresent(doubts::add);
    }
    if (!sleep.sleeps()) {
      return doubts;
    }
    if (sleep.levelHertz() > loop.ramp().maximumHertz()) {
      doubts.add(
          new SleepDoubt(
              Kind.OVER_MAXIMUM,
              "the level of %s Hz is over the maximum of %s Hz: it always goes to sleep"
                  .formatted(number(sleep.levelHertz()), number(loop.ramp().maximumHertz())),
              level()));
      return doubts;
    }
    starting().ifPresent(doubts::add);
    never().ifPresent(doubts::add);
    if (duty != null) {
      atWork(duty).ifPresent(doubts::add);
      hunts(duty).ifPresent(doubts::add);
    }
    neverWakes().ifPresent(doubts::add);
    return doubts;
  }

  private Optional<SleepDoubt> neverWakes() {
    double most = loop.mostDeviation();
    return sleep.wakeDeviation() < most
        ? Optional.empty()
        : Optional.of(
            new SleepDoubt(
                Kind.NO_WAKING,
                "it wakes %s %s off the set-point; the feedback can be off by %s at most"
                    .formatted(number(sleep.wakeDeviation()), loop.range().unit(), number(most)),
                most > 0 ? List.of(new Cure(Setting.DEVIATION, true, most)) : List.of()));
  }

  private Optional<SleepDoubt> cannotHold(PumpDuty known) {
    double maximum = loop.ramp().maximumHertz();
    return known.fullHertz() <= maximum
        ? Optional.empty()
        : Optional.of(
            new SleepDoubt(
                Kind.CANNOT_HOLD,
                "%s m³/h at %s m need %s Hz, the maximum is %s Hz"
                    .formatted(
                        number(known.mostFlow()),
                        number(known.mostStaticMetres()),
                        number(known.fullHertz()),
                        number(maximum)),
                List.of()));
  }

  private Optional<SleepDoubt> starting() {
    OptionalDouble highest = highestAtStart();
    if (highest.isEmpty() || passesSeconds() < sleep.delaySeconds()) {
      return Optional.empty();
    }
    List<Cure> cures = new ArrayList<>(List.of(new Cure(Setting.DELAY, false, passesSeconds())));
    double left = sleep.delaySeconds() - lagSeconds;
    if (left > 0) {
      boolean asksInTime = askedAfter(left) > sleep.levelHertz();
      double ramp = left * loop.ramp().baseHertz() / sleep.levelHertz();
      boolean rampsInTime = ramp > loop.ramp().upSeconds();
      if (asksInTime) {
        cures.add(new Cure(Setting.RAMP, true, ramp));
      }
      if (rampsInTime) {
        double times = sleep.levelHertz() / askedAfter(left);
        cures.add(new Cure(Setting.GAIN, false, loop.gain() * times));
        double deviation = sleep.wakeDeviation() * times;
        if (deviation < loop.mostDeviation()) {
          cures.add(new Cure(Setting.DEVIATION, false, deviation));
        }
      }
    }
    cures.addAll(level());
    return Optional.of(
        new SleepDoubt(
            Kind.STARTING,
            "%s s after it wakes it is asleep again; %s Hz would be passed after %s s"
                .formatted(
                    number(sleep.delaySeconds()),
                    number(sleep.levelHertz()),
                    number(passesSeconds())),
            cures));
  }

  private Optional<SleepDoubt> never() {
    if (sleep.levelHertz() > lowHertz()) {
      return Optional.empty();
    }
    double resting = duty == null ? 0 : duty.restingHertz();
    boolean byMinimum = loop.minimumHertz() >= resting;
    List<Cure> cures = new ArrayList<>(level());
    if (byMinimum && sleep.levelHertz() > resting) {
      cures.add(new Cure(Setting.MINIMUM, true, sleep.levelHertz()));
    }
    return Optional.of(
        new SleepDoubt(
            Kind.NEVER,
            "with nothing drawn it settles at %s Hz%s, not below the level of %s Hz"
                .formatted(
                    number(lowHertz()),
                    byMinimum ? ", its least output" : "",
                    number(sleep.levelHertz())),
            cures));
  }

  private Optional<SleepDoubt> atWork(PumpDuty known) {
    if (sleep.levelHertz() <= known.workingHertz()) {
      return Optional.empty();
    }
    return Optional.of(
        new SleepDoubt(
            Kind.AT_WORK,
            "%s m³/h are held at %s Hz, below the level of %s Hz"
                .formatted(
                    number(known.leastFlow()),
                    number(known.workingHertz()),
                    number(sleep.levelHertz())),
            level()));
  }

  private Optional<SleepDoubt> hunts(PumpDuty known) {
    double rest = known.restSeconds(sleep.wakeDeviation());
    if (rest >= known.restSeconds()) {
      return Optional.empty();
    }
    double needed = sleep.wakeDeviation() * known.restSeconds() / rest;
    boolean isInRange = needed < loop.mostDeviation();
    return Optional.of(
        new SleepDoubt(
            Kind.HUNTS,
            "a leak of %s m³/h wakes it after %s s, it is to rest for %s s"
                .formatted(number(known.restFlow()), number(rest), number(known.restSeconds())),
            isInRange ? List.of(new Cure(Setting.DEVIATION, false, needed)) : List.of()));
  }

  /** The nearest level within the window, where it is open; a change of nothing else is needed. */
  private List<Cure> level() {
    if (!isOpen()) {
      return List.of();
    }
    return sleep.levelHertz() >= highHertz()
        ? List.of(new Cure(Setting.LEVEL, true, highHertz()))
        : List.of(new Cure(Setting.LEVEL, false, lowHertz()));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(Math.rint(value * 100) / 100);
  }
}

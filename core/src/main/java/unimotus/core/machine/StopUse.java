package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How a stop is used and what is at stake: what the performance level and the safety distance are
 * worked out from.
 *
 * @param rhythm how often it is demanded
 * @param risk what is at stake
 * @param commonCause names of the measures taken against common cause failures
 * @param b10dCycles B10d of devices that differs from their sheet, by device id
 * @param approach how a person comes near
 * @param tests how it is tested between demands, and how often it is proved
 * @param exclusions faults that are taken for impossible, with the reason
 */
@RecordBuilder
public record StopUse(
    Rhythm rhythm,
    Risk risk,
    List<String> commonCause,
    Map<String, Double> b10dCycles,
    StopApproach approach,
    Tests tests,
    List<FaultExclusion> exclusions)
    implements StopUseBuilder.With {

  /**
   * How often a stop is demanded.
   *
   * @param demandsPerHour demands in an hour of work
   * @param hoursPerDay hours of work a day
   * @param daysPerYear days of work a year
   */
  public record Rhythm(double demandsPerHour, double hoursPerDay, double daysPerYear) {

    /** Checks the numbers. */
    public Rhythm {
      positive("demands per hour", demandsPerHour);
      within("hours per day", hoursPerDay, 24);
      within("days per year", daysPerYear, 366);
    }
  }

  /**
   * What is at stake (ISO 13849-1, annex A).
   *
   * @param severeInjury whether an irreversible injury or death is possible (S2), else S1
   * @param frequentExposure whether people are in danger often or for long (F2), else F1
   * @param hardlyAvoidable whether the danger can hardly be avoided (P2), else P1
   */
  public record Risk(boolean severeInjury, boolean frequentExposure, boolean hardlyAvoidable) {}

  /**
   * How a stop is tested.
   *
   * @param perHour tests in an hour that something else than a demand makes, by itself; 0 for none
   * @param coverage share of the dangerous failures they find, 0 to below 1
   * @param months months between two proofs of the stop
   */
  public record Tests(double perHour, double coverage, int months) {

    /** Checks the numbers. */
    public Tests {
      if (!(perHour >= 0 && perHour < Double.POSITIVE_INFINITY)) {
        throw new IllegalArgumentException(
            "stop: tests per hour must not be negative, but are " + perHour);
      }
      if (!(coverage >= 0 && coverage < 1)) {
        throw new IllegalArgumentException(
            "stop: what tests find is a share from 0 to below 1, not " + coverage);
      }
      if (months < 1) {
        throw new IllegalArgumentException(
            "stop: it must be proved again after 1 month or more, not " + months);
      }
    }
  }

  /** One shift with a demand an hour, a severe but rare and avoidable danger, proof every year. */
  public static final StopUse USUAL =
      new StopUse(
          new Rhythm(1, 8, 220),
          new Risk(true, false, false),
          List.of(),
          Map.of(),
          StopApproach.NONE,
          new Tests(0, 0, 12),
          List.of());

  /** Checks the numbers and freezes the collections. */
  public StopUse {
    commonCause = commonCause.stream().sorted().distinct().toList();
    b10dCycles = Collections.unmodifiableMap(new TreeMap<>(b10dCycles));
    b10dCycles.forEach((device, cycles) -> positive("B10d of " + device, cycles));
    exclusions = List.copyOf(exclusions);
  }

  private static void positive(String what, double value) {
    if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException("stop: %s must be over 0, not %s".formatted(what, value));
    }
  }

  private static void within(String what, double value, double most) {
    positive(what, value);
    if (value > most) {
      throw new IllegalArgumentException(
          "stop: %s cannot be over %s, but is %s".formatted(what, most, value));
    }
  }

  /** Why a fault of an element is taken for impossible; empty where it is not. */
  public Optional<String> exclusion(String element, String kind) {
    return exclusions.stream()
        .filter(e -> e.element().equals(element) && e.kind().equals(kind))
        .map(e -> "%s (%s)".formatted(e.reason(), e.by()))
        .findFirst();
  }

  /** This use with another rhythm of work. */
  public StopUse withRhythm(double perHour, double hours, double days) {
    return withRhythm(new Rhythm(perHour, hours, days));
  }

  /** This use with another risk. */
  public StopUse withRisk(boolean severe, boolean frequent, boolean hardly) {
    return withRisk(new Risk(severe, frequent, hardly));
  }

  /** This use with a B10d of one device in the place of its sheet's. */
  public StopUse withB10d(String device, double cycles) {
    Map<String, Double> next = new TreeMap<>(b10dCycles);
    next.put(device, cycles);
    return withB10dCycles(next);
  }

  /** This use tested otherwise. */
  public StopUse withTests(double perHour, double coverage) {
    return withTests(new Tests(perHour, coverage, tests.months()));
  }

  /** This use with another time between proofs. */
  public StopUse withTestMonths(int months) {
    return withTests(new Tests(tests.perHour(), tests.coverage(), months));
  }

  /** This use with one more exclusion, in the place of an earlier one of the same fault. */
  public StopUse withExclusion(FaultExclusion exclusion) {
    List<FaultExclusion> next =
        new ArrayList<>(withoutExclusion(exclusion.element(), exclusion.kind()).exclusions());
    next.add(exclusion);
    return withExclusions(next);
  }

  /** This use without the exclusion of a fault. */
  public StopUse withoutExclusion(String element, String kind) {
    List<FaultExclusion> next =
        exclusions.stream()
            .filter(e -> !(e.element().equals(element) && e.kind().equals(kind)))
            .toList();
    return withExclusions(next);
  }
}

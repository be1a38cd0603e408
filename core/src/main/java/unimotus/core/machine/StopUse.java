package unimotus.core.machine;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * How a stop is used and what is at stake: what the performance level and the safety distance are
 * worked out from.
 *
 * @param demandsPerHour how often it is demanded in an hour of work
 * @param hoursPerDay hours of work a day
 * @param daysPerYear days of work a year
 * @param severeInjury whether an irreversible injury or death is possible (S2), else S1
 * @param frequentExposure whether people are in danger often or for long (F2), else F1
 * @param hardlyAvoidable whether the danger can hardly be avoided (P2), else P1
 * @param commonCause names of the measures taken against common cause failures
 * @param b10dCycles B10d of devices that differs from their sheet, by device id
 * @param resolutionMillimetres detection capability of a light curtain; 0 for other triggers
 * @param distanceMillimetres distance from where the demand is made to the danger; 0 for not known
 * @param testMonths months between two proofs of the stop
 */
public record StopUse(
    double demandsPerHour,
    double hoursPerDay,
    double daysPerYear,
    boolean severeInjury,
    boolean frequentExposure,
    boolean hardlyAvoidable,
    List<String> commonCause,
    Map<String, Double> b10dCycles,
    double resolutionMillimetres,
    double distanceMillimetres,
    int testMonths) {
  /** One shift with a demand an hour, a severe but rare and avoidable danger, proof every year. */
  public static final StopUse USUAL =
      new StopUse(1, 8, 220, true, false, false, List.of(), Map.of(), 0, 0, 12);

  /** Checks the numbers and freezes the collections. */
  public StopUse {
    positive("demands per hour", demandsPerHour);
    within("hours per day", hoursPerDay, 24);
    within("days per year", daysPerYear, 366);
    commonCause = commonCause.stream().sorted().distinct().toList();
    b10dCycles = Collections.unmodifiableMap(new TreeMap<>(b10dCycles));
    b10dCycles.forEach((device, cycles) -> positive("B10d of " + device, cycles));
    if (!(resolutionMillimetres >= 0 && distanceMillimetres >= 0)) {
      throw new IllegalArgumentException(
          "stop: resolution and distance must not be negative, but are %s and %s mm"
              .formatted(resolutionMillimetres, distanceMillimetres));
    }
    if (testMonths < 1) {
      throw new IllegalArgumentException(
          "stop: it must be proved again after 1 month or more, not " + testMonths);
    }
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

  /** This use with another rhythm of work. */
  public StopUse withRhythm(double perHour, double hours, double days) {
    return new StopUse(
        perHour,
        hours,
        days,
        severeInjury,
        frequentExposure,
        hardlyAvoidable,
        commonCause,
        b10dCycles,
        resolutionMillimetres,
        distanceMillimetres,
        testMonths);
  }

  /** This use with another risk. */
  public StopUse withRisk(boolean severe, boolean frequent, boolean hardly) {
    return new StopUse(
        demandsPerHour,
        hoursPerDay,
        daysPerYear,
        severe,
        frequent,
        hardly,
        commonCause,
        b10dCycles,
        resolutionMillimetres,
        distanceMillimetres,
        testMonths);
  }

  /** This use with other measures against common cause failures. */
  public StopUse withCommonCause(List<String> measures) {
    return new StopUse(
        demandsPerHour,
        hoursPerDay,
        daysPerYear,
        severeInjury,
        frequentExposure,
        hardlyAvoidable,
        measures,
        b10dCycles,
        resolutionMillimetres,
        distanceMillimetres,
        testMonths);
  }

  /** This use with a B10d of one device in the place of its sheet's. */
  public StopUse withB10d(String device, double cycles) {
    Map<String, Double> next = new TreeMap<>(b10dCycles);
    next.put(device, cycles);
    return new StopUse(
        demandsPerHour,
        hoursPerDay,
        daysPerYear,
        severeInjury,
        frequentExposure,
        hardlyAvoidable,
        commonCause,
        next,
        resolutionMillimetres,
        distanceMillimetres,
        testMonths);
  }

  /** This use with another place of the demand. */
  public StopUse withDistance(double resolution, double distance) {
    return new StopUse(
        demandsPerHour,
        hoursPerDay,
        daysPerYear,
        severeInjury,
        frequentExposure,
        hardlyAvoidable,
        commonCause,
        b10dCycles,
        resolution,
        distance,
        testMonths);
  }

  /** This use with another time between proofs. */
  public StopUse withTestMonths(int months) {
    return new StopUse(
        demandsPerHour,
        hoursPerDay,
        daysPerYear,
        severeInjury,
        frequentExposure,
        hardlyAvoidable,
        commonCause,
        b10dCycles,
        resolutionMillimetres,
        distanceMillimetres,
        months);
  }
}

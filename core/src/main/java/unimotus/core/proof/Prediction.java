package unimotus.core.proof;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;

/**
 * What should be measured, where and how.
 *
 * @param key stable key within the axis, such as {@code ref50.frequency}
 * @param group what the predictions of one test share, such as {@code Reference 50 %}
 * @param title what is measured
 * @param expectation what should be seen
 * @param station the station of the path, null where it is not one
 * @param number the program's number it is measured at; not-a-number where it is not
 * @param where the place to measure
 * @param instrument what to measure with
 * @param how what to do first
 * @param dependsOn the parts of the design whose change makes a reading of it stale
 * @param simple how the value came about where it is not a station of the path, or what changes it
 *     after the path
 */
public record Prediction(
    String key,
    String group,
    String title,
    Expectation expectation,
    @Nullable Station station,
    double number,
    String where,
    String instrument,
    String how,
    Set<Part> dependsOn,
    Derivation simple,
    @Nullable Chain chain) {

  /** A prediction of the axis itself, or of its main chain. */
  public Prediction(
      String key,
      String group,
      String title,
      Expectation expectation,
      @Nullable Station station,
      double number,
      String where,
      String instrument,
      String how,
      Set<Part> dependsOn,
      Derivation simple) {
    this(
        key,
        group,
        title,
        expectation,
        station,
        number,
        where,
        instrument,
        how,
        dependsOn,
        simple,
        null);
  }

  /** Takes a copy of the parts. */
  public Prediction {
    dependsOn = Set.copyOf(dependsOn);
  }

  /**
   * How the predicted value came about; unfolded when asked for, since most sums are never looked
   * at.
   *
   * @param main the main path of the axis the prediction was made from
   */
  public Derivation sum(SignalPath main) {
    if (station == null) {
      return simple;
    }
    SignalPath path = chain == null ? main : chain.path();
    Derivation sum = path.state(number).derivation(station);
    for (Step step : simple.steps()) {
      sum = sum.then(step);
    }
    return sum;
  }
}

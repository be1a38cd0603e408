package unimotus.core.way.position;

import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Tolerances;
import unimotus.core.quantity.MeasureUnit;

/** What is seen of an axis that is told positions, beside the positions. */
public final class SeenRows {
  /** Key of how the axis runs. */
  public static final String RUNNING = Predictor.LINK_STATE + "running";

  /** Key of the time all moves take once. */
  public static final String ROUND = Predictor.LINK_STATE + "round";

  private SeenRows() {}

  /**
   * Something that is seen and heard.
   *
   * @param choices what can be seen, the expected one first
   */
  public static Prediction word(
      String key, String group, String title, List<String> choices, String how, Set<Part> parts) {
    return new Prediction(
        key,
        group,
        title,
        new Expectation.Word(choices.get(0), choices),
        null,
        Double.NaN,
        "axis",
        "eyes and ears",
        how,
        parts,
        Derivation.NONE);
  }

  /**
   * Something that is measured.
   *
   * @param where where, and with what
   */
  public static Prediction amount(
      String key,
      String group,
      String title,
      Expectation.Amount amount,
      Where where,
      String how,
      Set<Part> parts,
      Step sum) {
    return new Prediction(
        key,
        group,
        title,
        amount,
        null,
        Double.NaN,
        where.place(),
        where.instrument(),
        how,
        parts,
        Derivation.of(sum));
  }

  /**
   * Where something is measured.
   *
   * @param place where
   * @param instrument with what
   */
  public record Where(String place, String instrument) {}

  /** The time of all moves once. */
  public static Prediction round(double seconds, Set<Part> parts) {
    return amount(
        ROUND,
        "Moves",
        "time for all moves once",
        new Expectation.Amount(seconds, Tolerances.time(seconds), MeasureUnit.SECOND_UNIT),
        new Where("axis", "watch"),
        "Run the moves again and again, standing times included, and time one round.",
        parts,
        new Step(
            "time",
            "sum of the moves and standing times",
            "see Moves",
            seconds,
            MeasureUnit.SECOND_UNIT,
            "kinematics"));
  }
}

package unimotus.core.way.pulse;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.way.position.SeenRows;

/** What is to be seen of an axis on pulses beside its positions. */
final class PulseRows {
  /** Key of what the shaft does while the driver is powered. */
  static final String HELD = Predictor.LINK_STATE + "held";

  /** Key of how the axis runs. */
  static final String RUNNING = SeenRows.RUNNING;

  /** Key of the rate of the pulses at constant speed. */
  static final String RATE = Predictor.LINK_STATE + "rate";

  /** Key of where it stands after all moves. */
  static final String RETURNS = Predictor.LINK_STATE + "returns";

  /** Key of the time all moves take once. */
  static final String ROUND = SeenRows.ROUND;

  static final String IS_HELD = "held";
  static final String TURNS_FREELY = "turns freely";
  static final String SMOOTH = "smooth";
  static final String SHAKES = "shakes to and fro";
  static final String HUMS = "hums and stands";
  static final String STANDS = "stands silent";
  static final String SAME_PLACE = "same place";
  static final String OTHER_PLACE = "other place";

  /** For so many times this a frequency counter has settled: half a second. */
  private static final double STEADY = 10;

  private static final double RATE_SHARE = 0.01;

  private final PulseLink link;
  private final List<Prediction> rows = new ArrayList<>();

  private PulseRows(PulseLink link) {
    this.link = link;
  }

  /** Before anything moves. */
  static List<Prediction> atRest(AxisAssembly axis) {
    List<Prediction> all = new ArrayList<>(InputRows.of(axis));
    all.add(
        SeenRows.word(
            HELD,
            "Driver",
            "shaft while the driver is powered and no pulse comes",
            List.of(IS_HELD, TURNS_FREELY),
            "Driver powered, enabled as wired. Try to turn the shaft by hand, motor uncoupled.",
            EnumSet.of(Part.DRIVE, Part.MOTOR, Part.WIRES)));
    return all;
  }

  /** In motion: how it runs, the rate, whether it comes back, time. */
  static List<Prediction> inMotion(PulseLink link) {
    PulseRows all = new PulseRows(link);
    all.rows.add(
        SeenRows.word(
            RUNNING,
            "Moves",
            "how the axis runs",
            List.of(SMOOTH, SHAKES, HUMS, STANDS),
            "Jog both ways, slowly, hand on the emergency stop; then run the moves.",
            EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES, Part.DRIVE, Part.MOTOR)));
    all.rate();
    all.rows.add(
        SeenRows.word(
            RETURNS,
            "Moves",
            "where it stands after ten rounds, against a mark",
            List.of(SAME_PLACE, OTHER_PLACE),
            "Mark where it stands at home, run the moves ten times, move to 0.",
            EnumSet.of(Part.DRIVE, Part.MOTOR, Part.WIRES, Part.MECHANICS)));
    link.moves()
        .round()
        .ifPresent(s -> all.rows.add(SeenRows.round(s, EnumSet.of(Part.PROGRAM, Part.CONTROLLER))));
    return all.rows;
  }

  private void rate() {
    link.moves()
        .steadySpeed(STEADY)
        .ifPresent(
            speed -> {
              double perUnit = link.axis().scale().pulsesPerUnit().doubleValue();
              double hertz = speed * perUnit;
              rows.add(
                  SeenRows.amount(
                      RATE,
                      "Moves",
                      "rate of the pulses at constant speed",
                      new Expectation.Amount(hertz, RATE_SHARE * hertz, MeasureUnit.HERTZ_UNIT),
                      new SeenRows.Where(link.output().output().terminal(), "frequency counter"),
                      "Run the moves and read the rate while the speed is constant.",
                      EnumSet.of(Part.PROGRAM, Part.CONTROLLER),
                      new Step(
                          "rate",
                          "v · pulses for one unit",
                          "%s · %s".formatted(number(speed), number(perUnit)),
                          hertz,
                          MeasureUnit.HERTZ_UNIT,
                          "kinematics")));
            });
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

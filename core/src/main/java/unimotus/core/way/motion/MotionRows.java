package unimotus.core.way.motion;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.derivation.Step;
import unimotus.core.motion.ServoAxis;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Part;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.servo.LoopGains;
import unimotus.core.way.position.ProvedMoves;
import unimotus.core.way.position.SeenRows;

/** What is to be seen of a servo axis beside its positions. */
final class MotionRows {
  /** Key of the counts for a turn of the shaft by hand. */
  static final String TURN = Predictor.LINK_STATE + "turn";

  /** Key of what the brake does when the drive is enabled. */
  static final String BRAKE = Predictor.LINK_STATE + "brake";

  /** Key of what the brake does when the torque is taken away. */
  static final String HOLD = Predictor.LINK_STATE + "hold";

  /** Key of how the axis runs. */
  static final String RUNNING = SeenRows.RUNNING;

  /** Key of the following error at constant speed. */
  static final String FOLLOWING = Predictor.LINK_STATE + "following";

  /** Key of the time all moves take once. */
  static final String ROUND = SeenRows.ROUND;

  static final String OPENS = "opens";
  static final String STAYS_CLOSED = "stays closed";
  static final String HOLDS = "holds";
  static final String SINKS = "axis sinks";
  static final String SMOOTH = "smooth";
  static final String ROUGH = "in steps";
  static final String RUNS_AWAY = "runs away";
  static final String STANDS = "stands";

  /** A turn by hand, against a mark on the housing (common practice). */
  private static final double HAND_SHARE = 0.03;

  /** Friction and load move the following error (common practice). */
  private static final double FOLLOWING_SHARE = 0.1;

  private static final Set<Part> OF_DRIVE = EnumSet.of(Part.DRIVE, Part.MOTOR);

  private final ServoAxis axis;
  private final PositionPlace place;
  private final ProvedMoves moves;
  private final List<Prediction> rows = new ArrayList<>();

  private MotionRows(ServoAxis axis, PositionPlace place, ProvedMoves moves) {
    this.axis = axis;
    this.place = place;
    this.moves = moves;
  }

  /** Before anything moves by itself: encoder by hand, brake. */
  static List<Prediction> atRest(ServoAxis axis, PositionPlace place, ProvedMoves moves) {
    MotionRows all = new MotionRows(axis, place, moves);
    if (axis.brake().isPresent()) {
      all.brake();
    } else {
      place.actual().ifPresent(all::turn);
    }
    return all.rows;
  }

  /** In motion: how it runs, following error, time. */
  static List<Prediction> inMotion(ServoAxis axis, PositionPlace place, ProvedMoves moves) {
    MotionRows all = new MotionRows(axis, place, moves);
    all.running();
    place.following().ifPresent(all::following);
    moves.round().ifPresent(s -> all.rows.add(SeenRows.round(s, EnumSet.of(Part.PROGRAM))));
    return all.rows;
  }

  /** The shaft of a motor whose brake is closed cannot be turned. */
  private void turn(String where) {
    double counts = axis.machine().countsPerTurn().doubleValue();
    amount(
        TURN,
        "Encoder",
        "counts for one turn of the shaft by hand, forward",
        new Expectation.Amount(counts, HAND_SHARE * counts, MeasureUnit.COUNTS),
        where,
        "Safe torque off open, motor uncoupled. Note the actual position, turn the shaft once the way that is forward, subtract.",
        OF_DRIVE,
        new Step(
            "counts a turn",
            "",
            "encoder of the plate",
            counts,
            MeasureUnit.COUNTS,
            "motor plate"));
  }

  private void brake() {
    word(
        BRAKE,
        "Brake",
        "holding brake when the drive is enabled",
        List.of(OPENS, STAYS_CLOSED),
        "Enable at standstill, nobody in the reach of the axis. Listen, and read the voltage at the brake.",
        EnumSet.of(Part.DRIVE, Part.MOTOR, Part.WIRES));
    word(
        HOLD,
        "Brake",
        "axis when the drive is disabled again",
        List.of(HOLDS, SINKS),
        "A block under the load. Disable, and watch a mark on the axis for a minute.",
        EnumSet.of(Part.DRIVE, Part.MOTOR, Part.MECHANICS));
  }

  private void running() {
    word(
        RUNNING,
        "Moves",
        "how the axis runs in a slow jog",
        List.of(SMOOTH, ROUGH, RUNS_AWAY, STANDS),
        "Jog slowly, hand on the emergency stop. Listen, and look at the actual velocity.",
        EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.DRIVE, Part.MOTOR));
  }

  private void following(String where) {
    LoopGains gains = axis.design().gains();
    if (gains == null || gains.feedForward() == 1) {
      return;
    }
    moves
        .steadySpeed(gains.position())
        .ifPresent(
            speed -> {
              double counts = axis.machine().countsPerUnit().doubleValue();
              double error = gains.followingError(speed) * counts;
              amount(
                  FOLLOWING,
                  "Moves",
                  "following error at constant speed",
                  new Expectation.Amount(
                      error,
                      Math.max(1, FOLLOWING_SHARE * speed / gains.position() * counts),
                      MeasureUnit.COUNTS),
                  where,
                  "Run the moves and read it on the trace while the speed is constant.",
                  EnumSet.of(Part.DRIVE, Part.PROGRAM),
                  new Step(
                      "following error",
                      "v·(1 − feed-forward) / Kv · counts for one unit",
                      "%s · %s / %s · %s"
                          .formatted(
                              number(speed),
                              number(1 - gains.feedForward()),
                              number(gains.position()),
                              number(counts)),
                      error,
                      MeasureUnit.COUNTS,
                      "position loop with a gain (control theory)"));
            });
  }

  private void word(
      String key, String group, String title, List<String> choices, String how, Set<Part> parts) {
    rows.add(SeenRows.word(key, group, title, choices, how, parts));
  }

  private void amount(
      String key,
      String group,
      String title,
      Expectation.Amount amount,
      String where,
      String how,
      Set<Part> parts,
      Step sum) {
    rows.add(
        SeenRows.amount(
            key,
            group,
            title,
            amount,
            new SeenRows.Where(where, "controller or this program"),
            how,
            parts,
            sum));
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

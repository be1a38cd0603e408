package unimotus.core.way.motion;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.way.position.Counted;
import unimotus.core.way.position.Ratios;
import unimotus.core.way.position.TurnsStage;

/** Positions sent to a servo drive as they would be under each cause. */
final class MotionCauses {
  /** Bits of the encoders that are common (common practice). */
  private static final int[] BITS = {12, 13, 16, 17, 18, 19, 20, 21, 22, 23, 24, 26};

  private static final double EDGES = 4;
  private static final double MINUTE = 60;

  private final MotionLink link;
  private final Clues clues;
  private final SignalPath path;
  private final AxisScaling copy;
  private final double countsPerTurn;

  MotionCauses(MotionLink link, Clues clues) {
    this.link = link;
    this.clues = clues;
    this.path = clues.path();
    this.copy = link.program().copy();
    this.countsPerTurn = link.axis().machine().countsPerTurn().doubleValue();
  }

  List<Variant> variants(MotionCause cause) {
    return switch (cause) {
      case PROGRAM_ENCODER -> inProgram(encoders());
      case PROGRAM_GEAR -> inProgram(gears());
      case PROGRAM_FEED -> programFeed();
      case PROGRAM_DIRECTION -> List.of(program("", -1, false));
      case DRIVE_ENCODER -> inDrive(encoders());
      case DRIVE_UNITS -> inDrive(ofDrive());
      case DRIVE_DIRECTION -> List.of(drive("", -1));
      case ENCODER_REVERSED -> List.of(runsAway("", Map.of(MotionRows.TURN, -countsPerTurn)));
      case PHASE_ORDER -> List.of(runsAway("", Map.of()));
      case POSITION_SHIFTED ->
          Stream.of("ready", "not permitted", "fault").map(this::faulted).toList();
      case ENABLE_BIT -> List.of(faulted("ready"));
      case BRAKE_CLOSED -> brakeClosed();
      case BRAKE_SLIPS -> told(Map.of(MotionRows.HOLD, MotionRows.SINKS));
      case INTERPOLATION_TIME -> told(Map.of(MotionRows.RUNNING, MotionRows.ROUGH));
      case FOLLOWING_GAIN -> following();
      case SPEED_UNIT -> speedUnit();
    };
  }

  /** Counts a turn of other encoders, as a ratio to this one's. */
  private Ratios encoders() {
    Ratios ratios = new Ratios();
    for (int bits : BITS) {
      ratios.with(Math.pow(2, bits) / countsPerTurn, bits + " bits");
    }
    return ratios.with(EDGES, "edges for lines").with(1 / EDGES, "lines for edges");
  }

  private Ratios gears() {
    double gear = copy.gear().doubleValue();
    return new Ratios()
        .with(1 / gear, "gear left out")
        .with(1 / (gear * gear), "gear inverted")
        .with(gear, "gear counted twice");
  }

  private List<Variant> programFeed() {
    double feed = copy.feedPerTurn().doubleValue();
    List<Variant> all = new ArrayList<>(inProgram(Ratios.ofFeed(feed, "feed")));
    Ratios.read(clues.ratio(Station.COUNTS)).stream()
        .mapToObj(r -> program("counts times " + number(r), r, true))
        .forEach(all::add);
    return all;
  }

  /** Gear and feed of the drive, as a ratio of its counts a turn to the encoder's. */
  private Ratios ofDrive() {
    double gear = copy.gear().doubleValue();
    double feed = copy.feedPerTurn().doubleValue();
    return new Ratios()
        .with(gear, "its gear divides the target")
        .with(1 / gear, "its gear multiplies the target")
        .with(feed, "its feed divides the target")
        .with(1 / feed, "its feed multiplies the target");
  }

  private List<Variant> inProgram(Ratios ratios) {
    return ratios.variants((ratio, words) -> program(words, ratio, false));
  }

  private Variant program(String text, double factor, boolean fitted) {
    SignalPath faulty = path.with(link.with(link.program().with(factor)));
    return fitted ? Variant.fitted(text, faulty) : Variant.of(text, faulty);
  }

  private List<Variant> inDrive(Ratios ratios) {
    return ratios.variants((ratio, words) -> drive(words, ratio));
  }

  /** The drive takes so many times the counts for a turn, and shows as many. */
  private Variant drive(String text, double ratio) {
    TurnsStage faulty = new TurnsStage(Counted.COUNTS, ratio * countsPerTurn, true);
    return new Variant(
        text,
        path.with(link.with(faulty)),
        false,
        Map.of(),
        Map.of(),
        Map.of(MotionRows.TURN, ratio * countsPerTurn));
  }

  private Variant runsAway(String text, Map<String, Double> amounts) {
    Map<String, String> words = new HashMap<>(link.standing());
    words.put(Predictor.RUN_STATUS, "fault");
    words.put(MotionRows.RUNNING, MotionRows.RUNS_AWAY);
    if (link.axis().brake().isPresent()) {
      words.put(MotionRows.BRAKE, MotionRows.OPENS);
    }
    return new Variant(text, path.with(link.still()), false, words, Map.of(), amounts);
  }

  private Variant faulted(String status) {
    Map<String, String> words = new HashMap<>(link.standing());
    words.put(Predictor.RUN_STATUS, status);
    return new Variant("", path.with(link.still()), false, words, Map.of());
  }

  private List<Variant> brakeClosed() {
    if (link.axis().brake().isEmpty()) {
      return List.of();
    }
    return Stream.of("fault", "running").map(this::faulted).toList();
  }

  private List<Variant> told(Map<String, String> words) {
    boolean isBrake = words.containsKey(MotionRows.HOLD);
    return isBrake && link.axis().brake().isEmpty()
        ? List.of()
        : List.of(new Variant("", path, false, words, Map.of()));
  }

  private List<Variant> following() {
    return clues.ratios(List.of(MotionRows.FOLLOWING)).entrySet().stream()
        .map(
            e ->
                new Variant(
                    "following error times " + number(e.getValue()),
                    path,
                    true,
                    Map.of(),
                    Map.of(e.getKey(), e.getValue())))
        .toList();
  }

  private List<Variant> speedUnit() {
    List<Variant> all = new ArrayList<>();
    for (double factor : new double[] {MINUTE, 1 / MINUTE}) {
      roundAt(factor)
          .ifPresent(
              seconds ->
                  all.add(
                      new Variant(
                          "speeds times " + number(factor),
                          path,
                          false,
                          Map.of(),
                          Map.of(MotionRows.FOLLOWING, factor),
                          Map.of(MotionRows.ROUND, seconds))));
    }
    return all;
  }

  private OptionalDouble roundAt(double factor) {
    return link.moves().faster(factor).round();
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

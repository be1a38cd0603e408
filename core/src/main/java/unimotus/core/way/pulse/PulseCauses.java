package unimotus.core.way.pulse;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.machine.MotionDesign;
import unimotus.core.move.MoveStep;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.way.position.ProvedMoves;
import unimotus.core.way.position.Ratios;

/** Positions sent as pulses as they would be under each cause. */
final class PulseCauses {
  private static final double[] NEAT = {2, 4, 5, 8, 10, 16, 20};
  private static final double[] BASES = {10, 100};
  private static final double MINUTE = 60;

  /** Ratios this close are one. */
  private static final double SAME = 1e-9;

  /** A ratio read from the pulses that is one but for rounding. */
  private static final double ROUNDING = 1e-4;

  private final PulseLink link;
  private final Clues clues;
  private final SignalPath path;

  PulseCauses(PulseLink link, Clues clues) {
    this.link = link;
    this.clues = clues;
    this.path = clues.path();
  }

  List<Variant> variants(PulseCause cause) {
    return switch (cause) {
      case SWITCHES -> switches();
      case PROGRAM_STEPS -> inProgram(neat());
      case PROGRAM_UNIT -> programUnit();
      case DIRECTION -> List.of(turning("", -1, false, Map.of()));
      case OPEN_PHASE -> List.of(stands(Map.of(PulseRows.RUNNING, PulseRows.SHAKES)));
      case PULL_IN -> List.of(stands(Map.of(PulseRows.RUNNING, PulseRows.HUMS)));
      case NO_STEPS -> List.of(stands(Map.of(PulseRows.RUNNING, PulseRows.STANDS)));
      case DISABLED ->
          List.of(
              stands(
                  Map.of(
                      PulseRows.RUNNING,
                      PulseRows.STANDS,
                      PulseRows.HELD,
                      PulseRows.TURNS_FREELY)));
      case STALLS ->
          List.of(
              new Variant(
                  "", path, false, Map.of(PulseRows.RETURNS, PulseRows.OTHER_PLACE), Map.of()));
      case PULSES_LOST -> lost();
      case TIMER_BASE -> timerBase();
      case SPEED_UNIT -> speedUnit();
    };
  }

  /** Each position the switches can stand in. */
  private List<Variant> switches() {
    double set = link.drive().countsPerTurn();
    double ofTable = (double) link.axis().plate().stepsPerTurn() / link.axis().driver().fullSteps();
    return link.axis().driver().microsteps().values().stream()
        .map(v -> v * ofTable)
        .filter(v -> Math.abs(v / set - 1) > SAME)
        .map(v -> turning("they stand at %s a turn".formatted(number(v)), set / v, false, Map.of()))
        .toList();
  }

  private static Ratios neat() {
    Ratios ratios = new Ratios().with(0.5, "half of them");
    for (double ratio : NEAT) {
      ratios.with(ratio, "%s times as many".formatted(number(ratio)));
      ratios.with(1 / ratio, "a %sth of them".formatted(number(ratio)));
    }
    return ratios;
  }

  private List<Variant> programUnit() {
    double feed = link.program().copy().feedPerTurn().doubleValue();
    List<Variant> all = new ArrayList<>(inProgram(Ratios.ofFeed(feed, "lead")));
    Ratios.read(clues.ratio(Station.COUNTS)).stream()
        .mapToObj(r -> program("pulses times " + number(r), r, true))
        .forEach(all::add);
    return all;
  }

  private List<Variant> inProgram(Ratios ratios) {
    return ratios.variants((ratio, words) -> program(words, ratio, false));
  }

  private Variant program(String text, double factor, boolean fitted) {
    SignalPath faulty = path.with(link.with(link.program().with(factor)));
    return fitted ? Variant.fitted(text, faulty) : Variant.of(text, faulty);
  }

  /** The shaft makes so many times the turns. */
  private Variant turning(String text, double times, boolean fitted, Map<String, String> words) {
    double perTurn = link.drive().countsPerTurn() / times;
    return new Variant(
        text, path.with(link.with(link.drive().with(perTurn))), fitted, words, Map.of());
  }

  private Variant stands(Map<String, String> words) {
    Map<String, String> all = new HashMap<>(link.standing());
    all.putAll(words);
    return new Variant("", path.with(link.still()), false, all, Map.of());
  }

  /** Short by a share that only the readings tell. */
  private List<Variant> lost() {
    Map<String, String> words = Map.of(PulseRows.RETURNS, PulseRows.OTHER_PLACE);
    return Stream.of(Station.SHAFT, Station.MACHINE)
        .flatMapToDouble(station -> clues.sharpestRatio(station).stream())
        .filter(r -> r > 0 && r < 1 - ROUNDING)
        .mapToObj(r -> turning("%s of them count".formatted(number(r)), r, true, words))
        .toList();
  }

  private List<Variant> timerBase() {
    List<Variant> all = new ArrayList<>();
    for (double base : BASES) {
      for (double factor : new double[] {base, 1 / base}) {
        round(standing(factor), PulseRows.ROUND)
            .ifPresent(
                amounts ->
                    all.add(
                        new Variant(
                            "standing times times " + number(factor),
                            path,
                            false,
                            Map.of(),
                            Map.of(),
                            amounts)));
      }
    }
    return all;
  }

  /** The same moves with other standing times. */
  private ProvedMoves standing(double factor) {
    MotionDesign design = link.axis().design();
    List<MoveStep> steps =
        design.moves().steps().stream()
            .map(
                s ->
                    s instanceof MoveStep.Dwell dwell
                        ? (MoveStep) new MoveStep.Dwell(dwell.seconds() * factor)
                        : s)
            .toList();
    return new ProvedMoves(
        link.axis().with(design.with().moves(design.moves().withSteps(steps)).build()),
        link.program().copy());
  }

  private Optional<Map<String, Double>> round(ProvedMoves moves, String key) {
    OptionalDouble seconds = moves.round();
    OptionalDouble meant = link.moves().round();
    boolean differs =
        seconds.isPresent()
            && meant.isPresent()
            && Math.abs(seconds.getAsDouble() / meant.getAsDouble() - 1) > ROUNDING;
    return differs ? Optional.of(Map.of(key, seconds.getAsDouble())) : Optional.empty();
  }

  private List<Variant> speedUnit() {
    List<Variant> all = new ArrayList<>();
    for (double factor : new double[] {MINUTE, 1 / MINUTE}) {
      round(link.moves().faster(factor), PulseRows.ROUND)
          .ifPresent(
              amounts ->
                  all.add(
                      new Variant(
                          "speeds times " + number(factor),
                          path,
                          false,
                          Map.of(),
                          Map.of(PulseRows.RATE, factor),
                          amounts)));
    }
    return all;
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

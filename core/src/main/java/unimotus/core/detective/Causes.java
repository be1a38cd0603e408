package unimotus.core.detective;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.MotorLink;
import unimotus.core.path.ProgramScale;
import unimotus.core.path.ReferenceLink;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Station;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.QuantityFormat;

/** The path as it would be under each cause; those of the link stand in classes of their own. */
final class Causes {
  private static final double[] USUAL_FLOORS = {5, 10, 15, 20, 25, 30};
  private static final double[] NEAT_RATIOS = {0.1, 0.25, 0.5, 0.8, 1.25, 2, 4, 5, 10};
  private static final double[] DECIMALS = {0.01, 0.1, 10, 100};

  private final SignalPath path;
  private final ReferenceLink link;
  private final Clues clues;

  Causes(SignalPath path, List<Clue> clues) {
    this.path = path;
    this.link = path.link();
    this.clues = new Clues(path, clues);
  }

  /** All that can be wrong here: what any axis has, then what its way of command has. */
  List<Cause> all() {
    List<Cause> all = new ArrayList<>(List.of(AxisCause.values()));
    if (link instanceof SuspectLink suspect) {
      all.addAll(suspect.causes());
    }
    return all;
  }

  /** The variants of a cause on this path; empty where it cannot occur here. */
  List<Variant> variants(Cause cause) {
    return cause instanceof AxisCause shared ? variants(shared) : ofTheLink(cause);
  }

  private List<Variant> ofTheLink(Cause cause) {
    return link instanceof SuspectLink suspect ? suspect.variants(cause, clues) : List.of();
  }

  private List<Variant> variants(AxisCause cause) {
    return switch (cause) {
      case AS_DESIGNED -> List.of(Variant.of("", path));
      case IMPLIED_DECIMALS ->
          link.isProportional() && link.isProgrammed() && path.has(Station.PERCENT)
              ? each(DECIMALS, f -> Variant.of("× " + text(f), path.with(decimals(f))))
              : List.of();
      case MAXIMUM_CLAMP -> ofSpeed(this::maximumClamp);
      case MINIMUM_FLOOR -> ofSpeed(this::minimumFloor);
      case OTHER_SOURCE -> ofSpeed(this::otherSource);
      case NOT_RUNNING ->
          isRunByWire()
              ? List.of(idle(Map.of(Predictor.RUN_VOLTS, clues.shareOfRunVolts())))
              : List.of();
      case RUN_IGNORED -> isRunByWire() ? List.of(idle(Map.of())) : List.of();
      case NOT_PERMITTED ->
          ofStatus(
              () ->
                  standing(
                      Map.of(
                          Predictor.RUN_STATUS,
                          "not permitted",
                          Predictor.CLOSED_STATUS,
                          "not permitted"),
                      "not permitted",
                      clues.openChannels()));
      case DRIVE_FAULT ->
          List.of(
              standing(
                  Map.of(Predictor.RUN_STATUS, "fault", Predictor.CLOSED_STATUS, "fault"),
                  "fault",
                  Map.of()));
      case RUN_AT_REST ->
          ofStatus(() -> Variant.told("", path, Map.of(Predictor.CLOSED_STATUS, "running")));
      case PERMISSION_BRIDGED ->
          link.showsStatus()
              ? Stream.of("ready", "running")
                  .map(s -> Variant.told("", path, Map.of(Predictor.OPEN_STATUS, s)))
                  .toList()
              : List.of();
      case POLES -> ofMotor(() -> path.motor().misread());
      case SIGN -> ofMotor(() -> Map.of("", path.motor().turned()));
      case GEAR -> path.has(Station.GEAR) ? gear() : List.of();
      case SLIP -> ofMotor(() -> path.motor().sagging());
      case RAMP_TIME -> rampTime();
      case LOAD_OTHERWISE -> load();
      case OUTPUT_OTHERWISE -> OutputCauses.variants(path, clues);
      case NOT_EXPLAINED -> List.of();
      case DRIVE_SPAN -> ofTheLink(cause);
    };
  }

  /** What shows in the drive's status can be told only where it shows one. */
  private List<Variant> ofStatus(Supplier<Variant> variant) {
    return link.showsStatus() ? List.of(variant.get()) : List.of();
  }

  /** What is off by a frequency can be so only where one is commanded. */
  private List<Variant> ofSpeed(Function<SpeedLink, List<Variant>> variants) {
    return path.speed().map(variants).orElse(List.of());
  }

  private boolean isRunByWire() {
    return !(link instanceof SuspectLink suspect) || suspect.isRunByWire();
  }

  private Variant idle(Map<String, Double> volts) {
    return standing(Map.of(Predictor.RUN_STATUS, "ready"), "ready", volts);
  }

  /** The drive stands; rows of the stops that were seen in the same state go with it. */
  private Variant standing(Map<String, String> words, String state, Map<String, Double> scaled) {
    Map<String, String> all = new HashMap<>(clues.ofStopsIn(state));
    if (link instanceof SuspectLink suspect) {
      all.putAll(suspect.standing());
    }
    all.putAll(words);
    return new Variant("", path.with(link.still()), false, all, scaled);
  }

  private ProgramScale decimals(double factor) {
    ProgramScale s = path.scale();
    return new ProgramScale(
        s.atZero() / factor, s.atFull() / factor, s.numberUnit(), s.leastPercent(), s.commander());
  }

  private List<Variant> maximumClamp(SpeedLink speed) {
    double least = speed.limits().minimumHertz();
    double top = speed.frequencyAtFullHertz() - 0.5;
    Stream<Variant> usual =
        FrequencyLimits.usualHertz()
            .filter(limit -> limit < top)
            .mapToObj(limit -> Variant.of(at(limit), path.with(speed.limited(least, limit))));
    Stream<Variant> seen =
        clues
            .mostHertz()
            .filter(limit -> limit > 0.5 && limit < top)
            .mapToObj(limit -> Variant.fitted(at(limit), path.with(speed.limited(least, limit))));
    return Stream.concat(usual, seen).toList();
  }

  private List<Variant> minimumFloor(SpeedLink speed) {
    FrequencyLimits now = speed.limits();
    double most = now.maximumHertz();
    Stream<Variant> usual =
        Arrays.stream(USUAL_FLOORS)
            .filter(floor -> floor > now.minimumHertz() + 0.5 && floor < most)
            .mapToObj(floor -> Variant.of(at(floor), path.with(speed.limited(floor, most))));
    Stream<Variant> seen =
        clues
            .leastHertz()
            .filter(floor -> floor > now.minimumHertz() + 0.5 && floor < most)
            .mapToObj(floor -> Variant.fitted(at(floor), path.with(speed.limited(floor, most))));
    return Stream.concat(usual, seen).toList();
  }

  private static String at(double hertz) {
    return "at %s Hz".formatted(text(hertz));
  }

  private List<Variant> otherSource(SpeedLink speed) {
    return Clues.median(clues.hertz()).stream()
        .filter(hertz -> hertz >= 0.5)
        .mapToObj(
            hertz ->
                Variant.fitted(
                    "stays at %s Hz".formatted(text(hertz)), path.with(speed.standingAt(hertz))))
        .toList();
  }

  /** Where the drive closes a loop over the motor, poles and slip make no difference. */
  private List<Variant> ofMotor(Supplier<Map<String, MotorLink>> others) {
    if (!path.hasMotor()) {
      return List.of();
    }
    return others.get().entrySet().stream()
        .map(o -> Variant.of(o.getKey(), path.with(o.getValue())))
        .toList();
  }

  private List<Variant> gear() {
    double designed = path.mechanics().gear().ratio();
    OptionalDouble seen = clues.ratio(Station.MACHINE);
    return Stream.concat(
            Arrays.stream(NEAT_RATIOS)
                .mapToObj(
                    f ->
                        Variant.of(
                            "machine × " + text(f),
                            path.with(path.mechanics().withRatio(designed / f)))),
            seen.stream()
                .mapToObj(
                    f ->
                        Variant.fitted(
                            "machine × " + text(f),
                            path.with(path.mechanics().withRatio(designed / f)))))
        .toList();
  }

  /** Each ramp by itself, and both by one ratio. */
  private List<Variant> rampTime() {
    Map<String, Double> ratios = clues.ratios(Predictor.RAMP_KEYS);
    List<Variant> variants = new ArrayList<>();
    ratios.forEach((key, r) -> variants.add(times(Map.of(key, r))));
    Clues.median(ratios.values().stream().mapToDouble(r -> r))
        .ifPresent(
            r -> {
              Map<String, Double> both = new HashMap<>();
              Predictor.RAMP_KEYS.forEach(k -> both.put(k, r));
              variants.add(times(both));
            });
    return variants;
  }

  private List<Variant> load() {
    return clues.ratios(List.of(Predictor.COAST)).entrySet().stream()
        .map(e -> times(Map.of(e.getKey(), e.getValue())))
        .toList();
  }

  private Variant times(Map<String, Double> scaled) {
    return Variant.timed(
        "%s times as long".formatted(text(scaled.values().iterator().next())), path, scaled);
  }

  private static List<Variant> each(double[] values, DoubleFunction<Variant> variant) {
    return Arrays.stream(values).mapToObj(variant).toList();
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

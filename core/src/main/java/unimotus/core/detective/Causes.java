package unimotus.core.detective;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import unimotus.core.analog.SignalRange;
import unimotus.core.path.DriveReference;
import unimotus.core.path.GearStage;
import unimotus.core.path.MotorPoles;
import unimotus.core.path.OutputModule;
import unimotus.core.path.ProgramCounts;
import unimotus.core.path.ProgramScale;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SlipStage;
import unimotus.core.path.Station;
import unimotus.core.quantity.QuantityFormat;

/** The path as it would be under each cause. */
final class Causes {
  /** Nominal full scales found on controllers (common practice). */
  private static final int[] FULL_SCALES = {27648, 32767, 32000, 16383, 10000, 4095, 1000};

  private static final double[] USUAL_HERTZ = {40, 45, 50, 60, 87, 100, 120};
  private static final double[] USUAL_FLOORS = {5, 10, 15, 20, 25, 30};
  private static final double[] NEAT_RATIOS = {0.1, 0.25, 0.5, 0.8, 1.25, 2, 4, 5, 10};
  private static final double[] SLIP_FACTORS = {2, 3, 4};
  private static final double[] DEAD_BANDS = {5, 10, 20, 30};
  private static final double[] DECIMALS = {0.01, 0.1, 10, 100};

  private final SignalPath path;
  private final List<Clue> clues;

  Causes(SignalPath path, List<Clue> clues) {
    this.path = path;
    this.clues = clues;
  }

  /** The variants of a cause on this path; empty where it cannot occur here. */
  List<Variant> variants(Cause cause) {
    return switch (cause) {
      case AS_DESIGNED -> List.of(Variant.of("", path));
      case DRIVE_DEAD_ZERO -> driveDeadZero();
      case CONTROLLER_DEAD_ZERO -> controllerDeadZero();
      case RAW_FULL_SCALE -> rawFullScale();
      case IMPLIED_DECIMALS ->
          each(DECIMALS, f -> Variant.of("× " + text(f), path.with(decimals(f))));
      case DRIVE_SPAN -> driveSpan();
      case MAXIMUM_CLAMP -> maximumClamp();
      case MINIMUM_FLOOR -> minimumFloor();
      case INPUT_INVERTED -> List.of(Variant.of("", path.with(path.input().turnedRound())));
      case INPUT_KIND -> inputKind();
      case HALF_RANGE -> halfRange();
      case DEAD_BAND ->
          each(
              DEAD_BANDS, b -> Variant.of(text(b) + " %", path.with(path.input().withDeadBand(b))));
      case JOINT -> joint();
      case OFFSET -> offset();
      case OTHER_SOURCE -> otherSource();
      case NOT_RUNNING -> List.of(Variant.of("", path.with(fixed(0))));
      case POLES -> poles();
      case SIGN ->
          List.of(
              Variant.of(
                  "",
                  path.with(
                      new MotorPoles(
                          path.poles().poles(),
                          -path.poles().direction(),
                          path.poles().maximumHertz()))));
      case GEAR -> gear();
      case SLIP ->
          each(
              SLIP_FACTORS,
              f -> Variant.of("%s times the slip".formatted(text(f)), path.with(slip(f))));
      case NOT_EXPLAINED -> List.of();
    };
  }

  private List<Variant> driveDeadZero() {
    SignalRange range = path.input().range();
    if (!range.hasLiveZero()) {
      return List.of();
    }
    SignalRange dead = deadZero(range);
    return List.of(Variant.of("reads " + dead.label(), path.with(path.input().withRange(dead))));
  }

  private List<Variant> controllerDeadZero() {
    SignalRange range = path.module().range();
    if (!range.hasLiveZero()) {
      return List.of();
    }
    OutputModule module = path.module();
    return List.of(
        Variant.of(
            "sends " + deadZero(range).label(),
            path.with(
                new OutputModule(
                    module.point(),
                    deadZero(range),
                    module.fullScaleCounts(),
                    module.converterBits()))));
  }

  private static SignalRange deadZero(SignalRange range) {
    return range.isCurrent() ? SignalRange.MA_0_20 : SignalRange.V_0_10;
  }

  private List<Variant> rawFullScale() {
    List<Variant> variants = new ArrayList<>();
    for (int other : FULL_SCALES) {
      if (other != path.counts().fullScaleCounts()) {
        variants.add(
            Variant.of(
                "program writes %s, module takes %s"
                    .formatted(text(other), text(path.module().fullScaleCounts())),
                path.with(new ProgramCounts(other, path.counts().leastPercent()))));
      }
      if (other != path.module().fullScaleCounts()) {
        OutputModule m = path.module();
        variants.add(
            Variant.of(
                "program writes %s, module takes %s"
                    .formatted(text(path.counts().fullScaleCounts()), text(other)),
                path.with(new OutputModule(m.point(), m.range(), other, m.converterBits()))));
      }
    }
    return variants;
  }

  private ProgramScale decimals(double factor) {
    ProgramScale s = path.scale();
    return new ProgramScale(
        s.speedAtZero() / factor, s.speedAtFull() / factor, s.speedUnit(), s.leastPercent());
  }

  private List<Variant> driveSpan() {
    DriveReference r = path.reference();
    List<Variant> variants = new ArrayList<>();
    for (double top : USUAL_HERTZ) {
      if (Math.abs(top - r.frequencyAtHighHertz()) > 0.5 && top > r.frequencyAtLowHertz()) {
        variants.add(
            Variant.of("%s Hz at full signal".formatted(text(top)), path.with(span(r, top))));
      }
    }
    fitRatio(Station.FREQUENCY)
        .ifPresent(
            f -> {
              double top = r.frequencyAtHighHertz() * f;
              if (top > r.frequencyAtLowHertz()) {
                variants.add(
                    Variant.fitted(
                        "%s Hz at full signal".formatted(text(top)), path.with(span(r, top))));
              }
            });
    return variants;
  }

  private List<Variant> maximumClamp() {
    DriveReference r = path.reference();
    OptionalDouble seen = measured(Station.FREQUENCY).max();
    List<Variant> variants = new ArrayList<>();
    for (double limit : USUAL_HERTZ) {
      if (limit < r.frequencyAtHighHertz() - 0.5) {
        variants.add(
            Variant.of(
                "at %s Hz".formatted(text(limit)), path.with(limited(r, r.minimumHertz(), limit))));
      }
    }
    if (seen.isPresent()
        && seen.getAsDouble() > 0.5
        && seen.getAsDouble() < r.frequencyAtHighHertz() - 0.5) {
      variants.add(
          Variant.fitted(
              "at %s Hz".formatted(text(seen.getAsDouble())),
              path.with(limited(r, r.minimumHertz(), seen.getAsDouble()))));
    }
    return variants;
  }

  private List<Variant> minimumFloor() {
    DriveReference r = path.reference();
    OptionalDouble seen = measured(Station.FREQUENCY).min();
    List<Variant> variants = new ArrayList<>();
    for (double floor : USUAL_FLOORS) {
      if (floor > r.minimumHertz() + 0.5 && floor < r.maximumHertz()) {
        variants.add(
            Variant.of(
                "at %s Hz".formatted(text(floor)), path.with(limited(r, floor, r.maximumHertz()))));
      }
    }
    if (seen.isPresent()
        && seen.getAsDouble() > r.minimumHertz() + 0.5
        && seen.getAsDouble() < r.maximumHertz()) {
      variants.add(
          Variant.fitted(
              "at %s Hz".formatted(text(seen.getAsDouble())),
              path.with(limited(r, seen.getAsDouble(), r.maximumHertz()))));
    }
    return variants;
  }

  private List<Variant> inputKind() {
    SignalRange range = path.input().range();
    SignalRange other = range.isCurrent() ? SignalRange.V_0_10 : SignalRange.MA_0_20;
    return List.of(Variant.of("reads " + other.label(), path.with(path.input().withRange(other))));
  }

  private List<Variant> halfRange() {
    SignalRange range = path.input().range();
    if (range == SignalRange.V_0_10) {
      return List.of(
          Variant.of("reads 0-5 V", path.with(path.input().withRange(SignalRange.V_0_5))));
    }
    return range == SignalRange.V_0_5
        ? List.of(Variant.of("reads 0-10 V", path.with(path.input().withRange(SignalRange.V_0_10))))
        : List.of();
  }

  private List<Variant> joint() {
    double[] gains =
        clues.stream()
            .filter(c -> c.prediction().station() == Station.FREQUENCY && c.predictedBy(path) > 0.5)
            .mapToDouble(this::gainAt)
            .filter(g -> g > 0.05 && g < 0.99)
            .sorted()
            .toArray();
    return gains.length == 0
        ? List.of()
        : List.of(
            Variant.fitted(
                "%s arrives".formatted(percent(median(gains))),
                path.with(path.input().behind(median(gains), 0))));
  }

  /** Share of the signal that must have arrived for this display. */
  private double gainAt(Clue clue) {
    double sent = path.value(Station.SIGNAL, clue.prediction().number());
    return signalFor(clue) / sent;
  }

  private double signalFor(Clue clue) {
    return path.input().inverse(path.reference().inverse(clue.measured()));
  }

  private List<Variant> offset() {
    double[] offsets =
        clues.stream()
            .filter(c -> c.prediction().station() == Station.FREQUENCY)
            .filter(
                c ->
                    c.measured() > path.reference().minimumHertz()
                        && c.measured() < path.reference().maximumHertz())
            .mapToDouble(c -> signalFor(c) - path.value(Station.SIGNAL, c.prediction().number()))
            .sorted()
            .toArray();
    if (offsets.length == 0) {
      return List.of();
    }
    double offset = median(offsets);
    String text = "%s %s".formatted(text(offset), path.module().unit().symbol());
    return List.of(Variant.fitted(text, path.with(path.input().behind(1, offset))));
  }

  private List<Variant> otherSource() {
    double[] seen = measured(Station.FREQUENCY).sorted().toArray();
    return seen.length == 0 || median(seen) < 0.5
        ? List.of()
        : List.of(
            Variant.fitted(
                "stands at %s Hz".formatted(text(median(seen))), path.with(fixed(median(seen)))));
  }

  private List<Variant> poles() {
    int designed = path.poles().poles();
    return IntStream.of(2, 4, 6, 8)
        .filter(p -> p != designed)
        .mapToObj(
            p ->
                Variant.of(
                    "%d instead of %d".formatted(p, designed),
                    path.with(
                        new MotorPoles(p, path.poles().direction(), path.poles().maximumHertz()))))
        .toList();
  }

  private List<Variant> gear() {
    List<Variant> variants = new ArrayList<>();
    for (double ratio : NEAT_RATIOS) {
      variants.add(
          Variant.of(
              "machine × " + text(ratio), path.with(new GearStage(path.gear().ratio() / ratio))));
    }
    fitRatio(Station.MACHINE)
        .ifPresent(
            f ->
                variants.add(
                    Variant.fitted(
                        "machine × " + text(f),
                        path.with(new GearStage(path.gear().ratio() / f)))));
    return variants;
  }

  private SlipStage slip(double factor) {
    SlipStage s = path.slip();
    return new SlipStage(s.ratedSlipRpm() * factor, s.ratedTorqueNewtonMetres(), s.load(), false);
  }

  /** Median of measured over predicted at a station; empty where nothing was measured there. */
  private OptionalDouble fitRatio(Station station) {
    double[] ratios =
        clues.stream()
            .filter(c -> c.prediction().station() == station)
            .filter(c -> Math.abs(c.predictedBy(path)) > 5 * c.tolerance())
            .mapToDouble(c -> c.measured() / c.predictedBy(path))
            .filter(r -> r > 0.02 && r < 50)
            .sorted()
            .toArray();
    return ratios.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(median(ratios));
  }

  private DoubleStream measured(Station station) {
    return clues.stream()
        .filter(c -> c.prediction().station() == station)
        .mapToDouble(c -> Math.abs(c.measured()));
  }

  private static double median(double[] sorted) {
    int middle = sorted.length / 2;
    return sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
  }

  private static DriveReference span(DriveReference r, double top) {
    return new DriveReference(
        r.frequencyAtLowHertz(),
        top,
        r.minimumHertz(),
        Math.max(top, r.maximumHertz()),
        r.leastPercent(),
        r.codes());
  }

  private static DriveReference limited(DriveReference r, double least, double most) {
    return new DriveReference(
        r.frequencyAtLowHertz(),
        r.frequencyAtHighHertz(),
        least,
        most,
        r.leastPercent(),
        r.codes());
  }

  private DriveReference fixed(double hertz) {
    return new DriveReference(
        hertz, hertz, hertz, hertz, path.reference().leastPercent(), path.reference().codes());
  }

  private static List<Variant> each(
      double[] values, java.util.function.DoubleFunction<Variant> variant) {
    return Arrays.stream(values).mapToObj(variant).toList();
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  private static String percent(double ratio) {
    return String.format(Locale.ROOT, "%.1f %%", 100 * ratio);
  }
}

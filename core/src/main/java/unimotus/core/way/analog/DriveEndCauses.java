package unimotus.core.way.analog;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import unimotus.core.analog.SignalRange;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clue;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.Station;
import unimotus.core.quantity.QuantityFormat;

/** A link as it would be under each cause that lies at the drive's analog input. */
public final class DriveEndCauses {
  private static final double[] DEAD_BANDS = {5, 10, 20, 30};

  private final DriveEnd link;
  private final Clues clues;

  /** The causes on one link. */
  public DriveEndCauses(DriveEnd link, Clues clues) {
    this.link = link;
    this.clues = clues;
  }

  /** The variants of a cause at the drive's input; empty where it does not occur here. */
  public List<Variant> variants(Cause cause) {
    if (cause == AxisCause.DRIVE_SPAN) {
      return driveSpan();
    }
    return cause instanceof AnalogCause own ? variants(own) : List.of();
  }

  private List<Variant> variants(AnalogCause cause) {
    return switch (cause) {
      case DRIVE_DEAD_ZERO -> driveDeadZero();
      case DRIVE_LIVE_ZERO -> driveLiveZero();
      case INPUT_INVERTED -> List.of(variant("", link.with(link.input().turnedRound())));
      case INPUT_KIND -> inputKind();
      case HALF_RANGE -> halfRange();
      case DEAD_BAND ->
          Arrays.stream(DEAD_BANDS)
              .mapToObj(b -> variant(text(b) + " %", link.with(link.input().withDeadBand(b))))
              .toList();
      case JOINT -> joint();
      case OFFSET -> offset();
      default -> List.of();
    };
  }

  private Variant variant(String text, DriveEnd faulty) {
    return Variant.of(text, clues.path().with(faulty));
  }

  private Variant fitted(String text, DriveEnd faulty) {
    return Variant.fitted(text, clues.path().with(faulty));
  }

  private Variant reads(SignalRange range) {
    return variant("reads " + range.label(), link.with(link.input().withRange(range)));
  }

  private List<Variant> driveDeadZero() {
    SignalRange range = link.input().range();
    return range.hasLiveZero() ? List.of(reads(deadZero(range))) : List.of();
  }

  private List<Variant> driveLiveZero() {
    Optional<SignalRange> live = liveZero(link.input().range());
    return live.map(this::reads).stream().toList();
  }

  static Optional<SignalRange> liveZero(SignalRange range) {
    return switch (range) {
      case V_0_10 -> Optional.of(SignalRange.V_2_10);
      case MA_0_20 -> Optional.of(SignalRange.MA_4_20);
      default -> Optional.empty();
    };
  }

  static SignalRange deadZero(SignalRange range) {
    return range.isCurrent() ? SignalRange.MA_0_20 : SignalRange.V_0_10;
  }

  private List<Variant> driveSpan() {
    DriveReference r = link.reference();
    Stream<Variant> usual =
        FrequencyLimits.usualHertz()
            .filter(top -> Math.abs(top - r.frequencyAtHighHertz()) > 0.5)
            .filter(top -> top > r.frequencyAtLowHertz())
            .mapToObj(top -> variant(atFullSignal(top), link.with(span(r, top))));
    Stream<Variant> seen =
        clues.ratio(Station.FREQUENCY).stream()
            .map(ratio -> r.frequencyAtHighHertz() * ratio)
            .filter(top -> top > r.frequencyAtLowHertz())
            .mapToObj(top -> fitted(atFullSignal(top), link.with(span(r, top))));
    return Stream.concat(usual, seen).toList();
  }

  private static String atFullSignal(double hertz) {
    return "%s Hz at full signal".formatted(text(hertz));
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

  private List<Variant> inputKind() {
    return List.of(
        reads(link.input().range().isCurrent() ? SignalRange.V_0_10 : SignalRange.MA_0_20));
  }

  private List<Variant> halfRange() {
    return switch (link.input().range()) {
      case V_0_10 -> List.of(reads(SignalRange.V_0_5));
      case V_0_5 -> List.of(reads(SignalRange.V_0_10));
      default -> List.of();
    };
  }

  private List<Variant> joint() {
    return Clues.median(
            clues.at(Station.FREQUENCY).stream()
                .filter(c -> c.predictedBy(clues.path()) > 0.5)
                .mapToDouble(c -> arrived(c) / sent(c))
                .filter(share -> share > 0.05 && share < 0.99))
        .stream()
        .mapToObj(
            share ->
                fitted(
                    String.format(Locale.ROOT, "%.1f %% arrives", 100 * share),
                    link.with(link.input().behind(share, 0))))
        .toList();
  }

  private List<Variant> offset() {
    return Clues.median(
            clues.at(Station.FREQUENCY).stream()
                .filter(c -> c.measured() > link.reference().minimumHertz())
                .filter(c -> c.measured() < link.reference().maximumHertz())
                .mapToDouble(c -> arrived(c) - sent(c)))
        .stream()
        .mapToObj(
            offset ->
                fitted(
                    "%s %s".formatted(text(offset), link.input().sent().unit().symbol()),
                    link.with(link.input().behind(1, offset))))
        .toList();
  }

  private double sent(Clue clue) {
    return clues.path().value(Station.SIGNAL, clue.prediction().number());
  }

  /** The signal that must have arrived for this display. */
  private double arrived(Clue clue) {
    return link.input().inverse(link.reference().inverse(clue.measured()));
  }

  private static String text(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

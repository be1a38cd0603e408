package unimotus.workbench.live;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.Reading;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.Station;
import unimotus.core.profile.WordState;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.ValueRole;
import unimotus.core.way.Designs;
import unimotus.workbench.Evidence;

/**
 * Values read over the bus as readings of the proof: output frequency and shaft speed, and the
 * number in the register where the reference comes in one; where the drive runs at one of the
 * references that are predicted.
 */
public final class BusReadings {
  private static final double STEADY_HERTZ = 0.05;

  private final Evidence evidence;
  private final SpeedScale speeds;

  /** The readings of an axis. */
  public BusReadings(Evidence evidence) {
    this.evidence = evidence;
    this.speeds = SpeedScale.of(evidence.axis());
  }

  /**
   * What a sample proves.
   *
   * @param earlier a sample of about a second before: what still moves proves nothing
   * @param where where it was read, told as the instrument
   * @param by who looks
   * @throws IllegalArgumentException where it proves nothing, saying why
   */
  public List<Reading> of(Sample earlier, Sample sample, String where, String by, Clock clock) {
    if (by.isBlank()) {
      throw new IllegalArgumentException("enter your name first: it is recorded with the reading");
    }
    if (sample.state().filter(s -> s.kind() == WordState.Kind.RUNNING).isEmpty()) {
      throw new IllegalArgumentException(
          "the drive does not run (%s): there is nothing to prove"
              .formatted(sample.state().map(WordState::name).orElse("state not known")));
    }
    double commanded = hertz(sample, ValueRole.REFERENCE).orElseThrow(() -> none("reference"));
    double output =
        hertz(sample, ValueRole.OUTPUT_FREQUENCY).orElseThrow(() -> none("output frequency"));
    double before = hertz(earlier, ValueRole.OUTPUT_FREQUENCY).orElse(output);
    if (Math.abs(output - before) > STEADY_HERTZ) {
      throw new IllegalArgumentException(
          "the drive is still on its way, %s to %s Hz: wait until it is steady"
              .formatted(QuantityFormat.PLAIN.number(before), QuantityFormat.PLAIN.number(output)));
    }
    int percent = percent(commanded);
    String instrument = "fieldbus %s".formatted(where);
    List<Reading> readings = new ArrayList<>();
    OptionalDouble value = sample.value(ValueRole.REFERENCE);
    evidence
        .path()
        .link()
        .readBack(value.orElse(Double.NaN))
        .ifPresent(raw -> add(readings, percent, Station.COUNTS, raw, instrument, by, clock));
    add(readings, percent, Station.FREQUENCY, output, instrument, by, clock);
    sample
        .value(ValueRole.SHAFT_SPEED)
        .ifPresent(
            rpm ->
                add(
                    readings,
                    percent,
                    Station.SHAFT,
                    Math.abs(rpm),
                    instrument + ", the drive's own estimate",
                    by,
                    clock));
    return readings;
  }

  private static IllegalArgumentException none(String what) {
    return new IllegalArgumentException("no value of the drive has the role '%s'".formatted(what));
  }

  private OptionalDouble hertz(Sample sample, ValueRole role) {
    Optional<String> unit = sample.placed(role).map(v -> v.value().scaling().unit());
    OptionalDouble value = sample.value(role);
    return unit.filter(SpeedScale::measures).isEmpty() || value.isEmpty()
        ? OptionalDouble.empty()
        : OptionalDouble.of(Math.abs(speeds.hertz(value.getAsDouble(), unit.get())));
  }

  /** The predicted reference that is commanded. */
  private int percent(double commandedHertz) {
    StringBuilder all = new StringBuilder();
    for (int percent : Predictor.REFERENCES) {
      Optional<Expectation.Amount> expected = expected(percent, Station.FREQUENCY);
      if (expected.isPresent()
          && Math.abs(expected.get().value() - commandedHertz) <= expected.get().tolerance()) {
        return percent;
      }
      expected.ifPresent(
          e ->
              all.append(all.isEmpty() ? "" : ", ").append(QuantityFormat.PLAIN.number(e.value())));
    }
    throw new IllegalArgumentException(
        "%s Hz is commanded; predicted is what %s Hz give"
            .formatted(QuantityFormat.PLAIN.number(commandedHertz), all));
  }

  private Optional<Prediction> prediction(int percent, Station station) {
    String key = Predictor.key(percent, station);
    return evidence.predictions().stream().filter(p -> p.key().equals(key)).findFirst();
  }

  private Optional<Expectation.Amount> expected(int percent, Station station) {
    return prediction(percent, station).map(p -> (Expectation.Amount) p.expectation());
  }

  private void add(
      List<Reading> readings,
      int percent,
      Station station,
      double amount,
      String instrument,
      String by,
      Clock clock) {
    prediction(percent, station)
        .ifPresent(
            p ->
                readings.add(
                    new Reading(
                        evidence.axis().axis().id(),
                        p.key(),
                        amount,
                        null,
                        instrument,
                        clock.instant().truncatedTo(ChronoUnit.SECONDS).toString(),
                        by.strip(),
                        Designs.digest(evidence.axis()).asBasis())));
  }
}

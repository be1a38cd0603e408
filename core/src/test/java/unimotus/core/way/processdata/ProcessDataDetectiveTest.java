package unimotus.core.way.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import unimotus.core.FixtureStations;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Detective;
import unimotus.core.detective.Diagnosis;
import unimotus.core.detective.Suspicion;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.PdoEntry;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.Predictor;
import unimotus.core.way.PathFactory;
import unimotus.core.way.station.StationCause;
import unimotus.core.way.station.StationRows;

/**
 * Belts that were spoilt by code of this test, on bytes it lays itself: 1500 rpm are 50 Hz, the
 * drive holds at 50 Hz. What was done has to come first, but for a shifted image: that holds at its
 * limit, stands, or looks like exchanged bytes, and then no reading tells them apart.
 */
class ProcessDataDetectiveTest {
  private static final int[] PERCENTS = {0, 25, 50, 75, 100};
  private static final int CASES = 240;
  private static final double MOST_HERTZ = 50;

  /** A belt as it was spoilt. */
  private record Spoilt(Cause cause, EsiDevice device, int mode, List<Reading> readings) {}

  private static Reading number(int percent, Station station, double amount) {
    return new Reading(
        "belt",
        Predictor.key(percent, station),
        amount,
        null,
        "",
        "2026-01-31T14:05:00Z",
        "",
        Map.of());
  }

  private static Reading word(String key, String word) {
    return new Reading("belt", key, null, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  private static double held(double hertz) {
    return Math.max(-MOST_HERTZ, Math.min(MOST_HERTZ, hertz));
  }

  private static Diagnosis diagnosis(Spoilt spoilt) {
    AxisAssembly axis = FixtureStations.axis(spoilt.device(), FixtureStations.mode(spoilt.mode()));
    SignalPath path = PathFactory.of(axis);
    return Detective.diagnose(path, Predictor.references(axis, path), spoilt.readings());
  }

  private static List<Reading> readings(DoubleUnaryOperator hertzOfRaw, String state, String mode) {
    List<Reading> readings = new ArrayList<>();
    for (int percent : PERCENTS) {
      double raw = 15 * percent;
      readings.add(number(percent, Station.COUNTS, raw));
      readings.add(number(percent, Station.FREQUENCY, hertzOfRaw.applyAsDouble(raw)));
    }
    readings.add(word(StationRows.STATE, state));
    readings.add(word(StationRows.MODE, mode));
    return readings;
  }

  @Test
  void whatWasDoneComesFirst() {
    Random random = new Random(1803);
    List<String> wrong = new ArrayList<>();
    for (int i = 0; i < CASES; i++) {
      Spoilt spoilt = spoil(random, i);
      List<Suspicion> all = diagnosis(spoilt).suspicions();
      Suspicion first = all.get(0);
      double share =
          all.stream()
              .filter(s -> s.cause() == spoilt.cause())
              .mapToDouble(Suspicion::probability)
              .sum();
      boolean isEqual =
          spoilt.cause() == ProcessDataCause.IMAGE_SHIFTED && share > first.probability() / 5;
      if (first.cause() != spoilt.cause() && !isEqual) {
        wrong.add(
            "%d: %s %.2f, not %s %.2f"
                .formatted(i, first.cause(), first.probability(), spoilt.cause(), share));
      }
    }
    assertThat(wrong).isEmpty();
  }

  private static Spoilt spoil(Random random, int kind) {
    boolean wide = random.nextBoolean();
    int pad = 1 + random.nextInt(2);
    PdoEntry target = wide ? FixtureStations.PROFILE : FixtureStations.VELOCITY;
    EsiDevice device =
        FixtureStations.device(
            FixtureStations.RPM, FixtureStations.CONTROL, PdoEntry.padding(8 * pad), target);
    int mode = wide ? 3 : 2;
    String meant = wide ? "3 profile velocity" : "2 velocity";
    int word = wide ? 0x0F : 0x7F;
    double off = random.nextBoolean() ? 0.1 : 10;
    return switch (kind % 7) {
      case 0 ->
          new Spoilt(AxisCause.AS_DESIGNED, device, mode, readings(r -> held(r / 30), "OP", meant));
      case 1 ->
          new Spoilt(
              ProcessDataCause.IMAGE_SHIFTED,
              device,
              mode,
              readings(r -> held(shifted(word, pad, r, wide) / 30), "OP", meant));
      case 2 ->
          new Spoilt(
              ProcessDataCause.IMAGE_ORDER,
              device,
              mode,
              readings(r -> held(turned((int) r, wide) / 30.0), "OP", meant));
      case 3 ->
          new Spoilt(
              ProcessDataCause.IMAGE_SCALE,
              device,
              mode,
              readings(r -> held(off * r / 30), "OP", meant));
      case 4 ->
          new Spoilt(
              StationCause.MODE_NOT_TAKEN,
              device,
              mode,
              readings(
                  r -> 0, "OP", wide ? "8 cyclic synchronous position" : "1 profile position"));
      case 5 ->
          new Spoilt(
              StationCause.STATION_NOT_OP,
              device,
              mode,
              readings(r -> 0, random.nextBoolean() ? "SAFE-OP" : "PRE-OP", meant));
      default ->
          new Spoilt(
              StationCause.STATION_WATCHDOG,
              device,
              mode,
              readings(r -> 0, StationRows.FELL_BACK, meant));
    };
  }

  private static double turned(int raw, boolean wide) {
    return wide ? Integer.reverseBytes(raw) : Short.reverseBytes((short) raw);
  }

  /** The padding is missing in the drive: it takes the target from where the padding is. */
  private static double shifted(int word, int pad, double raw, boolean wide) {
    ByteBuffer bytes = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
    bytes.putShort(0, (short) word);
    if (wide) {
      bytes.putInt(2 + pad, (int) raw);
    } else {
      bytes.putShort(2 + pad, (short) raw);
    }
    return wide ? bytes.getInt(2) : bytes.getShort(2);
  }
}

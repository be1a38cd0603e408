package unimotus.core.stops;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.motion.ShaftLoad;

/** Speeds within the phases of a stop, by hand, and the words they are told in. */
class StopPhaseTest {
  private static final ShaftLoad DRY = new ShaftLoad(0.1, 2, 0, 0);

  private static StopPhase phase(StopPhase.Kind kind, double toRpm, Float... samples) {
    return new StopPhase(kind, 1, 3, 1500, toRpm, 20, List.of(samples));
  }

  /** Every ten milliseconds there is a sample; between two the speed is straight. */
  @ParameterizedTest
  @CsvSource({
    "0.5, 1500",
    "1.000, 1500",
    "1.005, 1450",
    "1.010, 1400",
    "1.0125, 1375",
    "1.020, 1300",
    "1.025, 1100",
    "1.030, 900",
    "1.200, 900"
  })
  void aRampIsStraightBetweenItsSamples(double at, double rpm) {
    StopPhase ramp = phase(StopPhase.Kind.RAMP, 900, 1400f, 1300f);
    assertThat(ramp.rpmAt(at, DRY)).isCloseTo(rpm, within(1e-6));
    assertThat(ramp.seconds()).isEqualTo(2);
  }

  /** Dry friction of 2 N·m takes 20 rad/s each second from 0.1 kg·m² (Newton). */
  @ParameterizedTest
  @CsvSource({"1, 0", "1.5, 10", "2, 20", "3, 40"})
  void aCoastFallsByTheTorque(double at, double lost) {
    double rpm = 1500 - lost * 30 / Math.PI;
    assertThat(phase(StopPhase.Kind.COAST, 0).rpmAt(at, DRY)).isCloseTo(rpm, within(1e-4));
  }

  @ParameterizedTest
  @CsvSource({"REACTION", "HOLD", "SINK"})
  void theOthersKeepTheirSpeed(StopPhase.Kind kind) {
    assertThat(phase(kind, 0).rpmAt(2, DRY)).isEqualTo(1500);
  }

  /** The ramp fits with a tenth of itself to spare, to the tenth. */
  @ParameterizedTest
  @CsvSource({"5, 5.5, true", "5, 5.4, false", "5, 6, true", "5, 4, false", "0, 0, true"})
  void aTenthHasToBeLeft(double needed, double delay, boolean enough) {
    StopTimeline.Timing timing = new StopTimeline.Timing(1500, needed, needed, delay);
    assertThat(timing.hasMargin()).isEqualTo(enough);
    assertThat(timing.marginSeconds()).isCloseTo(delay - needed, within(1e-12));
  }

  static Stream<List<String>> words() {
    return Stream.of(
        words(StopPhase.Kind.values(), StopPhase.Kind::label),
        words(StopOutcome.values(), StopOutcome::label),
        words(StopOutcome.values(), StopOutcome::key),
        words(StopOutcome.values(), StopOutcome::hint),
        words(StopCategory.values(), StopCategory::label),
        words(StopCategory.values(), StopCategory::hint),
        words(FaultKind.values(), FaultKind::label),
        words(Detection.values(), Detection::label),
        words(StopEvent.Kind.values(), StopEvent.Kind::label));
  }

  private static <T> List<String> words(T[] all, Function<T, String> word) {
    return Arrays.stream(all).map(word).toList();
  }

  @ParameterizedTest
  @MethodSource("words")
  void eachHasWordsOfItsOwn(List<String> words) {
    Set<String> different = new HashSet<>(words);
    assertThat(different).hasSameSizeAs(words).noneMatch(String::isBlank);
  }

  @Test
  void aDriveShowsWhatKeepsItFromRunning() {
    StopState.DriveState off = StopState.DriveState.OFF;
    assertThat(off.shows()).isEqualTo("not permitted");
    assertThat(drive(false, true, true).shows()).isEqualTo("no power");
    assertThat(drive(true, true, true).shows()).isEqualTo("fault");
    assertThat(drive(true, true, false).shows()).isEqualTo("ready");
  }

  private static StopState.DriveState drive(boolean fed, boolean permitted, boolean fault) {
    return new StopState.DriveState(fed, permitted, false, true, false, false, fault, false);
  }

  /** A guard is opened and closed, a button pressed and let go, an output switched. */
  @Test
  void eventsAreToldWithTheNamesOfTheirParts() {
    StopCircuit relay =
        Stops.circuit(
            Stops.TERMINAL_DRIVE, Stops.guard(unimotus.core.machine.StopLogic.SAFETY_RELAY));
    String guard = relay.stop().triggers().get(0);
    List<StopEvent> all =
        List.of(
            StopEvent.demand(relay, guard),
            StopEvent.release(guard),
            StopEvent.reset(relay).get(0),
            StopEvent.reset(relay).get(1),
            new StopEvent(StopEvent.Kind.TURN, guard, "open"),
            new StopEvent(StopEvent.Kind.OUTPUT_ON, "plc", "DO1"),
            new StopEvent(StopEvent.Kind.OUTPUT_OFF, "plc", "DO1"),
            StopEvent.POWER_OFF,
            StopEvent.RUN_ON);
    assertThat(StopEvent.text(all, relay))
        .isEqualTo(
            "Belt guard switch: open, Belt guard switch: closed, press Belt reset, let Belt reset"
                + " go, turn Belt guard switch to open, program switches on DO1 of Controller,"
                + " program switches off DO1 of Controller, power off, command run");
    assertThat(relay.name("no such part")).isEqualTo("no such part");
  }
}

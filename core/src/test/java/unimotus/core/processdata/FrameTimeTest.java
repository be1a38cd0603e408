package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.finding.Severity;
import unimotus.core.machine.BusTiming;

/** Frame times by IEC 61158-4-12 and IEEE 802.3 (from memory): bytes on the wire times 80 ns. */
class FrameTimeTest {
  private static final long MS = 1_000_000;

  @ParameterizedTest
  @CsvSource({
    "0, 84, 6720",
    "1, 84, 6720",
    "32, 84, 6720",
    "44, 96, 7680",
    "100, 152, 12160",
    "200, 252, 20160",
    "1486, 1538, 123040"
  })
  void oneDatagram(int data, int bytes, long ns) {
    assertThat(FrameTime.frames(List.of(data))).containsExactly(bytes);
    assertThat(FrameTime.nanoseconds(List.of(data))).isEqualTo(ns);
  }

  @Test
  void whatDoesNotFitTogetherGoesInTwoFrames() {
    // 2 + 12 + 1000 + 12 + 400 = 1426 fits; a further 12 + 100 does not.
    assertThat(FrameTime.frames(List.of(1000, 400, 100))).containsExactly(1464, 152);
    assertThat(FrameTime.frames(List.of())).isEmpty();
    assertThatThrownBy(() -> FrameTime.frames(List.of(1487))).hasMessageContaining("1487");
  }

  @Test
  void sixteenStationsInAMillisecondFit() {
    CycleReview review = CycleReview.of(BusCycle.of(MS, List.of(16 * 10), 16));
    // 8 + 14 + 2 + 12 + 160 + 4 + 12 = 212 bytes; 16.96 µs and 16 µs through the stations.
    assertThat(review.frameNs()).isEqualTo(16_960);
    assertThat(review.ringNs()).isEqualTo(32_960);
    assertThat(review.doubts()).isEmpty();
    assertThat(review.sum().text()).contains("212").contains("16·1000 ns");
  }

  @Test
  void whatDoesNotSuitIsNamedWithItsNumbers() {
    BusCycle good = BusCycle.of(MS, List.of(100), 3);
    BusTiming plain = good.timing();
    assertThat(seen(good.at(plain.withLoopNs(250_000L)))).isEmpty();
    assertThat(seen(good.at(plain.withLoopNs(4 * MS)))).isEmpty();
    assertThat(seen(good.at(plain.withLoopNs(300_000L))))
        .singleElement()
        .asString()
        .contains("300 µs");
    assertThat(seen(good.interpolating(MS))).isEmpty();
    assertThat(seen(good.interpolating(2 * MS))).singleElement().asString().contains("2 ms");
    assertThat(seen(good.at(plain.withWatchdogNs(100 * MS)))).isEmpty();
    assertThat(CycleReview.of(good.at(plain.withWatchdogNs(2 * MS))).doubts().get(0).severity())
        .isEqualTo(Severity.WARNING);
    assertThat(CycleReview.of(good.at(plain.withWatchdogNs(MS))).doubts().get(0).severity())
        .isEqualTo(Severity.ERROR);
    assertThat(seen(good.at(plain.withShiftNs(500_000L)))).isEmpty();
    assertThat(seen(good.at(plain.withShiftNs(10_000L))))
        .singleElement()
        .asString()
        .contains("15.16 µs");
    assertThat(seen(good.at(plain.withShiftNs(MS)))).hasSize(1);
    assertThat(seen(good.at(plain.withCopyNs(MS))))
        .singleElement()
        .asString()
        .contains("the cycle is 1 ms");
    assertThat(seen(good.at(plain.withCycleNs(20_000))))
        .singleElement()
        .asString()
        .contains("60.8 %");
  }

  private static List<String> seen(BusCycle bus) {
    return CycleReview.of(bus).doubts().stream().map(CycleReview.Doubt::seen).toList();
  }
}

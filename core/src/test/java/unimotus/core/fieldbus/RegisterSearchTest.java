package unimotus.core.fieldbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.motor.SpeedScale;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/** Place, type, order and scale out of two or three known values. */
class RegisterSearchTest {
  private static final RegisterTable TABLE = RegisterTable.INPUT_REGISTER;

  private static KnownValue at(String shown, Integer... words) {
    return KnownValue.typed(shown, TABLE, 100, List.of(words));
  }

  /** Hz × 100, as most register drives tell it (handbook, section 7). */
  @Test
  void aFrequencyInHundredths() {
    List<RegisterFit> fits =
        RegisterSearch.fits(List.of(at("10.0", 7, 1000, 513), at("25.0", 7, 2500, 2)));
    assertThat(fits.get(0).address()).isEqualTo(101);
    assertThat(fits.get(0).type()).isEqualTo(ValueType.UNSIGNED_16);
    assertThat(fits.get(0).scale()).isEqualTo(0.01);
    assertThat(fits.get(0).evidence())
        .containsExactly("1000 · 0.01 = 10, known 10", "2500 · 0.01 = 25, known 25");
    assertThat(fits).allMatch(f -> f.address() == 101 || f.address() == 100);
  }

  @Test
  void onlyANegativeValueTellsSignedFromUnsigned() {
    List<RegisterFit> both = RegisterSearch.fits(List.of(at("10.00", 1000), at("25.00", 2500)));
    assertThat(both)
        .extracting(RegisterFit::type)
        .containsExactly(ValueType.UNSIGNED_16, ValueType.SIGNED_16);
    List<RegisterFit> signed =
        RegisterSearch.fits(List.of(at("10.00", 1000), at("-25.00", 0x10000 - 2500)));
    assertThat(signed).extracting(RegisterFit::type).containsExactly(ValueType.SIGNED_16);
  }

  /** 0x4000 is 100 %: 8192 is 50 % (handbook, section 7). */
  @Test
  void percentOfSixteenThousand() {
    RegisterFit fit =
        RegisterSearch.fits(List.of(at("50.0", 8192), at("-100.0", 0x10000 - 16384))).get(0);
    assertThat(fit.scale()).isEqualTo(100 / 16384.0);
  }

  /** Whatever order the words lie in, it is found, and no other one is (IEEE 754). */
  @ParameterizedTest
  @EnumSource(WordOrder.class)
  void theOrderOfAFloatIsFound(WordOrder order) {
    List<KnownValue> known = new ArrayList<>();
    for (String shown : List.of("12.5", "1455.3", "-0.7")) {
      int[] words = order.words(ValueType.FLOAT_32, Double.parseDouble(shown));
      known.add(at(shown, 9, words[0], words[1]));
    }
    List<RegisterFit> fits = RegisterSearch.fits(known);
    assertThat(fits).hasSize(1);
    assertThat(fits.get(0).order()).isEqualTo(order);
    assertThat(fits.get(0).address()).isEqualTo(101);
    RegisterEntry entry = entry(7).with(ValueRole.SHAFT_SPEED);
    assertThat(fits.get(0).into(entry).words(1455.3))
        .isEqualTo(order.words(ValueType.FLOAT_32, 1455.3));
  }

  /** Whatever a random device holds besides: the right place is among what is found. */
  @Test
  void theRightPlaceIsAlwaysAmongTheFits() {
    Random random = new Random(11);
    for (int run = 0; run < 300; run++) {
      ValueType type = random.nextBoolean() ? ValueType.SIGNED_16 : ValueType.SIGNED_32;
      WordOrder order = type.words() == 1 ? WordOrder.ABCD : WordOrder.values()[run % 4];
      int place = random.nextInt(20);
      List<KnownValue> known = new ArrayList<>();
      for (int i = 0; i < 3; i++) {
        List<Integer> words = new ArrayList<>();
        random.ints(24, 0, 65536).forEach(words::add);
        int raw = random.nextInt(60000) - 30000;
        int[] own = order.words(type, raw);
        for (int w = 0; w < own.length; w++) {
          words.set(place + w, own[w]);
        }
        known.add(new KnownValue(raw * 0.1, 0.1, TABLE, 500, words));
      }
      List<RegisterFit> fits = RegisterSearch.fits(known);
      assertThat(fits)
          .anyMatch(
              f ->
                  f.address() == 500 + place
                      && f.type() == type
                      && f.order() == order
                      && f.scale() == 0.1);
    }
  }

  private static RegisterEntry entry(int address) {
    return new RegisterEntry(
        DriveValue.named(
            "output frequency",
            ValueType.UNSIGNED_16,
            Scaling.of(0.01, "Hz"),
            new Limits(0, 320),
            Access.READ),
        new RegisterPlace(TABLE, address, WordOrder.ABCD, "actual"));
  }

  /** The manual says 30102 and counts from 1; the value stands one before. */
  @Test
  void theOffByOneIsSaidWithItsEvidence() {
    List<RegisterFit> fits =
        RegisterSearch.fits(List.of(at("10.0", 7, 1000, 513), at("25.0", 7, 2500, 2)));
    MapDoubt doubt = RegisterSearch.offByOne(entry(102), fits).orElseThrow();
    assertThat(doubt.kind()).isEqualTo(MapDoubt.Kind.SHIFTED);
    assertThat(doubt.seen()).contains("at 102").contains("at 101").contains("known 25");
    assertThat(doubt.remedy()).contains("one down");
    assertThat(RegisterSearch.offByOne(entry(101), fits)).isEmpty();
    assertThat(RegisterSearch.offByOne(entry(150), fits)).isEmpty();
  }

  @Test
  void whatTellsNothingIsRefused() {
    assertThatThrownBy(() -> RegisterSearch.fits(List.of(at("10.0", 1), at("10.0", 1))))
        .hasMessageContaining("two different known values");
    assertThatThrownBy(() -> at("ten", 1)).hasMessageContaining("'ten' is no number");
    assertThatThrownBy(() -> KnownValue.typed("1", RegisterTable.COIL, 0, List.of(1)))
        .hasMessageContaining("coil");
    assertThat(RegisterSearch.fits(List.of(at("1.0", 4), at("2.0", 4)))).isEmpty();
  }

  /** Three messages and a scan: 3 · 18.9 + 10 ms are 66.7 ms, up to 0.1 s (common practice). */
  @Test
  void reactionAndTimeout() {
    LinkWatch watch = new LinkWatch(0.0189, 0.010);
    assertThat(watch.reactionSeconds()).isCloseTo(0.0289, within(1e-9));
    assertThat(watch.timeoutSeconds()).isEqualTo(0.1);
    assertThat(new LinkWatch(0.2, 0.01).timeoutSeconds()).isEqualTo(0.7);
    assertThat(watch.sum().steps().get(1).text()).contains("3·18.9 + 10 ms");
    assertThatThrownBy(() -> new LinkWatch(0, 0)).hasMessageContaining("0.0 s");
  }

  /** A six-pole motor at 50 Hz turns its field at 1000 rpm (IEC 60034-1). */
  @Test
  void frequenciesInPercentAndRpm() {
    SpeedScale scale = new SpeedScale(60, 6);
    assertThat(scale.hertz(50, "%")).isEqualTo(30);
    assertThat(scale.value(30, "%")).isEqualTo(50);
    assertThat(scale.hertz(-1000, "rpm")).isEqualTo(-50);
    assertThat(scale.value(-50, "rpm")).isEqualTo(-1000);
    assertThat(scale.hertz(12, "Hz")).isEqualTo(12);
  }

  @Test
  void textsAndBits() {
    RegisterEntry text =
        new RegisterEntry(
            DriveValue.named(
                "model", ValueType.TEXT_16, Scaling.of(1, ""), new Limits(0, 0), Access.READ),
            RegisterPlace.of(TABLE, 0));
    int[] words = {0x4B45, 0x4C50, 0x2031, 0, 0x5858, 0, 0, 0};
    assertThat(text.value().shown(text.read(words), unimotus.core.quantity.QuantityFormat.PLAIN))
        .isEqualTo("KELP 1");
    assertThatThrownBy(() -> text.words(1)).hasMessageContaining("text is no number");
    assertThat(new RegisterMap(List.of(text)).doubts()).isEmpty();
    assertThat(ValueRole.ofName(" Statusword ")).isEqualTo(ValueRole.STATUS_WORD);
    assertThat(ValueRole.ofName("energy")).isEqualTo(ValueRole.NONE);
  }
}

package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigInteger;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.PdoEntry;

/** Values of an image wherever their bits begin. */
class ImagePlaceTest {
  private static final int SIDE = 12;

  private static BigInteger number(byte[] bytes) {
    BigInteger number = BigInteger.ZERO;
    for (int i = bytes.length - 1; i >= 0; i--) {
      number = number.shiftLeft(Byte.SIZE).or(BigInteger.valueOf(Byte.toUnsignedInt(bytes[i])));
    }
    return number;
  }

  /** By hand: twelve bits from bit 3 on; the bits before and behind stay set. */
  @Test
  void bitsBesideItStay() {
    ImagePlace place = new ImagePlace(0x1600, PdoEntry.of(0x3000, 0, 12, "twelve", "UINT"), 3);
    byte[] side = {(byte) 0xFF, (byte) 0xFF};
    place.put(side, new byte[] {0x21, 0x04});
    assertThat(side).containsExactly(0x0F, 0xA1);
    assertThat(place.taken(side)).containsExactly(0x21, 0x04);
  }

  /** The whole side as one number, masked and shifted. */
  @Test
  void everyPlaceAndLengthIsAsOneNumberShifted() {
    Random random = new Random(5);
    for (int i = 0; i < 20_000; i++) {
      int bits = 1 + random.nextInt(64);
      int at = random.nextInt(SIDE * Byte.SIZE - bits + 1);
      ImagePlace place = new ImagePlace(0x1600, PdoEntry.of(0x3000, 0, bits, "any", ""), at);
      byte[] side = new byte[SIDE];
      random.nextBytes(side);
      BigInteger mask = BigInteger.ONE.shiftLeft(bits).subtract(BigInteger.ONE);
      assertThat(number(place.taken(side))).isEqualTo(number(side).shiftRight(at).and(mask));
      byte[] value = new byte[Long.BYTES];
      random.nextBytes(value);
      BigInteger expected =
          number(side).andNot(mask.shiftLeft(at)).or(number(value).and(mask).shiftLeft(at));
      place.put(side, value);
      assertThat(number(side)).isEqualTo(expected);
    }
  }
}

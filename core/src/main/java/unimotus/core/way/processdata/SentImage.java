package unimotus.core.way.processdata;

import java.math.BigInteger;
import java.util.List;
import unimotus.core.path.Numbers;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.value.ValueType;

/**
 * The outputs that the controller sends while the motor is commanded, as bits: the number in its
 * place, the control word and the mode in theirs, and 0 in all others.
 */
final class SentImage {
  private final ImageEntry entry;
  private final BigInteger others;

  SentImage(DriveImage image, ImageEntry entry) {
    this.entry = entry;
    OperatingMode mode = image.mode().orElseThrow();
    BigInteger bits = BigInteger.ZERO;
    for (ImagePlace place : image.image().outputs()) {
      long stands =
          place.entry().index() == ProfileObject.CONTROL.index()
              ? runWord(mode)
              : place.entry().index() == ProfileObject.MODE ? mode.number() : 0;
      bits = bits.or(BigInteger.valueOf(stands).shiftLeft(place.bit()));
    }
    this.others = bits;
  }

  /** The control word while the motor turns. */
  private static int runWord(OperatingMode mode) {
    WordProfile profile = DriveProfiles.cia402(mode);
    WordState ready =
        profile.states().stream()
            .filter(s -> s.kind() == WordState.Kind.READY)
            .findFirst()
            .orElseThrow();
    List<WordMachine.Step> steps =
        new WordMachine(profile).way(ready, WordMachine.Intent.START_FORWARD, 0);
    return steps.get(steps.size() - 1).word();
  }

  /** The number that is read so many bits after the place, as a type; within the image. */
  double read(double raw, int shift, ValueType as) {
    return read(bits(entry.value().type(), raw), shift, as);
  }

  /** The number that is read as meant where the controller wrote it as another type. */
  double writtenAs(double raw, ValueType as) {
    return read(bits(as, raw), 0, entry.value().type());
  }

  private double read(BigInteger number, int shift, ValueType as) {
    BigInteger image = others.or(number.shiftLeft(entry.place().bit()));
    BigInteger taken = image.shiftRight(entry.place().bit() + shift);
    int[] words = new int[as.words()];
    for (int i = 0; i < words.length; i++) {
      words[words.length - 1 - i] = taken.shiftRight(Short.SIZE * i).intValue() & 0xFFFF;
    }
    return as.decode(words);
  }

  /** The bits of a number as a type, as many as its place has. */
  private BigInteger bits(ValueType type, double raw) {
    BigInteger bits = BigInteger.ZERO;
    for (int word : type.encode(Numbers.clamp(raw, type.least(), type.most()))) {
      bits = bits.shiftLeft(Short.SIZE).or(BigInteger.valueOf(word));
    }
    BigInteger room = BigInteger.ONE.shiftLeft(entry.place().entry().bitLength());
    return bits.mod(room);
  }

  /** The bytes of the number put together in another order. */
  double swapped(double raw, int[] order) {
    ValueType type = entry.value().type();
    BigInteger sent = bits(type, raw);
    BigInteger taken = BigInteger.ZERO;
    for (int i = 0; i < order.length; i++) {
      int one = sent.shiftRight(Byte.SIZE * order[i]).intValue() & 0xFF;
      taken = taken.or(BigInteger.valueOf(one).shiftLeft(Byte.SIZE * i));
    }
    int[] words = new int[type.words()];
    for (int i = 0; i < words.length; i++) {
      words[words.length - 1 - i] = taken.shiftRight(Short.SIZE * i).intValue() & 0xFFFF;
    }
    return type.decode(words);
  }
}

package unimotus.core.positioning;

import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/**
 * Where the bits of positioning stand in the two words of a drive, bit 0 the lowest. A bit that a
 * drive does not have is not named.
 *
 * @param requests bit of each request in the word to the drive
 * @param replies bit of each reply in the word from the drive
 * @param numberBit lowest bit of the position's number, in the word to the drive
 * @param numberBits how many it has, from 1
 */
public record PositioningWords(
    Map<Request, Integer> requests, Map<Reply, Integer> replies, int numberBit, int numberBits) {
  private static final int BITS = 16;

  /** A layout of our own to begin from; the drive's manual has its own. */
  public static final PositioningWords USUAL =
      new PositioningWords(
          Map.of(
              Request.ENABLE, 0,
              Request.HOME, 1,
              Request.START, 2,
              Request.STOP, 3,
              Request.JOG_FORWARD, 4,
              Request.JOG_BACKWARD, 5,
              Request.RESET, 7),
          Map.of(
              Reply.READY, 0,
              Reply.HOMED, 1,
              Reply.ACKNOWLEDGE, 2,
              Reply.BUSY, 3,
              Reply.IN_POSITION, 4,
              Reply.FAULT, 7),
          8,
          6);

  /** Takes copies and checks that every bit has a place of its own. */
  public PositioningWords {
    requests = inOrder(Request.class, requests);
    replies = inOrder(Reply.class, replies);
    String[] command = new String[BITS];
    String[] status = new String[BITS];
    requests.forEach((each, bit) -> place(command, each.label(), bit));
    replies.forEach((each, bit) -> place(status, each.label(), bit));
    if (numberBits < 1 || numberBit < 0 || numberBit + numberBits > BITS) {
      throw new IllegalArgumentException(
          "bits of the position number: %d from bit %d do not fit a word of %d"
              .formatted(numberBits, numberBit, BITS));
    }
    for (int bit = numberBit; bit < numberBit + numberBits; bit++) {
      place(command, "position number", bit);
    }
  }

  private static <E extends Enum<E>> Map<E, Integer> inOrder(Class<E> kind, Map<E, Integer> bits) {
    EnumMap<E, Integer> ordered = new EnumMap<>(kind);
    ordered.putAll(bits);
    return Collections.unmodifiableMap(ordered);
  }

  private static void place(String[] word, String what, int bit) {
    if (bit < 0 || bit >= BITS) {
      throw new IllegalArgumentException("%s: bit must be 0 to 15, not %d".formatted(what, bit));
    }
    if (word[bit] != null) {
      throw new IllegalArgumentException(
          "%s: bit %d is that of %s already".formatted(what, bit, word[bit]));
    }
    word[bit] = what;
  }

  /** The highest number that can be chosen. */
  public int mostNumber() {
    return (1 << numberBits) - 1;
  }

  /**
   * The word to the drive.
   *
   * @throws IllegalArgumentException where a bit is not named, or the number does not fit
   */
  public int command(Set<Request> bits, int number) {
    if (number < 0 || number > mostNumber()) {
      throw new IllegalArgumentException(
          "position %d does not fit %d bits; the highest is %d"
              .formatted(number, numberBits, mostNumber()));
    }
    int word = number << numberBit;
    for (Request each : bits) {
      word |= 1 << bit(requests, each, each.label());
    }
    return word;
  }

  /**
   * The word from the drive.
   *
   * @throws IllegalArgumentException where a bit is not named
   */
  public int status(Set<Reply> bits) {
    int word = 0;
    for (Reply each : bits) {
      word |= 1 << bit(replies, each, each.label());
    }
    return word;
  }

  private static <E> int bit(Map<E, Integer> bits, E which, String label) {
    Integer bit = bits.get(which);
    if (bit == null) {
      throw new IllegalArgumentException("%s: no bit is named for it".formatted(label));
    }
    return bit;
  }

  /** The requests in a word. */
  public Set<Request> requests(int word) {
    return on(Request.class, requests, word);
  }

  /** The replies in a word. */
  public Set<Reply> replies(int word) {
    return on(Reply.class, replies, word);
  }

  private static <E extends Enum<E>> Set<E> on(Class<E> kind, Map<E, Integer> bits, int word) {
    Set<E> on = EnumSet.noneOf(kind);
    bits.forEach(
        (each, bit) -> {
          if ((word >> bit & 1) != 0) {
            on.add(each);
          }
        });
    return on;
  }

  /** The number of the position in a word to the drive. */
  public int number(int word) {
    return word >> numberBit & mostNumber();
  }

  /** With a request at another bit. */
  public PositioningWords with(Request request, int bit) {
    Map<Request, Integer> next = new EnumMap<>(requests);
    next.put(request, bit);
    return new PositioningWords(next, replies, numberBit, numberBits);
  }

  /** With a reply at another bit. */
  public PositioningWords with(Reply reply, int bit) {
    Map<Reply, Integer> next = new EnumMap<>(replies);
    next.put(reply, bit);
    return new PositioningWords(requests, next, numberBit, numberBits);
  }

  /** With the number elsewhere. */
  public PositioningWords withNumber(int bit, int bits) {
    return new PositioningWords(requests, replies, bit, bits);
  }
}

package unimotus.core.positioning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.BitSet;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;

/** Bits in words: against {@link BitSet}, which shares nothing with shifts and masks. */
class PositioningWordsTest {
  private static final int RUNS = Campaign.size(20_000, 500);

  private static List<Integer> places(Random random, int many) {
    List<Integer> places = IntStream.range(0, 16).boxed().collect(Collectors.toList());
    Collections.shuffle(places, random);
    return places.subList(0, many);
  }

  /** Somewhere in the low half the bits, in the high half the number. */
  private static PositioningWords layout(Random random) {
    List<Integer> low = IntStream.range(0, 8).boxed().collect(Collectors.toList());
    Collections.shuffle(low, random);
    Map<Request, Integer> requests = new EnumMap<>(Request.class);
    for (Request each : Request.values()) {
      requests.put(each, low.get(each.ordinal()));
    }
    Map<Reply, Integer> replies = new EnumMap<>(Reply.class);
    List<Integer> anywhere = places(random, Reply.values().length);
    for (Reply each : Reply.values()) {
      replies.put(each, anywhere.get(each.ordinal()));
    }
    int first = 8 + random.nextInt(6);
    return new PositioningWords(requests, replies, first, 1 + random.nextInt(16 - first));
  }

  private static int word(BitSet bits) {
    long[] longs = bits.toLongArray();
    return longs.length == 0 ? 0 : (int) longs[0];
  }

  @Test
  void wordsAreThoseOfASetOfBits() {
    Random random = new Random(4);
    for (int run = 0; run < RUNS; run++) {
      PositioningWords words = layout(random);
      Set<Request> requests = EnumSet.noneOf(Request.class);
      Set<Reply> replies = EnumSet.noneOf(Reply.class);
      BitSet command = new BitSet();
      BitSet status = new BitSet();
      for (Request each : Request.values()) {
        if (random.nextBoolean()) {
          requests.add(each);
          command.set(words.requests().get(each));
        }
      }
      for (Reply each : Reply.values()) {
        if (random.nextBoolean()) {
          replies.add(each);
          status.set(words.replies().get(each));
        }
      }
      int number = random.nextInt(words.mostNumber() + 1);
      for (int i = 0; i < words.numberBits(); i++) {
        command.set(
            words.numberBit() + i, Integer.toBinaryString(number | 1 << 16).charAt(16 - i) == '1');
      }
      assertThat(words.command(requests, number)).isEqualTo(word(command));
      assertThat(words.status(replies)).isEqualTo(word(status));
      assertThat(words.requests(word(command))).isEqualTo(requests);
      assertThat(words.replies(word(status))).isEqualTo(replies);
      assertThat(words.number(word(command))).isEqualTo(number);
    }
  }

  /** Enable, start and position 5 of the layout to begin from: bits 0, 2, 8 and 10. */
  @Test
  void aWordByHand() {
    assertThat(PositioningWords.USUAL.command(EnumSet.of(Request.ENABLE, Request.START), 5))
        .isEqualTo(0x0505);
    assertThat(PositioningWords.USUAL.status(EnumSet.of(Reply.READY, Reply.FAULT)))
        .isEqualTo(0x0081);
  }

  @Test
  void whatCannotBeIsRefusedByName() {
    PositioningWords usual = PositioningWords.USUAL;
    assertThatThrownBy(() -> usual.with(Request.HOME, 0))
        .hasMessage("home: bit 0 is that of enable already");
    assertThatThrownBy(() -> usual.with(Request.HOME, 16))
        .hasMessage("home: bit must be 0 to 15, not 16");
    assertThatThrownBy(() -> usual.withNumber(6, 4))
        .hasMessage("position number: bit 7 is that of reset already");
    assertThatThrownBy(() -> usual.withNumber(12, 5)).hasMessageContaining("do not fit");
    assertThatThrownBy(() -> usual.command(Set.of(), 64))
        .hasMessage("position 64 does not fit 6 bits; the highest is 63");
    PositioningWords few =
        new PositioningWords(Map.of(Request.ENABLE, 0), Map.of(Reply.READY, 0), 8, 2);
    assertThatThrownBy(() -> few.command(Set.of(Request.HOME), 0))
        .hasMessage("home: no bit is named for it");
    assertThatThrownBy(() -> few.status(Set.of(Reply.BUSY)))
        .hasMessage("busy: no bit is named for it");
  }
}

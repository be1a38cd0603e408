package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.PdoEntry;

/** Images with entries of 1, 4, 8, 12, 16 and 32 bits, spoilt in every way a list is spoilt. */
class ImageComparisonTest {
  private static final int[] BITS = {1, 4, 8, 12, 16, 32};
  private static final String[] TYPES = {"BOOL", "BIT4", "USINT", "BIT12", "INT", "DINT"};
  private static final int SOUND = 300;
  private static final int SPOILT = Integer.getInteger("unimotus.campaign", 1) * 700;

  private static ImagePlace at(int bit, PdoEntry entry) {
    return new ImagePlace(0x1A00, entry, bit);
  }

  /** By hand: 1 + 4 bits, a gap of 3, then 12 bits, a gap of 4, then 32 bits. */
  @Test
  void offsetsOfSmallEntriesByHand() {
    List<ImagePlace> side =
        laid(
            List.of(
                PdoEntry.of(0x6000, 1, 1, "Ready", "BOOL"),
                PdoEntry.of(0x6000, 2, 4, "Step", "BIT4"),
                PdoEntry.padding(3),
                PdoEntry.of(0x6000, 3, 12, "Level", "BIT12"),
                PdoEntry.padding(4),
                PdoEntry.of(0x6000, 4, 32, "Position", "DINT")));
    assertThat(side.stream().map(ImagePlace::place))
        .containsExactly("0.0", "0.1", "0.5", "1.0", "2.4", "3.0");
    assertThat(side.get(5).end()).isEqualTo(56);
  }

  @Test
  void aMissingGapShiftsWhatFollowsAndSaysWhatIsRead() {
    List<ImagePlace> side =
        laid(
            List.of(
                PdoEntry.of(0x6041, 0, 16, "Statusword", "UINT"),
                PdoEntry.of(0x6061, 0, 8, "Mode", "SINT"),
                PdoEntry.padding(8),
                PdoEntry.of(0x6064, 0, 32, "Position", "DINT")));
    ImageComparison comparison =
        ImageComparison.of(
            side,
            List.of(
                ListedVariable.of("Statusword", "UINT", null),
                ListedVariable.of("Mode", "SINT", null),
                ListedVariable.of("Position", "DINT", null)));
    assertThat(comparison.agrees()).isFalse();
    assertThat(comparison.first().orElseThrow().variable().name()).isEqualTo("Position");
    assertThat(comparison.first().orElseThrow().reads())
        .isEqualTo("padding of 8 bit, bits 0 to 23 of Position");
  }

  @Test
  void statedOffsetsCountInsteadOfTheOrder() {
    List<ImagePlace> side =
        laid(List.of(PdoEntry.padding(8), PdoEntry.of(0x6064, 0, 32, "Position", "DINT")));
    assertThat(ImageComparison.of(side, List.of(ListedVariable.of("Position", "DINT", 8))).agrees())
        .isTrue();
    ImageComparison wrong =
        ImageComparison.of(side, List.of(ListedVariable.of("Position", "DINT", 48)));
    assertThat(wrong.first().orElseThrow().fault()).contains("past the end");
    assertThat(wrong.left()).hasSize(1);
  }

  @Test
  void soundListsAgree() {
    Random random = new Random(18);
    for (int i = 0; i < SOUND; i++) {
      List<PdoEntry> entries = entries(random);
      assertThat(ImageComparison.of(laid(entries), listed(entries)).agrees())
          .as(entries.toString())
          .isTrue();
    }
  }

  /** One thing wrong: the first row told is the one that was spoilt, or the first behind it. */
  @Test
  void everySpoiltListIsFoundWhereItIsSpoilt() {
    Random random = new Random(1800);
    int found = 0;
    for (int i = 0; i < SPOILT; i++) {
      List<PdoEntry> entries = entries(random);
      List<ListedVariable> variables = new ArrayList<>(listed(entries));
      int at = random.nextInt(variables.size() - 1);
      boolean isVisible = spoil(random.nextInt(4), at, variables, random);
      ImageComparison comparison = ImageComparison.of(laid(entries), variables);
      if (!isVisible) {
        assertThat(comparison.agrees()).as(entries + " " + variables).isTrue();
        continue;
      }
      assertThat(comparison.agrees()).as(entries + " " + variables).isFalse();
      comparison
          .first()
          .ifPresent(f -> assertThat(comparison.rows().indexOf(f)).isGreaterThanOrEqualTo(at));
      // Rows before the spoilt one stay silent.
      assertThat(comparison.rows().subList(0, Math.min(at, comparison.rows().size())))
          .allMatch(ImageComparison.Row::agrees);
      assertThat(comparison.first().map(f -> comparison.rows().indexOf(f)).orElse(at))
          .as(entries + " " + variables)
          .isEqualTo(at);
      found++;
    }
    System.out.printf("spoilt lists of variables: %d found of %d%n", found, SPOILT);
    assertThat(found).isGreaterThan(SPOILT / 2);
  }

  /** Drops, exchanges, puts in or retypes; false where that changes nothing. */
  private static boolean spoil(int kind, int at, List<ListedVariable> variables, Random random) {
    ListedVariable here = variables.get(at);
    switch (kind) {
      case 0 -> variables.remove(at);
      case 1 -> {
        ListedVariable next = variables.get(at + 1);
        variables.set(at, next);
        variables.set(at + 1, here);
      }
      case 2 -> variables.add(at, ListedVariable.of("Extra" + random.nextInt(9), "BOOL", null));
      default -> {
        String other = here.bitLength() == 16 ? "DINT" : "INT";
        variables.set(at, ListedVariable.of(here.name(), other, null));
      }
    }
    return true;
  }

  private static List<PdoEntry> entries(Random random) {
    List<PdoEntry> entries = new ArrayList<>();
    int count = 3 + random.nextInt(8);
    for (int i = 0; i < count; i++) {
      int which = random.nextInt(BITS.length);
      entries.add(
          PdoEntry.of(0x6000 + i, 1, BITS[which], "Value %c".formatted('A' + i), TYPES[which]));
    }
    return entries;
  }

  private static List<ListedVariable> listed(List<PdoEntry> entries) {
    return entries.stream()
        .map(e -> ListedVariable.of(e.name().replace(' ', '_'), e.dataType(), null))
        .toList();
  }

  private static List<ImagePlace> laid(List<PdoEntry> entries) {
    List<ImagePlace> places = new ArrayList<>();
    int bit = 0;
    for (PdoEntry entry : entries) {
      places.add(at(bit, entry));
      bit += entry.bitLength();
    }
    return places;
  }
}

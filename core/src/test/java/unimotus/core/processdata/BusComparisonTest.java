package unimotus.core.processdata;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/**
 * Who answers beside who is expected: cases by hand, and thousands of buses in which one thing was
 * changed. The changer knows what it did and asks nothing of the comparison.
 */
class BusComparisonTest {
  private static final int CASES = Integer.getInteger("unimotus.campaign", 1) * 3000;
  private static final long VENDOR = 0xFFFF0001L;

  private static ExpectedStation expected(String name, long product, int alias) {
    return new ExpectedStation(name, VENDOR, product, 0x10000, alias);
  }

  private static List<AnsweringStation> answering(List<ExpectedStation> stations) {
    List<AnsweringStation> found = new ArrayList<>();
    for (int i = 0; i < stations.size(); i++) {
      ExpectedStation each = stations.get(i);
      found.add(
          new AnsweringStation(
              i,
              each.vendor(),
              each.product(),
              each.revision(),
              1000 + i,
              each.alias(),
              i < stations.size() - 1));
    }
    return found;
  }

  private static final List<ExpectedStation> LINE =
      List.of(expected("coupler", 3, 1), expected("left", 2, 2), expected("right", 2, 3));

  @Test
  void whoAnswersAsExpectedIsSaidSo() {
    assertThat(BusComparison.of(LINE, answering(LINE)).isAsExpected()).isTrue();
    assertThat(BusComparison.of(List.of(), List.of()).isAsExpected()).isTrue();
  }

  @Test
  void anOpenCableIsNamedByBothItsEnds() {
    List<AnsweringStation> cut = answering(LINE.subList(0, 1));
    assertThat(BusComparison.of(LINE, cut).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.kind()).isEqualTo(BusDoubt.Kind.CABLE_OPEN))
        .satisfies(d -> assertThat(d.seen()).contains("no link between station 0 and left; 2"));
  }

  @Test
  void aLinkWithoutAnswersIsAnotherCase() {
    List<AnsweringStation> cut = answering(LINE).subList(0, 2);
    assertThat(BusComparison.of(LINE, cut).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.seen()).contains("there is a link onward"))
        .satisfies(d -> assertThat(d.remedy()).contains("port in of right"));
  }

  @Test
  void twinsWithoutAliasLeaveItOpen() {
    List<ExpectedStation> twins = List.of(expected("left", 2, 0), expected("right", 2, 0));
    BusComparison comparison = BusComparison.of(twins, answering(twins));
    assertThat(comparison.isAsExpected()).isFalse();
    assertThat(comparison.doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.kind()).isEqualTo(BusDoubt.Kind.TWINS))
        .satisfies(d -> assertThat(d.kind().isDifference()).isFalse());
  }

  @Test
  void oneThatMovedIsNotMissing() {
    List<ExpectedStation> moved = List.of(LINE.get(1), LINE.get(2), LINE.get(0));
    assertThat(BusComparison.of(LINE, answering(moved)).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.kind()).isEqualTo(BusDoubt.Kind.EXCHANGED))
        .satisfies(d -> assertThat(d.seen()).contains("coupler answers as station 2"));
  }

  @Test
  void oneWhoseEepromCannotBeReadIsNoOtherDevice() {
    List<AnsweringStation> found = new ArrayList<>(answering(LINE));
    found.set(1, AnsweringStation.unknown(1, true));
    assertThat(BusComparison.of(LINE, found).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.kind()).isEqualTo(BusDoubt.Kind.UNREADABLE));
  }

  /** A bus of drives of three kinds; every one has an alias of its own. */
  private static List<ExpectedStation> bus(Random random) {
    List<ExpectedStation> bus = new ArrayList<>();
    for (int i = 2 + random.nextInt(15); i > 0; i--) {
      bus.add(expected("s" + i, 1 + random.nextInt(3), i));
    }
    return bus;
  }

  private static AnsweringStation with(
      AnsweringStation of, long product, long revision, int alias) {
    return new AnsweringStation(
        of.position(), of.vendor(), product, revision, of.serial(), alias, of.isLinkedOn());
  }

  /** Changes one thing; gives the kind of doubt that has to come. */
  private static BusDoubt.Kind change(
      List<ExpectedStation> bus, List<AnsweringStation> found, Random random) {
    int at = random.nextInt(bus.size());
    AnsweringStation one = found.get(at);
    switch (random.nextInt(6)) {
      case 0 -> {
        found.set(at, with(one, one.product(), 0x20000, one.alias()));
        return BusDoubt.Kind.OTHER_REVISION;
      }
      case 1 -> {
        found.set(at, with(one, one.product(), one.revision(), 99));
        return BusDoubt.Kind.ALIAS;
      }
      case 2 -> {
        found.set(at, with(one, 77, one.revision(), one.alias()));
        return BusDoubt.Kind.OTHER_DEVICE;
      }
      case 3 -> {
        int from = Math.max(1, at);
        found.subList(from, found.size()).clear();
        AnsweringStation end = found.get(from - 1);
        found.set(
            from - 1,
            new AnsweringStation(
                end.position(),
                end.vendor(),
                end.product(),
                end.revision(),
                0,
                end.alias(),
                false));
        return BusDoubt.Kind.CABLE_OPEN;
      }
      case 4 -> {
        List<ExpectedStation> more = new ArrayList<>(bus);
        more.add(at, expected("foreign", 55, 0));
        found.clear();
        found.addAll(answering(more));
        return BusDoubt.Kind.EXTRA;
      }
      default -> {
        return twin(bus, found, at);
      }
    }
  }

  private static BusDoubt.Kind twin(
      List<ExpectedStation> bus, List<AnsweringStation> found, int at) {
    for (int i = 0; i < bus.size(); i++) {
      if (i != at && bus.get(i).product() == bus.get(at).product()) {
        AnsweringStation one = found.get(at);
        AnsweringStation other = found.get(i);
        found.set(at, with(one, one.product(), one.revision(), other.alias()));
        found.set(i, with(other, other.product(), other.revision(), one.alias()));
        return BusDoubt.Kind.EXCHANGED;
      }
    }
    found.remove(at == bus.size() - 1 ? at - 1 : at);
    List<AnsweringStation> numbered = new ArrayList<>();
    for (AnsweringStation each : found) {
      numbered.add(
          new AnsweringStation(
              numbered.size(),
              each.vendor(),
              each.product(),
              each.revision(),
              each.serial(),
              each.alias(),
              each.isLinkedOn()));
    }
    found.clear();
    found.addAll(numbered);
    return BusDoubt.Kind.MISSING;
  }

  @Test
  void eachChangeIsFoundAndNothingElse() {
    Random random = new Random(64);
    int same = 0;
    for (int i = 0; i < CASES; i++) {
      List<ExpectedStation> bus = bus(random);
      List<AnsweringStation> found = new ArrayList<>(answering(bus));
      assertThat(BusComparison.of(bus, found).doubts()).isEmpty();
      BusDoubt.Kind kind = change(bus, found, random);
      assertThat(BusComparison.of(bus, found).doubts())
          .as("case %d: %s in %s", i, kind, found)
          .extracting(BusDoubt::kind)
          .containsExactly(kind);
      same++;
    }
    System.out.printf("changed buses named alike: %d of %d%n", same, CASES);
  }
}

package unimotus.core.fieldbus;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import unimotus.core.Campaign;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/**
 * Doubts about maps made at random against plain sets of addresses and numbers: what overlaps,
 * holds too little, is too coarse, cannot be written, is too long for a request, or is there twice.
 */
class MapDoubtsTest {
  private static final int MAPS = Campaign.size(20_000, 2_000);

  /** Places one request reads and writes, by table (Modbus Application Protocol V1.1b3). */
  private static final Map<RegisterTable, int[]> MOST =
      Map.of(
          RegisterTable.COIL, new int[] {2000, 1968},
          RegisterTable.DISCRETE_INPUT, new int[] {2000, 0},
          RegisterTable.HOLDING_REGISTER, new int[] {125, 123},
          RegisterTable.INPUT_REGISTER, new int[] {125, 0});

  /** Least, most and places of the numbers a type holds. */
  private static final Map<ValueType, double[]> HOLDS =
      Map.of(
          ValueType.UNSIGNED_16, new double[] {0, 65_535, 1},
          ValueType.SIGNED_16, new double[] {-32_768, 32_767, 1},
          ValueType.UNSIGNED_32, new double[] {0, 4_294_967_295.0, 2},
          ValueType.SIGNED_32, new double[] {-2_147_483_648.0, 2_147_483_647.0, 2});

  private static RegisterEntry entry(int number, Random random) {
    List<ValueType> types = new ArrayList<>(new TreeSet<>(HOLDS.keySet()));
    boolean input = random.nextInt(4) == 0;
    double least = random.nextInt(3) == 0 ? -random.nextInt(700) : 0;
    int[] addresses = {number * 2, random.nextInt(10), 100 + random.nextInt(60)};
    return new RegisterEntry(
        new DriveValue(
            "value " + number,
            ValueRole.values()[random.nextInt(4)],
            types.get(random.nextInt(types.size())),
            new Scaling(
                List.of(0.01, 0.1, 1.0, -0.01, 10.0).get(random.nextInt(5)),
                random.nextInt(5) == 0 ? 20 : 0,
                random.nextInt(3) == 0 ? "" : "%"),
            new Limits(least, least + 1 + random.nextInt(900)),
            Access.values()[random.nextInt(3)]),
        new RegisterPlace(
            input ? RegisterTable.INPUT_REGISTER : RegisterTable.HOLDING_REGISTER,
            addresses[random.nextInt(3)],
            WordOrder.ABCD,
            random.nextInt(3) == 0 ? "" : "g" + random.nextInt(2)));
  }

  private static Set<String> told(List<MapDoubt> doubts, MapDoubt.Kind kind) {
    Set<String> told = new TreeSet<>();
    doubts.stream().filter(d -> d.kind() == kind).forEach(d -> told.add(d.entry()));
    return told;
  }

  private static Set<String> places(RegisterEntry e) {
    Set<String> places = new HashSet<>();
    IntStream.range(0, (int) HOLDS.get(e.type())[2])
        .forEach(i -> places.add(e.table() + "/" + (e.address() + i)));
    return places;
  }

  @Test
  void doubtsHoldAgainstPlainSets() {
    List<String> wrong = new ArrayList<>();
    for (int map = 0; map < MAPS; map++) {
      Random random = new Random(map * 17L + 3);
      List<RegisterEntry> entries = new ArrayList<>();
      IntStream.range(0, 2 + random.nextInt(5)).forEach(i -> entries.add(entry(i, random)));
      List<MapDoubt> doubts = new RegisterMap(entries).doubts();
      Map<MapDoubt.Kind, Set<String>> expected = expected(entries);
      for (Map.Entry<MapDoubt.Kind, Set<String>> kind : expected.entrySet()) {
        if (!told(doubts, kind.getKey()).equals(kind.getValue())) {
          wrong.add(
              "%d %s: told %s, expected %s\n%s"
                  .formatted(
                      map, kind.getKey(), told(doubts, kind.getKey()), kind.getValue(), entries));
        }
      }
      assertThat(doubts)
          .allSatisfy(
              d -> {
                assertThat(d.kind().label()).isNotBlank();
                assertThat(d.seen()).isNotBlank();
                assertThat(d.remedy()).isNotBlank();
              });
    }
    System.out.printf("doubts about maps: %d maps, %d differ%n", MAPS, wrong.size());
    assertThat(wrong.stream().limit(3).toList()).isEmpty();
  }

  private static Map<MapDoubt.Kind, Set<String>> expected(List<RegisterEntry> entries) {
    Map<MapDoubt.Kind, Set<String>> expected = new TreeMap<>();
    for (MapDoubt.Kind kind :
        List.of(
            MapDoubt.Kind.OVERLAP,
            MapDoubt.Kind.RANGE,
            MapDoubt.Kind.RESOLUTION,
            MapDoubt.Kind.READ_ONLY,
            MapDoubt.Kind.ROLE_TWICE,
            MapDoubt.Kind.TOO_LONG)) {
      expected.put(kind, new TreeSet<>());
    }
    Set<String> taken = new HashSet<>();
    Set<ValueRole> roles = new HashSet<>();
    for (RegisterEntry e : entries) {
      if (places(e).stream().anyMatch(taken::contains)) {
        expected.get(MapDoubt.Kind.OVERLAP).add(e.name());
      }
      taken.addAll(places(e));
      double one = (e.minimum() - e.offset()) / e.scale();
      double other = (e.maximum() - e.offset()) / e.scale();
      double[] holds = HOLDS.get(e.type());
      boolean fits = one >= holds[0] && one <= holds[1] && other >= holds[0] && other <= holds[1];
      if (!fits) {
        expected.get(MapDoubt.Kind.RANGE).add(e.name());
      }
      double steps = Math.abs(one - other);
      if (!e.unit().isEmpty() && steps < 200) {
        expected.get(MapDoubt.Kind.RESOLUTION).add(e.name());
      }
      if (e.access() != Access.READ && MOST.get(e.table())[1] == 0) {
        expected.get(MapDoubt.Kind.READ_ONLY).add(e.name());
      }
      if (e.role() != ValueRole.NONE && !roles.add(e.role())) {
        expected.get(MapDoubt.Kind.ROLE_TWICE).add(e.name());
      }
    }
    tooLong(entries, expected.get(MapDoubt.Kind.TOO_LONG));
    return expected;
  }

  private static void tooLong(List<RegisterEntry> entries, Set<String> told) {
    Map<String, List<RegisterEntry>> groups = new TreeMap<>();
    entries.stream()
        .filter(e -> !e.group().isEmpty())
        .forEach(e -> groups.computeIfAbsent(e.group() + e.table(), g -> new ArrayList<>()).add(e));
    for (List<RegisterEntry> group : groups.values()) {
      Set<Integer> all = new TreeSet<>();
      for (RegisterEntry e : group) {
        all.add(e.address());
        all.add(e.address() + (int) HOLDS.get(e.type())[2] - 1);
      }
      TreeSet<Integer> sorted = new TreeSet<>(all);
      int span = sorted.last() - sorted.first() + 1;
      int[] most = MOST.get(group.get(0).table());
      boolean written = group.stream().noneMatch(e -> e.access() == Access.READ);
      if (span > most[0] || (written && most[1] > 0 && span > most[1])) {
        told.add(group.get(0).name());
      }
    }
  }
}

package unimotus.core.fieldbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;

/** Addresses, words, requests and times of a register fieldbus. */
class RegisterMapTest {

  private static RegisterEntry entry(String name, int address, ValueType type) {
    return new RegisterEntry(
        DriveValue.named(name, type, Scaling.of(0.01, "Hz"), new Limits(0, 50), Access.READ_WRITE),
        RegisterPlace.of(RegisterTable.HOLDING_REGISTER, address));
  }

  private static RegisterEntry word(String name, int address) {
    return entry(name, address, ValueType.UNSIGNED_16);
  }

  /** The first holding register in every notation of manuals (common practice). */
  @ParameterizedTest
  @CsvSource({
    "FROM_ZERO, HOLDING_REGISTER, 0, 0",
    "FROM_ONE, HOLDING_REGISTER, 1, 0",
    "FIVE_DIGITS, HOLDING_REGISTER, 40001, 0",
    "SIX_DIGITS, HOLDING_REGISTER, 400001, 0",
    "FIVE_DIGITS, INPUT_REGISTER, 30108, 107",
    "FIVE_DIGITS, COIL, 00020, 19",
    "FIVE_DIGITS, DISCRETE_INPUT, 10197, 196",
    "SIX_DIGITS, HOLDING_REGISTER, 465536, 65535",
    "HEX, HOLDING_REGISTER, 0x2000, 8192"
  })
  void notations(Notation notation, RegisterTable table, String written, int address) {
    assertThat(notation.read(table, written)).isEqualTo(address);
    assertThat(notation.write(table, address)).isEqualTo(written);
  }

  @Test
  void fiveDigitsDoNotReachFar() {
    assertThat(Notation.FIVE_DIGITS.write(RegisterTable.HOLDING_REGISTER, 9998)).isEqualTo("49999");
    assertThat(Notation.FIVE_DIGITS.write(RegisterTable.HOLDING_REGISTER, 9999)).isEqualTo("–");
  }

  @ParameterizedTest
  @CsvSource({
    "FIVE_DIGITS, 30001, begin with 4",
    "FIVE_DIGITS, 4001, 5 digits",
    "FROM_ONE, 0, outside",
    "FROM_ZERO, 65536, outside",
    "HEX, xyz, is no address",
    "FROM_ZERO, ten, is no address"
  })
  void whatIsNoAddressIsRefused(Notation notation, String text, String why) {
    assertThatThrownBy(() -> notation.read(RegisterTable.HOLDING_REGISTER, text))
        .hasMessageContaining(why);
  }

  /** 123456.7 as IEEE 754 is 0x47F1205A; the same bytes in the four orders (by arithmetic). */
  @ParameterizedTest
  @CsvSource({
    "ABCD, 0x47F1, 0x205A",
    "CDAB, 0x205A, 0x47F1",
    "BADC, 0xF147, 0x5A20",
    "DCBA, 0x5A20, 0xF147"
  })
  void floatsInFourOrders(WordOrder order, String first, String second) {
    int[] words = order.words(ValueType.FLOAT_32, 123456.7f);
    assertThat(words[0]).isEqualTo(Integer.decode(first));
    assertThat(words[1]).isEqualTo(Integer.decode(second));
    assertThat(order.raw(ValueType.FLOAT_32, words)).isCloseTo(123456.7, within(0.01));
  }

  @ParameterizedTest
  @EnumSource(value = ValueType.class, mode = EnumSource.Mode.MATCH_NONE, names = "TEXT_.*")
  void everyNumberComesBack(ValueType type) {
    Random random = new Random(3);
    for (WordOrder order : WordOrder.values()) {
      for (double raw : new double[] {type.least(), type.most(), 0, 1}) {
        assertThat(order.raw(type, order.words(type, raw))).isEqualTo(raw);
      }
      for (int i = 0; i < 200 && type != ValueType.FLOAT_32; i++) {
        double raw = Math.rint(type.least() + random.nextDouble() * (type.most() - type.least()));
        assertThat(order.raw(type, order.words(type, raw))).isEqualTo(raw);
      }
    }
    assertThatThrownBy(() -> type.encode(Double.NaN)).hasMessageContaining("does not fit");
  }

  /** Hz × 100: 25.00 Hz is raw 2500 (common practice). */
  @Test
  void scaledValues() {
    RegisterEntry frequency = word("frequency", 8451);
    assertThat(frequency.words(25)).containsExactly(2500);
    assertThat(frequency.value(new int[] {5000})).isEqualTo(50);
    assertThatThrownBy(() -> frequency.words(-1)).hasMessageContaining("frequency");
  }

  /** Modbus over Serial Line: ten registers at 19200 baud are 33 characters, 18.9 ms (handbook). */
  @Test
  void tenRegistersAt19200Baud() {
    SerialLine line = new SerialLine(19_200, 11, 0);
    ReadRequest ten = new ReadRequest(RegisterTable.HOLDING_REGISTER, 0, 10, List.of());
    double silence = 2 * line.silenceSeconds();
    assertThat(line.requestSeconds(ten) - silence).isCloseTo(0.0189, within(0.00005));
    assertThat(line.silenceSeconds()).isCloseTo(3.5 * 11 / 19_200, within(1e-9));
    assertThat(new SerialLine(115_200, 11, 0).silenceSeconds()).isEqualTo(0.00175);
    List<Double> steps =
        new SerialLine(19_200, 11, 0.005)
            .cycle(List.of(ten), 20).steps().stream().map(s -> s.value()).toList();
    assertThat(steps.get(3)).isCloseTo(20 * (18.906 + 5 + 4.010), within(0.05));
  }

  /** Limits of the protocol: 125 registers and 2000 bits a request (V1.1b3, from memory). */
  @Test
  void requestsStayWithinTheProtocol() {
    List<RegisterEntry> entries = new ArrayList<>();
    for (int i = 0; i < 300; i++) {
      entries.add(word("r" + i, i));
    }
    List<ReadRequest> requests = ReadRequest.fewest(entries, 0);
    assertThat(requests).extracting(ReadRequest::count).containsExactly(125, 125, 50);
    assertThat(requests).extracting(ReadRequest::address).containsExactly(0, 125, 250);
  }

  @Test
  void aGapIsReadAlongOnlyWhereItIsAllowed() {
    List<RegisterEntry> entries = List.of(word("a", 10), word("b", 14), word("c", 200));
    assertThat(ReadRequest.fewest(entries, 0)).hasSize(3);
    assertThat(ReadRequest.fewest(entries, 8)).hasSize(2);
    assertThat(ReadRequest.fewest(entries, 8).get(0).count()).isEqualTo(5);
  }

  /** Against every way of cutting a few entries into stretches: none needs fewer requests. */
  @Test
  void noOtherGroupingNeedsFewer() {
    Random random = new Random(9);
    for (int i = 0; i < 200; i++) {
      List<RegisterEntry> entries = new ArrayList<>();
      int address = 0;
      for (int n = 0; n < 7; n++) {
        address += 1 + random.nextInt(90);
        entries.add(word("r" + n, address));
      }
      assertThat(ReadRequest.fewest(entries, 200)).hasSize(least(entries));
    }
  }

  private static int least(List<RegisterEntry> entries) {
    if (entries.isEmpty()) {
      return 0;
    }
    int best = Integer.MAX_VALUE;
    for (int n = 1; n <= entries.size(); n++) {
      if (entries.get(n - 1).end() - entries.get(0).address() <= 125) {
        best = Math.min(best, 1 + least(entries.subList(n, entries.size())));
      }
    }
    return best;
  }

  @Test
  void whatCannotBeRightIsDoubted() {
    RegisterEntry speed =
        new RegisterEntry(
            DriveValue.named(
                "speed",
                ValueType.UNSIGNED_16,
                Scaling.of(1, "rpm"),
                new Limits(-1500, 1500),
                Access.READ_WRITE),
            RegisterPlace.of(RegisterTable.INPUT_REGISTER, 5));
    RegisterEntry coarse =
        new RegisterEntry(
            DriveValue.named(
                "coarse",
                ValueType.UNSIGNED_16,
                Scaling.of(1, "Hz"),
                new Limits(0, 50),
                Access.READ),
            RegisterPlace.of(RegisterTable.HOLDING_REGISTER, 40));
    RegisterMap map =
        new RegisterMap(
            List.of(entry("energy", 10, ValueType.UNSIGNED_32), word("hours", 11), speed, coarse));
    assertThat(map.doubts())
        .extracting(MapDoubt::kind)
        .containsExactly(
            MapDoubt.Kind.OVERLAP,
            MapDoubt.Kind.RANGE,
            MapDoubt.Kind.READ_ONLY,
            MapDoubt.Kind.RESOLUTION);
    assertThat(map.doubts()).allSatisfy(d -> assertThat(d.remedy()).isNotBlank());
  }

  /** 125 are read at once, 123 are written (Modbus Application Protocol V1.1b3, from memory). */
  @Test
  void aGroupThatIsWrittenIsShorterThanOneThatIsRead() {
    RegisterMap most = grouped(0, 122);
    assertThat(most.doubts()).isEmpty();
    assertThat(grouped(0, 123).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.seen()).contains("spans 124").contains("writes 123"));
    assertThat(grouped(0, 125).doubts())
        .singleElement()
        .satisfies(d -> assertThat(d.seen()).contains("spans 126").contains("reads 125"));
  }

  private static RegisterMap grouped(int first, int last) {
    return new RegisterMap(List.of(inGroup("first", first), inGroup("last", last)));
  }

  private static RegisterEntry inGroup(String name, int address) {
    return new RegisterEntry(
        DriveValue.named(
            name,
            ValueType.UNSIGNED_16,
            Scaling.of(1, ""),
            new Limits(0, 65_535),
            Access.READ_WRITE),
        new RegisterPlace(RegisterTable.HOLDING_REGISTER, address, WordOrder.ABCD, "commands"));
  }

  /** The off-by-one is the first suspect when values look shifted (common practice). */
  @Test
  void theOffByOneIsRecognised() {
    RegisterMap right = new RegisterMap(List.of(word("a", 10), word("b", 11), word("c", 30)));
    assertThat(right.shifted(1).shiftAgainst(right).orElseThrow().seen()).contains("one above");
    assertThat(right.shifted(-1).shiftAgainst(right)).isPresent();
    assertThat(right.shiftAgainst(right)).isEmpty();
    assertThat(right.shifted(2).shiftAgainst(right)).isEmpty();
  }

  @Test
  void impossibleEntriesAreRefusedByName() {
    assertThatThrownBy(() -> word("x", 65_536))
        .hasMessageContaining("holding register: address 65536");
    assertThatThrownBy(() -> entry("y", 65_535, ValueType.FLOAT_32))
        .hasMessageContaining("with 2 registers");
    assertThatThrownBy(() -> word(" ", 1)).hasMessageContaining("needs a name");
    assertThatThrownBy(
            () ->
                new RegisterEntry(
                    DriveValue.named(
                        "z",
                        ValueType.UNSIGNED_16,
                        Scaling.of(1, ""),
                        new Limits(0, 1),
                        Access.READ),
                    RegisterPlace.of(RegisterTable.COIL, 1)))
        .hasMessageContaining("a coil does not hold a unsigned 16");
    assertThatThrownBy(() -> new SerialLine(100, 11, 0)).hasMessageContaining("300");
  }
}

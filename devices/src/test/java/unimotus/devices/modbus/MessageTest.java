package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Messages and frames against the examples of the specification (V1.1b3, from memory). */
class MessageTest {
  private static final HexFormat HEX = HexFormat.ofDelimiter(" ").withUpperCase();

  private static byte[] bytes(String hex) {
    return HEX.parseHex(hex);
  }

  private static String hex(byte[] bytes) {
    return HEX.formatHex(bytes);
  }

  /** The catalogue's check value of CRC-16/MODBUS. */
  @Test
  void theCheckOfTheCatalogue() {
    byte[] digits = "123456789".getBytes(StandardCharsets.US_ASCII);
    assertThat(Crc16.of(digits, digits.length)).isEqualTo(0x4B37);
  }

  /** Requests of the specification's examples. */
  @Test
  void requestsOfTheSpecification() {
    assertThat(hex(new Request.Read(1, 19, 19).bytes())).isEqualTo("01 00 13 00 13");
    assertThat(hex(new Request.Read(2, 196, 22).bytes())).isEqualTo("02 00 C4 00 16");
    assertThat(hex(new Request.Read(3, 107, 3).bytes())).isEqualTo("03 00 6B 00 03");
    assertThat(hex(new Request.Read(4, 8, 1).bytes())).isEqualTo("04 00 08 00 01");
    assertThat(hex(new Request.WriteOne(5, 172, 1).bytes())).isEqualTo("05 00 AC FF 00");
    assertThat(hex(new Request.WriteOne(6, 1, 3).bytes())).isEqualTo("06 00 01 00 03");
    assertThat(hex(new Request.WriteMany(15, 19, List.of(1, 0, 1, 1, 0, 0, 1, 1, 1, 0)).bytes()))
        .isEqualTo("0F 00 13 00 0A 02 CD 01");
    assertThat(hex(new Request.WriteMany(16, 1, List.of(10, 258)).bytes()))
        .isEqualTo("10 00 01 00 02 04 00 0A 01 02");
    assertThat(hex(new Request.MaskWrite(4, 0xF2, 0x25).bytes())).isEqualTo("16 00 04 00 F2 00 25");
    assertThat(hex(new Request.ReadWrite(3, 6, 14, List.of(255, 255, 255)).bytes()))
        .isEqualTo("17 00 03 00 06 00 0E 00 03 06 00 FF 00 FF 00 FF");
    assertThat(hex(new Request.Identify(1, 0).bytes())).isEqualTo("2B 0E 01 00");
  }

  /** Answers of the specification's examples. */
  @Test
  void answersOfTheSpecification() throws FrameFault {
    Response coils = Response.to(new Request.Read(1, 19, 19), bytes("01 03 CD 6B 05"));
    assertThat(((Response.Values) coils).values())
        .containsExactly(1, 0, 1, 1, 0, 0, 1, 1, 1, 1, 0, 1, 0, 1, 1, 0, 1, 0, 1);
    Response words = Response.to(new Request.Read(3, 107, 3), bytes("03 06 02 2B 00 00 00 64"));
    assertThat(((Response.Values) words).values()).containsExactly(555, 0, 100);
    assertThat(hex(words.bytes())).isEqualTo("03 06 02 2B 00 00 00 64");
    Response refused = Response.to(new Request.Read(1, 1185, 1), bytes("81 02"));
    assertThat(((Response.Refusal) refused).words()).contains("illegal data address");
    assertThat(hex(refused.bytes())).isEqualTo("81 02");
  }

  /** 0x12, mask 0xF2, or 0x25: the specification's example ends at 0x17. */
  @Test
  void maskedWriting() throws Unit.Refused {
    RegisterBank bank = new RegisterBank(10, Map.of());
    bank.write(unimotus.core.fieldbus.RegisterTable.HOLDING_REGISTER, 4, List.of(0x12));
    Answering.answer(bank, new Request.MaskWrite(4, 0xF2, 0x25).bytes());
    assertThat(bank.read(unimotus.core.fieldbus.RegisterTable.HOLDING_REGISTER, 4, 1))
        .containsExactly(0x17);
  }

  private static List<Request> many(Random random) {
    int count = 1 + random.nextInt(100);
    return List.of(
        new Request.Read(1 + random.nextInt(4), random.nextInt(60_000), count),
        new Request.WriteOne(5, random.nextInt(65_536), random.nextInt(2)),
        new Request.WriteOne(6, random.nextInt(65_536), random.nextInt(65_536)),
        new Request.WriteMany(15, random.nextInt(60_000), values(random, count, 2)),
        new Request.WriteMany(16, random.nextInt(60_000), values(random, count, 65_536)),
        new Request.MaskWrite(random.nextInt(65_536), random.nextInt(65_536), 0x00FF),
        new Request.ReadWrite(
            random.nextInt(60_000), count, random.nextInt(60_000), values(random, count, 65_536)),
        new Request.Identify(1 + random.nextInt(4), random.nextInt(256)));
  }

  private static List<Integer> values(Random random, int count, int below) {
    List<Integer> values = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      values.add(random.nextInt(below));
    }
    return values;
  }

  @Test
  void everyRequestIsReadAsItIsWritten() throws FrameFault {
    Random random = new Random(1);
    for (int i = 0; i < 300; i++) {
      for (Request request : many(random)) {
        assertThat(Request.of(request.bytes())).isEqualTo(request);
      }
    }
  }

  /** Limits of the specification: 2000 and 1968 bits, 125, 123 and 121 registers. */
  @Test
  void theLimitsOfTheProtocol() {
    List<Integer> words = Collections.nCopies(124, 0);
    assertThatThrownBy(() -> new Request.Read(3, 0, 126)).hasMessageContaining("1 to 125, not 126");
    assertThatThrownBy(() -> new Request.Read(1, 0, 2001)).hasMessageContaining("2000");
    assertThatThrownBy(() -> new Request.Read(3, 0, 0)).hasMessageContaining("not 0");
    assertThatThrownBy(() -> new Request.Read(3, 65_535, 2)).hasMessageContaining("65535");
    assertThatThrownBy(() -> new Request.WriteMany(16, 0, words)).hasMessageContaining("123");
    assertThatThrownBy(() -> new Request.WriteMany(15, 0, Collections.nCopies(1969, 1)))
        .hasMessageContaining("1968");
    assertThatThrownBy(() -> new Request.ReadWrite(0, 1, 0, words.subList(0, 122)))
        .hasMessageContaining("121");
    assertThatThrownBy(() -> new Request.WriteOne(6, 0, 65_536)).hasMessageContaining("65535");
  }

  @ParameterizedTest
  @CsvSource({
    "63, ILLEGAL_FUNCTION",
    "03 00 00 00 00, ILLEGAL_DATA_VALUE",
    "03 00 00 00 7E, ILLEGAL_DATA_VALUE",
    "03 00 63 00 02, ILLEGAL_DATA_ADDRESS",
    "05 00 00 12 34, ILLEGAL_DATA_VALUE",
    "10 00 00 00 02 03 00 00 00, ILLEGAL_DATA_VALUE",
    "06 00 64 00 01, ILLEGAL_DATA_ADDRESS",
    "03 00, ILLEGAL_DATA_VALUE",
    "2B 0D 01 00, ILLEGAL_FUNCTION",
    "2B 0E 04 63, ILLEGAL_DATA_ADDRESS"
  })
  void whatCannotBeDoneIsRefusedByItsException(String message, ExceptionCode code) {
    RegisterBank bank = new RegisterBank(100, Map.of(0, "maker"));
    Response answer = Answering.answer(bank, bytes(message));
    assertThat(answer).isInstanceOf(Response.Refusal.class);
    assertThat(((Response.Refusal) answer).code()).isEqualTo(code.code());
  }

  @ParameterizedTest
  @EnumSource(ExceptionCode.class)
  void everyExceptionIsSaidInWords(ExceptionCode code) {
    assertThat(new Response.Refusal(3, code).words()).contains(code.label()).contains(":");
    assertThat(ExceptionCode.of(code.code())).contains(code);
  }

  /** A read of ten registers from unit 17 with the check of the specification's algorithm. */
  @Test
  void serialFrames() throws FrameFault {
    RtuFrame frame = new RtuFrame(0x11, new Request.Read(3, 0x6B, 3).bytes());
    assertThat(hex(frame.bytes())).isEqualTo("11 03 00 6B 00 03 76 87");
    assertThat(RtuFrame.of(frame.bytes())).isEqualTo(frame);
    byte[] broken = frame.bytes();
    broken[3] ^= 1;
    assertThatThrownBy(() -> RtuFrame.of(broken)).hasMessageContaining("the check is");
    assertThatThrownBy(() -> RtuFrame.of(new byte[3])).hasMessageContaining("4 to 256");
  }

  @ParameterizedTest
  @CsvSource({
    "03 04 00 01, says it has 4",
    "04 02 00 01, function 3 was asked",
    "03 02 00, ends after",
    "03 02 00 01 00, left over",
    "83, ends after"
  })
  void lyingAnswersAreFound(String answer, String why) {
    assertThatThrownBy(() -> Response.to(new Request.Read(3, 0, 1), bytes(answer)))
        .isInstanceOf(FrameFault.class)
        .hasMessageContaining(why);
  }

  @Test
  void anEchoOfSomethingElseIsFound() {
    assertThatThrownBy(() -> Response.to(new Request.WriteOne(6, 1, 3), bytes("06 00 01 00 04")))
        .hasMessageContaining("say again");
  }

  /** Mutated requests: always an answer, never an exception. */
  @Test
  void noMutatedRequestBreaksAUnit() {
    RegisterBank bank = new RegisterBank(100, Map.of(0, "maker"));
    Random random = new Random(2);
    List<Request> good = many(random);
    for (int i = 0; i < 250_000; i++) {
      byte[] message = good.get(i % good.size()).bytes();
      for (int n = 0; n < 1 + random.nextInt(3); n++) {
        message[random.nextInt(message.length)] = (byte) random.nextInt(256);
      }
      if (random.nextInt(8) == 0) {
        message = java.util.Arrays.copyOf(message, 1 + random.nextInt(message.length));
      }
      Response answer = Answering.answer(bank, message);
      assertThat(answer.bytes().length).isBetween(2, 253);
    }
  }
}

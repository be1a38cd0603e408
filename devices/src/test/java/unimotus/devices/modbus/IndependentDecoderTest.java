package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Every composed frame through an independent protocol analyser, field by field. */
class IndependentDecoderTest {
  @TempDir Path folder;

  @BeforeAll
  static void isThere() {
    Analyser.assumeThere("frames were not decoded independently");
  }

  private List<String> decoded(List<byte[]> frames, String... fields)
      throws IOException, InterruptedException {
    return decoded("mbtcp", frames, false, fields);
  }

  private List<String> decoded(
      String protocol, List<byte[]> frames, boolean answers, String... fields)
      throws IOException, InterruptedException {
    return new Analyser(folder).decoded(protocol, frames, answers, fields);
  }

  @Test
  void readsAndSingleWritesAreSeenAsTheyWereMeant() throws Exception {
    Random random = new Random(6);
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < 400; i++) {
      int function = 1 + random.nextInt(4);
      int address = random.nextInt(60_000);
      int count = 1 + random.nextInt(125);
      int unit = random.nextInt(248);
      Request request = new Request.Read(function, address, count);
      frames.add(new TcpFrame(i, unit, request.bytes()).bytes());
      boolean bits = function <= 2;
      meant.add(
          "%d;0;6;%d;%d;%d;%s;%s;"
              .formatted(i, unit, function, address, bits ? "" : count, bits ? count : ""));
    }
    assertThat(
            decoded(
                frames,
                "mbtcp.trans_id",
                "mbtcp.prot_id",
                "mbtcp.len",
                "mbtcp.unit_id",
                "modbus.func_code",
                "modbus.reference_num",
                "modbus.word_cnt",
                "modbus.bit_cnt",
                "_ws.malformed"))
        .isEqualTo(meant);
  }

  @Test
  void writesOfManyAreSeenWithTheirValues() throws Exception {
    Random random = new Random(8);
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < 200; i++) {
      List<Integer> values = new ArrayList<>();
      int count = 1 + random.nextInt(123);
      for (int n = 0; n < count; n++) {
        values.add(random.nextInt(65_536));
      }
      frames.add(new TcpFrame(i, 1, new Request.WriteMany(16, i, values).bytes()).bytes());
      String all = String.join(",", values.stream().map(String::valueOf).toList());
      meant.add("16;%d;%d;%d;%s;".formatted(i, count, 2 * count, all));
    }
    assertThat(
            decoded(
                frames,
                "modbus.func_code",
                "modbus.reference_num",
                "modbus.word_cnt",
                "modbus.byte_cnt",
                "modbus.regval_uint16",
                "_ws.malformed"))
        .isEqualTo(meant);
  }

  /** The analyser computes the check itself and finds it good; one that is spoilt it finds bad. */
  @Test
  void serialRequestsAreSeenWithAGoodCheck() throws Exception {
    Random random = new Random(12);
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < 300; i++) {
      int function = 3 + random.nextInt(2);
      int address = random.nextInt(60_000);
      int count = 1 + random.nextInt(125);
      int unit = 1 + random.nextInt(247);
      byte[] frame = new RtuFrame(unit, new Request.Read(function, address, count).bytes()).bytes();
      boolean spoilt = i % 10 == 9;
      if (spoilt) {
        frame[frame.length - 1] ^= 0x40;
      }
      frames.add(frame);
      meant.add("%d;%d;%d;%d;%d".formatted(unit, spoilt ? 0 : 1, function, address, count));
    }
    assertThat(
            decoded(
                "mbrtu",
                frames,
                false,
                "mbrtu.unit_id",
                "mbrtu.crc16.status",
                "modbus.func_code",
                "modbus.reference_num",
                "modbus.word_cnt"))
        .isEqualTo(meant);
  }

  @Test
  void serialAnswersAreSeenWithTheirValuesAndExceptions() throws Exception {
    Random random = new Random(13);
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < 100; i++) {
      List<Integer> values = new ArrayList<>();
      for (int n = random.nextInt(20); n >= 0; n--) {
        values.add(random.nextInt(65_536));
      }
      frames.add(new RtuFrame(7, new Response.Values(3, values).bytes()).bytes());
      String all = String.join(",", values.stream().map(String::valueOf).toList());
      meant.add("7;1;3;%d;%s;".formatted(2 * values.size(), all));
    }
    for (ExceptionCode code : ExceptionCode.values()) {
      frames.add(new RtuFrame(9, new Response.Refusal(16, code).bytes()).bytes());
      meant.add("9;1;16;;;%d".formatted(code.code()));
    }
    assertThat(
            decoded(
                "mbrtu",
                frames,
                true,
                "mbrtu.unit_id",
                "mbrtu.crc16.status",
                "modbus.func_code",
                "modbus.byte_cnt",
                "modbus.regval_uint16",
                "modbus.exception_code"))
        .isEqualTo(meant);
  }

  /** Every answer of TCP, values and exceptions. */
  @Test
  void answersOnTcpAreSeenAsTheyWereMeant() throws Exception {
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < 60; i++) {
      List<Integer> values = List.of(i, 1000 * i, 65_535 - i);
      frames.add(new TcpFrame(i, 5, new Response.Values(4, values).bytes()).bytes());
      meant.add("%d;5;4;6;%d,%d,%d;".formatted(i, i, 1000 * i, 65_535 - i));
    }
    for (ExceptionCode code : ExceptionCode.values()) {
      frames.add(new TcpFrame(77, 6, new Response.Refusal(6, code).bytes()).bytes());
      meant.add("77;6;6;;;%d".formatted(code.code()));
    }
    assertThat(
            decoded(
                "mbtcp",
                frames,
                true,
                "mbtcp.trans_id",
                "mbtcp.unit_id",
                "modbus.func_code",
                "modbus.byte_cnt",
                "modbus.regval_uint16",
                "modbus.exception_code"))
        .isEqualTo(meant);
  }

  @Test
  void masksReadWritesAndIdentificationAreUnderstood() throws Exception {
    List<byte[]> frames =
        List.of(
            new TcpFrame(1, 1, new Request.MaskWrite(4, 0xF2, 0x25).bytes()).bytes(),
            new TcpFrame(2, 1, new Request.ReadWrite(3, 6, 14, List.of(255)).bytes()).bytes(),
            new TcpFrame(3, 1, new Request.Identify(1, 0).bytes()).bytes(),
            new TcpFrame(4, 1, new Request.WriteOne(6, 9, 4711).bytes()).bytes(),
            new TcpFrame(5, 1, new Request.WriteMany(15, 19, List.of(1, 0, 1)).bytes()).bytes());
    List<String> seen =
        decoded(
            frames,
            "modbus.func_code",
            "modbus.reference_num",
            "modbus.and_mask",
            "modbus.or_mask",
            "modbus.read_reference_num",
            "modbus.write_reference_num",
            "modbus.read_device_id",
            "modbus.bit_cnt",
            "_ws.malformed");
    assertThat(seen)
        .containsExactly(
            "22;4;0x00f2;0x0025;;;;;",
            "23;;;;3;14;;;",
            "43;;;;;;1;;",
            "6;9;;;;;;;",
            "15;19;;;;;;3;");
  }
}

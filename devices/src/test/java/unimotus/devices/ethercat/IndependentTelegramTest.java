package unimotus.devices.ethercat;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.devices.modbus.Analyser;

/** Composed telegrams through an independent protocol analyser, field by field. */
class IndependentTelegramTest {
  private static final int FRAMES = 2000;
  private static final int ETHERNET = 1;
  private static final int LEAST_FRAME = 60;

  @TempDir Path folder;

  @BeforeAll
  static void isThere() {
    Analyser.assumeThere("telegrams were not decoded independently");
  }

  private static byte[] frame(Telegram telegram) {
    byte[] content = telegram.bytes();
    ByteBuffer out = ByteBuffer.allocate(Math.max(LEAST_FRAME, 14 + content.length));
    out.put(new byte[] {-1, -1, -1, -1, -1, -1, 2, 0, 0, 0, 0, 1});
    return out.putShort((short) Telegram.ETHERNET_TYPE).put(content).array();
  }

  private static byte[] capture(List<byte[]> frames) {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    ByteBuffer head = ByteBuffer.allocate(24).order(ByteOrder.LITTLE_ENDIAN);
    head.putInt(0xA1B2C3D4).putShort((short) 2).putShort((short) 4).putLong(0);
    all.writeBytes(head.putInt(262_144).putInt(ETHERNET).array());
    for (int i = 0; i < frames.size(); i++) {
      int length = frames.get(i).length;
      ByteBuffer each = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
      all.writeBytes(each.putInt(i).putInt(0).putInt(length).putInt(length).array());
      all.writeBytes(frames.get(i));
    }
    return all.toByteArray();
  }

  private static String each(Telegram telegram, Function<Datagram, Object> field) {
    return telegram.datagrams().stream()
        .map(d -> String.valueOf(field.apply(d)))
        .collect(Collectors.joining(","));
  }

  @Test
  void everyFieldIsSeenAsItWasMeant() throws Exception {
    Random random = new Random(88);
    List<byte[]> frames = new ArrayList<>();
    List<String> meant = new ArrayList<>();
    for (int i = 0; i < FRAMES; i++) {
      Telegram telegram = RandomTelegrams.made(random);
      frames.add(frame(telegram));
      meant.add(
          String.join(
              ";",
              "0x%04x".formatted(telegram.bytes().length - 2),
              each(telegram, d -> "0x%02x".formatted(d.command().ordinal())),
              each(telegram, d -> "0x%02x".formatted(d.index())),
              each(telegram, Datagram::length),
              each(telegram, d -> "0x%04x".formatted(d.interrupt())),
              each(telegram, Datagram::counter)));
    }
    Path file = folder.resolve("telegrams.pcap");
    Files.write(file, capture(frames));
    Process process =
        new ProcessBuilder(
                "/usr/bin/tshark",
                "-r",
                file.toString(),
                "-T",
                "fields",
                "-E",
                "separator=;",
                "-E",
                "occurrence=a",
                "-e",
                "ecatf.length",
                "-e",
                "ecat.cmd",
                "-e",
                "ecat.idx",
                "-e",
                "ecat.subframe.length",
                "-e",
                "ecat.int",
                "-e",
                "ecat.cnt")
            .redirectError(ProcessBuilder.Redirect.DISCARD)
            .start();
    String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isZero();
    List<String> seen = text.lines().toList();
    assertThat(seen).hasSize(FRAMES);
    int same = 0;
    for (int i = 0; i < FRAMES; i++) {
      assertThat(seen.get(i)).isEqualTo(meant.get(i));
      same++;
    }
    System.out.printf("telegrams decoded alike: %d of %d%n", same, FRAMES);
  }
}

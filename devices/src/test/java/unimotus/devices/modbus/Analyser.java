package unimotus.devices.modbus;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** An independent analyser of protocols, given frames each on a connection of its own. */
public final class Analyser {
  private static final int RAW_IPV4 = 228;
  private static final int PORT = 502;
  private static final Path PROGRAM = Path.of("/usr/bin/tshark");

  private final Path folder;

  /** An analyser that writes its captures here. */
  public Analyser(Path folder) {
    this.folder = folder;
  }

  /** Skips the tests, with a word, where it is not installed. */
  public static void assumeThere(String unchecked) {
    boolean there = Files.isExecutable(PROGRAM);
    if (!there) {
      System.err.println("NOT CHECKED: tshark is missing, " + unchecked);
    }
    assumeTrue(there);
  }

  private static byte[] packet(int connection, byte[] data, boolean answer) {
    int client = 0x0B000000 + connection;
    int server = 0x0A000002;
    ByteBuffer out = ByteBuffer.allocate(40 + data.length);
    out.put((byte) 0x45).put((byte) 0).putShort((short) (40 + data.length));
    out.putInt(0).put((byte) 64).put((byte) 6).putShort((short) 0);
    out.putInt(answer ? server : client).putInt(answer ? client : server);
    out.putShort((short) (answer ? PORT : 40_000)).putShort((short) (answer ? 40_000 : PORT));
    out.putInt(1).putInt(1);
    out.put((byte) 0x50).put((byte) 0x18).putShort((short) 8192).putInt(0);
    return out.put(data).array();
  }

  private static byte[] capture(List<byte[]> frames, boolean answers) {
    int size = 24 + frames.stream().mapToInt(f -> 16 + 40 + f.length).sum();
    ByteBuffer out = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(0xA1B2C3D4).putShort((short) 2).putShort((short) 4).putLong(0);
    out.putInt(262_144).putInt(RAW_IPV4);
    for (int i = 0; i < frames.size(); i++) {
      byte[] packet = packet(i, frames.get(i), answers);
      out.putInt(i).putInt(0).putInt(packet.length).putInt(packet.length).put(packet);
    }
    return out.array();
  }

  /**
   * What it sees: a line a frame, the fields divided by semicolons, their values by commas.
   *
   * @param protocol mbtcp or mbrtu
   */
  public List<String> decoded(
      String protocol, List<byte[]> frames, boolean answers, String... fields)
      throws IOException, InterruptedException {
    Path file = folder.resolve("frames.pcap");
    Files.write(file, capture(frames, answers));
    List<String> command =
        new ArrayList<>(
            List.of(
                PROGRAM.toString(),
                "-r",
                file.toString(),
                "-d",
                "tcp.port==502," + protocol,
                "-T",
                "fields",
                "-E",
                "separator=;",
                "-E",
                "occurrence=a"));
    if (protocol.equals("mbrtu")) {
      command.addAll(
          List.of(
              "-o",
              "mbrtu.crc_verification:TRUE",
              "-o",
              "mbrtu.desegment:FALSE",
              "-o",
              "mbrtu.tcp.port:502"));
    }
    for (String field : fields) {
      command.add("-e");
      command.add(field);
    }
    Process process =
        new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
    String text = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isZero();
    return text.lines().toList();
  }
}

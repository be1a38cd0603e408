package unimotus.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HexFormat;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.Segment;
import unimotus.formats.capture.TcpConversation;
import unimotus.formats.json.FileFault;

/** Captures, against the tools of an independent analyser. */
class CaptureFileTest {
  private static final byte[] REQUEST = HexFormat.of().parseHex("000100000006010300000002");
  private static final byte[] ANSWER = HexFormat.of().parseHex("000100000007010304000a000b");

  @TempDir private Path folder;

  private static List<Packet> conversation() {
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(1_000_000_000L, REQUEST);
    conversation.answer(1_002_500_000L, ANSWER);
    return conversation.packets();
  }

  @Test
  void whatIsWrittenIsReadAgain() throws IOException {
    Path file = folder.resolve("a.pcap");
    CaptureFile.write(file, Packet.RAW_IPV4, conversation());
    List<Packet> read = CaptureFile.read(file);
    assertThat(read).isEqualTo(conversation());
    Segment answer = Segment.of(read.get(1)).orElseThrow();
    assertThat(answer.payload()).isEqualTo(ANSWER);
    assertThat(answer.from()).isEqualTo("10.0.0.2:502");
  }

  private static String run(String... command) throws IOException, InterruptedException {
    Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).as(said).isZero();
    return said;
  }

  private static void tshark() {
    boolean there = Files.isExecutable(Path.of("/usr/bin/tshark"));
    if (!there) {
      System.err.println("NOT CHECKED: tshark is missing, captures were read by nobody else");
    }
    assumeTrue(there);
  }

  /** The analyser sees good checksums, the conversation in order, and Modbus in it. */
  @Test
  void anIndependentAnalyserReadsWhatIsWritten() throws Exception {
    tshark();
    Path file = folder.resolve("a.pcap");
    CaptureFile.write(file, Packet.RAW_IPV4, conversation());
    String said =
        run(
            "tshark",
            "-r",
            file.toString(),
            "-o",
            "tcp.check_checksum:TRUE",
            "-o",
            "ip.check_checksum:TRUE",
            "-T",
            "fields",
            "-e",
            "ip.checksum.status",
            "-e",
            "tcp.checksum.status",
            "-e",
            "mbtcp.trans_id",
            "-e",
            "modbus.func_code",
            "-e",
            "tcp.analysis.flags");
    assertThat(said.lines().filter(l -> !l.contains("Running as")).toList())
        .containsExactly("1\t1\t1\t3\t", "1\t1\t1\t3\t");
  }

  /** Captures made by the analyser's own tools, old format and new. */
  @ParameterizedTest
  @ValueSource(strings = {"pcap", "pcapng", "nsecpcap"})
  void whatAnotherProgramWroteIsRead(String format) throws Exception {
    tshark();
    Path hex = folder.resolve("frames.txt");
    Files.writeString(hex, "000000 00 01 00 00 00 06 01 03 00 00 00 02\n");
    Path file = folder.resolve("b." + format);
    run("text2pcap", "-q", "-F", format, "-T", "40000,502", hex.toString(), file.toString());
    List<Packet> packets = CaptureFile.read(file);
    assertThat(packets).hasSize(1);
    Segment segment = Segment.of(packets.get(0)).orElseThrow();
    assertThat(segment.toPort()).isEqualTo(502);
    assertThat(segment.payload()).isEqualTo(REQUEST);
  }

  @Test
  void whatIsNoCaptureIsNamed() {
    assertThatThrownBy(() -> CaptureFile.read("x.txt", "name;table".getBytes()))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("x.txt")
        .hasMessageContaining("neither as pcap nor as pcapng");
    byte[] bytes = CaptureFile.bytes(Packet.RAW_IPV4, conversation());
    bytes[35] = 0x7F;
    assertThatThrownBy(() -> CaptureFile.read("x.pcap", bytes)).hasMessageContaining("says it has");
  }

  @Test
  void aCaptureThatWasBrokenOffKeepsWhatIsWhole() throws FileFault {
    byte[] bytes = CaptureFile.bytes(Packet.RAW_IPV4, conversation());
    byte[] cut = java.util.Arrays.copyOf(bytes, bytes.length - 3);
    assertThat(CaptureFile.read("x.pcap", cut)).hasSize(1);
  }

  /** Whatever a file holds, it is read or refused, never worse. */
  @Test
  void noMutationCrashesTheReader() throws Exception {
    tshark();
    Path hex = folder.resolve("frames.txt");
    Files.writeString(hex, "000000 00 01 00 00 00 06 01 03 00 00 00 02\n");
    Path file = folder.resolve("b.pcapng");
    run("text2pcap", "-q", "-F", "pcapng", "-T", "40000,502", hex.toString(), file.toString());
    List<byte[]> seeds =
        List.of(Files.readAllBytes(file), CaptureFile.bytes(Packet.RAW_IPV4, conversation()));
    Random random = new Random(5);
    int read = 0;
    for (int i = 0; i < 100_000; i++) {
      byte[] bytes = seeds.get(i % 2).clone();
      for (int k = random.nextInt(4); k >= 0; k--) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
      try {
        CaptureFile.read("x", bytes).forEach(Segment::of);
        read++;
      } catch (FileFault refused) {
        assertThat(refused.getMessage()).startsWith("x, line");
      }
    }
    assertThat(read).isBetween(1, 99_999);
  }
}

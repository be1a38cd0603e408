package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Composed;
import unimotus.devices.modbus.RegisterBank;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.RtuFrame;
import unimotus.devices.modbus.TcpFrame;
import unimotus.devices.modbus.TcpStandIn;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.capture.TcpConversation;
import unimotus.workbench.live.Captures.Frame;

/** Frames into captures and out of them, whole, divided, repeated and spoilt. */
class CapturesTest {
  @TempDir private Path folder;

  private static Frame frame(double seconds, boolean answer, byte[] bytes) {
    return Frame.of(seconds, answer, bytes);
  }

  private static byte[] ask(int transaction) {
    return new TcpFrame(transaction, 1, new Request.Read(3, 0, 2).bytes()).bytes();
  }

  private static byte[] answer(int transaction) {
    return new TcpFrame(transaction, 1, new Response.Values(3, List.of(7, 8)).bytes()).bytes();
  }

  private Captures.Read read(List<Packet> packets) throws IOException {
    Path file = folder.resolve("x.pcap");
    CaptureFile.write(file, packets.isEmpty() ? 1 : packets.get(0).linkType(), packets);
    return Captures.read(file, Captures.MODBUS_PORT);
  }

  @Test
  void aConversationComesBackAsItWent() throws IOException {
    Path file = folder.resolve("a.pcap");
    List<Frame> frames = List.of(frame(0, false, ask(1)), frame(0.0125, true, answer(1)));
    Captures.write(file, frames, false);
    Captures.Read read = Captures.read(file, Captures.MODBUS_PORT);
    assertThat(read.frames())
        .extracting(Frame::bytes)
        .isEqualTo(List.of(frames.get(0).bytes(), frames.get(1).bytes()));
    assertThat(read.frames()).extracting(Frame::answer).containsExactly(false, true);
    assertThat(read.frames().get(1).seconds()).isEqualTo(0.0125);
    assertThat(read.passedOver()).isZero();
    assertThat(Captures.read(file, 1502).frames()).as("another port").isEmpty();
  }

  @Test
  void bareSerialFramesComeBack() throws IOException {
    Path file = folder.resolve("s.pcap");
    byte[] serial = new RtuFrame(3, new Request.Read(4, 0, 1).bytes()).bytes();
    byte[] back = new RtuFrame(3, new Response.Values(4, List.of(9)).bytes()).bytes();
    Captures.write(file, List.of(frame(0, false, serial), frame(0.01, true, back)), true);
    Captures.Read read = Captures.read(file, Captures.MODBUS_PORT);
    assertThat(read.frames()).extracting(Frame::array).containsExactly(serial, back);
    assertThat(read.frames()).extracting(Frame::answer).containsExactly(false, true);
  }

  /** However a stream is divided into packets, the same frames come out (RFC 9293). */
  @Test
  void framesMayBeDividedAnywhere() throws IOException {
    ByteArrayOutputStream all = new ByteArrayOutputStream();
    for (int i = 0; i < 40; i++) {
      all.writeBytes(ask(i));
    }
    Random random = new Random(2);
    for (int run = 0; run < 50; run++) {
      TcpConversation conversation = new TcpConversation(502);
      byte[] bytes = all.toByteArray();
      for (int at = 0; at < bytes.length; ) {
        int end = Math.min(bytes.length, at + 1 + random.nextInt(30));
        conversation.ask(at, java.util.Arrays.copyOfRange(bytes, at, end));
        at = end;
      }
      Captures.Read read = read(conversation.packets());
      assertThat(read.frames()).hasSize(40);
      assertThat(read.frames().get(39).array()).isEqualTo(ask(39));
      assertThat(read.passedOver()).isZero();
    }
  }

  @Test
  void whatWasSentAgainCountsOnce() throws IOException {
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, ask(1));
    List<Packet> packets = new ArrayList<>(conversation.packets());
    packets.add(packets.get(0));
    conversation.answer(1, answer(1));
    packets.add(conversation.packets().get(1));
    assertThat(read(packets).frames()).hasSize(2);
  }

  @Test
  void bytesThatAreNoFrameAreCounted() throws IOException {
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, "GET / HTTP/1.1\r\n".getBytes());
    conversation.ask(1, ask(5));
    Captures.Read read = read(conversation.packets());
    assertThat(read.frames()).hasSize(1);
    assertThat(read.passedOver()).isEqualTo(16);
  }

  @Test
  void serialFramesOverTcpAreTold() throws IOException {
    byte[] serial = Composed.frame(true, 0, 17, new Request.Read(3, 107, 3));
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, serial);
    assertThat(read(conversation.packets()).frames().get(0).array()).isEqualTo(serial);
  }

  /** What a link exchanges is kept as it went over the wire, bounded. */
  @Test
  void aLinkIsRecorded() throws Exception {
    AtomicLong nanos = new AtomicLong();
    FrameRecorder recorder = new FrameRecorder(nanos::get);
    try (TcpStandIn standIn = TcpStandIn.start(0, Map.of(1, new RegisterBank(10, Map.of())));
        Client client = standIn.route().client(1000, recorder)) {
      nanos.set(5_000_000);
      client.ask(1, new Request.Read(3, 0, 2));
    }
    assertThat(recorder.frames()).extracting(Frame::answer).containsExactly(false, true);
    assertThat(recorder.frames().get(0).array()).isEqualTo(ask(1));
    assertThat(recorder.frames().get(0).seconds()).isEqualTo(0.005);
    for (int i = 0; i < FrameRecorder.MOST_FRAMES; i++) {
      recorder.sent(ask(i));
    }
    assertThat(recorder.frames()).hasSize(FrameRecorder.MOST_FRAMES);
    assertThat(recorder.frames().get(0).array()).isEqualTo(ask(0));
  }

  @Test
  void aFileThatIsNoneIsNamed() throws IOException {
    Path file = folder.resolve("notes.txt");
    Files.writeString(file, "no capture");
    assertThatThrownBy(() -> Captures.read(file, 502)).hasMessageContaining("notes.txt");
  }
}

package unimotus.workbench.capture;

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
    Captures.write(file, frames);
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
    Captures.write(file, List.of(frame(0, false, serial), frame(0.01, true, back)));
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

  /** A frame with a lying header between two good ones, in a segment of its own or not. */
  @Test
  void aBadFrameLosesNoOther() throws IOException {
    byte[] longer = ask(2);
    longer[5] += 3;
    byte[] protocol = ask(3);
    protocol[2] = 7;
    TcpConversation conversation = new TcpConversation(502);
    for (byte[] one : List.of(ask(1), longer, ask(4), protocol, ask(5))) {
      conversation.ask(0, one);
    }
    Captures.Read read = read(conversation.packets());
    assertThat(read.frames())
        .extracting(Frame::array)
        .containsExactly(ask(1), longer, ask(4), protocol, ask(5));
    assertThat(read.frames().get(1).explained().fault()).contains("the length says 9, 6 follow");
    assertThat(read.frames().get(3).explained().fault()).contains("protocol 1792 is not Modbus");
    assertThat(read.passedOver()).isZero();
  }

  @Test
  void aSpoiltSerialFrameIsShownWithItsFault() throws IOException {
    byte[] good = new RtuFrame(3, new Request.Read(4, 0, 1).bytes()).bytes();
    byte[] bad = good.clone();
    bad[3] ^= 1;
    TcpConversation conversation = new TcpConversation(502);
    List.of(good, bad, good).forEach(f -> conversation.ask(0, f));
    Captures.Read read = read(conversation.packets());
    assertThat(read.frames()).extracting(Frame::array).containsExactly(good, bad, good);
    assertThat(read.frames()).extracting(Frame::serial).containsOnly(true);
    assertThat(read.frames().get(1).explained().fault()).contains("the check is");
  }

  /** Two registers from address 0 over a serial line look like a header of TCP. */
  @Test
  void aConnectionIsSerialAsAWhole() throws IOException {
    byte[] two = Composed.frame(true, 0, 17, new Request.Read(3, 0, 2));
    byte[] back = Composed.frame(true, 0, 17, new Response.Values(3, List.of(1, 2)));
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, two);
    conversation.answer(1, back);
    assertThat(read(conversation.packets()).frames())
        .extracting(Frame::array)
        .containsExactly(two, back);
  }

  @Test
  void whatCameOutOfOrderStandsWhereItBelongs() throws IOException {
    TcpConversation conversation = new TcpConversation(502);
    conversation.ask(0, java.util.Arrays.copyOf(ask(1), 5));
    conversation.ask(1, java.util.Arrays.copyOfRange(ask(1), 5, 12));
    conversation.ask(2, ask(2));
    List<Packet> packets = new ArrayList<>(conversation.packets());
    java.util.Collections.swap(packets, 1, 2);
    Captures.Read read = read(packets);
    assertThat(read.frames()).extracting(Frame::array).containsExactlyInAnyOrder(ask(1), ask(2));
    assertThat(read.rest()).isEmpty();
  }

  @Test
  void whatTheCaptureDoesNotHaveIsSaid() throws IOException {
    TcpConversation conversation = new TcpConversation(502);
    for (int i = 1; i <= 3; i++) {
      conversation.ask(i, ask(i));
    }
    List<Packet> packets = new ArrayList<>(conversation.packets());
    packets.remove(1);
    Captures.Read read = read(packets);
    assertThat(read.frames()).hasSize(2);
    assertThat(read.rest()).contains("12 bytes missing from the capture");
  }

  /** On a bare serial line a lost answer and a broadcast turn nothing round. */
  @Test
  void whoSpokeOnASerialLineIsToldFromTheFrames() throws IOException {
    byte[] ask = Composed.frame(true, 0, 3, new Request.Read(3, 0, 4));
    byte[] back = Composed.frame(true, 0, 3, new Response.Values(3, List.of(1, 2, 3, 4)));
    byte[] all = Composed.frame(true, 0, 0, new Request.WriteOne(6, 1, 1));
    byte[] write = Composed.frame(true, 0, 3, new Request.WriteOne(6, 1, 1));
    List<byte[]> line = List.of(back, ask, ask, back, all, ask, back, write, write, ask);
    List<Packet> packets = new ArrayList<>();
    line.forEach(f -> packets.add(new Packet(packets.size(), Packet.USER_0, f)));
    assertThat(read(packets).frames())
        .extracting(Frame::answer)
        .containsExactly(true, false, false, true, false, false, true, false, true, false);
  }

  @Test
  void framesOfBothKindsAreNotWrittenIntoOneCapture() {
    List<Frame> both =
        List.of(
            frame(0, false, ask(1)),
            frame(1, false, Composed.frame(true, 0, 3, new Request.Read(3, 0, 4))));
    assertThatThrownBy(() -> Captures.write(folder.resolve("b.pcap"), both))
        .isInstanceOf(IOException.class)
        .hasMessageContaining("1 of 2 frames are serial");
  }
}

package unimotus.devices.modbus.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.devices.modbus.RtuFrame;
import unimotus.devices.modbus.TcpFrame;
import unimotus.devices.modbus.explain.FrameSplitter.Kind;
import unimotus.devices.modbus.explain.FrameSplitter.Piece;

/** Streams of frames, some spoilt, divided: every other one comes out whole. */
class FrameSplitterTest {
  private static final int STREAMS = Boolean.getBoolean("campaign.full") ? 5000 : 200;

  /** A stream that is known, and what was done to it. */
  private static final class Stream {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final List<Integer> starts = new ArrayList<>();
    private final Set<Piece> good = new HashSet<>();
    private int bad;

    void add(byte[] frame, boolean spoilt, boolean segment) {
      if (segment) {
        starts.add(bytes.size());
      }
      if (spoilt) {
        bad++;
      } else {
        good.add(new Piece(bytes.size(), frame.length, Kind.FRAME));
      }
      bytes.writeBytes(frame);
    }
  }

  private static byte[] framed(byte[] message, boolean serial, int number) {
    return serial
        ? new RtuFrame(1 + number % 247, message).bytes()
        : new TcpFrame(number, 1 + number % 247, message).bytes();
  }

  /** Bytes exchanged, taken away or put in; the header of TCP lies or its protocol is another. */
  private static byte[] spoilt(byte[] frame, boolean serial, Random random) {
    byte[] bytes = frame.clone();
    switch (random.nextInt(4)) {
      case 0 -> {
        int at = serial ? random.nextInt(bytes.length) : 2 + random.nextInt(4);
        bytes[at] ^= (byte) (1 + random.nextInt(255));
      }
      case 1 -> bytes = java.util.Arrays.copyOf(bytes, bytes.length - 1 - random.nextInt(3));
      case 2 -> bytes = java.util.Arrays.copyOf(bytes, bytes.length + 1 + random.nextInt(5));
      default -> {
        int at = serial ? bytes.length - 1 : 5;
        bytes[at] += (byte) (1 + random.nextInt(40));
      }
    }
    return bytes;
  }

  private static Stream stream(boolean serial, boolean answers, Random random, int everySegment) {
    SampleMessages messages = new SampleMessages(random);
    Stream stream = new Stream();
    for (int i = 0; i < 40; i++) {
      int function = SampleMessages.FUNCTIONS[random.nextInt(18)];
      byte[] frame = framed(messages.message(function == 8 ? 3 : function, answers), serial, i);
      boolean spoilt = random.nextInt(5) == 0;
      stream.add(spoilt ? spoilt(frame, serial, random) : frame, spoilt, i % everySegment == 0);
    }
    return stream;
  }

  @ParameterizedTest
  @CsvSource({
    "false,false,1", "false,true,1", "true,false,1", "true,true,1",
    "false,false,4", "false,true,4", "true,false,4", "true,true,4"
  })
  void aBadFrameTakesNoOtherWithIt(boolean serial, boolean answers, int everySegment) {
    Random random = new Random(11);
    int good = 0;
    int bad = 0;
    int lost = 0;
    for (int i = 0; i < STREAMS; i++) {
      Stream stream = stream(serial, answers, random, everySegment);
      byte[] bytes = stream.bytes.toByteArray();
      List<Piece> pieces = FrameSplitter.split(bytes, stream.starts, answers, serial);
      assertThat(pieces.stream().mapToInt(Piece::length).sum()).isEqualTo(bytes.length);
      Set<Piece> missed = new HashSet<>(stream.good);
      pieces.forEach(missed::remove);
      lost += missed.size();
      good += stream.good.size();
      bad += stream.bad;
    }
    System.out.printf(
        "serial %s, answers %s, a segment every %d: %d bad frames among %d good ones, %d lost%n",
        serial, answers, everySegment, bad, good, lost);
    // Where segments tell nothing a bad frame may by chance look like one with its neighbour.
    assertThat(lost).isLessThanOrEqualTo(everySegment == 1 ? 0 : good / 1000);
  }

  @Test
  void bytesThatAreNoFrameAreNone() {
    byte[] bytes = "GET / HTTP/1.1\r\n".getBytes(java.nio.charset.StandardCharsets.US_ASCII);
    assertThat(FrameSplitter.split(bytes, List.of(0), false, false))
        .containsExactly(new Piece(0, bytes.length, Kind.NONE));
  }

  @Test
  void aFrameCutOffAtTheEndIsBad() {
    byte[] frame = ExplainedFrame.bytes("0001 0000 0006 01 03 0000 0002");
    byte[] cut = java.util.Arrays.copyOf(frame, 10);
    assertThat(FrameSplitter.split(cut, List.of(0), false, false))
        .containsExactly(new Piece(0, 10, Kind.BAD));
  }
}

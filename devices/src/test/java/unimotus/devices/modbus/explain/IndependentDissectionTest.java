package unimotus.devices.modbus.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.devices.modbus.Analyser;

/**
 * Every function, request, answer and refusal, TCP and serial, whole and spoilt, explained here and
 * by an independent analyser: the fields are equal, or the reason stands here.
 */
class IndependentDissectionTest {
  private static final int A_FUNCTION = Boolean.getBoolean("campaign.full") ? 2000 : 60;

  private static final String MALFORMED = "_ws.malformed";

  @TempDir private Path folder;

  @BeforeAll
  static void isThere() {
    Analyser.assumeThere("frames were not taken apart independently");
  }

  @ParameterizedTest
  @CsvSource({"false,false", "false,true", "true,false", "true,true"})
  void wholeFramesHaveTheSameFields(boolean serial, boolean answer) throws Exception {
    List<byte[]> frames = frames(serial, answer, false);
    List<Map<String, List<String>>> seen = analysed(frames, serial, answer);
    int passedOver = 0;
    for (int i = 0; i < frames.size(); i++) {
      ExplainedFrame frame = ExplainedFrame.of(frames.get(i), answer);
      assertThat(frame.serial()).as(hex(frames.get(i))).isEqualTo(serial);
      boolean refusedInRequest = !answer && frame.function().startsWith("refusal");
      assertThat(frame.faults()).as(hex(frames.get(i))).hasSize(refusedInRequest ? 1 : 0);
      if (isTooShort(frames.get(i), serial)) {
        passedOver++;
      } else {
        assertThat(Dissection.of(frame)).as(hex(frames.get(i))).isEqualTo(seen.get(i));
      }
    }
    System.out.printf(
        "whole frames, serial %s, answers %s: %d, 0 differ, %d too short for the analyser%n",
        serial, answer, frames.size(), passedOver);
  }

  /**
   * A spoilt frame without a fault here has the analyser's fields. Of one with a fault the analyser
   * says as much or less, for it stops early; what it calls malformed has a fault here.
   */
  @ParameterizedTest
  @CsvSource({"false,false", "false,true", "true,false", "true,true"})
  void spoiltFramesHaveNoOtherFields(boolean serial, boolean answer) throws Exception {
    List<byte[]> frames = frames(serial, answer, true);
    List<Map<String, List<String>>> seen = analysed(frames, serial, answer);
    Map<String, Integer> reasons = new TreeMap<>();
    for (int i = 0; i < frames.size(); i++) {
      ExplainedFrame frame = ExplainedFrame.of(frames.get(i), answer, serial);
      String reason = reason(frame, frames.get(i));
      reasons.merge(reason.isEmpty() ? "none" : reason, 1, Integer::sum);
      Map<String, List<String>> theirs = seen.get(i);
      String told = "%s %s %s".formatted(hex(frames.get(i)), frame.faults(), theirs);
      boolean malformed = theirs.remove(MALFORMED) != null;
      assertThat(malformed && frame.faults().isEmpty()).as(told).isFalse();
      if (!reason.isEmpty()) {
        continue;
      }
      Map<String, List<String>> ours = Dissection.of(frame);
      if (frame.faults().isEmpty()) {
        assertThat(ours).as(told).isEqualTo(theirs);
      } else {
        theirs.forEach(
            (field, values) ->
                assertThat(ours.getOrDefault(field, List.of()))
                    .as(told + " " + field)
                    .startsWith(values.toArray(String[]::new)));
      }
    }
    System.out.printf(
        "spoilt frames, serial %s, answers %s: not compared because %s%n", serial, answer, reasons);
    assertThat(reasons.get("none")).isGreaterThan(frames.size() / 2);
  }

  /** Why the analyser sees a spoilt frame otherwise; empty where it has no reason to. */
  private static String reason(ExplainedFrame frame, byte[] bytes) {
    if (isTooShort(bytes, frame.serial())) {
      return "the analyser takes apart serial frames from five bytes on only";
    }
    if (frame.serial() && frame.part("left over").isPresent()) {
      return "the analyser takes what is left over on a serial line for further frames";
    }
    if (frame.part("exception").filter(e -> e.bytes().equals("00")).isPresent()) {
      return "the analyser takes exception 0 for no refusal";
    }
    if (frame.parts().stream().anyMatch(IndependentDissectionTest::isUnreadable)) {
      return "the analyser writes out texts of the first seven objects only, unprintable ones its way";
    }
    if (frame.parts().stream()
        .anyMatch(p -> p.name().equals("group length") && !p.fault().isEmpty())) {
      return "the analyser reads on behind a group that lies about its length";
    }
    return "";
  }

  private static boolean isTooShort(byte[] frame, boolean serial) {
    return serial && frame.length < 5;
  }

  private static boolean isUnreadable(FramePart part) {
    boolean text = part.meaning().startsWith("'");
    boolean others = part.name().equals("reserved") || part.name().equals("the device's own");
    return text && (others || part.meaning().contains("·") || part.meaning().contains(","));
  }

  private static String hex(byte[] bytes) {
    return HexFormat.ofDelimiter(" ").formatHex(bytes);
  }

  private List<Map<String, List<String>>> analysed(
      List<byte[]> frames, boolean serial, boolean answer) throws Exception {
    List<String> fields = new ArrayList<>(Dissection.FIELDS);
    fields.add(MALFORMED);
    List<String> lines =
        new Analyser(folder)
            .decoded(serial ? "mbrtu" : "mbtcp", frames, answer, fields.toArray(String[]::new));
    List<Map<String, List<String>>> all = new ArrayList<>();
    for (String line : lines) {
      Map<String, List<String>> seen = new TreeMap<>();
      String[] values = line.split(";", -1);
      for (int i = 0; i < values.length; i++) {
        if (!values[i].isEmpty()) {
          seen.put(fields.get(i), List.of(values[i].split(",")));
        }
      }
      all.add(seen);
    }
    return all;
  }

  private static List<byte[]> frames(boolean serial, boolean answer, boolean spoilt) {
    Random random = new Random(serial ? 1 : 2);
    SampleMessages messages = new SampleMessages(random);
    List<byte[]> frames = new ArrayList<>();
    for (int function : SampleMessages.FUNCTIONS) {
      for (int i = 0; i < A_FUNCTION; i++) {
        byte[] message = messages.message(function, answer);
        frames.add(framed(spoilt ? mutated(message, random) : message, serial, random));
      }
    }
    return frames;
  }

  private static byte[] mutated(byte[] message, Random random) {
    byte[] bytes = message.clone();
    int kind = random.nextInt(4);
    if (kind == 0 && bytes.length > 1) {
      return Arrays.copyOf(bytes, 1 + random.nextInt(bytes.length - 1));
    }
    if (kind == 1) {
      return Arrays.copyOf(bytes, bytes.length + 1 + random.nextInt(4));
    }
    int at = random.nextInt(bytes.length);
    bytes[at] = (byte) (kind == 2 ? random.nextInt(256) : -random.nextInt(2));
    return bytes;
  }

  private static byte[] framed(byte[] message, boolean serial, Random random) {
    int unit = 1 + random.nextInt(247);
    ByteBuffer out = ByteBuffer.allocate(message.length + (serial ? 3 : 7));
    if (!serial) {
      out.putShort((short) random.nextInt(0x10000)).putShort((short) 0);
      out.putShort((short) (message.length + 1));
    }
    out.put((byte) unit).put(message);
    if (serial) {
      int crc = crc(out.array(), out.position());
      out.put((byte) crc).put((byte) (crc >> 8));
    }
    return out.array();
  }

  /** The check bit by bit, as the specification draws it. */
  private static int crc(byte[] bytes, int length) {
    int crc = 0xFFFF;
    for (int i = 0; i < length; i++) {
      crc ^= bytes[i] & 0xFF;
      for (int bit = 0; bit < 8; bit++) {
        crc = (crc & 1) == 0 ? crc >> 1 : crc >> 1 ^ 0xA001;
      }
    }
    return crc;
  }
}

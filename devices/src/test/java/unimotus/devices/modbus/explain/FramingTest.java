package unimotus.devices.modbus.explain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.RtuFrame;

/** Serial or TCP, what is illegal, what lies about its length; the standards from memory. */
class FramingTest {

  private static ExplainedFrame explain(String hex, boolean answer) {
    return ExplainedFrame.of(ExplainedFrame.bytes(hex), answer);
  }

  /** Two registers from address 0: protocol and length of TCP fit by chance, for every unit. */
  @Test
  void aSerialReadOfTwoFromZeroIsSerial() {
    for (int unit = 1; unit <= 247; unit++) {
      for (int function = 1; function <= 4; function++) {
        byte[] frame = new RtuFrame(unit, new Request.Read(function, 0, 2).bytes()).bytes();
        ExplainedFrame told = ExplainedFrame.of(frame, false);
        assertThat(told.serial()).as("unit %d function %d", unit, function).isTrue();
        assertThat(told.faults()).isEmpty();
      }
    }
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "0001 0000 0007 01 03 0000 0002 | the length says 7, 6 follow",
        "0001 0000 0005 01 03 0000 0002 | the length says 5, 6 follow",
        "0001 0001 0006 01 03 0000 0002 | protocol 1 is not Modbus (0)",
        "0001 0000 0001 01 03 0000 0002 | length 1 is illegal: 2 to 254",
        "0001 0000 000D 01 10 FFFF 0002 03 000A 0102 | the length says 13, 11 follow",
        "0001 0000 0009 01 06 00 | the length says 9, 3 follow",
      })
  void faultsOfAHeaderAreToldAsSuch(String hex, String fault) {
    ExplainedFrame frame = explain(hex, false);
    assertThat(frame.serial()).isFalse();
    assertThat(frame.faults()).contains(fault);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "03 0000 0000 | count 0 is illegal: 1 to 125",
        "04 0000 007E | count 126 is illegal: 1 to 125",
        "01 0000 07D1 | count 2001 is illegal: 1 to 2000",
        "03 FFFF 0002 | addresses 65535 to 65536 lie outside 0 to 65535",
        "05 0000 0001 | value 0x0001 is illegal: FF00 or 0000",
        "10 0000 0002 03 000102 | byte count 3 is illegal: 2 places need 4",
        "10 0000 007C 00 | count 124 is illegal: 1 to 123",
        "0F 0000 0009 01 FF | byte count 1 is illegal: 9 places need 2",
        "17 0000 0001 0000 007A 00 | write count 122 is illegal: 1 to 121",
        "08 0005 0000 | subfunction 5 is not in the specification",
        "08 0001 1234 | data 0x1234 is illegal: FF00 or 0000",
        "08 000B 0001 | data 0x0001 is illegal: 0000",
        "14 07 05 0001 0000 0001 | reference type 5 is illegal: 6",
        "14 07 06 0000 0000 0001 | file 0 is illegal: 1 to 65535",
        "14 07 06 0001 2710 0001 | record 10000 is illegal: 0 to 9999",
        "2B 0E 05 00 | code 5 is illegal: 1 to 4",
        "2B 0F 01 00 | interface 15 is not in the specification: 13 or 14",
        "83 02 | function 131 is illegal in a request: 1 to 127",
        "00 | function 0 is illegal: 1 to 127",
        "06 0000 | the frame ends within the value",
        "06 0000 0001 00 | 1 byte is left over",
      })
  void whatTheStandardForbidsInRequestsIsNamed(String message, String fault) {
    assertFault(message, fault, false);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "03 03 000102 | byte count 3 is illegal: a register has two bytes",
        "03 00 | byte count 0 is illegal: 2 to 250",
        "83 09 | exception 9 is not in the specification",
        "0B 1234 0000 | status 0x1234 is illegal: FFFF or 0000",
        "18 0004 0002 0001 0002 | byte count 4 is illegal: 2 registers need 6",
        "18 0042 0020 | queue count 32 is illegal: 0 to 31",
        "2B 0E 01 04 00 00 00 | conformity 0x04 is illegal: 01 to 03 or 81 to 83",
        "2B 0E 01 81 01 00 00 | more follows 0x01 is illegal: FF or 00",
        "2B 0E 01 81 00 02 00 | next object 2 is illegal where no more follows: 0",
        "14 06 04 06 000102 | group length 4 is illegal: a type and whole registers within 5 bytes",
      })
  void whatTheStandardForbidsInAnswersIsNamed(String message, String fault) {
    assertFault(message, fault, true);
  }

  private static void assertFault(String message, String fault, boolean answer) {
    byte[] bytes = ExplainedFrame.bytes(message);
    String header = "0001 0000 %04X 01".formatted(bytes.length + 1);
    assertThat(explain(header + message, answer).faults()).contains(fault);
    ExplainedFrame serial = ExplainedFrame.of(new RtuFrame(17, bytes).bytes(), answer, true);
    assertThat(serial.faults()).contains(fault);
    assertThat(serial.parts()).as("the field is marked").anyMatch(p -> p.fault().contains(fault));
  }

  @Test
  void aBroadcastIsNeitherReadNorAnswered() {
    byte[] read = new RtuFrame(0, new Request.Read(3, 0, 1).bytes()).bytes();
    assertThat(ExplainedFrame.of(read, false).fault()).contains("broadcast that reads");
    byte[] write = new RtuFrame(0, new Request.WriteOne(6, 0, 1).bytes()).bytes();
    assertThat(ExplainedFrame.of(write, false).faults()).isEmpty();
    assertThat(ExplainedFrame.of(write, true).fault()).contains("a broadcast is not answered");
  }

  @Test
  void aUnitOver247IsIllegalOnASerialLineOnly() {
    byte[] frame = ExplainedFrame.bytes("F8 06 0000 0001 9D A3");
    assertThat(ExplainedFrame.of(frame, false, true).fault()).contains("unit 248 is illegal");
    assertThat(explain("0001 0000 0006 FF 06 0000 0001", false).faults()).isEmpty();
  }

  /** Whatever is spoilt, at most one in 65 536 frames changes its kind by chance. */
  @Test
  void aSpoiltByteDoesNotMakeASerialFrameOneOfTcp() {
    Random random = new Random(9);
    SampleMessages messages = new SampleMessages(random);
    int turned = 0;
    int all = 20_000;
    for (int i = 0; i < all; i++) {
      int function = SampleMessages.FUNCTIONS[i % SampleMessages.FUNCTIONS.length];
      boolean answer = random.nextBoolean();
      byte[] frame = new RtuFrame(1 + i % 247, messages.message(function, answer)).bytes();
      frame[frame.length - 1 - random.nextInt(2)] ^= (byte) (1 + random.nextInt(255));
      if (!ExplainedFrame.of(frame, answer).serial()) {
        turned++;
      }
    }
    assertThat(turned).isLessThan(all / 100);
  }
}

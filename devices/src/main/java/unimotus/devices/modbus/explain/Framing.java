package unimotus.devices.modbus.explain;

import unimotus.devices.modbus.Crc16;
import unimotus.devices.modbus.FunctionCode;
import unimotus.devices.modbus.RtuFrame;
import unimotus.devices.modbus.RtuLength;
import unimotus.devices.modbus.TcpFrame;

/** What stands around a message: unit and check on a serial line, the header on TCP. */
final class Framing {
  private static final int SHORTEST_SERIAL = 4;
  private static final int CHECK = 2;
  private static final int WHOLE_HEADER = 2;
  private static final int LAST_SERIAL_UNIT = 247;

  /** Bytes of the header that its length does not count. */
  private static final int BEFORE_LENGTH_COUNTS = 6;

  private Framing() {}

  /**
   * Whether a frame is serial. The check alone fits by chance once in 65 536, the header alone fits
   * whenever two registers are read from address 0; where both fit or neither does, the length that
   * the function gives decides.
   */
  static boolean isSerial(byte[] frame, boolean answer) {
    boolean checked = hasCheck(frame);
    int header = headed(frame);
    if (checked != (header == WHOLE_HEADER)) {
      return checked;
    }
    int serial = fit(frame, answer);
    // Neither length nor check holds: half a header is more than nothing.
    return header == 0 || serial > 0 && serial >= fit(asSerial(frame), answer);
  }

  private static boolean hasCheck(byte[] frame) {
    return frame.length >= SHORTEST_SERIAL && told(frame) == Crc16.of(frame, frame.length - CHECK);
  }

  private static int told(byte[] frame) {
    return frame[frame.length - 2] & 0xFF | (frame[frame.length - 1] & 0xFF) << 8;
  }

  /** Two where protocol and length hold, one where one of them does. */
  private static int headed(byte[] frame) {
    if (frame.length <= TcpFrame.HEADER) {
      return 0;
    }
    int protocol = frame[2] == 0 && frame[3] == 0 ? 1 : 0;
    int length = word(frame, 4) == frame.length - BEFORE_LENGTH_COUNTS ? 1 : 0;
    return protocol + length;
  }

  /** Two where a serial frame of this function has this length, one where it may have any. */
  private static int fit(byte[] frame, boolean answer) {
    int length =
        answer ? RtuLength.answer(frame, frame.length) : RtuLength.request(frame, frame.length);
    return length == frame.length ? 2 : length == RtuLength.BY_SILENCE ? 1 : 0;
  }

  /** The message of a TCP frame in the place it has on a serial line. */
  private static byte[] asSerial(byte[] frame) {
    int bare = Math.max(0, frame.length - BEFORE_LENGTH_COUNTS);
    byte[] serial = new byte[bare + CHECK];
    System.arraycopy(frame, frame.length - bare, serial, 0, bare);
    return bare == 0 ? new byte[0] : serial;
  }

  private static int word(byte[] frame, int at) {
    return (frame[at] & 0xFF) << 8 | frame[at + 1] & 0xFF;
  }

  static void serial(FieldReader fields, byte[] frame, boolean answer) {
    if (frame.length < SHORTEST_SERIAL) {
      fields.data(frame.length, "bytes", "no frame");
      fields.wrong("a serial frame has %d bytes or more".formatted(SHORTEST_SERIAL));
      return;
    }
    if (frame.length > RtuFrame.LONGEST) {
      fields.wrong(
          "%d bytes are illegal: a serial frame has up to %d"
              .formatted(frame.length, RtuFrame.LONGEST));
    }
    fields.endAt(frame.length - CHECK);
    int unit = fields.octet("unit", "");
    if (unit > LAST_SERIAL_UNIT) {
      fields.illegal("unit %d is illegal on a serial line: 0 to 247".formatted(unit));
    }
    if (unit == 0) {
      broadcast(fields, answer);
    }
    Message.explain(fields, answer);
    fields.check(told(frame), Crc16.of(frame, frame.length - CHECK));
  }

  private static void broadcast(FieldReader fields, boolean answer) {
    if (answer) {
      fields.illegal("an answer from unit 0 is illegal: a broadcast is not answered");
    } else if (FunctionCode.of(fields.peek(0)).filter(f -> !f.isBroadcast()).isPresent()) {
      fields.illegal("a broadcast that reads is illegal: it is not answered");
    }
  }

  static void tcp(FieldReader fields, byte[] frame, boolean answer) {
    fields.word("transaction", "the answer says it again");
    int protocol = fields.word("protocol", "0 is Modbus");
    if (protocol > 0) {
      fields.illegal("protocol %d is not Modbus (0)".formatted(protocol));
    }
    int length = fields.limited(2, "length", "bytes that follow", 2, TcpFrame.LONGEST_MESSAGE + 1);
    int follow = frame.length - BEFORE_LENGTH_COUNTS;
    if (length != FieldReader.NONE && length != follow) {
      fields.illegal("the length says %d, %d follow".formatted(length, follow));
    }
    fields.octet("unit", "");
    Message.explain(fields, answer);
  }
}

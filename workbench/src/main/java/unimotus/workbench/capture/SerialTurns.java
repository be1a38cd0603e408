package unimotus.workbench.capture;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.devices.modbus.Crc16;
import unimotus.devices.modbus.FunctionCode;
import unimotus.devices.modbus.RtuLength;

/**
 * Who speaks on a serial line, told from the frames: an answer follows a request of its unit and
 * function and has an answer's length. A lost answer turns nothing round.
 */
final class SerialTurns {
  private byte @Nullable [] asked;

  /** Whether the next frame is an answer. */
  boolean isAnswer(byte[] frame) {
    boolean answer = Optional.ofNullable(asked).map(a -> answers(a, frame)).orElse(isLoose(frame));
    boolean awaited = !answer && frame.length > 0 && frame[0] != 0;
    asked = awaited ? frame.clone() : null;
    return answer;
  }

  /** An answer whose request is not in the capture. */
  private static boolean isLoose(byte[] frame) {
    return frame.length > 1
        && ((frame[1] & FunctionCode.REFUSED) != 0 || !fits(frame, false) && fits(frame, true));
  }

  private static boolean answers(byte[] asked, byte[] frame) {
    if (frame.length < 2 || asked.length < 2) {
      return true;
    }
    boolean same = frame[0] == asked[0] && (frame[1] & ~FunctionCode.REFUSED) == asked[1];
    if (!sound(frame)) {
      // A spoilt frame in an answer's place is one, unless it could only be a request.
      return same || !fits(frame, false);
    }
    return same && (fits(frame, true) || !fits(frame, false));
  }

  private static boolean sound(byte[] frame) {
    int bare = frame.length - 2;
    int told = frame[bare] & 0xFF | (frame[bare + 1] & 0xFF) << 8;
    return told == Crc16.of(frame, bare);
  }

  private static boolean fits(byte[] frame, boolean answer) {
    int length =
        answer ? RtuLength.answer(frame, frame.length) : RtuLength.request(frame, frame.length);
    return length == frame.length;
  }
}

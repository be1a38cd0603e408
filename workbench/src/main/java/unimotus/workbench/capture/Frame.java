package unimotus.workbench.capture;

import java.util.ArrayList;
import java.util.List;
import unimotus.devices.modbus.explain.ExplainedFrame;

/**
 * A frame of a capture.
 *
 * @param seconds when, from the first packet on
 * @param from who sent it; empty on a serial line
 * @param to to whom; empty on a serial line
 * @param answer whether it is an answer
 * @param serial whether it is a frame of a serial line, possibly carried over TCP
 * @param bytes the frame
 */
public record Frame(
    double seconds, String from, String to, boolean answer, boolean serial, List<Byte> bytes) {
  /** Takes a copy. */
  public Frame {
    bytes = List.copyOf(bytes);
  }

  /** A frame of a link whose ends need no names; its bytes tell whether it is serial. */
  public static Frame of(double seconds, boolean answer, byte[] bytes) {
    boolean serial = ExplainedFrame.of(bytes, answer).serial();
    return of(seconds, "", "", answer, serial, bytes);
  }

  static Frame of(
      double seconds, String from, String to, boolean answer, boolean serial, byte[] bytes) {
    List<Byte> all = new ArrayList<>();
    for (byte one : bytes) {
      all.add(one);
    }
    return new Frame(seconds, from, to, answer, serial, all);
  }

  /** The bytes as an array. */
  public byte[] array() {
    byte[] array = new byte[bytes.size()];
    for (int i = 0; i < array.length; i++) {
      array[i] = bytes.get(i);
    }
    return array;
  }

  /** Every byte explained. */
  public ExplainedFrame explained() {
    return ExplainedFrame.of(array(), answer, serial);
  }
}

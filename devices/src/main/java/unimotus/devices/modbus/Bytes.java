package unimotus.devices.modbus;

import java.io.ByteArrayOutputStream;
import java.util.List;

/** Bytes put together, high byte first. */
final class Bytes {
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();

  static Bytes of(int octet) {
    return new Bytes().octet(octet);
  }

  Bytes octet(int value) {
    out.write(value);
    return this;
  }

  Bytes word(int value) {
    return octet(value >> 8 & 0xFF).octet(value & 0xFF);
  }

  Bytes counted(byte[] bytes) {
    octet(bytes.length);
    out.writeBytes(bytes);
    return this;
  }

  Bytes countedWords(List<Integer> words) {
    octet(2 * words.size());
    words.forEach(this::word);
    return this;
  }

  Bytes all(byte[] bytes) {
    out.writeBytes(bytes);
    return this;
  }

  byte[] get() {
    return out.toByteArray();
  }
}

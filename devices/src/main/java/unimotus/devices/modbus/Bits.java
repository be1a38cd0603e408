package unimotus.devices.modbus;

import java.util.ArrayList;
import java.util.List;

/** Bits in bytes, the first in the least place of the first byte. */
final class Bits {
  private Bits() {}

  static byte[] packed(List<Integer> bits) {
    byte[] bytes = new byte[(bits.size() + 7) / 8];
    for (int i = 0; i < bits.size(); i++) {
      bytes[i / 8] |= (byte) (bits.get(i) << i % 8);
    }
    return bytes;
  }

  static List<Integer> unpacked(byte[] bytes, int count) {
    List<Integer> bits = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      bits.add(bytes[i / 8] >> i % 8 & 1);
    }
    return bits;
  }
}

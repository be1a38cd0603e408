package unimotus.devices.modbus;

/**
 * The check of serial frames: CRC-16 with the reflected polynomial 0xA001 and the start 0xFFFF; the
 * catalogue's check value over {@code 123456789} is 0x4B37.
 */
public final class Crc16 {
  private static final int POLYNOMIAL = 0xA001;
  private static final int[] TABLE = table();

  private Crc16() {}

  private static int[] table() {
    int[] table = new int[256];
    for (int i = 0; i < table.length; i++) {
      int crc = i;
      for (int bit = 0; bit < 8; bit++) {
        crc = (crc & 1) == 0 ? crc >> 1 : crc >> 1 ^ POLYNOMIAL;
      }
      table[i] = crc;
    }
    return table;
  }

  /** The check over the first {@code length} bytes. */
  public static int of(byte[] bytes, int length) {
    int crc = 0xFFFF;
    for (int i = 0; i < length; i++) {
      crc = crc >> 8 ^ TABLE[(crc ^ bytes[i]) & 0xFF];
    }
    return crc;
  }
}

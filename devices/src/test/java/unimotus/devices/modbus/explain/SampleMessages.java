package unimotus.devices.modbus.explain;

import java.io.ByteArrayOutputStream;
import java.util.Random;

/**
 * Messages of every function, put together byte by byte as the tables of the specification have
 * them (V1.1b3, chapter 6, from memory); no code shared with what explains them.
 */
final class SampleMessages {
  /** Every function of the specification, one the specification leaves free, and refusals. */
  static final int[] FUNCTIONS = {
    1, 2, 3, 4, 5, 6, 7, 8, 11, 12, 15, 16, 17, 20, 21, 22, 23, 24, 43, 0x63, 0x83, 0xAB
  };

  private static final int[] SUBFUNCTIONS = {0, 1, 2, 3, 4, 10, 11, 12, 13, 14, 15, 16, 17, 18, 20};

  private final Random random;
  private ByteArrayOutputStream out = new ByteArrayOutputStream();

  SampleMessages(Random random) {
    this.random = random;
  }

  byte[] message(int function, boolean answer) {
    out = new ByteArrayOutputStream();
    out.write(function);
    if (function > 0x7F) {
      out.write(1 + random.nextInt(8));
    } else if (answer) {
      answer(function);
    } else {
      request(function);
    }
    return out.toByteArray();
  }

  private void request(int function) {
    switch (function) {
      case 1, 2, 3, 4 -> words(random.nextInt(60_000), 1 + random.nextInt(125));
      case 5 -> words(any(), random.nextBoolean() ? 0xFF00 : 0);
      case 6 -> words(any(), any());
      case 8 -> diagnostics(false);
      case 15 -> {
        int count = 1 + random.nextInt(60);
        words(random.nextInt(60_000), count);
        counted((count + 7) / 8);
      }
      case 16 -> {
        int count = 1 + random.nextInt(20);
        words(random.nextInt(60_000), count);
        counted(2 * count);
      }
      case 20 -> {
        int groups = 1 + random.nextInt(3);
        out.write(7 * groups);
        for (int i = 0; i < groups; i++) {
          group(1 + random.nextInt(20));
        }
      }
      case 21 -> fileWritten();
      case 22 -> words(any(), any(), any());
      case 23 -> {
        int count = 1 + random.nextInt(20);
        words(random.nextInt(60_000), 1 + random.nextInt(125), random.nextInt(60_000), count);
        counted(2 * count);
      }
      case 24 -> words(any());
      case 43 -> octets(14, 1 + random.nextInt(4), random.nextInt(7));
      case 0x63 -> counted(random.nextInt(5));
      default -> {}
    }
  }

  private void answer(int function) {
    switch (function) {
      case 1, 2 -> counted(1 + random.nextInt(20));
      case 3, 4, 23 -> counted(2 + 2 * random.nextInt(20));
      case 5 -> words(any(), random.nextBoolean() ? 0xFF00 : 0);
      case 6, 22 -> request(function);
      case 7 -> octets(random.nextInt(256));
      case 8 -> diagnostics(true);
      case 11 -> words(random.nextBoolean() ? 0xFFFF : 0, any());
      case 12 -> {
        int events = random.nextInt(10);
        out.write(6 + events);
        words(random.nextBoolean() ? 0xFFFF : 0, any(), any());
        bytes(events);
      }
      case 15, 16 -> words(random.nextInt(60_000), 1 + random.nextInt(100));
      case 17 -> counted(2 + random.nextInt(8));
      case 20 -> fileRead();
      case 21 -> fileWritten();
      case 24 -> {
        int count = random.nextInt(32);
        words(2 + 2 * count, count);
        bytes(2 * count);
      }
      case 43 -> identity();
      default -> counted(random.nextInt(5));
    }
  }

  private void diagnostics(boolean answer) {
    int subfunction = SUBFUNCTIONS[random.nextInt(SUBFUNCTIONS.length)];
    words(subfunction);
    switch (subfunction) {
      case 0 -> bytes(2 + 2 * random.nextInt(4));
      case 1 -> words(random.nextBoolean() ? 0xFF00 : 0);
      case 3 -> words(0x4100);
      case 4, 10, 20 -> words(0);
      default -> words(answer ? any() : 0);
    }
  }

  private void group(int registers) {
    out.write(6);
    words(1 + random.nextInt(9), random.nextInt(10_000), registers);
  }

  private void fileWritten() {
    int registers = 1 + random.nextInt(20);
    out.write(7 + 2 * registers);
    group(registers);
    bytes(2 * registers);
  }

  private void fileRead() {
    int first = 1 + random.nextInt(10);
    int second = 1 + random.nextInt(10);
    octets(4 + 2 * first + 2 * second, 1 + 2 * first, 6);
    bytes(2 * first);
    octets(1 + 2 * second, 6);
    bytes(2 * second);
  }

  private void identity() {
    int objects = 1 + random.nextInt(3);
    octets(14, 1, 0x81, 0, 0, objects);
    for (int i = 0; i < objects; i++) {
      int length = 1 + random.nextInt(9);
      octets(i, length);
      for (int n = 0; n < length; n++) {
        out.write('A' + random.nextInt(26));
      }
    }
  }

  private void counted(int count) {
    out.write(count);
    bytes(count);
  }

  private int any() {
    return random.nextInt(0x10000);
  }

  private void bytes(int count) {
    for (int i = 0; i < count; i++) {
      out.write(random.nextInt(256));
    }
  }

  private void octets(int... values) {
    for (int value : values) {
      out.write(value);
    }
  }

  private void words(int... values) {
    for (int value : values) {
      octets(value >> 8, value & 0xFF);
    }
  }
}

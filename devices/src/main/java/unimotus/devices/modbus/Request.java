package unimotus.devices.modbus;

import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.List;

/** What a client asks. Addresses count from 0. */
public sealed interface Request {
  /** The most registers one request reads. */
  int MOST_READ = 125;

  /** The most bits one request reads. */
  int MOST_BITS_READ = 2000;

  /** The most registers one request writes. */
  int MOST_WRITTEN = 123;

  /** The most bits one request writes. */
  int MOST_BITS_WRITTEN = 1968;

  /** The most registers function 23 writes. */
  int MOST_WRITTEN_WITH_READ = 121;

  /** The function code. */
  int function();

  /** The bytes of the message: function code and data. */
  byte[] bytes();

  /**
   * Reads bits or registers.
   *
   * @param function 1 coils, 2 discrete inputs, 3 holding registers, 4 input registers
   * @param address the first place
   * @param count how many
   */
  record Read(int function, int address, int count) implements Request {
    /** Checks code and limits. */
    public Read {
      if (function < 1 || function > 4) {
        throw new IllegalArgumentException("functions 1 to 4 read, not " + function);
      }
      Limits.check("count", count, 1, function <= 2 ? MOST_BITS_READ : MOST_READ);
      Limits.span(address, count);
    }

    @Override
    public byte[] bytes() {
      return Bytes.of(function).word(address).word(count).get();
    }
  }

  /**
   * Writes one coil or one register.
   *
   * @param function 5 a coil, 6 a register
   * @param address the place
   * @param value 0 or 1 for a coil, 0 to 65535 for a register
   */
  record WriteOne(int function, int address, int value) implements Request {
    /** Checks code and limits. */
    public WriteOne {
      if (function != 5 && function != 6) {
        throw new IllegalArgumentException("functions 5 and 6 write one place, not " + function);
      }
      Limits.check("value", value, 0, function == 5 ? 1 : 0xFFFF);
      Limits.span(address, 1);
    }

    @Override
    public byte[] bytes() {
      int sent = function == 5 ? value * 0xFF00 : value;
      return Bytes.of(function).word(address).word(sent).get();
    }
  }

  /**
   * Writes coils or registers one after the other.
   *
   * @param function 15 coils, 16 registers
   * @param address the first place
   * @param values 0 or 1 each for coils, 0 to 65535 each for registers
   */
  record WriteMany(int function, int address, List<Integer> values) implements Request {
    /** Takes a copy; checks code and limits. */
    public WriteMany {
      values = List.copyOf(values);
      if (function != 15 && function != 16) {
        throw new IllegalArgumentException("functions 15 and 16 write many, not " + function);
      }
      int most = function == 15 ? MOST_BITS_WRITTEN : MOST_WRITTEN;
      Limits.check("count", values.size(), 1, most);
      Limits.span(address, values.size());
      values.forEach(v -> Limits.check("value", v, 0, function == 15 ? 1 : 0xFFFF));
    }

    @Override
    public byte[] bytes() {
      Bytes bytes = Bytes.of(function).word(address).word(values.size());
      return function == 15
          ? bytes.counted(Bits.packed(values)).get()
          : bytes.countedWords(values).get();
    }
  }

  /**
   * Changes bits of one register: (content AND and) OR (or AND NOT and).
   *
   * @param address the register
   * @param and the bits that stay
   * @param or the bits that are set among the others
   */
  record MaskWrite(int address, int and, int or) implements Request {
    /** Checks the limits. */
    public MaskWrite {
      Limits.span(address, 1);
      Limits.check("and-mask", and, 0, 0xFFFF);
      Limits.check("or-mask", or, 0, 0xFFFF);
    }

    @Override
    public int function() {
      return 22;
    }

    @Override
    public byte[] bytes() {
      return Bytes.of(22).word(address).word(and).word(or).get();
    }
  }

  /**
   * Writes registers, then reads registers, in one.
   *
   * @param readAddress the first register read
   * @param readCount how many are read
   * @param writeAddress the first register written
   * @param values what is written
   */
  record ReadWrite(int readAddress, int readCount, int writeAddress, List<Integer> values)
      implements Request {
    /** Takes a copy; checks the limits. */
    public ReadWrite {
      values = List.copyOf(values);
      Limits.check("count", readCount, 1, MOST_READ);
      Limits.span(readAddress, readCount);
      Limits.check("count", values.size(), 1, MOST_WRITTEN_WITH_READ);
      Limits.span(writeAddress, values.size());
      values.forEach(v -> Limits.check("value", v, 0, 0xFFFF));
    }

    @Override
    public int function() {
      return 23;
    }

    @Override
    public byte[] bytes() {
      return Bytes.of(23)
          .word(readAddress)
          .word(readCount)
          .word(writeAddress)
          .word(values.size())
          .countedWords(values)
          .get();
    }
  }

  /**
   * Asks who the device is (43/14).
   *
   * @param code 1 basic, 2 regular, 3 extended, 4 one object
   * @param object the first object, or the one
   */
  record Identify(int code, int object) implements Request {
    /** Checks the limits. */
    public Identify {
      Limits.check("read device id code", code, 1, 4);
      Limits.check("object", object, 0, 0xFF);
    }

    @Override
    public int function() {
      return 43;
    }

    @Override
    public byte[] bytes() {
      return Bytes.of(43).octet(14).octet(code).octet(object).get();
    }
  }

  /**
   * Reads a message of a client.
   *
   * @throws FrameFault where it is too short, too long or its numbers are outside the protocol
   */
  static Request of(byte[] message) throws FrameFault {
    ByteBuffer in = ByteBuffer.wrap(message);
    try {
      int function = in.get() & 0xFF;
      Request request = body(function, in);
      if (in.hasRemaining()) {
        throw new FrameFault(
            "%d bytes are left over after function %d".formatted(in.remaining(), function));
      }
      return request;
    } catch (java.nio.BufferUnderflowException e) {
      throw new FrameFault("the request ends after %d bytes".formatted(message.length));
    } catch (Limits.OutsideTable e) {
      throw new FrameFault(String.valueOf(e.getMessage()), ExceptionCode.ILLEGAL_DATA_ADDRESS);
    } catch (IllegalArgumentException e) {
      throw new FrameFault(String.valueOf(e.getMessage()));
    }
  }

  private static Request body(int function, ByteBuffer in) throws FrameFault {
    return switch (function) {
      case 1, 2, 3, 4 -> new Read(function, word(in), word(in));
      case 5 -> new WriteOne(5, word(in), coil(word(in)));
      case 6 -> new WriteOne(6, word(in), word(in));
      case 15 -> coils(in);
      case 16 -> new WriteMany(16, word(in), words(in, word(in)));
      case 22 -> new MaskWrite(word(in), word(in), word(in));
      case 23 -> readWrite(in);
      case 43 -> identify(in);
      default -> throw new UnknownFunction(function);
    };
  }

  private static int word(ByteBuffer in) {
    return in.getShort() & 0xFFFF;
  }

  private static int coil(int value) throws FrameFault {
    if (value != 0 && value != 0xFF00) {
      throw new FrameFault("a coil is written with 0xFF00 or 0x0000, not 0x%04X".formatted(value));
    }
    return value == 0 ? 0 : 1;
  }

  private static Request coils(ByteBuffer in) throws FrameFault {
    int address = word(in);
    int count = word(in);
    Limits.check("count", count, 1, MOST_BITS_WRITTEN);
    byte[] packed = new byte[counted(in, (count + 7) / 8)];
    in.get(packed);
    return new WriteMany(15, address, Bits.unpacked(packed, count));
  }

  private static List<Integer> words(ByteBuffer in, int count) throws FrameFault {
    Limits.check("count", count, 1, MOST_WRITTEN);
    counted(in, 2 * count);
    List<Integer> values = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      values.add(word(in));
    }
    return values;
  }

  private static int counted(ByteBuffer in, int meant) throws FrameFault {
    int counted = in.get() & 0xFF;
    if (counted != meant) {
      throw new FrameFault("the byte count is %d, the places need %d".formatted(counted, meant));
    }
    return counted;
  }

  private static Request readWrite(ByteBuffer in) throws FrameFault {
    int readAddress = word(in);
    int readCount = word(in);
    int writeAddress = word(in);
    return new ReadWrite(readAddress, readCount, writeAddress, words(in, word(in)));
  }

  private static Request identify(ByteBuffer in) throws FrameFault {
    int type = in.get() & 0xFF;
    if (type != 14) {
      throw new UnknownFunction(43);
    }
    return new Identify(in.get() & 0xFF, in.get() & 0xFF);
  }
}

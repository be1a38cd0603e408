package unimotus.devices.modbus;

import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What a device answers. */
public sealed interface Response {

  /** The function code it answers. */
  int function();

  /** The bytes of the message: function code and data. */
  byte[] bytes();

  /**
   * Bits or registers that were read.
   *
   * @param function the function code
   * @param values 0 or 1 each for bits, 0 to 65535 each for registers
   */
  record Values(int function, List<Integer> values) implements Response {
    /** Takes a copy. */
    public Values {
      values = List.copyOf(values);
    }

    @Override
    public byte[] bytes() {
      Bytes bytes = Bytes.of(function);
      return function <= 2
          ? bytes.counted(Bits.packed(values)).get()
          : bytes.countedWords(values).get();
    }
  }

  /**
   * What was written, said again.
   *
   * @param request the request that was done
   */
  record Done(Request request) implements Response {
    @Override
    public int function() {
      return request.function();
    }

    @Override
    public byte[] bytes() {
      return request instanceof Request.WriteMany many
          ? Bytes.of(many.function()).word(many.address()).word(many.values().size()).get()
          : request.bytes();
    }
  }

  /**
   * Who the device is (43/14).
   *
   * @param code the code that was asked
   * @param objects texts by object number: 0 maker, 1 product, 2 version, …
   */
  record Identity(int code, Map<Integer, String> objects) implements Response {
    private static final int REGULAR_WITH_STREAMS = 0x82;

    /** Sorts the objects. */
    public Identity {
      objects = java.util.Collections.unmodifiableMap(new TreeMap<>(objects));
    }

    @Override
    public int function() {
      return 43;
    }

    @Override
    public byte[] bytes() {
      Bytes bytes =
          Bytes.of(43)
              .octet(14)
              .octet(code)
              .octet(REGULAR_WITH_STREAMS)
              .octet(0)
              .octet(0)
              .octet(objects.size());
      objects.forEach(
          (number, text) -> bytes.octet(number).counted(text.getBytes(StandardCharsets.US_ASCII)));
      return bytes.get();
    }
  }

  /**
   * A refusal.
   *
   * @param function the function code that was asked
   * @param code the number of the exception
   */
  record Refusal(int function, int code) implements Response {
    private static final int REFUSED = 0x80;

    /** A refusal with a known exception. */
    public Refusal(int function, ExceptionCode exception) {
      this(function, exception.code());
    }

    @Override
    public byte[] bytes() {
      return Bytes.of(function | REFUSED).octet(code).get();
    }

    /** The exception in words. */
    public String words() {
      return ExceptionCode.of(code)
          .map(e -> "%s (%02X): %s".formatted(e.label(), code, e.meaning()))
          .orElse("unknown exception %02X".formatted(code));
    }
  }

  /**
   * Reads the answer to a request.
   *
   * @throws FrameFault where it is no answer to it: another function, count or echo, or lying
   *     lengths
   */
  static Response to(Request asked, byte[] message) throws FrameFault {
    ByteBuffer in = ByteBuffer.wrap(message);
    try {
      int function = in.get() & 0xFF;
      if (function == (asked.function() | 0x80)) {
        Response refusal = new Refusal(asked.function(), in.get() & 0xFF);
        return whole(in, refusal);
      }
      if (function != asked.function()) {
        throw new FrameFault(
            "function %d was asked, %d was answered".formatted(asked.function(), function));
      }
      return whole(in, body(asked, in));
    } catch (BufferUnderflowException e) {
      throw new FrameFault("the answer ends after %d bytes".formatted(message.length));
    }
  }

  private static Response whole(ByteBuffer in, Response response) throws FrameFault {
    if (in.hasRemaining()) {
      throw new FrameFault("%d bytes are left over after the answer".formatted(in.remaining()));
    }
    return response;
  }

  private static Response body(Request asked, ByteBuffer in) throws FrameFault {
    if (asked instanceof Request.Read read) {
      return values(read.function(), read.count(), read.function() <= 2, in);
    }
    if (asked instanceof Request.ReadWrite both) {
      return values(23, both.readCount(), false, in);
    }
    if (asked instanceof Request.Identify) {
      return identity(in);
    }
    byte[] echo = new byte[in.remaining()];
    in.get(echo);
    Response done = new Done(asked);
    byte[] meant = done.bytes();
    if (!java.util.Arrays.equals(meant, 1, meant.length, echo, 0, echo.length)) {
      throw new FrameFault("the answer does not say again what was written");
    }
    return done;
  }

  private static Response values(int function, int count, boolean bits, ByteBuffer in)
      throws FrameFault {
    int bytes = in.get() & 0xFF;
    int meant = bits ? (count + 7) / 8 : 2 * count;
    if (bytes != meant) {
      throw new FrameFault(
          "%d places were asked, the answer says it has %d bytes".formatted(count, bytes));
    }
    if (bits) {
      byte[] packed = new byte[bytes];
      in.get(packed);
      return new Values(function, Bits.unpacked(packed, count));
    }
    List<Integer> words = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      words.add(in.getShort() & 0xFFFF);
    }
    return new Values(function, words);
  }

  private static Response identity(ByteBuffer in) throws FrameFault {
    int type = in.get() & 0xFF;
    if (type != 14) {
      throw new FrameFault("interface type %d is not device identification".formatted(type));
    }
    int code = in.get() & 0xFF;
    in.get();
    in.get();
    in.get();
    int count = in.get() & 0xFF;
    Map<Integer, String> objects = new TreeMap<>();
    for (int i = 0; i < count; i++) {
      int number = in.get() & 0xFF;
      byte[] text = new byte[in.get() & 0xFF];
      in.get(text);
      objects.put(number, new String(text, StandardCharsets.US_ASCII));
    }
    return new Identity(code, objects);
  }
}

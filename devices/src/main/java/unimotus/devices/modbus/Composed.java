package unimotus.devices.modbus;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Requests and answers put together from what a form holds. */
public final class Composed {
  /** The function codes that can be composed. */
  public static final List<Integer> FUNCTIONS = List.of(1, 2, 3, 4, 5, 6, 15, 16, 22, 23, 43);

  private static final Map<Integer, String> IDENTITY = Map.of(0, "maker", 1, "product", 2, "1.0");

  private Composed() {}

  /**
   * A request.
   *
   * @param function the function code
   * @param address the first place, from 0; the place to write for function 23, the object for 43
   * @param count how many are read; the code for 43
   * @param values what is written; and-mask and or-mask for function 22
   * @param readAddress where function 23 reads
   * @throws IllegalArgumentException naming what is outside the protocol
   */
  public static Request request(
      int function, int address, int count, List<Integer> values, int readAddress) {
    return switch (function) {
      case 1, 2, 3, 4 -> new Request.Read(function, address, count);
      case 5, 6 -> new Request.WriteOne(function, address, exactly(function, 1, values).get(0));
      case 15, 16 -> new Request.WriteMany(function, address, values);
      case 22 -> {
        List<Integer> masks = exactly(function, 2, values);
        yield new Request.MaskWrite(address, masks.get(0), masks.get(1));
      }
      case 23 -> new Request.ReadWrite(readAddress, count, address, values);
      case 43 -> new Request.Identify(count, address);
      default ->
          throw new IllegalArgumentException("function %d is not composed".formatted(function));
    };
  }

  /**
   * The answer to a request.
   *
   * @param values what was read, one for each place; not looked at where nothing is read
   * @throws IllegalArgumentException where there are more or fewer than were asked
   */
  public static Response answer(Request request, List<Integer> values) {
    if (request instanceof Request.Read read) {
      return new Response.Values(read.function(), exactly(read.function(), read.count(), values));
    }
    if (request instanceof Request.ReadWrite both) {
      return new Response.Values(23, exactly(23, both.readCount(), values));
    }
    if (request instanceof Request.Identify identify) {
      return new Response.Identity(identify.code(), IDENTITY);
    }
    return new Response.Done(request);
  }

  private static List<Integer> exactly(int function, int count, List<Integer> values) {
    if (values.size() != count) {
      throw new IllegalArgumentException(
          "function %d takes %d value%s, not %d"
              .formatted(function, count, count == 1 ? "" : "s", values.size()));
    }
    return values;
  }

  /**
   * Values as they are typed, decimal or with 0x, divided by commas or blanks.
   *
   * @throws IllegalArgumentException naming what is no number
   */
  public static List<Integer> values(String text) {
    List<Integer> values = new ArrayList<>();
    for (String one : text.strip().split("[\\s,;]+")) {
      if (!one.isEmpty()) {
        try {
          values.add(Integer.decode(one));
        } catch (NumberFormatException e) {
          throw new IllegalArgumentException(
              "'%s' is no whole number, such as 100 or 0x64".formatted(one));
        }
      }
    }
    return values;
  }

  /** The bytes on the wire. */
  public static byte[] frame(boolean serial, int transaction, int unit, Request request) {
    return frame(serial, transaction, unit, request.bytes());
  }

  /** The bytes on the wire. */
  public static byte[] frame(boolean serial, int transaction, int unit, Response response) {
    return frame(serial, transaction, unit, response.bytes());
  }

  private static byte[] frame(boolean serial, int transaction, int unit, byte[] message) {
    return serial
        ? new RtuFrame(unit, message).bytes()
        : new TcpFrame(transaction, unit, message).bytes();
  }
}

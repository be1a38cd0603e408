package unimotus.devices.modbus;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.fieldbus.RegisterTable;

/** Turns the message of a client into the answer of a unit. */
final class Answering {
  private static final int LAST_BASIC_OBJECT = 2;

  private Answering() {}

  /** The answer to a message, a refusal where the unit does not do it or it is no request. */
  public static Response answer(Unit unit, byte[] message) {
    int function = message.length == 0 ? 0 : message[0] & 0x7F;
    try {
      return answer(unit, Request.of(message));
    } catch (UnknownFunction unknown) {
      return new Response.Refusal(function, ExceptionCode.ILLEGAL_FUNCTION);
    } catch (FrameFault malformed) {
      return new Response.Refusal(function, malformed.answer());
    } catch (Unit.Refused refused) {
      return new Response.Refusal(function, refused.code());
    }
  }

  private static Response answer(Unit unit, Request request) throws Unit.Refused {
    if (request instanceof Request.Read read) {
      return new Response.Values(
          read.function(), unit.read(table(read.function()), read.address(), read.count()));
    }
    if (request instanceof Request.WriteOne one) {
      RegisterTable table = table(one.function() == 5 ? 1 : 3);
      unit.write(table, one.address(), List.of(one.value()));
    } else if (request instanceof Request.WriteMany many) {
      RegisterTable table = table(many.function() == 15 ? 1 : 3);
      unit.write(table, many.address(), many.values());
    } else if (request instanceof Request.MaskWrite mask) {
      RegisterTable table = RegisterTable.HOLDING_REGISTER;
      int now = unit.read(table, mask.address(), 1).get(0);
      int next = now & mask.and() | mask.or() & ~mask.and() & 0xFFFF;
      unit.write(table, mask.address(), List.of(next));
    } else if (request instanceof Request.ReadWrite both) {
      RegisterTable table = RegisterTable.HOLDING_REGISTER;
      // A reading that is refused leaves nothing written.
      unit.read(table, both.readAddress(), both.readCount());
      unit.write(table, both.writeAddress(), both.values());
      return new Response.Values(23, unit.read(table, both.readAddress(), both.readCount()));
    } else if (request instanceof Request.Identify identify) {
      return identity(unit.identity(), identify);
    }
    return new Response.Done(request);
  }

  private static RegisterTable table(int readFunction) {
    for (RegisterTable table : RegisterTable.values()) {
      if (table.readFunction() == readFunction) {
        return table;
      }
    }
    throw new IllegalArgumentException("function " + readFunction + " reads no table");
  }

  private static Response identity(Map<Integer, String> all, Request.Identify asked)
      throws Unit.Refused {
    Map<Integer, String> told = new TreeMap<>();
    if (asked.code() == 4) {
      if (!all.containsKey(asked.object())) {
        throw new Unit.Refused(ExceptionCode.ILLEGAL_DATA_ADDRESS);
      }
      told.put(asked.object(), all.get(asked.object()));
    } else {
      int first = all.containsKey(asked.object()) ? asked.object() : 0;
      all.forEach(
          (number, text) -> {
            if (number >= first && (asked.code() > 1 || number <= LAST_BASIC_OBJECT)) {
              told.put(number, text);
            }
          });
    }
    return new Response.Identity(asked.code(), told);
  }
}

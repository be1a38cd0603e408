package unimotus.devices.modbus.explain;

import unimotus.devices.modbus.Request;

/** What follows the function code in an answer. */
final class AnswerFields {
  private static final int MOST_BIT_BYTES = 250;
  private static final int BUSY = 0xFFFF;

  /** Status, event count and message count. */
  private static final int LOG_HEAD = 6;

  private static final int MOST_EVENTS = 64;
  private static final int MOST_QUEUED = 31;

  private AnswerFields() {}

  static void explain(FieldReader fields, int function) {
    switch (function) {
      case 1, 2 ->
          RequestFields.bits(
              fields, fields.limited(1, "byte count", "bytes of bits", 1, MOST_BIT_BYTES));
      case 3, 4, 23 -> registers(fields);
      case 5 -> RequestFields.coil(fields);
      case 6 -> {
        fields.word("address", "said again");
        fields.word("value", "said again");
      }
      case 7 -> fields.octet("exception status", "eight outputs, bit by bit the device's own");
      case 8 -> DiagnosticFields.explain(fields, true);
      case 11 -> {
        status(fields);
        fields.word("event count", "messages done without a fault");
      }
      case 12 -> eventLog(fields);
      case 15 -> written(fields, Request.MOST_BITS_WRITTEN);
      case 16 -> written(fields, Request.MOST_WRITTEN);
      case 17 -> serverId(fields);
      case 20 -> FileFields.readAnswer(fields);
      case 21 -> FileFields.write(fields);
      case 22 -> RequestFields.mask(fields);
      case 24 -> queue(fields);
      case 43 -> IdentityFields.answer(fields);
      default -> fields.data(fields.remaining(), "data", "");
    }
  }

  private static void registers(FieldReader fields) {
    int bytes = fields.limited(1, "byte count", "bytes of registers", 2, 2 * Request.MOST_READ);
    if (bytes > 0 && bytes % 2 != 0) {
      fields.illegal("byte count %d is illegal: a register has two bytes".formatted(bytes));
    }
    RequestFields.registers(fields, bytes);
  }

  private static void written(FieldReader fields, int most) {
    fields.word("address", "said again");
    fields.limited(2, "count", "so many were written", 1, most);
  }

  private static void status(FieldReader fields) {
    int status = fields.word("status", "65535 (FFFF) is busy, 0 is ready");
    if (status != FieldReader.NONE && status != 0 && status != BUSY) {
      fields.illegal("status 0x%04X is illegal: FFFF or 0000".formatted(status));
    }
  }

  private static void eventLog(FieldReader fields) {
    int bytes =
        fields.limited(1, "byte count", "bytes that follow", LOG_HEAD, LOG_HEAD + MOST_EVENTS);
    status(fields);
    fields.word("event count", "messages done without a fault");
    fields.word("message count", "messages seen");
    for (int i = 0; i < bytes - LOG_HEAD && fields.goesOn(); i++) {
      fields.octet("event %d".formatted(i), event(fields.peek(0)));
    }
  }

  /** An event of the log, by its two highest bits (chapter 6.10, from memory). */
  private static String event(int event) {
    if (event == 0) {
      return "communication restarted";
    }
    if (event == 4) {
      return "went to listen only";
    }
    if ((event & 0x80) != 0) {
      return "received"
          + flags(event, 1, "communication error", 4, "overrun", 5, "listens only", 6, "broadcast");
    }
    if ((event & 0x40) != 0) {
      return "sent"
          + flags(
              event,
              0,
              "exception 1 to 3",
              1,
              "exception 4",
              2,
              "exception 5 or 6",
              3,
              "exception 7")
          + flags(event, 4, "write timed out", 5, "listens only");
    }
    return "not in the specification";
  }

  private static String flags(int event, Object... bits) {
    StringBuilder words = new StringBuilder();
    for (int i = 0; i < bits.length; i += 2) {
      if ((event >> (int) bits[i] & 1) != 0) {
        words.append(", ").append(bits[i + 1]);
      }
    }
    return words.toString();
  }

  private static void serverId(FieldReader fields) {
    int bytes = fields.octet("byte count", "bytes that follow");
    if (bytes != FieldReader.NONE) {
      fields.data(bytes, "server id", "id and run indicator (FF runs), in the device's own length");
    }
  }

  private static void queue(FieldReader fields) {
    int bytes = fields.word("byte count", "bytes that follow");
    int count = fields.limited(2, "queue count", "registers in the queue", 0, MOST_QUEUED);
    if (count != FieldReader.NONE && bytes != 2 + 2 * count) {
      fields.illegal(
          "byte count %d is illegal: %d registers need %d".formatted(bytes, count, 2 + 2 * count));
    }
    RequestFields.registers(fields, 2 * count);
  }
}

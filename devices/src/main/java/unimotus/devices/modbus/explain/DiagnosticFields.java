package unimotus.devices.modbus.explain;

import java.util.Map;

/** Function 8: a subfunction, and one word or, for the echo, any number of them. */
final class DiagnosticFields {
  private static final int ECHO = 0;
  private static final int RESTART = 1;
  private static final int DELIMITER = 3;
  private static final int CLEAR_LOG = 0xFF00;

  private static final Map<Integer, String> SUBFUNCTIONS =
      Map.ofEntries(
          Map.entry(ECHO, "return query data"),
          Map.entry(RESTART, "restart communications"),
          Map.entry(2, "return diagnostic register"),
          Map.entry(DELIMITER, "change the delimiter of ASCII"),
          Map.entry(4, "force listen only; not answered"),
          Map.entry(10, "clear counters and diagnostic register"),
          Map.entry(11, "return bus message count"),
          Map.entry(12, "return bus communication error count"),
          Map.entry(13, "return bus exception error count"),
          Map.entry(14, "return server message count"),
          Map.entry(15, "return server no response count"),
          Map.entry(16, "return server negative acknowledge count"),
          Map.entry(17, "return server busy count"),
          Map.entry(18, "return bus character overrun count"),
          Map.entry(20, "clear overrun counter and flag"));

  private DiagnosticFields() {}

  static void explain(FieldReader fields, boolean answer) {
    int high = fields.peek(0);
    int subfunction = high == FieldReader.NONE ? FieldReader.NONE : high << 8 | fields.peek(1);
    String label = SUBFUNCTIONS.get(subfunction);
    fields.word("subfunction", label == null ? "" : label);
    if (!fields.goesOn()) {
      return;
    }
    if (label == null) {
      fields.illegal("subfunction %d is not in the specification".formatted(subfunction));
      fields.data(fields.remaining(), "data", "");
    } else if (subfunction == ECHO) {
      fields.data(Math.max(2, fields.remaining()), "data", "the answer says it again");
    } else {
      word(fields, subfunction, answer);
    }
  }

  private static void word(FieldReader fields, int subfunction, boolean answer) {
    int data = fields.word("data", subfunction == RESTART ? "FF00 clears the event log" : "");
    if (data == FieldReader.NONE) {
      return;
    }
    if (subfunction == RESTART && data != 0 && data != CLEAR_LOG) {
      fields.illegal("data 0x%04X is illegal: FF00 or 0000".formatted(data));
    } else if (subfunction == DELIMITER && (data & 0xFF) != 0) {
      fields.illegal("data 0x%04X is illegal: a character and 00".formatted(data));
    } else if (asksWithNothing(subfunction, answer) && data != 0) {
      fields.illegal("data 0x%04X is illegal: 0000".formatted(data));
    }
  }

  private static boolean asksWithNothing(int subfunction, boolean answer) {
    boolean echoes = subfunction == 4 || subfunction == 10 || subfunction == 20;
    return subfunction != RESTART && subfunction != DELIMITER && (!answer || echoes);
  }
}

package unimotus.devices.modbus.explain;

import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.FunctionCode;

/** A message: its function code, and what follows of it. */
final class Message {
  private static final int LAST_FUNCTION = 0x7F;

  private Message() {}

  static void explain(FieldReader fields, boolean answer) {
    int function = fields.peek(0);
    if (function > LAST_FUNCTION) {
      refusal(fields, function & LAST_FUNCTION, answer);
    } else if (function <= 0) {
      fields.octet("function", "");
      if (fields.goesOn()) {
        fields.illegal("function 0 is illegal: 1 to 127");
        fields.data(fields.remaining(), "data", "");
      }
    } else {
      fields.octet("function", FunctionCode.labelOf(function));
      if (answer) {
        AnswerFields.explain(fields, function);
      } else {
        RequestFields.explain(fields, function);
      }
    }
    fields.leftOver("no field of this function");
  }

  private static void refusal(FieldReader fields, int function, boolean answer) {
    fields.octet("function", "refusal of function %d".formatted(function));
    if (!answer) {
      fields.illegal("function %d is illegal in a request: 1 to 127".formatted(0x80 | function));
    }
    int code = fields.peek(0);
    fields.octet(
        "exception",
        ExceptionCode.of(code)
            .map(e -> e.label() + ": " + e.meaning())
            .orElse("not in the specification"));
    if (fields.goesOn() && ExceptionCode.of(code).isEmpty()) {
      fields.illegal("exception %d is not in the specification".formatted(code));
    }
  }
}

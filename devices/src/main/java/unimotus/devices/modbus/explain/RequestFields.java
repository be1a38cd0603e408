package unimotus.devices.modbus.explain;

import unimotus.devices.modbus.Request;

/** What follows the function code in a request. */
final class RequestFields {
  private static final int ALL_PLACES = 0x10000;
  private static final int COIL_ON = 0xFF00;

  private RequestFields() {}

  static void explain(FieldReader fields, int function) {
    switch (function) {
      case 1, 2 -> span(fields, "", Request.MOST_BITS_READ);
      case 3, 4 -> span(fields, "", Request.MOST_READ);
      case 5 -> coil(fields);
      case 6 -> {
        fields.word("address", "from 0");
        fields.word("value", "");
      }
      case 7, 11, 12, 17 -> {}
      case 8 -> DiagnosticFields.explain(fields, false);
      case 15 -> {
        int count = span(fields, "", Request.MOST_BITS_WRITTEN);
        bits(fields, counted(fields, (count + 7) / 8, count));
      }
      case 16 -> {
        int count = span(fields, "", Request.MOST_WRITTEN);
        registers(fields, counted(fields, 2 * count, count));
      }
      case 20 -> FileFields.readRequest(fields);
      case 21 -> FileFields.write(fields);
      case 22 -> mask(fields);
      case 23 -> {
        span(fields, "read ", Request.MOST_READ);
        int count = span(fields, "write ", Request.MOST_WRITTEN_WITH_READ);
        registers(fields, counted(fields, 2 * count, count));
      }
      case 24 -> fields.word("address", "of the queue's pointer, from 0");
      case 43 -> IdentityFields.request(fields);
      default -> fields.data(fields.remaining(), "data", "");
    }
  }

  private static int span(FieldReader fields, String what, int most) {
    int address = fields.word(what + "address", "from 0");
    int count = fields.limited(2, what + "count", "how many", 1, most);
    if (count > 0 && address + count > ALL_PLACES) {
      fields.illegal(
          "addresses %d to %d lie outside 0 to 65535".formatted(address, address + count - 1));
    }
    return count;
  }

  private static int counted(FieldReader fields, int meant, int count) {
    int bytes = fields.octet("byte count", "bytes of values");
    if (bytes != FieldReader.NONE && bytes != meant) {
      fields.illegal("byte count %d is illegal: %d places need %d".formatted(bytes, count, meant));
    }
    return bytes;
  }

  static void coil(FieldReader fields) {
    fields.word("address", "from 0");
    int value = fields.word("value", "65280 (FF00) sets, 0 clears");
    if (value != FieldReader.NONE && value != 0 && value != COIL_ON) {
      fields.illegal("value 0x%04X is illegal: FF00 or 0000".formatted(value));
    }
  }

  static void mask(FieldReader fields) {
    fields.word("address", "from 0");
    fields.word("and-mask", "bits that stay");
    fields.word("or-mask", "bits that are set among the others");
  }

  /** As many registers as the byte count says; an odd byte at the end belongs to none. */
  static void registers(FieldReader fields, int bytes) {
    for (int i = 0; i < bytes / 2 && fields.goesOn(); i++) {
      fields.word("register %d".formatted(i), "");
    }
    if (bytes > 0 && bytes % 2 != 0) {
      fields.data(1, "half a register", "");
    }
  }

  static void bits(FieldReader fields, int bytes) {
    if (bytes > 0) {
      fields.data(bytes, "bits", "the first in the least place");
    }
  }
}

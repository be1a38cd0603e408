package unimotus.devices.modbus.explain;

/** Functions 20 and 21: groups of records in files. */
final class FileFields {
  private static final int REFERENCE_TYPE = 6;
  private static final int LAST_RECORD = 9999;

  /** Reference type, file, record and length. */
  private static final int GROUP_HEAD = 7;

  private static final int MOST_READ = 0xF5;
  private static final int LEAST_WRITTEN = 9;
  private static final int MOST_WRITTEN = 0xFB;
  private static final int MOST_REGISTERS = 125;

  private FileFields() {}

  static void readRequest(FieldReader fields) {
    int bytes = fields.limited(1, "byte count", "bytes that follow", GROUP_HEAD, MOST_READ);
    if (bytes > 0 && bytes % GROUP_HEAD != 0) {
      fields.illegal("byte count %d is illegal: a group has 7 bytes".formatted(bytes));
    }
    for (int left = bytes; left >= GROUP_HEAD && fields.goesOn(); left -= GROUP_HEAD) {
      group(fields);
    }
    rest(fields, Math.floorMod(Math.max(0, bytes), GROUP_HEAD));
  }

  static void readAnswer(FieldReader fields) {
    int left = fields.limited(1, "byte count", "bytes that follow", 4, MOST_READ);
    while (left > 1 && fields.goesOn()) {
      int group = fields.octet("group length", "bytes of the group that follow");
      if (group < 1 || group % 2 == 0 || group >= left) {
        if (fields.goesOn()) {
          fields.illegal(
              "group length %d is illegal: a type and whole registers within %d bytes"
                  .formatted(group, left - 1));
        }
        left -= 1;
        break;
      }
      referenceType(fields);
      RequestFields.registers(fields, group - 1);
      left -= 1 + group;
    }
    rest(fields, left);
  }

  /** The request of function 21; its answer says it again. */
  static void write(FieldReader fields) {
    int left = fields.limited(1, "byte count", "bytes that follow", LEAST_WRITTEN, MOST_WRITTEN);
    while (left >= GROUP_HEAD && fields.goesOn()) {
      int registers = group(fields);
      left -= GROUP_HEAD;
      if (registers != FieldReader.NONE && 2 * registers > left) {
        fields.illegal(
            "record length %d is illegal: %d bytes of the count are left"
                .formatted(registers, left));
        break;
      }
      RequestFields.registers(fields, 2 * registers);
      left -= 2 * registers;
    }
    rest(fields, left);
  }

  private static int group(FieldReader fields) {
    referenceType(fields);
    fields.limited(2, "file", "its number", 1, 0xFFFF);
    fields.limited(2, "record", "the first", 0, LAST_RECORD);
    return fields.limited(2, "record length", "registers", 1, MOST_REGISTERS);
  }

  private static void referenceType(FieldReader fields) {
    int type = fields.octet("reference type", "6 always");
    if (type != FieldReader.NONE && type != REFERENCE_TYPE) {
      fields.illegal("reference type %d is illegal: 6".formatted(type));
    }
  }

  /** Bytes of the count in no whole group. */
  private static void rest(FieldReader fields, int left) {
    if (left > 0 && fields.goesOn()) {
      fields.data(left, "data", "no whole group");
      if (fields.goesOn()) {
        fields.illegal("%d bytes of the count are no whole group".formatted(left));
      }
    }
  }
}

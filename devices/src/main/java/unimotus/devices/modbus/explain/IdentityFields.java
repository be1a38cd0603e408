package unimotus.devices.modbus.explain;

import java.util.Map;
import java.util.Set;

/** Function 43: device identification (14) taken apart; other interfaces carry their own bytes. */
final class IdentityFields {
  private static final int CANOPEN = 13;
  private static final int READ_DEVICE_ID = 14;
  private static final int MORE = 0xFF;
  private static final int FIRST_OWN = 0x80;
  private static final Set<Integer> CONFORMITY = Set.of(1, 2, 3, 0x81, 0x82, 0x83);

  private static final Map<Integer, String> OBJECTS =
      Map.of(
          0, "vendor name",
          1, "product code",
          2, "major minor revision",
          3, "vendor url",
          4, "product name",
          5, "model name",
          6, "user application name");

  private IdentityFields() {}

  static void request(FieldReader fields) {
    if (isIdentification(fields)) {
      fields.limited(1, "code", "1 basic, 2 regular, 3 extended, 4 one object", 1, 4);
      fields.octet("object", "the first wanted: " + object(fields.peek(0)));
    }
  }

  static void answer(FieldReader fields) {
    if (!isIdentification(fields)) {
      return;
    }
    fields.limited(1, "code", "1 basic, 2 regular, 3 extended, 4 one object", 1, 4);
    int conformity =
        fields.octet("conformity", "1 to 3 as streams only, 81 to 83 single objects too");
    if (conformity != FieldReader.NONE && !CONFORMITY.contains(conformity)) {
      fields.illegal("conformity 0x%02X is illegal: 01 to 03 or 81 to 83".formatted(conformity));
    }
    int more =
        fields.octet("more follows", "255 (FF) ask again from the next object, 0 all is told");
    if (more > 0 && more != MORE) {
      fields.illegal("more follows 0x%02X is illegal: FF or 00".formatted(more));
    }
    int next =
        fields.octet("next object", more == MORE ? "where to ask on" : "0 where all is told");
    if (more == 0 && next > 0) {
      fields.illegal("next object %d is illegal where no more follows: 0".formatted(next));
    }
    int count = fields.octet("objects", "how many follow");
    for (int i = 0; i < count && fields.goesOn(); i++) {
      int number = fields.octet("object", object(fields.peek(0)));
      int length = fields.octet("object length", "bytes");
      if (number != FieldReader.NONE && length != FieldReader.NONE) {
        fields.text(length, object(number));
      }
    }
  }

  private static boolean isIdentification(FieldReader fields) {
    int type = fields.octet("interface", "14 is device identification, 13 CANopen");
    if (type == READ_DEVICE_ID) {
      return true;
    }
    if (type != FieldReader.NONE && type != CANOPEN) {
      fields.illegal("interface %d is not in the specification: 13 or 14".formatted(type));
    }
    fields.data(fields.remaining(), "data", "of that interface");
    return false;
  }

  private static String object(int number) {
    if (number < 0) {
      return "";
    }
    return OBJECTS.getOrDefault(number, number < FIRST_OWN ? "reserved" : "the device's own");
  }
}

package unimotus.core.fieldbus;

import io.soabase.recordbuilder.core.RecordBuilder;
import unimotus.core.value.ValueType;

/**
 * Where a value stands among the registers of a device.
 *
 * @param table the table it stands in
 * @param address where it begins, counted from 0 as on the wire
 * @param order how its words and bytes lie on the wire
 * @param group what is read together; possibly empty
 */
@RecordBuilder
public record RegisterPlace(RegisterTable table, int address, WordOrder order, String group)
    implements RegisterPlaceBuilder.With {

  /** Checks that the address can be sent. */
  public RegisterPlace {
    if (address < 0 || address > 0xFFFF) {
      throw new IllegalArgumentException(
          "%s: address %d lies outside 0 to 65535".formatted(table.label(), address));
    }
  }

  /** A place with the high word first that is read by itself. */
  public static RegisterPlace of(RegisterTable table, int address) {
    return new RegisterPlace(table, address, WordOrder.ABCD, "");
  }

  /** Words with the most significant first, as they lie on the wire there; or back again. */
  int[] arrange(ValueType type, int[] words) {
    return type.isText() ? order.arrangeText(words) : order.arrange(words);
  }
}

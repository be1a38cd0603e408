package unimotus.core.esi;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import unimotus.core.value.Access;

/**
 * One value of an object.
 *
 * @param subindex its number in the object
 * @param name its name
 * @param dataType its type, such as {@code DINT}
 * @param bitLength how many bits it takes
 * @param access whether it may be read and written
 * @param mappable whether it can be in the process image
 * @param least the least value allowed; null where none is said
 * @param most the greatest value allowed; null where none is said
 * @param delivered the value as delivered, in hex digits with the least significant byte first;
 *     null where none is said
 */
@RecordBuilder
public record ObjectPart(
    int subindex,
    String name,
    String dataType,
    int bitLength,
    Access access,
    boolean mappable,
    @Nullable Long least,
    @Nullable Long most,
    @Nullable String delivered)
    implements ObjectPartBuilder.With {

  /** Whether its type has a sign. */
  public boolean isSigned() {
    return isSigned(dataType);
  }

  /** Whether a type has a sign (IEC 61131-3). */
  public static boolean isSigned(String dataType) {
    return dataType.equals("SINT")
        || dataType.equals("INT")
        || dataType.equals("DINT")
        || dataType.equals("LINT");
  }
}

package unimotus.core.processdata;

import unimotus.core.esi.Direction;
import unimotus.core.value.DriveValue;
import unimotus.core.value.PlacedValue;

/**
 * A value that stands in the process image of a station.
 *
 * @param value what it is
 * @param place where it stands
 * @param direction on which side
 */
public record ImageEntry(DriveValue value, ImagePlace place, Direction direction)
    implements PlacedValue {

  /** The same value in the object it carries. */
  public ObjectEntry object() {
    return new ObjectEntry(value, place.entry().index(), place.entry().subindex());
  }

  @Override
  public String sign() {
    return "%s %s".formatted(direction == Direction.OUTPUTS ? "Q" : "I", place.place());
  }

  @Override
  public String where() {
    String step = value.step();
    return "%s, byte %d bit %d, %s = 0x%04X:%d%s"
        .formatted(
            direction.label(),
            place.byteOffset(),
            place.bitOffset(),
            value.name(),
            place.entry().index(),
            place.entry().subindex(),
            step.isEmpty() ? "" : ", " + step);
  }
}

package unimotus.core.value;

import java.util.Optional;

/** The values of a drive that stand somewhere, found by what they are. */
public interface PlacedValues {

  /** The value of this role; empty where there is none. */
  Optional<? extends PlacedValue> entry(ValueRole role);
}

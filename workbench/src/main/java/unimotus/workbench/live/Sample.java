package unimotus.workbench.live;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;

/**
 * What was read at once.
 *
 * @param values every value that answered, in the order of the map
 * @param state the state the status word shows; empty where it shows none, or there is none
 * @param refusals what the drive refused to read, in words
 */
public record Sample(
    Map<PlacedValue, HeldValue> values, Optional<WordState> state, List<String> refusals) {

  /** Takes copies. */
  public Sample {
    values = Collections.unmodifiableMap(new LinkedHashMap<>(values));
    refusals = List.copyOf(refusals);
  }

  /** The number in a value; empty where it was not read, or is a text. */
  public OptionalDouble value(PlacedValue value) {
    return values.get(value) instanceof HeldValue.Number number
        ? OptionalDouble.of(number.value())
        : OptionalDouble.empty();
  }

  /** The first value of a role that was read; empty where none was. */
  public Optional<PlacedValue> placed(ValueRole role) {
    return values.keySet().stream().filter(v -> v.value().role() == role).findFirst();
  }

  /** The number in the value of a role; empty where none has it. */
  public OptionalDouble value(ValueRole role) {
    return placed(role).map(this::value).orElse(OptionalDouble.empty());
  }

  /** What a value says, with its unit; a dash where it was not read. */
  public String shown(PlacedValue value, QuantityFormat format) {
    HeldValue read = values.get(value);
    return read == null ? "–" : value.value().shown(read, format);
  }
}

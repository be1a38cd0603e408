package unimotus.workbench.live;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.profile.WordState;
import unimotus.core.quantity.QuantityFormat;

/**
 * What was read at once.
 *
 * @param words the words of every entry that answered, in the order of the map
 * @param state the state the status word shows; empty where it shows none, or there is none
 * @param refusals what the drive refused to read, in words
 */
public record Sample(
    Map<RegisterEntry, List<Integer>> words, Optional<WordState> state, List<String> refusals) {

  /** Takes copies. */
  public Sample {
    words = Collections.unmodifiableMap(new LinkedHashMap<>(words));
    refusals = List.copyOf(refusals);
  }

  /** The value of an entry; empty where it was not read, or is a text. */
  public OptionalDouble value(RegisterEntry entry) {
    List<Integer> read = words.get(entry);
    return read == null || entry.type().isText()
        ? OptionalDouble.empty()
        : OptionalDouble.of(entry.value(array(read)));
  }

  /** The value of a role; empty where no register has it. */
  public OptionalDouble value(RegisterRole role) {
    return words.keySet().stream()
        .filter(e -> e.role() == role)
        .findFirst()
        .map(this::value)
        .orElse(OptionalDouble.empty());
  }

  /** What an entry says, with its unit; a dash where it was not read. */
  public String shown(RegisterEntry entry, QuantityFormat format) {
    List<Integer> read = words.get(entry);
    return read == null ? "–" : entry.shown(array(read), format);
  }

  private static int[] array(List<Integer> words) {
    return words.stream().mapToInt(w -> w).toArray();
  }
}

package unimotus.core.sheet;

import java.util.List;
import java.util.stream.IntStream;

/**
 * How a drive takes preset speeds; the schools differ (common practice).
 *
 * @param counting what a closed input counts
 * @param priority when the presets are in force
 */
public record PresetInputs(Counting counting, Priority priority) {
  /** Preset inputs a drive can have. */
  public static final int INPUTS = 4;

  /** How the number of the combination comes from the closed inputs. */
  public enum Counting {
    /** The sum of the weights 1, 2, 4 and 8. */
    BINARY,
    /** The number of the closed input; with several closed, the greatest of them. */
    ONE_OF_N;

    /** The number of a combination of inputs, by the numbers 1 to 4 of those that are closed. */
    public int number(Iterable<Integer> closed) {
      int number = 0;
      for (int input : closed) {
        number = this == BINARY ? number | 1 << (input - 1) : Math.max(number, input);
      }
      return number;
    }

    /** The inputs that are closed for a combination, by their numbers 1 to 4. */
    public List<Integer> closed(int combination) {
      return IntStream.rangeClosed(1, INPUTS)
          .filter(i -> this == BINARY ? (combination >> (i - 1) & 1) == 1 : combination == i)
          .boxed()
          .toList();
    }

    /** The greatest number that inputs 1 to {@code inputs} make. */
    public int last(int inputs) {
      return this == BINARY ? (1 << inputs) - 1 : inputs;
    }
  }

  /** What of reference and presets holds. */
  public enum Priority {
    /**
     * Any closed preset input overrides the reference in force; with none closed that one holds.
     */
    OVER_REFERENCE,
    /** Only while the reference source stands at the presets; then 0 has a value of its own. */
    AS_SOURCE
  }
}

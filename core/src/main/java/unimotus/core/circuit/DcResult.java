package unimotus.core.circuit;

import java.util.List;

/** What comes of solving a circuit: an operating point, or the reason why there is none. */
public sealed interface DcResult permits OperatingPoint, DcResult.NoSolution {

  /**
   * A circuit that contradicts itself.
   *
   * @param reason what is wrong, in words
   * @param branches names of the branches that contradict each other, possibly empty
   */
  record NoSolution(String reason, List<String> branches) implements DcResult {
    /** Takes a copy. */
    public NoSolution {
      branches = List.copyOf(branches);
    }
  }
}

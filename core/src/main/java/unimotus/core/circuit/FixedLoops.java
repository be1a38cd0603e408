package unimotus.core.circuit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Finds fixed voltages that close a loop among themselves: no current could satisfy them all. */
final class FixedLoops {
  private FixedLoops() {}

  /** The contradiction; empty where there is none. */
  static Optional<DcResult.NoSolution> find(Circuit circuit) {
    List<Branch> seen = new ArrayList<>();
    for (Branch branch : circuit.branches()) {
      if (branch.law() instanceof Law.FixedVoltage fixed) {
        if (branch.from() == branch.to() && fixed.volts() != 0) {
          return Optional.of(shorted(branch));
        }
        List<Branch> way = new ArrayList<>();
        if (branch.from() != branch.to() && leads(seen, branch.from(), branch.to(), way)) {
          way.add(branch);
          return Optional.of(loop(way));
        }
        seen.add(branch);
      }
    }
    return Optional.empty();
  }

  private static boolean leads(List<Branch> branches, int from, int to, List<Branch> way) {
    if (from == to) {
      return true;
    }
    for (Branch branch : branches) {
      if (way.contains(branch) || (branch.from() != from && branch.to() != from)) {
        continue;
      }
      way.add(branch);
      if (leads(branches, branch.from() == from ? branch.to() : branch.from(), to, way)) {
        return true;
      }
      way.remove(branch);
    }
    return false;
  }

  private static DcResult.NoSolution shorted(Branch branch) {
    return new DcResult.NoSolution(
        "%s has both ends on one node: its current has no limit".formatted(text(branch)),
        List.of(branch.name()));
  }

  private static DcResult.NoSolution loop(List<Branch> way) {
    List<String> names = way.stream().map(Branch::name).toList();
    return new DcResult.NoSolution(
        "ideal sources are connected in a loop with nothing to limit the current: "
            + String.join(", ", way.stream().map(FixedLoops::text).toList()),
        names);
  }

  private static String text(Branch branch) {
    return "%s (%s V)".formatted(branch.name(), ((Law.FixedVoltage) branch.law()).volts());
  }
}

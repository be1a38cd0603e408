package unimotus.core.way;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.Part;

/**
 * A way in which a program, a hand or the drive itself says how fast. A new one is a package with
 * one of these in it, and one line in {@code META-INF/services/unimotus.core.way.WayOfCommand}.
 */
public interface WayOfCommand {

  /** What it is called, in a few words. */
  String name();

  /** A stable word for its chain where it stands beside another. */
  default String key() {
    return "";
  }

  /** Whether an axis is commanded this way. At most one way may claim an axis. */
  boolean isChosen(AxisAssembly axis);

  /** Whether it stands in until something is chosen; the checks say so. */
  default boolean isUsual() {
    return false;
  }

  /**
   * Whether it holds in some states of the inputs only, another way in the others: such a one is
   * the main chain where it is alone, and a chain beside it where another way is chosen.
   */
  default boolean isBeside() {
    return false;
  }

  /** Whether it never is the only way of an axis: it takes another's place for a while. */
  default boolean isOnlyBeside() {
    return false;
  }

  /** Why it has no link that anything could be told of; empty where it has one. */
  Optional<String> fault(AxisAssembly axis);

  /** What its wires lack; asked whether or not it has a link. */
  void checkWires(AxisAssembly axis, PathFindings findings);

  /** The links that it is wired with; possibly empty. */
  default List<LinkIntent> intents() {
    return List.of();
  }

  /**
   * What it reads of a design beside the common parts, by the part whose readings it makes stale.
   * Asked whether or not it is chosen, and empty where nothing is entered for it: evidence of
   * before there was such a way stays fresh.
   */
  default Map<Part, String> design(AxisAssembly axis) {
    return Map.of();
  }

  /** Its link on an axis that it has no fault on. */
  CommandLink link(AxisAssembly axis);
}

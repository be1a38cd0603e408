package unimotus.core.link;

import java.util.List;
import unimotus.core.machine.AxisAssembly;

/** A link between controller, panel and drive, chosen by what it is for. */
public interface LinkIntent {

  /**
   * What is told of a link.
   *
   * @param group what it belongs to
   * @param label the words shown to the user
   * @param hint how it is wired, in a few words
   */
  record Account(LinkGroup group, String label, String hint) {}

  /** A stable word. */
  String name();

  /** What is told of it. */
  Account account();

  /** What it belongs to. */
  default LinkGroup group() {
    return account().group();
  }

  /** The words shown to the user. */
  default String label() {
    return account().label();
  }

  /** How it is wired, in a few words. */
  default String hint() {
    return account().hint();
  }

  /** Its forms; never empty. */
  default List<LinkChoice> choices() {
    return List.of(LinkChoice.ONLY);
  }

  /** Whether such a link can be on an axis at all; what it then lacks is told when it is wired. */
  default boolean suits(AxisAssembly axis) {
    return true;
  }

  /** The form taken where nobody chooses. */
  default LinkChoice usual() {
    return choices().get(0);
  }

  /**
   * Wires it.
   *
   * @throws IllegalArgumentException naming the point that is missing, where the devices cannot
   *     carry the link
   */
  void wire(Draft draft, LinkChoice choice);
}

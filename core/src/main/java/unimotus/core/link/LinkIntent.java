package unimotus.core.link;

import java.util.List;

/** A link between controller, panel and drive, chosen by what it is for. */
public interface LinkIntent {

  /** A stable word. */
  String name();

  /** What it belongs to. */
  LinkGroup group();

  /** The words shown to the user. */
  String label();

  /** How it is wired, in a few words. */
  String hint();

  /** Its forms; never empty. */
  default List<LinkChoice> choices() {
    return List.of(LinkChoice.ONLY);
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

package unimotus.desktop.map;

/**
 * The axis whose drive is joined; whatever axis is looked at, the link stays with that one.
 *
 * @param axis its id
 * @param name its name
 */
record Joined(String axis, String name) {
  static final Joined NONE = new Joined("", "");
}

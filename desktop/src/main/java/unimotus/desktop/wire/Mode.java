package unimotus.desktop.wire;

/** What the station Wire shows. */
enum Mode {
  BOARD("Board"),
  TRUTH("What inputs see"),
  SCHEDULE("Schedule");

  final String label;

  Mode(String label) {
    this.label = label;
  }
}

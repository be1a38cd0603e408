package unimotus.desktop.stop;

/** What stands beside the chain of a stop. */
enum Side {
  FAULTS("Broken on purpose"),
  DESIGNS("Designs"),
  FIGURES("Figures"),
  RECORD("Proof");

  final String label;

  Side(String label) {
    this.label = label;
  }
}

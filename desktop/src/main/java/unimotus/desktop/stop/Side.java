package unimotus.desktop.stop;

/** What stands beside the chain of a stop. */
enum Side {
  FAULTS("Fault injection"),
  DESIGNS("Designs"),
  FIGURES("Figures"),
  RECORD("Proof");

  final String label;

  Side(String label) {
    this.label = label;
  }
}

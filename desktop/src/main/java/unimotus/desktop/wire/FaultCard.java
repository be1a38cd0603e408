package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.WiringFault;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.board.WireBench;

/** The faults that are put in in thought, and those the probes offer. */
final class FaultCard extends VBox {
  private final WireBench bench;

  FaultCard(WireBench bench) {
    super(5);
    this.bench = bench;
    getStyleClass().add("sheet");
    setId("faults");
  }

  /** Shows what is broken now. */
  void paint() {
    List<Node> lines = new ArrayList<>();
    lines.add(
        Parts.row(
            7,
            Parts.label("Faults to try", "ink-strong"),
            Parts.spring(),
            Parts.quiet("mend-all", "clear all", bench::mendAll)));
    lines.get(0).lookupAll("#mend-all").forEach(n -> n.setVisible(!bench.faults().isEmpty()));
    bench.faults().forEach(f -> lines.add(line(f)));
    if (bench.faults().isEmpty()) {
      lines.add(
          Parts.prose(
              "None. Choose a wire to break it, place both probes to short them.", "ink-caption"));
    }
    TerminalRef red = bench.red();
    if (red != null) {
      lines.add(offers(red, bench.black()));
    }
    getChildren().setAll(lines);
  }

  private Node line(WiringFault fault) {
    return Parts.row(
        7,
        Parts.prose(fault.text(), "ink-attention"),
        Parts.spring(),
        Parts.quiet("mend", "clear", () -> bench.fault(fault)));
  }

  private Node offers(TerminalRef red, @Nullable TerminalRef black) {
    VBox offers =
        Parts.column(
            4,
            Parts.flow(
                6,
                Parts.action(
                    "short-24",
                    "Red to 24 V",
                    () -> bench.fault(new WiringFault.ShortToSupply(red))),
                Parts.action(
                    "short-0", "Red to 0 V", () -> bench.fault(new WiringFault.ShortToZero(red)))));
    if (black != null && !black.equals(red)) {
      offers
          .getChildren()
          .add(
              Parts.action(
                  "short-cross",
                  "Red to black",
                  () -> bench.fault(new WiringFault.CrossShort(red, black))));
    }
    return offers;
  }
}

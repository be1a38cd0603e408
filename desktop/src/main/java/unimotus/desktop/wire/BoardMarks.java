package unimotus.desktop.wire;

import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.TerminalRef;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.board.BoardLayout.Place;
import unimotus.workbench.board.WireBench;
import unimotus.workbench.board.WireBench.Lead;

/** What lies over the wires: the wire under way, both probes and what the meter shows. */
final class BoardMarks extends Group {
  private static final double BESIDE = 12;
  private static final double PROBE_HEIGHT = 18;
  private static final double CHARACTER = 8;

  private final WireBench bench;
  private final Line underWay = new Line();
  private final Label red = probe(Lead.RED);
  private final Label black = probe(Lead.BLACK);
  private @Nullable TerminalRef towards;

  BoardMarks(WireBench bench) {
    this.bench = bench;
    setManaged(false);
    setMouseTransparent(true);
    underWay.getStyleClass().add("wire-under-way");
    underWay.setId("wire-under-way");
    getChildren().addAll(underWay, red, black);
    getChildren().forEach(n -> n.setManaged(false));
    getChildren().forEach(n -> n.setVisible(false));
  }

  private static Label probe(Lead lead) {
    Label label = Parts.label("", "probe-tag");
    label.getStyleClass().add(lead.label());
    label.setId("probe-" + lead.label());
    return label;
  }

  /** Draws the wire under way to where the pointer is. */
  void follow(double x, double y) {
    underWay.setEndX(x);
    underWay.setEndY(y);
  }

  /** Draws the wire under way to the terminal that has the keyboard. */
  void follow(TerminalRef ref, Place place) {
    towards = ref;
    follow(place.x(), place.y());
  }

  /**
   * Puts everything where it belongs now.
   *
   * @param reading what the meter shows, with its unit; empty where it shows nothing
   */
  void paint(Function<TerminalRef, Optional<Place>> places, String reading) {
    TerminalRef from = bench.armed();
    Optional<Place> start = from == null ? Optional.empty() : places.apply(from);
    start.ifPresent(
        p -> {
          underWay.setStartX(p.x());
          underWay.setStartY(p.y());
          if (!underWay.isVisible() || Objects.equals(from, towards)) {
            follow(p.x() + (p.rightward() ? BESIDE : -BESIDE) * 2, p.y());
          }
        });
    underWay.setVisible(start.isPresent());
    show(black, Lead.BLACK, places, "");
    show(red, Lead.RED, places, reading);
  }

  private void show(
      Label probe, Lead lead, Function<TerminalRef, Optional<Place>> places, String reading) {
    TerminalRef at = bench.at(lead);
    Optional<Place> place = at == null ? Optional.empty() : places.apply(at);
    probe.setVisible(place.isPresent());
    place.ifPresent(
        p -> {
          probe.setText(reading.isEmpty() ? lead.label() : lead.label() + "  " + reading);
          double width = probe.getText().length() * CHARACTER + 2 * BESIDE;
          double x = p.rightward() ? p.x() + BESIDE : p.x() - BESIDE - width;
          probe.resizeRelocate(x, p.y() - PROBE_HEIGHT / 2, width, PROBE_HEIGHT);
        });
  }
}

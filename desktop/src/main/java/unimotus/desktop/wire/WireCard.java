package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Shield;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.WiringFault;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.board.WireBench;

/** The chosen wire: what it carries, what it is made of, and what may be wrong with it. */
final class WireCard extends VBox {
  private static final double BAD_JOINT_OHMS = 10_000;

  private final Desk desk;
  private final WireBench bench;
  private final Label carries = Parts.prose("");
  private @Nullable Wire shown;

  WireCard(Desk desk, WireBench bench) {
    super(6);
    this.desk = desk;
    this.bench = bench;
    getStyleClass().add("sheet");
  }

  /** Shows the wire chosen now, and what it carries. */
  void paint() {
    Wire wire = bench.wire().orElse(null);
    setVisible(wire != null);
    setManaged(wire != null);
    if (wire == null) {
      shown = null;
      return;
    }
    if (!wire.equals(shown)) {
      build(wire);
      shown = wire;
    }
    carries.setText(carries(wire));
  }

  private void build(Wire wire) {
    WordField number =
        new WordField("wire-number", "wire number", wire.id(), 7, t -> renumber(wire, t));
    FlowPane head =
        Parts.flow(
            7,
            Parts.label("Wire", "ink-strong"),
            number,
            Parts.quiet("remove-wire", "remove", () -> desk.apply(WiringEdits.disconnect(wire))));
    getChildren()
        .setAll(
            head,
            Parts.prose("%s → %s".formatted(wire.from(), wire.to())),
            carries,
            makeFields(wire),
            Parts.prose(advice(wire), "ink-caption"),
            faults(wire));
  }

  private void renumber(Wire wire, String number) {
    if (desk.apply(WiringEdits.renumber(wire, number))) {
      bench.choose(number);
    }
  }

  private GridPane makeFields(Wire wire) {
    WireMake make = wire.make();
    GridPane grid = new GridPane();
    grid.setHgap(8);
    grid.setVgap(4);
    ChoiceField<ConductorSize> size =
        new ChoiceField<>(
            "conductor size",
            sizes(make.size()),
            ConductorSize::toString,
            s -> desk.apply(WiringEdits.make(wire, "size", make.withSize(s))));
    size.setId("wire-size");
    size.show(make.size());
    QuantityField length =
        new QuantityField(
            "length",
            MeasureUnit.METRE_UNIT,
            desk::units,
            v -> desk.apply(WiringEdits.make(wire, "length", make.withLength(v))),
            desk::refuse);
    length.setId("wire-length");
    length.show(make.lengthMetres());
    ChoiceField<Shield> shield =
        new ChoiceField<>(
            "shield",
            List.of(Shield.values()),
            Shield::label,
            s -> desk.apply(WiringEdits.make(wire, "shield", make.withShield(s))));
    shield.setId("wire-shield");
    shield.show(make.shield());
    row(
        grid,
        "Signal",
        new WordField(
            "wire-signal",
            "signal",
            make.signal(),
            16,
            t -> desk.apply(WiringEdits.make(wire, "signal", make.withSignal(t)))));
    row(grid, "Size", size);
    row(grid, "Length", length);
    row(
        grid,
        "Colour",
        new WordField(
            "wire-colour",
            "colour",
            make.colour(),
            16,
            t -> desk.apply(WiringEdits.make(wire, "colour", make.withColour(t)))));
    row(
        grid,
        "Cable",
        new WordField(
            "wire-cable",
            "cable",
            make.cable(),
            16,
            t -> desk.apply(WiringEdits.make(wire, "cable", make.withCable(t, make.core())))));
    row(
        grid,
        "Core",
        new WordField(
            "wire-core",
            "core",
            make.core(),
            16,
            t -> desk.apply(WiringEdits.make(wire, "core", make.withCable(make.cable(), t)))));
    grid.add(Parts.label("Shield", "ink-label"), 0, grid.getRowCount(), 2, 1);
    grid.add(shield, 0, grid.getRowCount(), 2, 1);
    return grid;
  }

  private static List<ConductorSize> sizes(ConductorSize now) {
    List<ConductorSize> sizes = new ArrayList<>(Arrays.asList(ConductorSize.usualSizes()));
    if (!sizes.contains(now)) {
      sizes.add(0, now);
    }
    return sizes;
  }

  private static void row(GridPane grid, String words, Node field) {
    Label label = Parts.label(words, "ink-label");
    label.setMinWidth(Region.USE_PREF_SIZE);
    grid.addRow(grid.getRowCount(), label, field);
  }

  private Node faults(Wire wire) {
    WiringFault open = new WiringFault.OpenWire(wire.id());
    WiringFault joint = new WiringFault.HighResistance(wire.id(), BAD_JOINT_OHMS);
    return Parts.column(
        5,
        Parts.flow(
            6,
            Parts.label("To try:", "ink-label"),
            Parts.action("fault-open", "Break", () -> bench.fault(open)),
            Parts.action("fault-joint", "Bad joint 10 kΩ", () -> bench.fault(joint))),
        Parts.action("fault-moved", "Second end on the red probe", () -> move(wire)));
  }

  /** The wrong common: one end of the wire on the terminal the red probe is held on. */
  private void move(Wire wire) {
    TerminalRef red = bench.red();
    if (red == null || wire.touches(red)) {
      desk.refuse("hold the red probe on the wrong terminal first: R on it");
    } else {
      bench.fault(new WiringFault.MovedEnd(wire.id(), wire.to(), red));
    }
  }

  /** Both schools of earthing a shield, and the reason for each. */
  private String advice(Wire wire) {
    boolean analog = isAnalog(wire.from()) || isAnalog(wire.to());
    if (!analog) {
      return "A binary wire needs no shield, apart from power cables.";
    }
    return switch (wire.make().shield()) {
      case NONE -> "An analog wire wants a shield: the drive's switching couples into it.";
      case PANEL_END ->
          "One end, at the panel: usual for a low-level analog signal; no current flows along the shield.";
      case BOTH_ENDS ->
          "Both ends: against noise of high frequency, with the earths well bonded. A motor cable always so. Follow the drive's manual.";
    };
  }

  private boolean isAnalog(TerminalRef end) {
    return bench.installation().terminal(end).filter(t -> t.role().isAnalog()).isPresent();
  }

  private String carries(Wire wire) {
    LineSolution solution = bench.solution();
    OptionalDouble amperes = solution.wireAmperes(wire.id());
    if (amperes.isEmpty()) {
      return "no solution";
    }
    OptionalDouble drop = solution.volts(wire.from(), wire.to());
    QuantityFormat format = desk.units().format();
    String lost =
        drop.isEmpty()
            ? "no drop"
            : "drop " + format.engineering(Math.abs(drop.getAsDouble()), "V");
    return "%s · %s · %s over %s"
        .formatted(
            volts(solution, format, wire),
            format.engineering(amperes.getAsDouble(), "A"),
            lost,
            format.engineering(wire.make().ohms(), "Ω"));
  }

  /** Volts of the wire at an end whose device has a zero of its own, with the terminals named. */
  private String volts(LineSolution solution, QuantityFormat format, Wire wire) {
    for (TerminalRef end : List.of(wire.to(), wire.from())) {
      OptionalDouble volts = solution.voltsToOwnZero(end);
      if (volts.isPresent()) {
        return "%s at %s to its zero".formatted(format.engineering(volts.getAsDouble(), "V"), end);
      }
    }
    return "no zero at either end to measure to";
  }
}

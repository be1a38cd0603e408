package unimotus.desktop.wire;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Probe;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.wiring.Meter;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Styles;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.board.WireBench;
import unimotus.workbench.board.WireBench.Function;
import unimotus.workbench.board.WireBench.Lead;

/** The meter: what it is set to, where the probes are, and what it shows. */
final class MeterCard extends VBox {
  private final Desk desk;
  private final WireBench bench;
  private final Map<Function, Button> functions = new HashMap<>();
  private final Label reading = Parts.label("", "ink-big");
  private final Label red = Parts.label("", "probe-words");
  private final Label black = Parts.label("", "probe-words");
  private final Label note = Parts.prose("", "ink-caption");
  private final Map<Lead, Button> probes = new EnumMap<>(Lead.class);
  private final Button expect;

  MeterCard(Desk desk, WireBench bench) {
    super(6);
    red.setWrapText(true);
    black.setWrapText(true);
    this.desk = desk;
    this.bench = bench;
    getStyleClass().add("sheet");
    FlowPane choices = Parts.flow(5, Parts.label("Meter", "ink-strong"));
    for (Function function : Function.values()) {
      Button button =
          Parts.action(
              "meter-" + function.name().toLowerCase(Locale.ROOT),
              function.sign(),
              () -> bench.set(function));
      Hint.on(button, function::words);
      button.setAccessibleText(function.words());
      functions.put(function, button);
      choices.getChildren().add(button);
    }
    reading.setId("meter-reading");
    expect = Parts.action("expect-measurement", "Expect this in Prove", this::expect);
    getChildren()
        .addAll(
            choices,
            reading,
            Parts.row(7, pickUp(Lead.RED), red),
            Parts.row(7, pickUp(Lead.BLACK), black),
            note,
            expect);
  }

  private Button pickUp(Lead lead) {
    Button button = Parts.action("pick-up-" + lead.label(), lead.label(), () -> bench.pickUp(lead));
    button.getStyleClass().addAll("probe", lead.label());
    button.setMinWidth(USE_PREF_SIZE);
    button.setAccessibleText("pick up the %s probe".formatted(lead.label()));
    Hint.on(button, () -> "pick up, then choose a terminal");
    probes.put(lead, button);
    return button;
  }

  /** What the meter shows, for beside the probes; empty where it shows nothing. */
  String reading() {
    return reading.getText().startsWith("–") ? "" : reading.getText();
  }

  /** Shows what the meter shows. */
  void paint() {
    functions.forEach((f, b) -> Styles.choose(b, f == bench.function()));
    boolean current = bench.function() == Function.MILLIAMPS;
    String wire = bench.wire().map(Wire::id).orElse("");
    red.setText(current ? wireWords(wire) : where(bench.red(), "R on a terminal puts it there"));
    probes.forEach((lead, b) -> Styles.choose(b, lead == bench.held()));
    black.setText(current ? "" : where(bench.black(), "B on a terminal puts it there"));
    OptionalDouble value = bench.reading();
    reading.setText(words(value, wire));
    note.setText(note(value));
    expect.setDisable(!isComplete(wire) || desk.axis().isEmpty());
  }

  private static String wireWords(String wire) {
    return wire.isEmpty() ? "choose the wire it is put into" : "in wire " + wire;
  }

  private boolean isComplete(String wire) {
    return bench.function() == Function.MILLIAMPS
        ? !wire.isEmpty()
        : bench.red() != null && bench.black() != null;
  }

  private static String where(@Nullable TerminalRef ref, String otherwise) {
    return ref == null ? otherwise : ref.toString();
  }

  private String words(OptionalDouble value, String wire) {
    if (!isComplete(wire)) {
      return "– – –";
    }
    if (value.isEmpty()) {
      return bench.solution().contradiction().isPresent() ? "no solution" : "floating";
    }
    double number = value.getAsDouble();
    return switch (bench.function()) {
      case VOLTS -> desk.units().format().engineering(tidy(number), "V");
      case MILLIAMPS -> desk.units().format().engineering(tidy(number) / 1000, "A");
      case OHMS ->
          Double.isInfinite(number)
              ? "open"
              // A meter shows tenths of an ohm as such.
              : number < 1
                  ? desk.units().text(tidy(number), MeasureUnit.OHM_UNIT)
                  : desk.units().format().engineering(number, "Ω");
    };
  }

  /** No rounding noise around zero. */
  private static double tidy(double number) {
    return Math.abs(number) < 5e-4 ? 0 : number;
  }

  private String note(OptionalDouble value) {
    if (bench.solution().contradiction().isPresent()) {
      return bench.solution().contradiction().get();
    }
    if (!bench.solution().isSettled()) {
      return "A relay opens its own coil circuit: it chatters, and what is shown is one moment of it.";
    }
    return switch (bench.function()) {
      case OHMS ->
          value.isPresent() && value.getAsDouble() < Meter.CONTINUITY_OHMS
              ? "Beep: continuity, under 50 Ω. Power off for this, locked and tagged."
              : "No beep: open. Power off for this, locked and tagged.";
      case VOLTS ->
          value.isEmpty() && bench.red() != null && bench.black() != null
              ? "No path joins the two points: a real meter drifts, or shows what it picks up."
              : "Calculated from the wires and the sheets' electrical models.";
      case MILLIAMPS -> "Positive from the wire's first end to its second.";
    };
  }

  private void expect() {
    Axis axis = desk.axis().orElse(null);
    if (axis == null) {
      return;
    }
    Probe.Quantity quantity =
        switch (bench.function()) {
          case VOLTS -> Probe.Quantity.VOLTS;
          case MILLIAMPS -> Probe.Quantity.MILLIAMPS;
          case OHMS -> Probe.Quantity.CONTINUITY;
        };
    boolean current = quantity == Probe.Quantity.MILLIAMPS;
    Map<String, Double> signals = new HashMap<>();
    bench.state().signals().forEach((ref, v) -> signals.put(ref.toString(), v));
    Probe probe =
        new Probe(
            "m1",
            axis.id(),
            quantity,
            current ? null : bench.red(),
            current ? null : bench.black(),
            current ? bench.wire().map(Wire::id).orElse(null) : null,
            List.copyOf(bench.state().on().stream().sorted().toList()),
            signals,
            bench.state().positions());
    if (desk.apply(WiringEdits.expect(probe))) {
      desk.say("the value of the fault-free circuit is now in Prove, group Meter");
    }
  }
}

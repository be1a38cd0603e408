package unimotus.core.proof;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Probe;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.Meter;

/** What the meter should show where the user held it at the station Wire. */
final class ProbePredictions {
  private static final String FLOATING = "floating";
  private static final String OPEN = "open";
  private static final String CONTINUITY = "continuity";
  private static final Set<Part> PARTS = EnumSet.of(Part.WIRES, Part.DRIVE, Part.CONTROLLER);

  private ProbePredictions() {}

  static List<Prediction> of(AxisAssembly axis) {
    if (axis.probes().isEmpty()) {
      return List.of();
    }
    Meter meter = new Meter(new LineSolver(Installation.of(axis)));
    List<Prediction> predictions = new ArrayList<>();
    for (Probe probe : axis.probes()) {
      predictions.add(
          new Prediction(
              "meter." + probe.id(),
              "Meter",
              title(probe),
              expectation(meter, probe),
              null,
              Double.NaN,
              where(probe),
              probe.measures() == Probe.Quantity.MILLIAMPS ? "loop meter" : "multimeter",
              how(probe),
              PARTS,
              sum(meter, probe)));
    }
    return predictions;
  }

  private static Expectation expectation(Meter meter, Probe probe) {
    if (probe.measures() == Probe.Quantity.CONTINUITY) {
      boolean through = ohms(meter, probe) < Meter.CONTINUITY_OHMS;
      return new Expectation.Word(through ? CONTINUITY : OPEN, List.of(CONTINUITY, OPEN));
    }
    OptionalDouble value = value(meter, probe);
    MeasureUnit unit =
        probe.measures() == Probe.Quantity.VOLTS ? MeasureUnit.VOLT_UNIT : MeasureUnit.MILLIAMPERE;
    return value.isEmpty()
        ? new Expectation.Word(FLOATING, List.of(FLOATING, "a steady value"))
        : new Expectation.Amount(value.getAsDouble(), Tolerances.meter(value.getAsDouble()), unit);
  }

  private static OptionalDouble value(Meter meter, Probe probe) {
    CommandState state = state(probe);
    if (probe.wire() != null) {
      return meter.milliamps(state, List.of(), probe.wire());
    }
    TerminalRef red = probe.red();
    TerminalRef black = probe.black();
    return red == null || black == null
        ? OptionalDouble.empty()
        : meter.volts(state, List.of(), red, black);
  }

  private static double ohms(Meter meter, Probe probe) {
    TerminalRef red = probe.red();
    TerminalRef black = probe.black();
    return red == null || black == null
        ? Double.POSITIVE_INFINITY
        : meter.ohms(state(probe), List.of(), red, black);
  }

  private static CommandState state(Probe probe) {
    Map<TerminalRef, Double> signals = new HashMap<>();
    probe
        .signals()
        .forEach(
            (name, value) -> {
              int colon = name.indexOf(':');
              signals.put(
                  new TerminalRef(name.substring(0, colon), name.substring(colon + 1)), value);
            });
    return new CommandState(new HashSet<>(probe.on()), signals, probe.positions());
  }

  private static String title(Probe probe) {
    String state = stateWords(probe);
    return switch (probe.measures()) {
      case VOLTS -> "%s against %s, %s".formatted(probe.red(), probe.black(), state);
      case MILLIAMPS -> "current in wire %s, %s".formatted(probe.wire(), state);
      case CONTINUITY -> "continuity %s to %s".formatted(probe.red(), probe.black());
    };
  }

  private static String stateWords(Probe probe) {
    List<String> words = new ArrayList<>();
    probe.on().stream().sorted().forEach(o -> words.add(o.terminal() + " on"));
    probe.signals().forEach((name, value) -> words.add("%s at %s".formatted(name, value)));
    probe.positions().forEach((device, at) -> words.add(device + " " + at));
    return words.isEmpty() ? "at rest" : String.join(", ", words);
  }

  private static String where(Probe probe) {
    return probe.wire() != null ? "in wire " + probe.wire() : "at " + probe.red();
  }

  private static String how(Probe probe) {
    return probe.measures() == Probe.Quantity.CONTINUITY
        ? "All power off, locked and tagged; capacitors discharged. Then hold the probes."
        : "Command: %s. Then hold the meter.".formatted(stateWords(probe));
  }

  private static Derivation sum(Meter meter, Probe probe) {
    OptionalDouble value =
        probe.measures() == Probe.Quantity.CONTINUITY
            ? OptionalDouble.empty()
            : value(meter, probe);
    return value.isEmpty()
        ? Derivation.NONE
        : Derivation.of(
            new Step(
                "meter",
                "",
                "circuit of the axis solved, " + stateWords(probe),
                value.getAsDouble(),
                probe.measures() == Probe.Quantity.VOLTS
                    ? MeasureUnit.VOLT_UNIT
                    : MeasureUnit.MILLIAMPERE,
                "Kirchhoff's laws, modified nodal analysis"));
  }
}

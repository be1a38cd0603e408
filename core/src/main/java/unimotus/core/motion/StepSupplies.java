package unimotus.core.motion;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.AmpereKind;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.stepper.Coils;
import unimotus.core.stepper.StepDemand;
import unimotus.core.stepper.SupplyCurrent;

/** The supplies of step drivers, and what all the drivers on one take together. */
public final class StepSupplies {

  /**
   * A supply of step drivers.
   *
   * @param source the terminal that feeds them
   * @param name what people call the supply
   * @param limitAmperes what it gives
   * @param takes what each axis takes at most, by the axis' id
   */
  public record Supply(
      TerminalRef source, String name, double limitAmperes, Map<String, Double> takes) {
    /** What all of them take. */
    public double amperes() {
      return takes.values().stream().mapToDouble(a -> a).sum();
    }
  }

  private StepSupplies() {}

  /**
   * What the driver of an axis takes at most; empty where connection or supply are not entered, no
   * torque over speed is known, or its moves lead outside its travel.
   */
  public static Optional<SupplyCurrent> current(StepAxis axis) {
    double volts = axis.design().stepping().supplyVolts();
    Optional<Coils> coils = axis.coils();
    if (!(volts > 0) || coils.isEmpty()) {
      return Optional.empty();
    }
    Optional<StepDemand> demand;
    try {
      demand = axis.demand();
    } catch (IllegalArgumentException outside) {
      // The checks of the axis name the move that leads outside.
      return Optional.empty();
    }
    double rms =
        axis.driver().amperes() == AmpereKind.PEAK
            ? axis.phaseAmperes() * Math.sqrt(0.5)
            : axis.phaseAmperes();
    return demand.map(
        d ->
            new SupplyCurrent(
                rms,
                coils.get().ohms(),
                d.peakNewtonMetres(),
                d.peakRate() / axis.plate().stepsPerTurn() * 60,
                volts));
  }

  /** The supplies that feed step drivers of these axes, with those that are known of them. */
  public static List<Supply> of(List<AxisAssembly> axes) {
    Map<TerminalRef, Supply> found = new LinkedHashMap<>();
    for (AxisAssembly axis : axes) {
      Optional<SupplyCurrent> takes = StepAxis.of(axis).flatMap(StepSupplies::current);
      if (takes.isPresent()) {
        source(axis)
            .ifPresent(
                s -> {
                  Map<String, Double> all =
                      new LinkedHashMap<>(
                          Optional.ofNullable(found.get(s.source()))
                              .map(Supply::takes)
                              .orElse(Map.of()));
                  all.put(axis.axis().id(), takes.get().amperes());
                  found.put(s.source(), new Supply(s.source(), s.name(), s.limitAmperes(), all));
                });
      }
    }
    return List.copyOf(found.values());
  }

  /** The supply whose terminal is joined with the feed of a driver, its limit known. */
  private static Optional<Supply> source(AxisAssembly axis) {
    Nets nets = new Nets(axis.wires());
    List<TerminalRef> feeds =
        axis.driveSheet().terminals().stream()
            .filter(t -> t.role() == TerminalRole.POWER_INPUT)
            .map(t -> new TerminalRef(axis.drive().id(), t.id()))
            .toList();
    for (PlacedPart part : axis.parts()) {
      for (Terminal terminal : part.sheet().terminals()) {
        TerminalRef ref = new TerminalRef(part.part().id(), terminal.id());
        if (terminal.role() == TerminalRole.SUPPLY_24V
            && terminal.given(Figure.LIMIT_AMPERES).isPresent()
            && feeds.stream().anyMatch(f -> nets.joined(f, ref))) {
          return Optional.of(
              new Supply(
                  ref,
                  part.part().name(),
                  terminal.given(Figure.LIMIT_AMPERES).orElseThrow(),
                  Map.of()));
        }
      }
    }
    return Optional.empty();
  }

  /** What is said of supplies that give less than their drivers take; by the axis' id. */
  public static Map<String, List<Finding>> check(List<AxisAssembly> axes) {
    Map<String, List<Finding>> findings = new LinkedHashMap<>();
    for (Supply supply : of(axes)) {
      if (supply.amperes() > supply.limitAmperes() * (1 + 1e-9)) {
        for (String axis : supply.takes().keySet()) {
          findings.computeIfAbsent(axis, k -> new ArrayList<>()).add(finding(supply, axis));
        }
      }
    }
    return findings;
  }

  private static Finding finding(Supply supply, String axis) {
    String parts =
        supply.takes().entrySet().stream()
            .map(e -> "%s %s".formatted(e.getKey(), text(e.getValue())))
            .collect(Collectors.joining(", "));
    return new Finding(
        Severity.ERROR,
        Rule.STEP_SUPPLY,
        "axis/%s/motion/supply".formatted(axis),
        "%s gives %s; its step drivers take up to %s together (%s)"
            .formatted(supply.name(), text(supply.limitAmperes()), text(supply.amperes()), parts),
        "Its voltage falls when all of them move, and steps are lost.",
        "A larger supply, or one for each driver (2·I²·R and M·ω at η = 0.9).");
  }

  private static String text(double amperes) {
    return QuantityFormat.PLAIN.text(Math.rint(amperes * 100) / 100, MeasureUnit.AMPERE_UNIT);
  }
}

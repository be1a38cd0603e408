package unimotus.core.stops;

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
import unimotus.core.machine.StopEffect;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Axes of one drive, and of drives whose d.c. links are wired together, ramp into one link: what
 * they push back at once has to fit together.
 */
public final class SharedLink {

  /**
   * An axis with its stops.
   *
   * @param axis the axis
   * @param stops what was found of each
   */
  public record Stopped(AxisAssembly axis, List<JudgedStop> stops) {
    /** Takes a copy. */
    public Stopped {
      stops = List.copyOf(stops);
    }
  }

  /**
   * What was found.
   *
   * @param axes ids of the axes it is about
   * @param finding what it is
   */
  public record Found(List<String> axes, Finding finding) {
    /** Takes a copy. */
    public Found {
      axes = List.copyOf(axes);
    }
  }

  private record Ramp(AxisAssembly axis, String stop, BrakingEnergy energy) {}

  private SharedLink() {}

  /** Looks over the axes of a line, drive by drive; possibly nothing is found. */
  public static List<Found> check(List<Stopped> line) {
    LinkNets nets = LinkNets.of(line.stream().map(Stopped::axis).toList());
    Map<String, List<Stopped>> drives = new LinkedHashMap<>();
    line.forEach(
        s -> drives.computeIfAbsent(nets.of(s.axis().drive().id()), k -> new ArrayList<>()).add(s));
    return drives.values().stream()
        .filter(axes -> axes.size() > 1)
        .flatMap(axes -> of(axes).stream())
        .toList();
  }

  private static Optional<Found> of(List<Stopped> axes) {
    List<Ramp> ramps = axes.stream().flatMap(a -> worst(a).stream()).toList();
    double returned = ramps.stream().mapToDouble(r -> r.energy().returnedJoules()).sum();
    Map<String, Double> links = new LinkedHashMap<>();
    ramps.forEach(r -> links.merge(r.axis().drive().id(), r.energy().linkJoules(), Math::min));
    double link = links.values().stream().mapToDouble(Double::doubleValue).sum();
    if (ramps.size() < 2 || returned <= link) {
      return Optional.empty();
    }
    String parts =
        ramps.stream()
            .map(
                r ->
                    "%s %s (%s)"
                        .formatted(
                            r.axis().axis().name(), joules(r.energy().returnedJoules()), r.stop()))
            .collect(Collectors.joining(" + "));
    return Optional.of(
        new Found(
            ramps.stream().map(r -> r.axis().axis().id()).toList(),
            new Finding(
                Severity.WARNING,
                Rule.BRAKING_ENERGY,
                "devices/" + ramps.get(0).axis().drive().id(),
                "stopped at once, the axes of %s return %s = %s, the d.c. link takes %s"
                    .formatted(
                        ramps.stream()
                            .map(r -> r.axis().drive().name())
                            .distinct()
                            .collect(Collectors.joining(" and ")),
                        parts,
                        joules(returned),
                        joules(link)),
                "The drive trips on over-voltage and the rest of both is a coast, or it stretches their ramps.",
                "Fit a braking resistor for all axes together, or see to it that they never ramp at once.")));
  }

  /** The ramp of an axis that returns most; empty where none of its stops ramps. */
  private static Optional<Ramp> worst(Stopped stopped) {
    Optional<Ramp> worst = Optional.empty();
    for (JudgedStop each : stopped.stops()) {
      StopCircuit circuit = each.sound().orElse(null);
      if (circuit == null || each.stop().effect() != StopEffect.SS1_T) {
        continue;
      }
      BrakingEnergy energy =
          BrakingEnergy.of(stopped.axis(), each.stop(), StopTimeline.fromMaximum(circuit));
      if (worst.isEmpty() || energy.returnedJoules() > worst.get().energy().returnedJoules()) {
        worst = Optional.of(new Ramp(stopped.axis(), each.stop().name(), energy));
      }
    }
    return worst;
  }

  private static String joules(double value) {
    return QuantityFormat.PLAIN.text(value, MeasureUnit.JOULE_UNIT);
  }
}

package unimotus.core.way.analog.local;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink.LinkReadings;
import unimotus.core.proof.Tolerances;

/** Volts at the wiper, as the solved wires give them. */
final class KnobReadings implements LinkReadings {
  /** A knob is set to a mark by eye, to a hundredth of its travel (common practice). */
  static final double EYE_SHARE = 0.01;

  private final SignalPath path;
  private final KnobLink link;

  /** Empty where no potentiometer is wired, or the wires do not count. */
  private final Optional<PotentiometerWires> wires;

  KnobReadings(AxisAssembly axis, SignalPath path, KnobLink link, boolean asWired) {
    this.path = path;
    this.link = link;
    this.wires = asWired ? PotentiometerWires.at(axis, link.input().terminal()) : Optional.empty();
  }

  @Override
  public List<LinkReading> at(double number) {
    return List.of(
        new LinkReading(
            Station.SIGNAL,
            carried(number),
            tolerance(),
            "volts at the wiper",
            "%s against its common".formatted(link.input().terminal()),
            "voltmeter",
            EnumSet.of(Part.PROGRAM, Part.WIRES, Part.DRIVE)));
  }

  private double carried(double number) {
    double meant = path.value(Station.SIGNAL, number);
    OptionalDouble solved = solved(number);
    return solved.isPresent() && Math.abs(solved.getAsDouble() - meant) > tolerance()
        ? solved.getAsDouble()
        : meant;
  }

  private OptionalDouble solved(double number) {
    double percent = path.value(Station.PERCENT, number);
    return wires.isEmpty() ? OptionalDouble.empty() : wires.get().volts(percent);
  }

  /** The same number, unless the solved wires carry less or more than the tolerance. */
  @Override
  public double received(double number) {
    double carried = carried(number);
    return carried == path.value(Station.SIGNAL, number)
        ? number
        : path.scale().inverse(link.knob().inverse(carried));
  }

  private double tolerance() {
    return Tolerances.signal(link.knob().volts(), EYE_SHARE * link.knob().volts());
  }
}

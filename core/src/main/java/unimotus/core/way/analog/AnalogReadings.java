package unimotus.core.way.analog;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.proof.LinkReading;
import unimotus.core.proof.Part;
import unimotus.core.proof.ReadableLink.LinkReadings;
import unimotus.core.proof.Tolerances;

/** Counts and signal of an analog reference, as the solved wires carry it. */
final class AnalogReadings implements LinkReadings {
  private final SignalPath path;
  private final AnalogLink link;

  /** Empty where output or input is not chosen, or the wires do not count. */
  private final Optional<SolvedReference> solved;

  AnalogReadings(AxisAssembly axis, SignalPath path, AnalogLink link, boolean asWired) {
    this.path = path;
    this.link = link;
    this.solved = asWired ? SolvedReference.of(axis, link) : Optional.empty();
  }

  @Override
  public List<LinkReading> at(double number) {
    double sent = path.value(Station.SIGNAL, number);
    double carried =
        solved
            .flatMap(s -> s.at(sent))
            .map(SolvedReference.Signal::onWires)
            .filter(w -> Math.abs(w - sent) > tolerance())
            .orElse(sent);
    OutputModule module = link.module();
    return List.of(
        new LinkReading(
            Station.COUNTS,
            path.value(Station.COUNTS, number),
            1,
            "counts to the module",
            "controller's online view",
            "programming device",
            EnumSet.of(Part.PROGRAM)),
        new LinkReading(
            Station.SIGNAL,
            carried,
            tolerance(),
            "signal on the wires",
            "%s against its return".formatted(module.point()),
            module.range().isCurrent() ? "loop meter" : "voltmeter",
            EnumSet.of(Part.PROGRAM, Part.CONTROLLER, Part.WIRES)));
  }

  /** The same number, unless the solved wires carry less or more than the tolerance. */
  @Override
  public double received(double number) {
    double sent = path.value(Station.SIGNAL, number);
    return solved
        .flatMap(s -> s.at(sent))
        .filter(s -> s.received().isPresent())
        .map(s -> s.received().getAsDouble())
        .filter(r -> Math.abs(r - sent) > tolerance())
        .map(r -> path.scale().inverse(link.counts().inverse(link.module().inverse(r))))
        .orElse(number);
  }

  /** A live zero that never arrives where the input is told to trip on its loss. */
  @Override
  public boolean trips() {
    return solved.filter(SolvedReference::trips).isPresent();
  }

  private double tolerance() {
    OutputModule module = link.module();
    double span = module.range().high() - Math.max(0, module.range().low());
    return Tolerances.signal(span, module.step());
  }
}

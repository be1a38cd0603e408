package unimotus.core.way.analog;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Clues;
import unimotus.core.detective.Variant;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reference;
import unimotus.core.machine.TerminalRef;
import unimotus.core.path.Carrier;
import unimotus.core.path.PathFindings;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;

/**
 * A reference as a voltage or a current. Immutable; the {@code with} methods exchange one stage.
 *
 * @param counts percent to counts
 * @param module counts to signal
 * @param input signal to the drive's percent
 * @param reference percent to output frequency
 */
public record AnalogLink(
    ProgramCounts counts, OutputModule module, DriveInput input, DriveReference reference)
    implements DriveEnd {

  @Override
  public List<Stage> stages() {
    return List.of(counts, module, input, reference);
  }

  /** The range; nothing while no output is chosen. */
  @Override
  public String label() {
    return module.point().equals(OutputModule.NONE) ? "" : module.range().label();
  }

  @Override
  public Carrier carrier(Station from) {
    return from == Station.SIGNAL ? Carrier.WIRES : Carrier.WITHIN;
  }

  @Override
  public double leastPercent() {
    return module.range().leastPercent();
  }

  @Override
  public void check(AxisAssembly axis, PathFindings findings) {
    new AnalogPathChecks(axis, this, findings).check();
  }

  @Override
  public Map<TerminalRef, Double> signals(AxisAssembly axis, SignalPath path, double number) {
    return module.point().equals(OutputModule.NONE)
        ? Map.of()
        : Map.of(
            new TerminalRef(axis.controller().id(), module.point()),
            path.value(Station.SIGNAL, number));
  }

  @Override
  public List<Cause> causes() {
    return List.of(AnalogCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, Clues clues) {
    return new AnalogCauses(this, clues).variants(cause);
  }

  @Override
  public String readWord() {
    return "Signal";
  }

  @Override
  public LinkReadings readings(AxisAssembly axis, SignalPath path, boolean asWired) {
    return new AnalogReadings(axis, path, this, asWired);
  }

  @Override
  public Optional<String> unsent(Reference reference) {
    return reference.output() == null
        ? Optional.of("no output point is chosen for the reference")
        : Optional.empty();
  }

  @Override
  public Optional<String> unreceived(Reference reference) {
    return reference.input() == null
        ? Optional.of("no input of the drive is chosen for the reference")
        : Optional.empty();
  }

  /** An open loop carries nothing; a voltage stands at the output all the same. */
  @Override
  public boolean isSilencedBy(Finding error) {
    return error.rule() == Rule.BURDEN
        || (module.range().isCurrent() && error.rule() == Rule.REFERENCE_UNWIRED);
  }

  /** This link with another counting program. */
  public AnalogLink with(ProgramCounts next) {
    return new AnalogLink(next, module, input, reference);
  }

  /** This link with another output channel. */
  public AnalogLink with(OutputModule next) {
    return new AnalogLink(counts, next, input, reference);
  }

  @Override
  public AnalogLink with(DriveInput next) {
    return new AnalogLink(counts, module, next, reference);
  }

  @Override
  public AnalogLink with(DriveReference next) {
    return new AnalogLink(counts, module, input, next);
  }
}

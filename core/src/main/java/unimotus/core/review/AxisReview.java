package unimotus.core.review;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.discrete.DiscreteChecks;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.identity.IdentityChecks;
import unimotus.core.interlock.TravelSwitch;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.motion.InfeedChecks;
import unimotus.core.motion.MotionChecks;
import unimotus.core.motion.ServoChecks;
import unimotus.core.motion.StepChecks;
import unimotus.core.motor.MotorChecks;
import unimotus.core.path.AnalogLinkChecks;
import unimotus.core.path.Chain;
import unimotus.core.path.Commanded;
import unimotus.core.path.SignalPath;
import unimotus.core.power.PowerChecks;
import unimotus.core.process.LoopChecks;
import unimotus.core.program.AddressChecks;
import unimotus.core.proof.Obstacles;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.settings.LinkChecks;
import unimotus.core.settings.RecordChecks;
import unimotus.core.settings.SettingChecks;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopChecks;
import unimotus.core.stops.StopOutcome;
import unimotus.core.way.PathFactory;

/**
 * One axis looked over.
 *
 * @param axis the axis
 * @param assembly the axis with its devices, null where something is missing
 * @param path the signal path, null where something is missing or cannot be used
 * @param beside the chains beside that path; possibly empty
 * @param pathFault why there is no signal path, in words; null where there is one
 * @param stops its stops with the verdict on each, in their order; possibly empty
 * @param findings what the rules say, worst first
 */
public record AxisReview(
    Axis axis,
    @Nullable AxisAssembly assembly,
    @Nullable SignalPath path,
    List<Chain> beside,
    @Nullable String pathFault,
    List<JudgedStop> stops,
    List<Finding> findings) {

  /** Takes the findings worst first. */
  public AxisReview {
    beside = List.copyOf(beside);
    stops = List.copyOf(stops);
    findings = sorted(findings);
  }

  /** Looks over an axis that has all its devices. */
  static AxisReview of(AxisAssembly assembly) {
    List<Finding> found = new ArrayList<>(MotorChecks.check(assembly));
    Optional<String> fault = PathFactory.fault(assembly);
    SignalPath path = fault.isPresent() ? null : PathFactory.of(assembly);
    List<Chain> beside = path == null ? List.of() : PathFactory.beside(assembly, path);
    if (path != null) {
      found.addAll(PathFactory.check(assembly, path));
    }
    beside.forEach(c -> found.addAll(PathFactory.check(assembly, c)));
    found.addAll(DiscreteChecks.check(assembly));
    found.addAll(TravelSwitch.check(assembly));
    found.addAll(PathFactory.checkWires(assembly));
    found.addAll(AnalogLinkChecks.check(assembly));
    found.addAll(MotionChecks.check(assembly));
    found.addAll(ServoChecks.check(assembly));
    found.addAll(StepChecks.check(assembly));
    found.addAll(InfeedChecks.check(assembly));
    found.addAll(SettingChecks.check(assembly));
    found.addAll(LoopChecks.check(assembly));
    found.addAll(LinkChecks.check(assembly));
    found.addAll(RecordChecks.check(assembly));
    found.addAll(IdentityChecks.check(assembly));
    found.addAll(PowerChecks.check(assembly));
    found.addAll(AddressChecks.check(assembly));
    List<JudgedStop> stops = JudgedStop.all(assembly);
    found.addAll(StopChecks.check(assembly, stops));
    return new AxisReview(
        assembly.axis(), assembly, path, beside, fault.orElse(null), stops, found);
  }

  /** Says what an unfinished axis still lacks. */
  static AxisReview incomplete(Axis axis, List<String> missing) {
    boolean unknownSheet = missing.stream().anyMatch(m -> m.contains("sheet"));
    Finding finding =
        new Finding(
            unknownSheet ? Severity.ERROR : Severity.WARNING,
            unknownSheet ? Rule.UNKNOWN_SHEET : Rule.AXIS_INCOMPLETE,
            "axis/" + axis.id(),
            "still missing: " + String.join(", ", missing),
            "Nothing can be computed for this axis until it is there.",
            unknownSheet
                ? "Put the device sheet into the folder of sheets, or choose another device."
                : "Choose it at the station Identify.");
    return new AxisReview(axis, null, null, List.of(), finding.seen(), List.of(), List.of(finding));
  }

  /** The signal path; empty where something is missing. */
  public Optional<SignalPath> signalPath() {
    return Optional.ofNullable(path);
  }

  /** What it is told to do; a speed where it has no path that would say otherwise. */
  public Commanded commands() {
    return path == null ? Commanded.SPEED : path.commands();
  }

  /** The unit of the number that it is told. */
  public MeasureUnit numberUnit() {
    return path == null ? axis.mechanics().unit() : path.scale().numberUnit();
  }

  /** Why there is no signal path, in words; empty where there is one. */
  public String whyNoPath() {
    return pathFault == null ? "" : pathFault;
  }

  /** What of it cannot be predicted, and why; nothing where it has no path. */
  public Obstacles obstacles() {
    return path == null ? Obstacles.NONE : Obstacles.of(axis.reference(), path, findings, stops);
  }

  /** The worst verdict on its stops; empty where it has none. */
  public Optional<StopOutcome> worstStop() {
    return stops.stream()
        .map(s -> s.verdict().outcome())
        .max(java.util.Comparator.comparing(AxisReview::badness));
  }

  /** What people get hurt by comes first, then what nobody knows. */
  private static int badness(StopOutcome outcome) {
    return switch (outcome) {
      case STOPS -> 0;
      case CANNOT_BE_STARTED -> 1;
      case CANNOT_BE_TOLD -> 2;
      case DOES_NOT_STOP -> 3;
    };
  }

  /** This review with more findings. */
  AxisReview with(List<Finding> more) {
    List<Finding> all = new ArrayList<>(findings);
    all.addAll(more);
    return new AxisReview(axis, assembly, path, beside, pathFault, stops, all);
  }

  /** How many findings have this severity. */
  public long count(Severity severity) {
    return findings.stream().filter(f -> f.severity() == severity).count();
  }

  private static List<Finding> sorted(List<Finding> findings) {
    List<Finding> sorted = new ArrayList<>(findings);
    sorted.sort(
        java.util.Comparator.comparing(Finding::severity).thenComparing(f -> f.rule().code()));
    return List.copyOf(sorted);
  }
}

package unimotus.core.way.motion;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Reference;
import unimotus.core.motion.ServoAxis;
import unimotus.core.path.PathFindings;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ServoImage;
import unimotus.core.processdata.StationDesign;
import unimotus.core.proof.Part;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.scaling.ScalingDifference;
import unimotus.core.servo.LoopGains;
import unimotus.core.way.CommandLink;
import unimotus.core.way.CommandSource;
import unimotus.core.way.WayOfCommand;
import unimotus.core.way.position.Counted;
import unimotus.core.way.position.CountsStage;
import unimotus.core.way.position.TurnsStage;

/**
 * Positions to a servo drive: over the process data of the station that leads to it, or, where none
 * does, into the register that is its target position.
 */
public final class MotionWay implements WayOfCommand {

  @Override
  public String name() {
    return "by positions";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return axis.isServo()
        && reference.output() == null
        && reference.input() == null
        && reference.local() == null;
  }

  /** Copies that differ are refused: where such an axis goes is told once they agree. */
  @Override
  public Optional<String> fault(AxisAssembly axis) {
    Optional<String> unusable = ServoAxis.fault(axis);
    return unusable.isPresent()
        ? unusable
        : noStation(axis).or(() -> scaling(ServoAxis.of(axis).orElseThrow()));
  }

  private static Optional<String> noStation(AxisAssembly axis) {
    List<BusStation> stations = axis.stations();
    if (stations.isEmpty()) {
      return RegisterPosition.of(axis)
          .map(RegisterPosition::fault)
          .orElse(
              Optional.of(
                  "no station leads to its drive, and none of its registers is the target position:"
                      + " how its positions get there is not entered"));
    }
    if (stations.size() > 1) {
      return Optional.of(
          "more than one station leads to its drive: "
              + stations.stream().map(BusStation::name).collect(Collectors.joining(", ")));
    }
    StationDesign design = station(axis);
    return image(axis)
        .map(ServoImage::fault)
        .orElseGet(
            () -> Optional.of("%s: %s".formatted(design.station().name(), design.obstacle())));
  }

  private static StationDesign station(AxisAssembly axis) {
    return StationDesign.of(axis.stations().get(0), axis.descriptions());
  }

  private static Optional<ServoImage> image(AxisAssembly axis) {
    MotionDesign motion = axis.axis().motion();
    return motion == null
        ? Optional.empty()
        : DriveImage.of(station(axis)).map(i -> new ServoImage(i, motion.driveAxis()));
  }

  private static PositionPlace place(AxisAssembly axis) {
    return axis.stations().isEmpty()
        ? RegisterPosition.of(axis).orElseThrow()
        : new ImagePosition(image(axis).orElseThrow());
  }

  private static Optional<String> scaling(ServoAxis axis) {
    for (Holder holder : List.of(Holder.DRIVE, Holder.BUS, Holder.PROGRAM)) {
      String name = holder.label().toLowerCase(Locale.ROOT);
      Optional<ScalingDifference> against = axis.copies().againstMachine(holder);
      if (against.isEmpty()) {
        return Optional.of(
            "the scaling of the %s is not read: see Motion at Map, Scaling".formatted(name));
      }
      if (!against.get().isEqual()) {
        return Optional.of(
            "the scaling of the %s is not the machine's: see Motion at Map, Scaling"
                .formatted(name));
      }
    }
    return Optional.empty();
  }

  /** A drive that takes its commands from its terminals takes no positions from the image. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    CommandSource.check(
        axis,
        findings,
        "positions are to come over the fieldbus",
        "What comes over the fieldbus does not count.",
        "Set its command source to the fieldbus.");
    noWay(axis)
        .ifPresent(
            seen ->
                findings.add(
                    Severity.WARNING,
                    Rule.MOTION_UNKNOWN,
                    "motion/station",
                    seen,
                    "Nothing of its positions is predicted, proved or diagnosed.",
                    "Enter the station that leads to its drive, with modules and mode, at Process-data bus; or its register of the target position at Map, Registers."));
  }

  /** What is wrong with a station as such is told there. */
  private static Optional<String> noWay(AxisAssembly axis) {
    return axis.stations().isEmpty() ? noStation(axis) : image(axis).flatMap(ServoImage::unfit);
  }

  /** Scaling, moves and gains; its station is read by what is common to stations. */
  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    MotionDesign motion = axis.axis().motion();
    return motion == null
        ? Map.of()
        : Map.of(
            Part.PROGRAM,
            "motion %s %s %s %s"
                .formatted(
                    text(motion.programScaling()),
                    motion.moves(),
                    motion.travel(),
                    motion.cycleSeconds()),
            Part.CONTROLLER,
            "motion " + text(motion.busScaling()),
            Part.DRIVE,
            "motion %d %s %s"
                .formatted(motion.driveAxis(), text(motion.driveScaling()), gains(motion.gains())),
            Part.MECHANICS,
            "motion %s %s %s"
                .formatted(
                    motion.transmission().suspendedKilograms(),
                    motion.transmission().stiffnessNewtonMetres(),
                    motion.transmission().backlashRadians()));
  }

  // Numbers one by one, as in the digest of the design: a record that gains a component must not
  // make evidence stale.

  private static String text(@Nullable AxisScaling s) {
    return s == null
        ? "-"
        : "%d/%d %d/%d %s/%d %s %s %s"
            .formatted(
                s.counts(),
                s.encoderTurns(),
                s.motorTurns(),
                s.loadTurns(),
                s.feed(),
                s.feedTurns(),
                s.unit(),
                s.reversed(),
                s.time());
  }

  private static String gains(@Nullable LoopGains g) {
    return g == null
        ? "-"
        : "%s %s %s %s".formatted(g.position(), g.velocity(), g.integralSeconds(), g.feedForward());
  }

  @Override
  public CommandLink link(AxisAssembly assembly) {
    ServoAxis axis = ServoAxis.of(assembly).orElseThrow();
    AxisScaling program = axis.copies().of(Holder.PROGRAM).orElseThrow();
    AxisScaling drive = axis.copies().of(Holder.DRIVE).orElseThrow();
    return new MotionLink(
        axis,
        place(assembly),
        CountsStage.ofEncoder(program),
        new TurnsStage(Counted.COUNTS, drive.countsPerTurn().doubleValue(), true));
  }
}

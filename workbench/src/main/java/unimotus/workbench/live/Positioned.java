package unimotus.workbench.live;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import unimotus.core.interlock.TravelSwitch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.TravelRange;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.devices.drive.ServoBuild;
import unimotus.devices.drive.SwitchSense;

/**
 * The servo axes on the drive of a station.
 *
 * @param axes by the axis of the drive; empty where none are simulated
 * @param senses what each sees of its switches over its wires
 * @param still why none are although there are some; empty where they are, or there are none
 */
record Positioned(List<ServoAxis> axes, List<SwitchSense> senses, String still) {
  static Positioned of(Project project, SheetCatalogue sheets, BusStation station) {
    if (station.drive().isEmpty()) {
      return new Positioned(List.of(), List.of(), "");
    }
    List<AxisAssembly> servos =
        project.axes().stream()
            .filter(a -> station.drive().equals(a.drive()))
            .flatMap(a -> AxisAssembly.of(project, sheets, a).stream())
            .filter(a -> a.motor().plate() instanceof ServoPlate)
            .toList();
    Optional<String> fault =
        servos.stream()
            .flatMap(
                a -> ServoAxis.fault(a).map(f -> "%s: %s".formatted(a.axis().name(), f)).stream())
            .findFirst();
    List<ServoAxis> axes =
        servos.stream()
            .flatMap(a -> ServoAxis.of(a).stream())
            .sorted(Comparator.comparingInt(a -> a.design().driveAxis()))
            .toList();
    Optional<String> why = fault.or(() -> unplaced(axes)).or(() -> reversed(axes));
    List<SwitchSense> senses =
        axes.stream()
            .map(a -> servos.stream().filter(s -> s.axis().equals(a.axis())).findFirst())
            .map(s -> sense(s.orElseThrow()))
            .toList();
    return why.isPresent()
        ? new Positioned(List.of(), List.of(), why.get())
        : new Positioned(axes, senses, "");
  }

  private static Optional<String> unplaced(List<ServoAxis> axes) {
    boolean whole =
        IntStream.range(0, axes.size()).allMatch(i -> axes.get(i).design().driveAxis() == i + 1);
    return whole
        ? Optional.empty()
        : Optional.of("its axes are not axis 1 of the drive and on, each once");
  }

  private static Optional<String> reversed(List<ServoAxis> axes) {
    return axes.stream().flatMap(a -> Positioned.reversed(a).stream()).findFirst();
  }

  /** Why an axis is not simulated, in words; empty where it is. */
  static Optional<String> reversed(ServoAxis axis) {
    return axis.copies()
        .of(Holder.DRIVE)
        .filter(AxisScaling::reversed)
        .map(
            c ->
                "%s counts backwards in its drive, which is not simulated"
                    .formatted(axis.axis().name()));
  }

  /** What the drive takes of the switches of an axis, over the wires as drawn. */
  static SwitchSense sense(AxisAssembly axis) {
    List<TravelSwitch> all = TravelSwitch.of(axis);
    return all.stream().noneMatch(TravelSwitch::isWired)
        ? SwitchSense.LIMITS
        : new SwitchSense(
            seen(all, TravelSwitch.Kind.NEGATIVE_LIMIT),
            seen(all, TravelSwitch.Kind.POSITIVE_LIMIT),
            seen(all, TravelSwitch.Kind.HOME));
  }

  private static SwitchSense.Seen seen(List<TravelSwitch> all, TravelSwitch.Kind kind) {
    return all.stream()
        .filter(s -> s.kind() == kind)
        .findFirst()
        .map(s -> new SwitchSense.Seen(s.actsFree(), s.actsOperated()))
        .orElse(SwitchSense.Seen.NONE);
  }

  /** Counts are those the drive shows; where its copy was not read, those of the encoder. */
  static ServoBuild build(ServoAxis axis, SwitchSense sense) {
    AxisScaling shown = axis.copies().of(Holder.DRIVE).orElse(axis.machine());
    double turn = shown.countsPerTurn().doubleValue();
    double unit = turn / axis.machine().countsPerTurn().doubleValue();
    double counts = axis.machine().signedCountsPerUnit() * unit;
    TravelRange travel = axis.design().travel();
    return new ServoBuild(
        axis.setup(axis.gains()),
        axis.brake().orElse(null),
        turn,
        travel.least() * counts,
        travel.most() * counts,
        axis.design().moves().start() * counts,
        axis.design().moves().limits().velocity() * Math.abs(counts),
        axis.design().moves().limits().acceleration() * Math.abs(counts),
        sense,
        axis.plate().ratedNewtonMetres());
  }
}

package unimotus.workbench.live;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.interlock.TravelSwitch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;
import unimotus.core.sheet.ServoPlate;
import unimotus.core.sheet.SheetCatalogue;

/** What simulated servo axes take as there although no wire says so. */
public final class AssumedSwitches {
  private AssumedSwitches() {}

  /** The axes whose limit switches are taken as there, in a sentence; empty where none are. */
  public static Optional<String> of(Project project, SheetCatalogue sheets) {
    List<String> names =
        project.axes().stream()
            .flatMap(a -> AxisAssembly.of(project, sheets, a).stream())
            .filter(AssumedSwitches::isAssumed)
            .map(a -> a.axis().name())
            .toList();
    return names.isEmpty()
        ? Optional.empty()
        : Optional.of(
            names.stream()
                .collect(
                    Collectors.joining(
                        ", ",
                        "No limit switch is wired on ",
                        ": simulated, it stops at the ends of its travel as if there were some."
                            + " The machine will not.")));
  }

  private static boolean isAssumed(AxisAssembly axis) {
    MotionDesign motion = axis.axis().motion();
    return motion != null
        && motion.travel().isLimited()
        && axis.motor().plate() instanceof ServoPlate
        && TravelSwitch.of(axis).stream().noneMatch(TravelSwitch::isWired);
  }
}

package unimotus.core.power;

import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;

/** What does not fit on the power side of a drive. */
public final class PowerChecks {
  private PowerChecks() {}

  /** Findings of one axis; possibly empty. */
  public static List<Finding> check(AxisAssembly axis) {
    return PowerSide.of(axis.driveSheet().power(), axis.feed()).stream()
        .filter(i -> !i.doubt().isEmpty())
        .map(i -> finding(axis, i))
        .toList();
  }

  private static Finding finding(AxisAssembly axis, PowerItem item) {
    boolean mains = item.key().equals("mains");
    return new Finding(
        mains ? Severity.ERROR : Severity.WARNING,
        Rule.POWER_SIDE,
        "axis/%s/drive/%s".formatted(axis.axis().id(), item.key()),
        "%s: %s".formatted(item.title(), item.doubt()),
        mains
            ? "The wrong mains destroys the drive at the first power on."
            : "It heats, trips or disturbs in service.",
        "Wanted: %s.".formatted(item.wanted()));
  }
}

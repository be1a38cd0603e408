package unimotus.core.path;

import static unimotus.core.path.Numbers.text;
import static unimotus.core.quantity.MeasureUnit.HERTZ_UNIT;
import static unimotus.core.quantity.MeasureUnit.PERCENT;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/** What the checks of one path have found, and the words they share. */
public final class PathFindings {
  /** Frequencies this close are the same. */
  public static final double SAME_HERTZ = 0.05;

  private final AxisAssembly axis;
  private final MeasureUnit unit;
  private final List<Finding> found = new ArrayList<>();

  /** None yet, on an axis that is told a speed. */
  public PathFindings(AxisAssembly axis) {
    this(axis, axis.axis().mechanics().unit());
  }

  /**
   * None yet.
   *
   * @param unit of the number that is commanded
   */
  public PathFindings(AxisAssembly axis, MeasureUnit unit) {
    this.axis = axis;
    this.unit = unit;
  }

  /** What was found so far; possibly empty. */
  public List<Finding> found() {
    return found;
  }

  /** Adds a finding at a place of the axis. */
  public void add(
      Severity severity, Rule rule, String place, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity, rule, "axis/%s/%s".formatted(axis.axis().id(), place), seen, why, remedy));
  }

  /** Says that the steps of a link are coarser than what is wanted, where they are. */
  public void addResolution(double percentStep, String remedy) {
    double span =
        Math.abs(axis.axis().reference().speedAtFull() - axis.axis().reference().speedAtZero());
    double step = span * percentStep / 100;
    double wanted = axis.axis().reference().wantedStep();
    if (step > wanted) {
      add(
          Severity.WARNING,
          Rule.RESOLUTION,
          "reference",
          "one step is %s, %s is wanted".formatted(number(step), number(wanted)),
          "Finer commands than one step make no difference to the machine.",
          remedy);
    }
  }

  /** Says that a reference runs beyond the drive's maximum, where it does. */
  public void addClamped(double beginsHertz, double endsHertz, double mostHertz) {
    if (endsHertz > mostHertz + SAME_HERTZ) {
      double share = (mostHertz - beginsHertz) / (endsHertz - beginsHertz);
      add(
          Severity.ERROR,
          Rule.CLAMPED_MAXIMUM,
          setting(SettingRole.MAXIMUM_FREQUENCY, "maximum"),
          "the reference runs to %s, the maximum frequency is %s"
              .formatted(text(endsHertz, HERTZ_UNIT), text(mostHertz, HERTZ_UNIT)),
          "Above %s of the reference the speed no longer changes."
              .formatted(text(share * 100, PERCENT)),
          "Raise the maximum frequency if motor and machine allow it, or scale the reference down.");
    }
  }

  /** Says that a drive lifts low references to its minimum, where it does. */
  public void addFloor(double beginsHertz, double leastHertz) {
    if (leastHertz > beginsHertz + SAME_HERTZ) {
      add(
          Severity.WARNING,
          Rule.MINIMUM_FLOOR,
          setting(SettingRole.MINIMUM_FREQUENCY, "minimum"),
          "the reference begins at %s, the minimum frequency is %s"
              .formatted(text(beginsHertz, HERTZ_UNIT), text(leastHertz, HERTZ_UNIT)),
          "Low commands make no difference until the minimum is passed.",
          "Lower the minimum, or begin the program's span at the same frequency.");
    }
  }

  /** Says that a reference does not reach the drive over its wires. */
  public void addUnwired(String seen) {
    add(
        Severity.ERROR,
        Rule.REFERENCE_UNWIRED,
        "wires/reference",
        seen,
        "The speed stays at its minimum, or drifts with what the open input picks up.",
        "Wire signal and return, as a shielded pair.");
  }

  /** A number that is commanded, with its unit. */
  public String number(double value) {
    return text(value, unit);
  }

  /** Code and name of a setting of a terminal. */
  public String code(SettingRole role, @Nullable String terminal) {
    return terminal == null
        ? role.name()
        : axis.driveSheet()
            .setting(role, terminal)
            .map(s -> s.code() + " " + s.name())
            .orElse(role.name());
  }

  /** Where a setting of the drive stands. */
  public String setting(SettingRole role, String otherwise) {
    return "drive/"
        + axis.driveSheet().setting(role).map(SettingDefinition::code).orElse(otherwise);
  }
}

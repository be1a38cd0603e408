package unimotus.core.way.preset;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Project;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SettingValue;

/** Axes with preset speeds, wired by intent on each school of drive. */
final class Presets {
  /** Binary, any closed input overrides the reference. */
  static final String OVERRIDING = "compact-drive-2kw";

  /** Binary, only while the presets are the reference source. */
  static final String AS_SOURCE = "vector-drive-15kw";

  /** The number of the closed input, overrides the reference. */
  static final String ONE_OF_N = "fieldbus-drive-1k5";

  /** The code of the frequency of a preset on each of them. */
  private static final Map<String, String> CODES =
      Map.of(OVERRIDING, "2.1%d", AS_SOURCE, "P-0%d", ONE_OF_N, "31%d");

  private Presets() {}

  /** An axis whose reference is nothing but presets; 25 r/min of the drum are 50 Hz. */
  static Project axis(String sheet, int inputs, Preset... wanted) {
    Project bare = Lines.bare("controller-modular", sheet);
    Project wired = Lines.with(bare, CommonLink.TWO_WIRE);
    Project presets =
        LinkPlanner.plan(
                wired,
                Lines.SHEETS,
                LinkRequest.of(Lines.AXIS, Links.PRESETS, String.valueOf(inputs)))
            .project();
    Axis axis = presets.axes().get(0);
    Project next =
        presets.with(axis.withReference(axis.reference().withPresets(Arrays.asList(wanted))));
    return sheet.equals(AS_SOURCE) ? set(next, "E-02", "presets") : next;
  }

  static String code(String sheet, int number) {
    return CODES.get(sheet).formatted(sheet.equals(AS_SOURCE) ? number + 1 : number);
  }

  /** With the frequencies of presets 1, 2, 3, … entered. */
  static Project entered(Project project, double... hertz) {
    Drive drive = project.drives().get(0);
    for (int i = 0; i < hertz.length; i++) {
      drive = drive.withSetting(code(drive.sheet(), i + 1), new SettingValue.Number(hertz[i]));
    }
    return project.with(drive);
  }

  static Project set(Project project, String code, String choice) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Choice(choice)));
  }

  static Project set(Project project, String code, double value) {
    return project.with(project.drives().get(0).withSetting(code, new SettingValue.Number(value)));
  }

  static AxisReview review(Project project) {
    return LineReview.of(project, Lines.SHEETS).axes().get(0);
  }

  /** What the rules of presets say, as code and place. */
  static List<String> told(Project project) {
    return review(project).findings().stream()
        .filter(f -> f.rule().code().startsWith("PRE"))
        .map(f -> f.rule().name() + " " + f.place())
        .toList();
  }
}

package unimotus.workbench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SheetCatalogue;

/**
 * Which drives fit motor, mains and signal of a new axis, found by adding it with each of them to
 * an empty line and looking it over.
 *
 * @param drives those that nothing speaks against
 * @param leftOut the others, and why
 */
public record DriveOffers(List<DriveSheet> drives, Map<DriveSheet, String> leftOut) {
  private static final Set<Rule> CLASHES =
      Set.of(Rule.MOTOR_ON_DRIVE, Rule.DRIVE_CURRENT, Rule.MOTOR_VOLTAGE, Rule.POWER_SIDE);

  /** Takes copies. */
  public DriveOffers {
    drives = List.copyOf(drives);
    leftOut = Map.copyOf(leftOut);
  }

  /** What fits an axis as far as it is described. */
  public static DriveOffers of(SheetCatalogue sheets, AxisDraft draft) {
    List<DriveSheet> drives = new ArrayList<>();
    Map<DriveSheet, String> leftOut = new LinkedHashMap<>();
    for (DriveSheet sheet : sheets.all(DriveSheet.class)) {
      whyNot(sheets, draft.withDriveSheet(sheet.id()))
          .ifPresentOrElse(why -> leftOut.put(sheet, why), () -> drives.add(sheet));
    }
    return new DriveOffers(drives, leftOut);
  }

  private static Optional<String> whyNot(SheetCatalogue sheets, AxisDraft draft) {
    Project line;
    try {
      line = draft.edit(sheets).change().apply(Project.empty("offers"));
    } catch (IllegalArgumentException cannot) {
      return Optional.of(String.valueOf(cannot.getMessage()));
    }
    Axis axis = line.axes().get(0);
    boolean byPulses =
        sheets
            .find(DriveSheet.class, draft.driveSheet())
            .filter(s -> s.driveKind() instanceof DriveKind.Step)
            .isPresent();
    if (!byPulses && axis.reference().input() == null) {
      return Optional.of("no analog input takes %s".formatted(draft.range().label()));
    }
    return LineReview.of(line, sheets).findings().stream()
        .filter(f -> f.severity() == Severity.ERROR && CLASHES.contains(f.rule()))
        .map(Finding::seen)
        .findFirst();
  }
}

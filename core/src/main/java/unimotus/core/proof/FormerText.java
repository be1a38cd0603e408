package unimotus.core.proof;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.FormerMarks;

/**
 * What a digest is made of, in the marks its first versions were made of: a mark that a sheet
 * changed later must not make evidence stale.
 */
final class FormerText {
  private final AxisAssembly axis;
  private final Map<String, String> sheets = new HashMap<>();

  FormerText(AxisAssembly axis) {
    this.axis = axis;
    sheets.put(axis.controller().id(), axis.controller().sheet());
    sheets.put(axis.drive().id(), axis.drive().sheet());
    axis.parts().forEach(p -> sheets.put(p.part().id(), p.part().sheet()));
  }

  String controller() {
    String sheet = axis.controller().sheet();
    return sheet
        + FormerMarks.selectorsFormerly(axis.controllerSheet(), axis.controller().selectors());
  }

  /** A channel of the controller; null where none is chosen. */
  @Nullable String channel(@Nullable String mark) {
    return mark == null ? null : FormerMarks.formerly(axis.controller().sheet(), mark);
  }

  /** A terminal of the drive; null where none is chosen. */
  @Nullable String driveTerminal(@Nullable String mark) {
    return mark == null ? null : FormerMarks.formerly(axis.drive().sheet(), mark);
  }

  TerminalRef end(TerminalRef end) {
    String sheet = sheets.get(end.device());
    return sheet == null
        ? end
        : new TerminalRef(end.device(), FormerMarks.formerly(sheet, end.terminal()));
  }
}

package unimotus.workbench.wiring;

import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/** One axis of shipped devices, to be wired by intent. */
public final class Lines {
  public static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  public static final String AXIS = unimotus.core.Lines.AXIS;

  private Lines() {}

  /** An axis with nothing wired; the works jumper fitted. */
  public static Project bare(String controllerSheet, String driveSheet) {
    return unimotus.core.Lines.bare(controllerSheet, driveSheet);
  }

  public static Project with(Project project, LinkIntent... kinds) {
    return unimotus.core.Lines.with(SHEETS, project, kinds);
  }

  public static AxisAssembly axis(Project project) {
    return unimotus.core.Lines.axis(SHEETS, project);
  }

  public static TerminalRef ref(String text) {
    return unimotus.core.Lines.ref(text);
  }
}

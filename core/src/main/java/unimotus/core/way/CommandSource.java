package unimotus.core.way;

import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.PathFindings;
import unimotus.core.settings.LinkChecks;
import unimotus.core.sheet.SettingRole;

/** Whether a drive that is told something over a fieldbus takes its commands from there. */
public final class CommandSource {
  private CommandSource() {}

  /**
   * Tells of a drive that takes its commands from its terminals.
   *
   * @param meant what is to come over the fieldbus, such as {@code positions are to come over the
   *     fieldbus}
   * @param why what happens instead
   * @param remedy what to do
   */
  public static void check(
      AxisAssembly axis, PathFindings findings, String meant, String why, String remedy) {
    if (!LinkChecks.isCommandedByLink(axis)) {
      findings.add(
          Severity.ERROR,
          Rule.REFERENCE_UNWIRED,
          findings.setting(SettingRole.COMMAND_SOURCE, "command source"),
          "the drive takes its commands from its terminals, and " + meant,
          why,
          remedy);
    }
  }
}

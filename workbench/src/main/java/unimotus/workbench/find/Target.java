package unimotus.workbench.find;

import unimotus.core.finding.Finding;
import unimotus.workbench.WorkStep;

/** Where something of a line is looked at. */
public sealed interface Target {

  /** A station of an axis. */
  record Station(String axis, WorkStep step) implements Target {}

  /** The field of a station that a finding is mended at. */
  record Field(String axis, WorkStep step, Finding finding) implements Target {}

  /** A setting of an axis' drive, by the place a finding would name. */
  record Setting(String axis, String place) implements Target {}

  /** A terminal or a wire on the board of an axis, as it is sought there. */
  record OnBoard(String axis, String sought) implements Target {}

  /** A prediction of an axis, by its key. */
  record Predicted(String axis, String key) implements Target {}

  /** A station of the process-data fieldbus, by its id. */
  record OnBus(String station) implements Target {}

  /** Scaling, moves or loops of a positioning axis, by the place a finding would name. */
  record InMotion(String axis, String place) implements Target {}

  /** Where a finding is mended. */
  record Mending(String axis, Finding finding) implements Target {}
}

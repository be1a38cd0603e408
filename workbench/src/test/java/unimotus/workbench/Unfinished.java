package unimotus.workbench;

import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;

/** The demo line with its bale-tie feeder as it was before anything was chosen for it. */
public final class Unfinished {
  public static final String AXIS = "bale-tie";

  private Unfinished() {}

  public static Project project() {
    return takeAway(Demo.project());
  }

  /** A line without drive and motor of that axis. */
  public static Project takeAway(Project project) {
    Axis axis = project.axis(AXIS).orElseThrow();
    return project.with(axis.withDevices("controller-1", null, null).withMotion(null));
  }
}

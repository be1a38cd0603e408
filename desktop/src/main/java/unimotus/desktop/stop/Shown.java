package unimotus.desktop.stop;

import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.StopCircuit;

/**
 * The stop that is looked at.
 *
 * @param axis its axis
 * @param judged the stop with the verdict on it
 * @param run what came of breaking it; null where it was not broken yet
 */
record Shown(AxisAssembly axis, JudgedStop judged, @Nullable FaultRun run) {

  StopFunction stop() {
    return judged.stop();
  }

  @Nullable StopCircuit circuit() {
    return judged.circuit();
  }
}

package unimotus.desktop.stop;

import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;
import unimotus.core.stops.FaultRun;
import unimotus.core.stops.StopCircuit;

/**
 * The stop that is looked at.
 *
 * @param axis its axis
 * @param stop the stop
 * @param circuit its circuit; null where it is not joined to the drive
 * @param run what came of breaking it; null where it was not broken yet
 */
record Shown(
    AxisAssembly axis, StopFunction stop, @Nullable StopCircuit circuit, @Nullable FaultRun run) {}

/**
 * Stop functions: the circuit they run over, how it behaves over time, what every fault in it does,
 * and how the shaft comes to rest. Calculated from the wires and the sheets; a risk assessment,
 * local codes and licensed people decide.
 */
@NullMarked
package unimotus.core.stops;

import org.jspecify.annotations.NullMarked;

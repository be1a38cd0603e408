/**
 * D.c. circuits solved by modified nodal analysis: the voltage between any two nodes and the
 * current in any branch.
 *
 * <p>Build a {@link unimotus.core.circuit.Circuit} of nodes and branches, each with a {@link
 * unimotus.core.circuit.Law} that ties its current to its voltage, and give it to {@link
 * unimotus.core.circuit.DcSolver}. Bends (diodes, inputs, limits of sources) are straight pieces
 * joined at knots, so a solution is exact up to rounding. Nodes that no branch joins float against
 * each other: a voltage between them is not a number, and is not given as one.
 *
 * <p>This package knows no devices; {@code unimotus.core.wiring} makes circuits from terminals and
 * wires. Sources: Ho, Ruehli, Brennan, "The modified nodal approach to network analysis" (1975,
 * from memory); Katzenelson, "An algorithm for solving nonlinear resistor networks" (1965, from
 * memory).
 */
@NullMarked
package unimotus.core.circuit;

import org.jspecify.annotations.NullMarked;

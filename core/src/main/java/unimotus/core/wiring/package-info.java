/**
 * The wires of a line as a circuit: what every terminal really sees in any commanded state, with
 * any fault put in.
 *
 * <p>An {@link unimotus.core.wiring.Installation} is what is wired, a {@link
 * unimotus.core.wiring.CommandState} what is commanded, a {@link unimotus.core.wiring.WiringFault}
 * what is broken; {@link unimotus.core.wiring.LineSolver} brings them together into a {@link
 * unimotus.core.wiring.LineSolution}. The {@link unimotus.core.wiring.Meter} holds two probes on
 * it, the {@link unimotus.core.wiring.TruthTable} sets what each input sees beside what was meant.
 */
@NullMarked
package unimotus.core.wiring;

import org.jspecify.annotations.NullMarked;

/**
 * The model of a machine section: controllers, drives, motors, the axes they make up, the wires
 * between them and the evidence collected.
 *
 * <p>{@link unimotus.core.machine.Project} is the whole, one immutable value; an edit produces the
 * next value. {@link unimotus.core.machine.AxisAssembly} is one axis with everything it refers to
 * looked up, which is what the computing packages take.
 */
@NullMarked
package unimotus.core.machine;

import org.jspecify.annotations.NullMarked;

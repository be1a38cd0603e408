/**
 * The controller's side of a link: variables and a function block in structured text (IEC 61131-3,
 * from memory). {@code LinkProgram} writes the one over registers, {@code WiredProgram} the one
 * over wires; {@code AddressChecks} looks at the addresses of channels. Both scale, watch what
 * comes back, reset faults, and start on a new command alone. Every number in it carries a comment
 * that says where it comes from.
 */
@NullMarked
package unimotus.core.program;

import org.jspecify.annotations.NullMarked;

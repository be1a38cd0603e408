/**
 * Links chosen by what they are for, and wired by the program: "run forward, two-wire, from this
 * controller".
 *
 * <p>{@link unimotus.core.link.LinkPlanner#plan} takes a {@link unimotus.core.link.LinkRequest} and
 * returns the project with wires, panel parts, settings and intents added, and in words what was
 * done. The wires are then open to be changed one by one. How each kind is wired is common
 * practice.
 */
@NullMarked
package unimotus.core.link;

import org.jspecify.annotations.NullMarked;

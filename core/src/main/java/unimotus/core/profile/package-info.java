/**
 * Control and status words as state machines: which command a number is, which state a number
 * shows, which numbers lead to where one wants to be, and why a number is ignored.
 *
 * <p>A profile is data: states told by masks, commands told by masks and edges, transitions. The
 * published drive profile (IEC 61800-7-201, CiA 402; from memory), a plain run-and-stop word and
 * words entered from a manual are read by the same {@link unimotus.core.profile.WordMachine}.
 */
@NullMarked
package unimotus.core.profile;

import org.jspecify.annotations.NullMarked;

/**
 * Moves that are known before they are made: limits, the phases of a move from rest to rest,
 * several of them in a row, and the set-points of every cycle. Positions are in the unit of the
 * axis, times in seconds. Servo axes and pulse trains share this planner.
 */
@NullMarked
package unimotus.core.move;

import org.jspecify.annotations.NullMarked;

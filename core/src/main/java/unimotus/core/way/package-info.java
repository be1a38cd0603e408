/**
 * The ways in which an axis is told how fast, each in a package of its own, and the signal path
 * that is made of one.
 */
@NullMarked
package unimotus.core.way;

import org.jspecify.annotations.NullMarked;

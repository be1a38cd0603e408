/**
 * How a number came about: the formula, the numbers put in, the result and the authority, one step
 * a line. Every computed value of the program can be unfolded into a {@link
 * unimotus.core.derivation.Derivation}.
 */
@NullMarked
package unimotus.core.derivation;

import org.jspecify.annotations.NullMarked;

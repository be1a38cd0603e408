/** The calculators in the window: find a question, type its numbers, see the sum. */
@NullMarked
package unimotus.desktop.calc;

import org.jspecify.annotations.NullMarked;

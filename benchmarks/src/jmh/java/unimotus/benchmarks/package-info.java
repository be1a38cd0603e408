/**
 * Speed as ratios within one run: {@code ./benchmark} runs them and prints a table.
 *
 * <p>Nothing here is a test; a slow machine only changes both sides of a ratio.
 */
@NullMarked
package unimotus.benchmarks;

import org.jspecify.annotations.NullMarked;

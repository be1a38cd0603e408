/**
 * The dry-run: a virtual drive with its motor and load, in ticks of one millisecond, deterministic.
 *
 * <p>{@link unimotus.core.bench.BenchSetup} is what is on the bench, {@link
 * unimotus.core.bench.Scenario} what is done to it and when, {@link unimotus.core.bench.Bench#run}
 * does it, {@link unimotus.core.bench.Trace} is what was seen. A simulation is not a proof.
 */
@NullMarked
package unimotus.core.bench;

import org.jspecify.annotations.NullMarked;

/**
 * Predict, prove, record: what should be measured, what was measured, and what that says.
 *
 * <p>{@link unimotus.core.proof.Predictor} turns a design into predictions with tolerance, place
 * and instrument; {@link unimotus.core.proof.Prover} sets readings beside them. A reading remembers
 * the design it was taken on ({@link unimotus.core.proof.DesignDigest}), so a later change upstream
 * makes its verdict stale.
 */
@NullMarked
package unimotus.core.proof;

import org.jspecify.annotations.NullMarked;

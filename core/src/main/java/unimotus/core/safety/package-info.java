/**
 * Figures of functional safety: performance level (ISO 13849-1), required level by the risk graph,
 * safety distance (ISO 13855). They advise and do not certify.
 */
@NullMarked
package unimotus.core.safety;

import org.jspecify.annotations.NullMarked;

/**
 * Sequences as people say them: moves, waiting, outputs until something is seen. Read from text,
 * looked over, played scan by scan.
 */
@NullMarked
package unimotus.core.sequence;

import org.jspecify.annotations.NullMarked;

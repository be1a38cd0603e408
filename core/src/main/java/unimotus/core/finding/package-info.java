/**
 * What the program has to say about a design: one {@link unimotus.core.finding.Finding} a fault,
 * with a stable code, the place, what is seen, why it matters and what to do.
 */
@NullMarked
package unimotus.core.finding;

import org.jspecify.annotations.NullMarked;

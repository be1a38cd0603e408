/**
 * Contacts, transistors and commons: which terminals are joined, whether a run command reaches the
 * drive, and how an axis is usually wired.
 *
 * <p>{@link unimotus.core.discrete.Nets} tells what is joined, {@link
 * unimotus.core.discrete.DiscreteChecks} what is wrong, {@link
 * unimotus.core.discrete.StandardWiring} proposes the wires for an intent.
 */
@NullMarked
package unimotus.core.discrete;

import org.jspecify.annotations.NullMarked;

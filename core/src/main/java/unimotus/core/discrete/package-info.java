/**
 * Contacts, transistors and commons: whether permission, commands and answers get through the wires
 * as meant, and if not, why.
 *
 * <p>{@link unimotus.core.discrete.DiscreteChecks} is the entry. What an input sees is taken from
 * the solved circuit ({@code unimotus.core.wiring}); the cause of a wrong reading is the one change
 * that, made in thought and solved again, puts it right. {@link
 * unimotus.core.discrete.LineSupplies} looks at the supplies of the whole line. {@link
 * unimotus.core.discrete.StartRace} plays the race of stop and start contacts in time.
 */
@NullMarked
package unimotus.core.discrete;

import org.jspecify.annotations.NullMarked;

/** What all ways of telling positions share: positions to counts, counts to turns, proved moves. */
@NullMarked
package unimotus.core.way.position;

import org.jspecify.annotations.NullMarked;

/**
 * The station Set up: the settings of a drive as the way one goes to enter them, why each stands as
 * it does, the three truths side by side, the rehearsal, what is borrowed and what is ticked.
 */
@NullMarked
package unimotus.desktop.setup;

import org.jspecify.annotations.NullMarked;

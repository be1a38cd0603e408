/** Sequences in the window: their steps, what the names stand for, and the bench they run on. */
@NullMarked
package unimotus.desktop.sequence;

import org.jspecify.annotations.NullMarked;

/**
 * The station Make safe: the chain from hand to shaft with its times, the speed trace under it, and
 * beside them what came of breaking it on purpose, other designs, figures and proof.
 *
 * <p>{@link unimotus.desktop.stop.StopView} is the station; each pane shows one thing.
 */
@NullMarked
package unimotus.desktop.stop;

import org.jspecify.annotations.NullMarked;

/**
 * What stands between a drive and its motion on the wires: the contact that keeps its permission
 * away, and the switches along its travel.
 */
@NullMarked
package unimotus.core.interlock;

import org.jspecify.annotations.NullMarked;

/**
 * Drives on a bus: stand-ins, looking at them and commanding them, finding out what is not known.
 */
@NullMarked
package unimotus.workbench.live;

import org.jspecify.annotations.NullMarked;

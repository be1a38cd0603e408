/** Telegrams of a process-data fieldbus taken apart for a reader, byte by byte. */
@NullMarked
package unimotus.devices.ethercat.explain;

import org.jspecify.annotations.NullMarked;

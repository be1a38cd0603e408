/**
 * What a drive is reached over, whatever protocol carries it: {@code DriveConnection} reads and
 * writes values, a {@code Gate} lets a command out or keeps it back in one step with the sending.
 */
@NullMarked
package unimotus.devices.connection;

import org.jspecify.annotations.NullMarked;

/**
 * What a device on a process-data fieldbus says of itself: the device description (ESI, ETG.2000,
 * from memory) as values. {@link unimotus.core.esi.DeviceDescription} is a whole file.
 */
@NullMarked
package unimotus.core.esi;

import org.jspecify.annotations.NullMarked;

/**
 * Process data of a station on a process-data fieldbus: what stands where in the image, what is
 * written while the station starts, and whether the cycle suits it. Everything is worked out from
 * the device description; {@link unimotus.core.processdata.StationSetup} is what was chosen of it.
 */
@NullMarked
package unimotus.core.processdata;

import org.jspecify.annotations.NullMarked;

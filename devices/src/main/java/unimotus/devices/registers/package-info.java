/**
 * Values in registers, from both ends: {@code DriveUnit} is a stand-in drive behind the registers
 * of a map, {@code RegisterConnection} reaches a drive through its map.
 */
@NullMarked
package unimotus.devices.registers;

import org.jspecify.annotations.NullMarked;

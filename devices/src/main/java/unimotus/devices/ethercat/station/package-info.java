/**
 * Stand-in stations of a process-data fieldbus: a {@code Ring} of {@code Station}s with registers,
 * EEPROM, sync managers, memory mapping, mailbox, states, watchdog and clock (ETG.1000, from
 * memory). What is behind a station, a drive or inputs and outputs, is a {@code StationDevice}.
 */
@NullMarked
package unimotus.devices.ethercat.station;

import org.jspecify.annotations.NullMarked;

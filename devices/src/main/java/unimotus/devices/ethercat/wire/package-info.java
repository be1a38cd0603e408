/**
 * How telegrams travel: in UDP packets, or in Ethernet frames of their own where the system gives
 * the right. {@code Wire} is the controller's end, {@code RingServer} the stations'.
 */
@NullMarked
package unimotus.devices.ethercat.wire;

import org.jspecify.annotations.NullMarked;

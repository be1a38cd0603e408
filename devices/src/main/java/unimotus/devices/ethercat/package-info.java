/**
 * Telegrams of a process-data fieldbus (EtherCAT; IEC 61158-4-12 and -6-12, from memory): {@link
 * unimotus.devices.ethercat.Telegram} carries datagrams, in an Ethernet frame of type 88A4 or in a
 * UDP packet to port 34980.
 */
@NullMarked
package unimotus.devices.ethercat;

import org.jspecify.annotations.NullMarked;

/**
 * Modbus: messages and their bytes, frames on a serial line and on TCP, stand-ins that answer and a
 * client that asks. Sources: Modbus Application Protocol V1.1b3, Modbus over Serial Line V1.02,
 * Modbus Messaging on TCP/IP V1.0b (all from memory).
 */
@NullMarked
package unimotus.devices.modbus;

import org.jspecify.annotations.NullMarked;

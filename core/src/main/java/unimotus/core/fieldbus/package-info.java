/**
 * Register fieldbus: maps of registers, how addresses are written, how values lie in words, the
 * fewest requests that read them, and how long the bus takes. Sources: Modbus Application Protocol
 * V1.1b3 and Modbus over Serial Line V1.02 (both from memory).
 */
@NullMarked
package unimotus.core.fieldbus;

import org.jspecify.annotations.NullMarked;

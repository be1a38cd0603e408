/**
 * Frames taken apart for a reader: every byte named, what the specification forbids told in words.
 * The codec beside this package refuses such frames; here they are shown.
 */
@NullMarked
package unimotus.devices.modbus.explain;

import org.jspecify.annotations.NullMarked;

/** Serial lines: real ports, pseudo-terminals and their bytes carried over TCP. */
@NullMarked
package unimotus.devices.serial;

import org.jspecify.annotations.NullMarked;

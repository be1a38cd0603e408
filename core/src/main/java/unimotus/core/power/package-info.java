/**
 * The power side of a drive: mains, protection, conductors by current and length, earth, motor
 * cable and mounting. Sources: IEC 60204-1 and IEC 60228 (from memory), device sheets.
 */
@NullMarked
package unimotus.core.power;

import org.jspecify.annotations.NullMarked;

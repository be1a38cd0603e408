/**
 * Device descriptions of a process-data fieldbus (ESI, ETG.2000, from memory), read as they stream
 * by: {@link unimotus.formats.esi.DescriptionFile} is a file that was read, with what could not be
 * used.
 */
@NullMarked
package unimotus.formats.esi;

import org.jspecify.annotations.NullMarked;

/**
 * The process-data fieldbus of the line: the stations as they are cabled, the image of one as bytes
 * and bits, its start-up list with verdicts, its objects.
 */
@NullMarked
package unimotus.desktop.bus;

import org.jspecify.annotations.NullMarked;

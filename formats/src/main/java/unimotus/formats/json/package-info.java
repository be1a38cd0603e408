/** How core's records become JSON and back, and how a fault in a document is told with its line. */
@NullMarked
package unimotus.formats.json;

import org.jspecify.annotations.NullMarked;

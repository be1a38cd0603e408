/** Lists of drive settings as CSV, in and out, and the entry sheet on paper. */
@NullMarked
package unimotus.formats.settings;

import org.jspecify.annotations.NullMarked;

/** Sheets on paper, as PDF. */
@NullMarked
package unimotus.formats.report;

import org.jspecify.annotations.NullMarked;

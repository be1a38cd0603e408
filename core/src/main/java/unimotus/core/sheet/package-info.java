/**
 * Device sheets: what a class of controller, drive or motor is, as data.
 *
 * <p>A sheet lists terminals with their electrical figures, selector switches, settings with ranges
 * and defaults, and ratings. New devices need a data file, no code; the published schema is the
 * contract of that file. {@link unimotus.core.sheet.SheetCatalogue} holds the sheets that are
 * known.
 */
@NullMarked
package unimotus.core.sheet;

import org.jspecify.annotations.NullMarked;

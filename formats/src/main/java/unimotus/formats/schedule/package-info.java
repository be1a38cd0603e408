/** Wire schedules as CSV and as a workbook. */
@NullMarked
package unimotus.formats.schedule;

import org.jspecify.annotations.NullMarked;

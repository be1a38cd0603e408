/**
 * Project files: reading with clear faults, saving without a moment in which the work can be lost.
 */
@NullMarked
package unimotus.formats.project;

import org.jspecify.annotations.NullMarked;

/**
 * The files of the program: projects, device sheets, schemas, traces, schedules, lists of settings
 * and registers, reports.
 *
 * <p>One package a subject; {@code json} is the shared ground: how records become JSON and how a
 * fault in a file is told with line and place.
 */
@NullMarked
package unimotus.formats;

import org.jspecify.annotations.NullMarked;

/**
 * The use cases the desktop and the command line share.
 *
 * <p>{@link unimotus.workbench.Session} holds the open project, its history and its review; {@link
 * unimotus.workbench.Edits} are the named changes; {@link unimotus.workbench.AxisDraft} builds a
 * first axis; {@link unimotus.workbench.StandIns} lets the project's drives answer on a bus and
 * {@link unimotus.workbench.LiveLink} joins one; {@link unimotus.workbench.DisplayUnits} are the
 * reader's units. A session is used from one thread only.
 */
@NullMarked
package unimotus.workbench;

import org.jspecify.annotations.NullMarked;

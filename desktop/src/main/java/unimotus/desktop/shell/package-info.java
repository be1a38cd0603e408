/** The frame around the views: work order, axes, project menu, messages, help. */
@NullMarked
package unimotus.desktop.shell;

import org.jspecify.annotations.NullMarked;

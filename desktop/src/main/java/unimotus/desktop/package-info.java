/**
 * The window: {@link unimotus.desktop.DesktopApp} starts it, {@link unimotus.desktop.Desk} is what
 * all views share.
 */
@NullMarked
package unimotus.desktop;

import org.jspecify.annotations.NullMarked;

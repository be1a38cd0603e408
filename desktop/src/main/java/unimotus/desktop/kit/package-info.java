/**
 * Controls of our own, each state and a picture of it; nothing here knows the trade's use cases.
 */
@NullMarked
package unimotus.desktop.kit;

import org.jspecify.annotations.NullMarked;

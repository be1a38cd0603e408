/** What is read at the station Identify besides what the axis is made of: plates and cables. */
@NullMarked
package unimotus.desktop.identify;

import org.jspecify.annotations.NullMarked;

/** What is read on a drive before it is wired, against what the sheet and the axis ask. */
@NullMarked
package unimotus.core.identity;

import org.jspecify.annotations.NullMarked;

/**
 * The controller's side of a link: variables and a function block in structured text (IEC 61131-3,
 * from memory) that drives a drive's state machine, scales, watches the link and resets faults.
 * Every number in it carries a comment that says where it comes from.
 */
@NullMarked
package unimotus.core.program;

import org.jspecify.annotations.NullMarked;

/**
 * The controller's side of a process-data fieldbus: who answers, states, mailbox, and process data
 * in free run. A desktop computer is no real-time controller; it serves to put into operation and
 * to look.
 */
@NullMarked
package unimotus.devices.ethercat.master;

import org.jspecify.annotations.NullMarked;

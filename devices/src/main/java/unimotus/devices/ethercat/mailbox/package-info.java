/**
 * What goes through the mailbox of a station: mails, and objects read and written with them. {@code
 * ObjectServer} is the station's side, {@code ObjectClient} the controller's (CiA 301, ETG.1000.6;
 * from memory).
 */
@NullMarked
package unimotus.devices.ethercat.mailbox;

import org.jspecify.annotations.NullMarked;

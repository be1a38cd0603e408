/**
 * What a station on a process-data fieldbus shows while its drive is commanded, and what can keep
 * it from working; ways of command whose drive stands behind a station share it.
 */
@NullMarked
package unimotus.core.way.station;

import org.jspecify.annotations.NullMarked;

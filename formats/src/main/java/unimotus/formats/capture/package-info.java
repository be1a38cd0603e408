/**
 * Captures of what went over a network: the classic format of libpcap and the newer pcapng in, the
 * classic one out. Written here since the library at hand reads only the old one and puts no frames
 * together. Sources: the formats' own drafts at the IETF, RFC 791, RFC 9293 (all from memory).
 */
@NullMarked
package unimotus.formats.capture;

import org.jspecify.annotations.NullMarked;

/** Speeds chosen by closing inputs of the drive: stages, checks, readings, causes. */
@NullMarked
package unimotus.core.way.preset;

import org.jspecify.annotations.NullMarked;

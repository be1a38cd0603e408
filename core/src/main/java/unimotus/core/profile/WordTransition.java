package unimotus.core.profile;

import org.jspecify.annotations.Nullable;

/**
 * A way from one state to another.
 *
 * @param number its number in the published profile; 0 where it has none
 * @param from name of the state it leaves
 * @param command name of the command that takes it; null where the drive takes it by itself
 * @param to name of the state it leads to
 */
public record WordTransition(int number, String from, @Nullable String command, String to) {}

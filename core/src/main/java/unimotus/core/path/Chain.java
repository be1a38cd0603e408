package unimotus.core.path;

/**
 * A chain of an axis beside its main one: another command that holds in other states of its inputs.
 *
 * @param key stable key within the axis, such as {@code preset}
 * @param title what it is called, such as {@code preset speeds}
 * @param path its signal path
 */
public record Chain(String key, String title, SignalPath path) {}

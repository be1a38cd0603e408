package unimotus.core.wiring;

/**
 * What a binary input really sees.
 *
 * @param volts voltage across the input, in the direction that switches it on
 * @param amperes current through it
 * @param level what the input makes of it
 */
public record InputReading(double volts, double amperes, Level level) {}

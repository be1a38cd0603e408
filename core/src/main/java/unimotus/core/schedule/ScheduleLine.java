package unimotus.core.schedule;

/**
 * One line of a schedule as it was read, all in text.
 *
 * @param line number of the line in its file, from 1
 * @param number wire number
 * @param fromDevice id or name of the first device
 * @param fromTerminal terminal there
 * @param toDevice id or name of the second device
 * @param toTerminal terminal there
 * @param size conductor size, possibly empty
 * @param length length in metres, possibly empty
 * @param colour colour, possibly empty
 * @param cable cable, possibly empty
 * @param core core, possibly empty
 * @param shield where the shield is earthed, possibly empty
 * @param signal what it carries, possibly empty
 */
public record ScheduleLine(
    int line,
    String number,
    String fromDevice,
    String fromTerminal,
    String toDevice,
    String toTerminal,
    String size,
    String length,
    String colour,
    String cable,
    String core,
    String shield,
    String signal) {}

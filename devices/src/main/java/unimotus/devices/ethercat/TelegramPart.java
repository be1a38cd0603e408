package unimotus.devices.ethercat;

/**
 * A part of a telegram.
 *
 * @param offset its first byte, from 0
 * @param bytes its bytes in hex digits
 * @param name what it is
 * @param meaning what it says
 */
public record TelegramPart(int offset, String bytes, String name, String meaning) {}

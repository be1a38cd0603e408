package unimotus.devices.modbus;

/**
 * Some bytes of a frame and what they say.
 *
 * @param offset place of the first byte, from 0
 * @param bytes the bytes in hexadecimal
 * @param name what they are
 * @param meaning what they say here
 */
public record FramePart(int offset, String bytes, String name, String meaning) {}

package unimotus.devices.modbus.explain;

/**
 * Some bytes of a frame and what they say.
 *
 * @param offset place of the first byte, from 0
 * @param bytes the bytes in hexadecimal
 * @param name what they are
 * @param meaning what they say here
 * @param fault what is wrong with them; empty where nothing is
 */
public record FramePart(int offset, String bytes, String name, String meaning, String fault) {
  FramePart faulted(String words) {
    return new FramePart(
        offset, bytes, name, meaning, fault.isEmpty() ? words : fault + "; " + words);
  }
}

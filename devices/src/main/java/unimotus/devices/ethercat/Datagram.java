package unimotus.devices.ethercat;

import java.util.Arrays;

/**
 * One errand in a telegram.
 *
 * @param command what is done
 * @param index the number by which the sender knows it again, 0 to 255
 * @param address position and place, station and place, or a logical address: as it stands on the
 *     wire, the first word in the lower half
 * @param data what is carried; of a read, room for the answer
 * @param circulating whether it went round without coming back to its sender
 * @param interrupt the events of the stations, or'ed together
 * @param counter how many stations did it, by their own count
 */
public record Datagram(
    Command command,
    int index,
    long address,
    byte[] data,
    boolean circulating,
    int interrupt,
    int counter) {
  /** The most bytes that fit into one. */
  public static final int MOST_DATA = 1486;

  private static final int BYTE = 0xFF;
  private static final int WORD = 0xFFFF;

  /** Takes a copy and refuses what does not fit into its field. */
  public Datagram {
    data = data.clone();
    if (data.length > MOST_DATA) {
      throw new IllegalArgumentException(
          "a datagram carries 0 to %d bytes, not %d".formatted(MOST_DATA, data.length));
    }
    within("index", index, BYTE);
    within("interrupt", interrupt, WORD);
    within("working counter", counter, WORD);
    within("address", address, 0xFFFF_FFFFL);
  }

  private static void within(String what, long number, long most) {
    if (number < 0 || number > most) {
      throw new IllegalArgumentException("%s %d is outside 0 to %d".formatted(what, number, most));
    }
  }

  /** An errand to a station by the address it was given. */
  public static Datagram toStation(
      Command command, int index, int station, int place, byte[] data) {
    return new Datagram(command, index, address(station, place), data, false, 0, 0);
  }

  /** An errand to a station by its place on the wire, from 0. */
  public static Datagram toPosition(
      Command command, int index, int position, int place, byte[] data) {
    // Each station adds one; the one that finds 0 is meant.
    return new Datagram(command, index, address(-position & WORD, place), data, false, 0, 0);
  }

  /** An errand to whoever has mapped a logical address. */
  public static Datagram logical(Command command, int index, long address, byte[] data) {
    return new Datagram(command, index, address, data, false, 0, 0);
  }

  private static long address(int first, int place) {
    return (long) place << Short.SIZE | first;
  }

  @Override
  public byte[] data() {
    return data.clone();
  }

  /** How many bytes are carried. */
  public int length() {
    return data.length;
  }

  /** The first word of the address: position or station. */
  public int first() {
    return (int) (address & WORD);
  }

  /** The second word of the address: the place in a station's memory. */
  public int place() {
    return (int) (address >>> Short.SIZE & WORD);
  }

  /** This errand after stations have dealt with it. */
  public Datagram answered(byte[] read, int counted) {
    return new Datagram(command, index, address, read, circulating, interrupt, counted);
  }

  @Override
  public boolean equals(@org.jspecify.annotations.Nullable Object other) {
    return other instanceof Datagram d
        && command == d.command
        && index == d.index
        && address == d.address
        && circulating == d.circulating
        && interrupt == d.interrupt
        && counter == d.counter
        && Arrays.equals(data, d.data);
  }

  @Override
  public int hashCode() {
    return 31 * (31 * command.hashCode() + index) + Arrays.hashCode(data);
  }

  @Override
  public String toString() {
    return "%s %d 0x%08X, %d bytes, counter %d"
        .formatted(command, index, address, data.length, counter);
  }
}

package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.Place;

/** One station by the address it was given: its registers, its EEPROM and its state. */
public final class StationLink {
  private static final int EEPROM_BUSY = 0x8000;
  private static final int EEPROM_ERROR = 0x2000;
  private static final int EEPROM_READS_EIGHT = 0x40;
  private static final int EEPROM_READ = 0x0100;
  private static final int EEPROM_TRIES = 200;
  private static final int TRIES = 3;

  private final Exchange exchange;
  private final int position;
  private final int address;

  /**
   * A link.
   *
   * @param position its place on the wire, from 0
   * @param address the address it was given
   */
  public StationLink(Exchange exchange, int position, int address) {
    this.exchange = exchange;
    this.position = position;
    this.address = address;
  }

  /** The exchange it goes over. */
  Exchange exchange() {
    return exchange;
  }

  /** Its place on the wire, from 0. */
  public int position() {
    return position;
  }

  /** The address it was given. */
  public int address() {
    return address;
  }

  /**
   * Reads memory; a mailbox may be empty.
   *
   * @return empty bytes where the station did not do it
   * @throws IOException where nothing comes back
   */
  byte[] tryRead(int place, int length, int again) throws IOException {
    Datagram errand = Datagram.toStation(Command.FPRD, 0, address, place, new byte[length]);
    Datagram answer = exchange.ask(List.of(errand), again, Gate.OPEN).get(0);
    return answer.counter() == 1 ? answer.data() : new byte[0];
  }

  /**
   * Reads memory.
   *
   * @throws IOException where the station does not do it, or nothing comes back
   */
  public byte[] read(int place, int length) throws IOException {
    Datagram errand = Datagram.toStation(Command.FPRD, 0, address, place, new byte[length]);
    Datagram answer = exchange.ask(List.of(errand)).get(0);
    counted(answer, place);
    return answer.data();
  }

  private void counted(Datagram answer, int place) throws Unexpected {
    if (answer.counter() != 1) {
      throw new Unexpected(
          "%s: %s at 0x%04X: working counter %d instead of 1"
              .formatted(this, answer.command(), place, answer.counter()));
    }
  }

  int word(int place) throws IOException {
    byte[] read = read(place, Short.BYTES);
    return Byte.toUnsignedInt(read[0]) | Byte.toUnsignedInt(read[1]) << Byte.SIZE;
  }

  /**
   * Writes memory.
   *
   * @return whether the station did it
   * @throws IOException where nothing comes back
   */
  boolean tryWrite(int place, byte[] data, Gate gate) throws IOException {
    Datagram errand = Datagram.toStation(Command.FPWR, 0, address, place, data);
    return exchange.ask(List.of(errand), TRIES, gate).get(0).counter() == 1;
  }

  /**
   * Writes memory.
   *
   * @throws IOException where the station does not do it, or nothing comes back
   */
  public void write(int place, byte[] data) throws IOException {
    Datagram errand = Datagram.toStation(Command.FPWR, 0, address, place, data);
    counted(exchange.ask(List.of(errand)).get(0), place);
  }

  void writeWord(int place, int value) throws IOException {
    write(place, new byte[] {(byte) value, (byte) (value >> Byte.SIZE)});
  }

  /**
   * What its EEPROM says.
   *
   * @throws IOException where it cannot be read
   */
  public EepromContent eeprom() throws IOException {
    // It belongs to the controller while it is read.
    write(Place.EEPROM_OWNER, new byte[1]);
    return EepromContent.read(this::eeprom);
  }

  private byte[] eeprom(int word, int length) throws IOException {
    byte[] content = new byte[length];
    int at = 0;
    while (at < length) {
      byte[] command =
          ByteBuffer.allocate(6)
              .order(ByteOrder.LITTLE_ENDIAN)
              .putShort((short) EEPROM_READ)
              .putInt(word + at / 2)
              .array();
      idle();
      write(Place.EEPROM_CONTROL, command);
      int status = idle();
      if ((status & EEPROM_ERROR) != 0) {
        throw new Unexpected("%s: the EEPROM cannot be read (0x%04X)".formatted(this, status));
      }
      byte[] part = read(Place.EEPROM_DATA, (status & EEPROM_READS_EIGHT) != 0 ? 8 : 4);
      int now = Math.min(part.length, length - at);
      System.arraycopy(part, 0, content, at, now);
      at += now;
    }
    return content;
  }

  private int idle() throws IOException {
    for (int i = 0; i < EEPROM_TRIES; i++) {
      int status = word(Place.EEPROM_CONTROL);
      if ((status & EEPROM_BUSY) == 0) {
        return status;
      }
      pause();
    }
    throw new Unexpected("%s: the EEPROM stays busy".formatted(this));
  }

  static void pause() throws IOException {
    try {
      TimeUnit.MILLISECONDS.sleep(1);
    } catch (InterruptedException ended) {
      Thread.currentThread().interrupt();
      throw new java.io.InterruptedIOException("ended while waiting for a station");
    }
  }

  /**
   * The state it is in.
   *
   * @param state the state; null for none of the standard
   * @param isRefused whether a change was refused, or it fell by itself
   * @param code why; 0 where nothing was refused
   */
  public record Standing(
      @org.jspecify.annotations.Nullable StationState state, boolean isRefused, int code) {

    /** The state, and why it is not another one. */
    public String told() {
      String name = state == null ? "no state of the standard" : state.label();
      return isRefused ? "%s, refused: %s".formatted(name, StateCode.told(code)) : name;
    }
  }

  /**
   * The state it is in.
   *
   * @throws IOException where it does not tell
   */
  public Standing standing() throws IOException {
    return standing(read(Place.STATE, 6));
  }

  static Standing standing(byte[] registers) {
    int code = Byte.toUnsignedInt(registers[4]) | Byte.toUnsignedInt(registers[5]) << Byte.SIZE;
    return new Standing(
        StationState.of(registers[0]).orElse(null),
        (registers[0] & StationState.REFUSED) != 0,
        code);
  }

  /**
   * Acknowledges an error, where there is one.
   *
   * @throws IOException where it does not answer
   */
  public void acknowledge() throws IOException {
    Standing now = standing();
    if (now.isRefused() && now.state() != null) {
      writeWord(Place.STATE_ASKED, now.state().number() | StationState.REFUSED);
    }
  }

  /** Goes on meanwhile, such as process data. */
  public interface Meanwhile {
    /** Nothing. */
    Meanwhile NOTHING = () -> {};

    /**
     * Does it once.
     *
     * @throws IOException where it fails
     */
    void once() throws IOException;
  }

  /**
   * Asks for a state and waits for it.
   *
   * @param meanwhile goes on while it is waited for
   * @throws StateRefused where the station refuses, with its code
   * @throws IOException where it does not get there in time, or does not answer
   */
  public void request(StationState target, int milliseconds, Meanwhile meanwhile, Gate gate)
      throws IOException {
    byte[] asked = {(byte) target.number(), 0};
    if (!tryWrite(Place.STATE_ASKED, asked, gate)) {
      throw new Unexpected("%s does not take a request for %s".formatted(this, target.label()));
    }
    long end = System.nanoTime() + milliseconds * 1_000_000L;
    while (true) {
      try {
        meanwhile.once();
      } catch (NoAnswer lost) {
        // The next one is newer; whether anybody answers at all is asked next.
      }
      Standing now = standing();
      if (now.isRefused()) {
        throw new StateRefused(this, target, now);
      }
      if (now.state() == target) {
        return;
      }
      if (System.nanoTime() > end) {
        throw new Unexpected(
            "%s: %s not reached within %d ms; it is in %s"
                .formatted(this, target.label(), milliseconds, now.told()));
      }
      pause();
    }
  }

  /**
   * Lets its lamp blink, or not; nothing else changes.
   *
   * @throws IOException where it cannot be told
   */
  public void blink(boolean blinks) throws IOException {
    write(Place.LAMP, new byte[] {(byte) (blinks ? Place.BLINKING : 0)});
  }

  /** Bytes of a number, the least significant first. */
  static byte[] bytes(long value, int length) {
    return Arrays.copyOf(
        ByteBuffer.allocate(Long.BYTES).order(ByteOrder.LITTLE_ENDIAN).putLong(value).array(),
        length);
  }

  @Override
  public String toString() {
    return "station %d (0x%04X)".formatted(position, address);
  }
}

package unimotus.devices.ethercat.station;

import java.util.function.LongSupplier;
import org.jspecify.annotations.Nullable;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Place;

/**
 * A stand-in station. It deals with each datagram that passes; what time has brought since the last
 * one is caught up with first. One thread at a time.
 */
public final class Station {
  private static final int TYPE = 0x11;
  private static final int SYNC_MANAGERS = 4;
  private static final int KIBIBYTES = 16;
  private static final int TWO_PORTS = 0x0F;

  /** 64 bit clock. */
  private static final int FEATURES = 0x000C;

  private static final int ALIAS_IN_USE = 0x0100_0000;

  /** The divider stands at 100 µs from power on. */
  private static final int WATCHDOG_STEPS_PER_MILLISECOND = 10;

  /** What the controller may write, from and to. */
  private static final int[][] WRITABLE = {
    {0x0010, 0x0014},
    {0x0100, 0x0104},
    {0x0120, 0x0122},
    {0x0138, 0x013A},
    {0x0200, 0x0210},
    {0x0300, 0x0314},
    {0x0400, 0x0430},
    {0x0500, 0x0510},
    {0x0600, 0x0680},
    {0x0800, 0x0820},
    {0x0900, 0x0904},
    {0x0910, 0x0918},
    {0x0920, 0x0940},
    {0x0980, 0x09F0},
    {0x0F80, StationMemory.SIZE}
  };

  private final StationMemory memory = new StationMemory();
  private final StationIdentity identity;
  private final StationDevice device;
  private final Mailboxes mailboxes;
  private final EepromAccess eeprom;
  private final ProcessData process;
  private final StateMachine states;
  private final StationClock clock;
  private int position;
  private int behind;
  private int fault;

  /**
   * A station that was just switched on.
   *
   * @param identity who it says it is
   * @param device what is behind it
   * @param nanos a clock in nanoseconds
   */
  public Station(StationIdentity identity, StationDevice device, LongSupplier nanos) {
    this.identity = identity;
    this.device = device;
    memory.put(
        Place.TYPE,
        new byte[] {
          TYPE, 1, 1, 0, MemoryMapping.COUNT, SYNC_MANAGERS, KIBIBYTES, TWO_PORTS, FEATURES, 0
        });
    this.mailboxes = new Mailboxes(memory, device.objects());
    this.eeprom = new EepromAccess(memory, EepromImage.of(device.objects().setup(), identity));
    this.process = new ProcessData(memory, device, nanos);
    this.states = new StateMachine(memory, device.objects().setup().device(), process);
    this.clock = new StationClock(memory, nanos, 1000 * (identity.serial() & 0xFFFF));
  }

  /** Who it says it is. */
  public StationIdentity identity() {
    return identity;
  }

  /** What is behind it. */
  public StationDevice device() {
    return device;
  }

  /** The state it is in. */
  public StationState state() {
    return states.state();
  }

  /** Whether its lamp blinks, so that it can be found. */
  public boolean isBlinking() {
    return memory.octet(Place.LAMP) == Place.BLINKING;
  }

  /** Refuses its image with a code; {@link StateCode#NONE} for none any more. */
  public void refuseImage(StateCode code) {
    process.refuse(code);
  }

  /** Overlooks the outputs that come, until its watchdog runs out. */
  public void starve(boolean starves) {
    process.starve(starves);
  }

  /** How long it waits for outputs from power on, in ms; a controller may change it. */
  public void watchdog(int milliseconds) {
    memory.putWord(Place.WATCHDOG, Math.min(0xFFFF, WATCHDOG_STEPS_PER_MILLISECOND * milliseconds));
  }

  /** Where it is on the wire and whether its neighbours can be reached. */
  void wired(int at, int following, boolean isLinked) {
    position = at;
    behind = following;
    int links = 1 | (isLinked ? 2 : 0);
    int status = 0x0003 | links << 4;
    for (int port = 0; port < 4; port++) {
      boolean open = (links >> port & 1) != 0;
      // Two bits a port: whether its loop is closed, whether telegrams come in.
      status |= (open ? 2 : 1) << 8 + 2 * port;
    }
    if (memory.word(Place.PORT_STATUS) != 0 && !isLinked && (linkBits() & 2) != 0) {
      memory.putOctet(Place.LOST_LINKS + 1, Math.min(0xFF, memory.octet(Place.LOST_LINKS + 1) + 1));
    }
    memory.putWord(Place.PORT_STATUS, status);
  }

  private int linkBits() {
    return memory.word(Place.PORT_STATUS) >> 4 & 0x0F;
  }

  private void catchUp() {
    if (states.state() == StationState.OP && process.isStarved()) {
      device.outputsLost();
      states.fallTo(StationState.SAFE_OP, StateCode.WATCHDOG, (before, now) -> {});
      device.objects().in(states.state());
    }
    int now = device.fault();
    if (now != fault) {
      fault = now;
      mailboxes.emergency(now);
    }
  }

  /**
   * Deals with a datagram that passes.
   *
   * @param first the first word of its address, as it comes in
   * @param place the second one
   * @param data what it carries; changed where it is read
   * @return by how much the working counter goes up
   */
  int pass(Command command, int first, int place, byte[] data) {
    catchUp();
    return switch (command.addressing()) {
      case NONE -> 0;
      case LOGICAL -> logical(command, Integer.toUnsignedLong(place << Short.SIZE | first), data);
      default -> physical(command, isMeant(command, first), place, data);
    };
  }

  private boolean isMeant(Command command, int first) {
    return switch (command.addressing()) {
      case POSITION -> first == 0;
      case STATION ->
          first == memory.word(Place.STATION_ADDRESS)
              || (first == memory.word(Place.ALIAS)
                  && (memory.doubleWord(Place.PORT_CONTROL) & ALIAS_IN_USE) != 0);
      default -> true;
    };
  }

  private int physical(Command command, boolean isMeant, int place, byte[] data) {
    boolean isSpread = command == Command.ARMW || command == Command.FRMW;
    byte[] came = data.clone();
    boolean wasRead = false;
    if (command.reads() && isMeant) {
      byte[] read = read(place, data.length);
      wasRead = read != null;
      for (int i = 0; read != null && i < data.length; i++) {
        boolean gathers = command.addressing() == Command.Addressing.ALL;
        data[i] = gathers ? (byte) (data[i] | read[i]) : read[i];
      }
    }
    boolean wasWritten = command.writes() && (isSpread ? !isMeant : isMeant) && write(place, came);
    return command.counts(wasRead, wasWritten);
  }

  private byte @Nullable [] read(int at, int length) {
    if (!StationMemory.has(at, length)) {
      return null;
    }
    SyncArea mail = SyncArea.of(memory, 1);
    if (mail.isMailbox() && mail.touches(at, length)) {
      return mailboxes.read(at, length);
    }
    if (process.touchesInputs(at, length) && states.state().number() >= 4) {
      process.showInputs();
    }
    if (at < Place.SYSTEM_TIME + Long.BYTES && at + length > Place.SYSTEM_TIME) {
      clock.show();
    }
    return memory.copy(at, length);
  }

  private boolean write(int at, byte[] data) {
    if (!StationMemory.has(at, data.length)) {
      return false;
    }
    for (int number = 0; number < SYNC_MANAGERS; number++) {
      SyncArea area = SyncArea.of(memory, number);
      if (area.touches(at, data.length)) {
        return area.isToStation() && area.isMailbox()
            ? mailboxes.write(at, data)
            : area.isToStation() && writeOutputs(area, at, data);
      }
    }
    return writeRegisters(at, data);
  }

  private boolean writeOutputs(SyncArea area, int at, byte[] data) {
    if (at < area.start() || at + data.length > area.end()) {
      return false;
    }
    memory.put(at, data);
    if (at + data.length == area.end() && states.state() == StationState.OP) {
      process.takeOutputs();
    }
    return true;
  }

  private boolean writeRegisters(int at, byte[] data) {
    int repeat = memory.octet(SyncArea.of(memory, 1).activePlace()) & SyncArea.REPEAT;
    boolean taken = false;
    for (int i = 0; i < data.length; i++) {
      if (isWritable(at + i)) {
        memory.putOctet(at + i, data[i]);
        taken = true;
      }
    }
    if (touches(at, data, Place.EEPROM_CONTROL + 1)) {
      eeprom.command();
    }
    if (touches(at, data, Place.STATE_ASKED)) {
      states.command(this::entered);
    }
    if (touches(at, data, Place.PORT_TIMES)) {
      clock.note(position, behind);
    }
    if (touches(at, data, Place.SYSTEM_TIME)) {
      clock.compare(memory.quadWord(Place.SYSTEM_TIME));
    }
    if ((memory.octet(SyncArea.of(memory, 1).activePlace()) & SyncArea.REPEAT) != repeat) {
      mailboxes.repeat();
    }
    return taken;
  }

  private static boolean touches(int at, byte[] data, int place) {
    return at <= place && at + data.length > place;
  }

  private static boolean isWritable(int place) {
    for (int[] span : WRITABLE) {
      if (place >= span[0] && place < span[1]) {
        boolean manager = place >= Place.SYNC_MANAGERS && place < Place.SYNC_MANAGERS + 0x20;
        return !manager || !SyncArea.isOwnRegister(place);
      }
    }
    return false;
  }

  private void entered(StationState before, StationState now) {
    device.objects().in(now);
    if (now == StationState.INIT) {
      mailboxes.reset();
    } else if (before == StationState.INIT) {
      mailboxes.open();
    }
    if (now == StationState.OP) {
      process.watch();
      device.operate(process.watchdogNanos() / 1e9);
    } else if (before == StationState.OP) {
      device.release();
    }
  }

  private int logical(Command command, long at, byte[] data) {
    byte[] came = data.clone();
    boolean wasRead = false;
    boolean wasWritten = false;
    for (int number = 0; number < MemoryMapping.COUNT; number++) {
      MemoryMapping mapping = MemoryMapping.of(memory, number);
      if (mapping.touches(at, data.length)) {
        wasRead |= mapping.reads() && command.reads() && mappedRead(mapping, at, data);
        wasWritten |= mapping.writes() && command.writes() && mappedWrite(mapping, at, came);
      }
    }
    return command.counts(wasRead, wasWritten);
  }

  private boolean mappedRead(MemoryMapping mapping, long at, byte[] data) {
    long from = Math.max(at, mapping.start());
    int length = (int) (Math.min(at + data.length, mapping.start() + mapping.length()) - from);
    if (mapping.isOfBytes()) {
      byte[] read = read(mapping.place() + (int) (from - mapping.start()), length);
      if (read != null) {
        System.arraycopy(read, 0, data, (int) (from - at), length);
      }
      return read != null;
    }
    byte[] read = read(mapping.place(), mapping.physicalBytes());
    boolean isWhole = at <= mapping.start() && at + data.length >= mapping.end();
    if (read == null || !isWhole) {
      return false;
    }
    int target = Byte.SIZE * (int) (mapping.start() - at) + mapping.startBit();
    ImageMapping.copyBits(read, mapping.placeBit(), data, target, mapping.bits());
    return true;
  }

  private boolean mappedWrite(MemoryMapping mapping, long at, byte[] came) {
    long from = Math.max(at, mapping.start());
    int length = (int) (Math.min(at + came.length, mapping.end()) - from);
    if (mapping.isOfBytes()) {
      byte[] part = new byte[length];
      System.arraycopy(came, (int) (from - at), part, 0, length);
      return write(mapping.place() + (int) (from - mapping.start()), part);
    }
    boolean isWhole = at <= mapping.start() && at + came.length >= mapping.end();
    if (!isWhole || !StationMemory.has(mapping.place(), mapping.physicalBytes())) {
      return false;
    }
    byte[] now = memory.copy(mapping.place(), mapping.physicalBytes());
    int source = Byte.SIZE * (int) (mapping.start() - at) + mapping.startBit();
    ImageMapping.copyBits(came, source, now, mapping.placeBit(), mapping.bits());
    return write(mapping.place(), now);
  }
}

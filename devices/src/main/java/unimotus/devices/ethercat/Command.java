package unimotus.devices.ethercat;

import java.util.Optional;

/** What a datagram does in the stations it passes, and by what it is addressed. */
public enum Command {
  NOP(Addressing.NONE, 0),
  APRD(Addressing.POSITION, Command.READS),
  APWR(Addressing.POSITION, Command.WRITES),
  APRW(Addressing.POSITION, Command.READS | Command.WRITES),
  FPRD(Addressing.STATION, Command.READS),
  FPWR(Addressing.STATION, Command.WRITES),
  FPRW(Addressing.STATION, Command.READS | Command.WRITES),
  BRD(Addressing.ALL, Command.READS),
  BWR(Addressing.ALL, Command.WRITES),
  BRW(Addressing.ALL, Command.READS | Command.WRITES),
  LRD(Addressing.LOGICAL, Command.READS),
  LWR(Addressing.LOGICAL, Command.WRITES),
  LRW(Addressing.LOGICAL, Command.READS | Command.WRITES),
  /** Read in the station meant, written in every other. */
  ARMW(Addressing.POSITION, Command.READS | Command.WRITES),
  /** Read in the station meant, written in every other. */
  FRMW(Addressing.STATION, Command.READS | Command.WRITES);

  private static final int READS = 1;
  private static final int WRITES = 2;

  private final Addressing addressing;
  private final int does;

  Command(Addressing addressing, int does) {
    this.addressing = addressing;
    this.does = does;
  }

  /** By what a station knows that it is meant. */
  public enum Addressing {
    NONE,
    /** By its place on the wire. */
    POSITION,
    /** By the address it was given. */
    STATION,
    /** Every one. */
    ALL,
    /** Whoever has mapped the address. */
    LOGICAL
  }

  /** The command of this number; empty where there is none. */
  public static Optional<Command> of(int number) {
    return number >= 0 && number < values().length
        ? Optional.of(values()[number])
        : Optional.empty();
  }

  /** By what a station knows that it is meant. */
  public Addressing addressing() {
    return addressing;
  }

  /** Whether data are read from stations. */
  public boolean reads() {
    return (does & READS) != 0;
  }

  /** Whether data are written to stations. */
  public boolean writes() {
    return (does & WRITES) != 0;
  }

  /**
   * By how much a station raises the working counter: 1 for what was read, 1 for what was written;
   * 2 for what was written where a command does both.
   */
  public int counts(boolean wasRead, boolean wasWritten) {
    int read = wasRead && reads() ? 1 : 0;
    int written = wasWritten && writes() ? 1 : 0;
    boolean isMultiple = this == ARMW || this == FRMW;
    return read + written * (reads() && writes() && !isMultiple ? 2 : 1);
  }
}

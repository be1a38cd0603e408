package unimotus.core.processdata;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What a station does on the bus (ETG.1000.6, from memory). */
public enum StationState {
  INIT(1, "no mailbox, no process data"),
  PRE_OP(2, "mailbox, no process data"),
  BOOT(3, "firmware is loaded"),
  SAFE_OP(4, "inputs are valid, outputs are held"),
  OP(8, "inputs and outputs are valid");

  /** Set beside the state where a change was refused. */
  public static final int REFUSED = 0x10;

  private static final int NUMBER = 0x0F;

  private final int number;
  private final String meaning;

  StationState(int number, String meaning) {
    this.number = number;
    this.meaning = meaning;
  }

  /** The number in the registers of control and status. */
  public int number() {
    return number;
  }

  /** What it means for the data. */
  public String meaning() {
    return meaning;
  }

  /** The name as it is written. */
  public String label() {
    return name().replace('_', '-');
  }

  /** The state in a register; empty where it is none. */
  public static Optional<StationState> of(int register) {
    for (StationState state : values()) {
      if (state.number == (register & NUMBER)) {
        return Optional.of(state);
      }
    }
    return Optional.empty();
  }

  /** The states that can be asked for from here: one step up, any step down. */
  public Set<StationState> next() {
    return switch (this) {
      case INIT -> EnumSet.of(INIT, PRE_OP, BOOT);
      case PRE_OP -> EnumSet.of(INIT, PRE_OP, SAFE_OP);
      case BOOT -> EnumSet.of(INIT, BOOT);
      case SAFE_OP -> EnumSet.of(INIT, PRE_OP, SAFE_OP, OP);
      case OP -> EnumSet.of(INIT, PRE_OP, SAFE_OP, OP);
    };
  }
}

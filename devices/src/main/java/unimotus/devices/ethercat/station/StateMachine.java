package unimotus.devices.ethercat.station;

import java.util.Optional;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.SyncManager;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;
import unimotus.devices.ethercat.Place;

/** The states of a station: which one it is in, and why it does not go where it is told. */
final class StateMachine {
  private static final int STATE = 0x0F;

  private final StationMemory memory;
  private final EsiDevice device;
  private final ProcessData process;
  private StationState state = StationState.INIT;

  /** What happens when it goes to another state. */
  interface Entered {
    void from(StationState before, StationState now);
  }

  StateMachine(StationMemory memory, EsiDevice device, ProcessData process) {
    this.memory = memory;
    this.device = device;
    this.process = process;
    show(StateCode.NONE, false);
  }

  StationState state() {
    return state;
  }

  private boolean isRefused() {
    return (memory.octet(Place.STATE) & StationState.REFUSED) != 0;
  }

  private void show(StateCode code, boolean refused) {
    memory.putWord(Place.STATE, state.number() | (refused ? StationState.REFUSED : 0));
    memory.putWord(Place.STATE_CODE, code.code());
  }

  /** Does what stands in the control register. */
  void command(Entered entered) {
    int asked = memory.octet(Place.STATE_ASKED);
    boolean acknowledges = (asked & StationState.REFUSED) != 0;
    Optional<StationState> target = StationState.of(asked & STATE);
    boolean goesDown = target.filter(t -> t.number() < state.number()).isPresent();
    if (isRefused() && !acknowledges && !goesDown) {
      // An error waits until it is acknowledged.
      return;
    }
    StateCode code = target.map(this::check).orElse(StateCode.UNKNOWN_STATE);
    StationState before = state;
    if (code == StateCode.NONE) {
      state = target.orElse(state);
    }
    show(code, code != StateCode.NONE);
    if (before != state) {
      entered.from(before, state);
    }
  }

  /** It leaves OP by itself. */
  void fallTo(StationState next, StateCode why, Entered entered) {
    StationState before = state;
    state = next;
    show(why, true);
    entered.from(before, state);
  }

  private StateCode check(StationState target) {
    if (target == StationState.BOOT) {
      return StateCode.NO_BOOT;
    }
    if (target.number() <= state.number()) {
      return StateCode.NONE;
    }
    if (!state.next().contains(target)) {
      return StateCode.CHANGE_NOT_ALLOWED;
    }
    return switch (target) {
      case PRE_OP -> hasMailboxes() ? StateCode.NONE : StateCode.MAILBOX;
      case SAFE_OP -> process.check();
      default -> StateCode.NONE;
    };
  }

  private boolean hasMailboxes() {
    if (device.mailbox() == null) {
      return true;
    }
    for (int number = 0; number < 2; number++) {
      SyncManager wanted = device.syncManagers().get(number);
      SyncArea area = SyncArea.of(memory, number);
      int least = wanted.leastSize() == 0 ? wanted.defaultSize() : wanted.leastSize();
      int most = wanted.mostSize() == 0 ? wanted.defaultSize() : wanted.mostSize();
      if (area.start() != wanted.start()
          || area.length() < least
          || area.length() > most
          || area.control() != wanted.control()) {
        return false;
      }
    }
    return true;
  }
}

package unimotus.devices.ethercat.station;

import java.util.function.LongSupplier;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.StateCode;
import unimotus.devices.ethercat.Place;

/** Outputs and inputs of a station in its memory, and the watchdog over the outputs. */
final class ProcessData {
  private static final int OUTPUTS = 2;
  private static final int INPUTS = 3;
  private static final int STEP_NANOS = 40;

  private final StationMemory memory;
  private final StationDevice device;
  private final LongSupplier nanos;
  private ImageMapping outputs;
  private ImageMapping inputs;
  private StateCode demanded = StateCode.NONE;
  private long cameNanos;
  private boolean starves;

  ProcessData(StationMemory memory, StationDevice device, LongSupplier nanos) {
    this.memory = memory;
    this.device = device;
    this.nanos = nanos;
    this.outputs = ImageMapping.of(device.objects(), Direction.OUTPUTS);
    this.inputs = ImageMapping.of(device.objects(), Direction.INPUTS);
    memory.putWord(Place.WATCHDOG_DIVIDER, 2498);
    memory.putWord(Place.WATCHDOG, 1000);
    memory.putWord(Place.WATCHDOG_STATUS, 1);
  }

  /** Refuses the image with a code, whatever it is; {@link StateCode#NONE} looks at it again. */
  void refuse(StateCode code) {
    demanded = code;
  }

  /** Overlooks the outputs that come, as one whose watchdog runs out does. */
  void starve(boolean next) {
    starves = next;
  }

  /** Whether the image goes with its sync managers; taken over where it does. */
  StateCode check() {
    if (demanded != StateCode.NONE) {
      return demanded;
    }
    outputs = ImageMapping.of(device.objects(), Direction.OUTPUTS);
    inputs = ImageMapping.of(device.objects(), Direction.INPUTS);
    if (outputs.contradicts()) {
      return StateCode.OUTPUT_MAPPING;
    }
    if (inputs.contradicts()) {
      return StateCode.INPUT_MAPPING;
    }
    if (SyncArea.of(memory, OUTPUTS).length() != outputs.bytes()) {
      return StateCode.OUTPUT_LENGTH;
    }
    return SyncArea.of(memory, INPUTS).length() == inputs.bytes()
        ? StateCode.NONE
        : StateCode.INPUT_LENGTH;
  }

  /** After how long without outputs they are lost; 0 for never. */
  long watchdogNanos() {
    long step = (long) (memory.word(Place.WATCHDOG_DIVIDER) + 2) * STEP_NANOS;
    return outputs.bytes() == 0 ? 0 : step * memory.word(Place.WATCHDOG);
  }

  /** The watchdog begins anew. */
  void watch() {
    cameNanos = nanos.getAsLong();
    memory.putWord(Place.WATCHDOG_STATUS, 1);
  }

  /** Whether outputs have been away for longer than the watchdog waits. */
  boolean isStarved() {
    long limit = watchdogNanos();
    boolean starved = limit > 0 && nanos.getAsLong() - cameNanos > limit;
    memory.putWord(Place.WATCHDOG_STATUS, starved ? 0 : 1);
    return starved;
  }

  boolean touchesInputs(int at, int length) {
    return SyncArea.of(memory, INPUTS).touches(at, length);
  }

  /** Lays the values as they are now where they are read. */
  void showInputs() {
    SyncArea area = SyncArea.of(memory, INPUTS);
    byte[] image = inputs.pack(device.objects());
    if (image.length == area.length()) {
      memory.put(area.start(), image);
    }
  }

  /** Takes the values that were written. */
  void takeOutputs() {
    if (starves) {
      return;
    }
    SyncArea area = SyncArea.of(memory, OUTPUTS);
    watch();
    outputs.unpack(memory.copy(area.start(), outputs.bytes()), device.objects());
    device.outputsCame();
  }
}

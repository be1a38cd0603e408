package unimotus.core.processdata;

import java.util.Arrays;
import java.util.Optional;

/** Why a station stays where it is: the code beside its state (ETG.1020, from memory). */
public enum StateCode {
  NONE(0x0000, "no error", ""),
  UNSPECIFIED(0x0001, "error without a name", "See the device's manual."),
  NO_MEMORY(0x0002, "no memory", "See the device's manual."),
  CHANGE_NOT_ALLOWED(0x0011, "this change of state is not allowed", "Go one step at a time."),
  UNKNOWN_STATE(0x0012, "the state asked for is unknown", "Ask for INIT, PRE-OP, SAFE-OP or OP."),
  NO_BOOT(0x0013, "the device has no BOOT", "Leave BOOT out."),
  FIRMWARE(0x0014, "the firmware is not valid", "Load firmware that fits the device."),
  MAILBOX_BOOT(
      0x0015,
      "mailbox for BOOT is configured wrongly",
      "Take sizes and addresses of the description."),
  MAILBOX(0x0016, "mailbox is configured wrongly", "Take sizes and addresses of the description."),
  SYNC_MANAGER(
      0x0017,
      "a sync manager is configured wrongly",
      "Take its address, size and control byte of the description."),
  NO_INPUTS(0x0018, "no valid inputs", "Find what the device measures with."),
  NO_OUTPUTS(0x0019, "no valid outputs", "Send outputs before OP is asked for."),
  SYNCHRONISATION(0x001A, "synchronisation error", "Compare cycle, shift and interpolation time."),
  WATCHDOG(
      0x001B,
      "the watchdog of the sync manager ran out",
      "No outputs came in time: cable, cycle, or a controller that stopped."),
  SYNC_MANAGER_TYPES(0x001C, "sync manager types are wrong", "Take those of the description."),
  OUTPUT_LENGTH(
      0x001D,
      "outputs are configured wrongly",
      "The image has another length than the device: compare the mapping."),
  INPUT_LENGTH(
      0x001E,
      "inputs are configured wrongly",
      "The image has another length than the device: compare the mapping."),
  WATCHDOG_SETTING(0x001F, "the watchdog is configured wrongly", "Set its time above the cycle."),
  COLD_START(0x0020, "the device needs a cold start", "Switch its supply off and on."),
  NEEDS_INIT(0x0021, "the device needs INIT", "Go back to INIT."),
  NEEDS_PRE_OP(0x0022, "the device needs PRE-OP", "Go back to PRE-OP."),
  NEEDS_SAFE_OP(0x0023, "the device needs SAFE-OP", "Go back to SAFE-OP."),
  INPUT_MAPPING(
      0x0024, "the input mapping is not valid", "Compare what is mapped with the dictionary."),
  OUTPUT_MAPPING(
      0x0025, "the output mapping is not valid", "Compare what is mapped with the dictionary."),
  INCONSISTENT(0x0026, "settings contradict each other", "Compare start-up list and image."),
  NO_FREE_RUN(0x0027, "free run is not supported", "Choose a synchronised mode."),
  NO_SYNCHRONISATION(0x0028, "synchronisation is not supported", "Choose free run."),
  THREE_BUFFERS(0x0029, "three buffers are needed", "Take the control byte of the description."),
  BACKGROUND_WATCHDOG(0x002A, "background watchdog", "See the device's manual."),
  NOTHING_VALID(0x002B, "no valid inputs and outputs", "Send outputs before OP is asked for."),
  FATAL_SYNC(
      0x002C, "synchronisation is lost", "Compare cycle and shift; look for a cable that fails."),
  NO_SYNC(0x002D, "no synchronising signal", "Switch the clock on, or choose free run."),
  CYCLE_TOO_SHORT(0x002E, "the cycle is too short", "Take a longer cycle."),
  SYNC_SETTING(
      0x0030, "the synchronising signal is set wrongly", "Take a clock mode of the description."),
  LATCH_SETTING(0x0031, "the latch is set wrongly", "See the device's manual."),
  PLL(0x0032, "the clock does not settle", "Give it time before OP; look at the cycle's jitter."),
  SYNC_IO(0x0033, "synchronised inputs or outputs fail", "See the device's manual."),
  SYNC_TIMEOUT(0x0034, "too many signals were missed", "Look for lost frames."),
  CYCLE_TIME(0x0035, "the cycle time is not valid", "Take a whole number of the device's loops."),
  CYCLE_0(
      0x0036,
      "the period of the first signal is not valid",
      "Take a clock mode of the description."),
  CYCLE_1(
      0x0037,
      "the period of the second signal is not valid",
      "Take a clock mode of the description."),
  MAILBOX_AOE(0x0041, "addressed access over the mailbox fails", "See the device's manual."),
  MAILBOX_EOE(0x0042, "Ethernet over the mailbox fails", "See the device's manual."),
  MAILBOX_COE(0x0043, "objects over the mailbox fail", "See the device's manual."),
  MAILBOX_FOE(0x0044, "files over the mailbox fail", "See the device's manual."),
  MAILBOX_SOE(0x0045, "servo access over the mailbox fails", "See the device's manual."),
  MAILBOX_VOE(0x004F, "the manufacturer's own mailbox fails", "See the device's manual."),
  NO_EEPROM(0x0050, "the EEPROM cannot be reached", "Give the device access to it."),
  EEPROM(0x0051, "the EEPROM has an error", "Write the description's content anew."),
  RESTARTED(0x0060, "the device restarted by itself", "Look at its supply."),
  IDENTIFICATION(
      0x0061, "the identification was changed", "Compare with what the project expects."),
  MODULES(
      0x0070, "other modules than configured were found", "Compare the slots with the project.");

  private static final int FIRST_OF_MANUFACTURER = 0x8000;

  private final int code;
  private final String meaning;
  private final String remedy;

  StateCode(int code, String meaning, String remedy) {
    this.code = code;
    this.meaning = meaning;
    this.remedy = remedy;
  }

  /** The code as it stands in register 0134. */
  public int code() {
    return code;
  }

  /** What it says. */
  public String meaning() {
    return meaning;
  }

  /** What to do. */
  public String remedy() {
    return remedy;
  }

  /** The code of this number; empty where it is not in the table. */
  public static Optional<StateCode> of(int code) {
    return Arrays.stream(values()).filter(c -> c.code == code).findFirst();
  }

  /** A code in words, also one that is not in the table. */
  public static String told(int code) {
    return of(code)
        .map(c -> "0x%04X, %s".formatted(code, c.meaning))
        .orElse(
            "0x%04X, %s"
                .formatted(
                    code,
                    code >= FIRST_OF_MANUFACTURER
                        ? "a code of the manufacturer's own"
                        : "not known to this program"));
  }
}

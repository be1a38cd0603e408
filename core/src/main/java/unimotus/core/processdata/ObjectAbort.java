package unimotus.core.processdata;

import java.util.Arrays;
import java.util.Optional;

/** Why a device refuses an access to an object (CiA 301, ETG.1000.6, from memory). */
public enum ObjectAbort {
  TOGGLE(0x05030000, "the toggle bit of a segment did not alternate"),
  TIMED_OUT(0x05040000, "the transfer timed out"),
  COMMAND(0x05040001, "the command is not known"),
  NO_MEMORY(0x05040005, "out of memory"),
  NO_ACCESS(0x06010000, "this access is not supported"),
  NO_COMPLETE_ACCESS(0x06010004, "the whole object cannot be accessed at once"),
  WRITE_ONLY(0x06010001, "read of an object that can only be written"),
  READ_ONLY(0x06010002, "write to an object that can only be read"),
  NOT_CLOSED(0x06010003, "subindex 0 must be 0 first"),
  NO_OBJECT(0x06020000, "the object does not exist"),
  LENGTH(0x06070010, "the length of the data does not fit"),
  TOO_LONG(0x06070012, "the data are too long"),
  TOO_SHORT(0x06070013, "the data are too short"),
  NO_SUBINDEX(0x06090011, "the subindex does not exist"),
  RANGE(0x06090030, "the value is out of range"),
  TOO_HIGH(0x06090031, "the value is too high"),
  TOO_LOW(0x06090032, "the value is too low"),
  NOT_MAPPABLE(0x06040041, "the object cannot be in the process image"),
  IMAGE_TOO_LONG(0x06040042, "the mapped objects are longer than the process data object"),
  PARAMETERS(0x06040043, "the parameters do not go together"),
  INTERNAL(0x06040047, "the device contradicts itself"),
  HARDWARE(0x06060000, "a fault of the hardware"),
  GENERAL(0x08000000, "a general error"),
  NOT_TAKEN(0x08000020, "the data cannot be taken"),
  LOCAL_CONTROL(0x08000021, "the data cannot be taken: the device is controlled locally"),
  WRONG_STATE(0x08000022, "the data cannot be taken in this state of the device"),
  NO_DICTIONARY(0x08000023, "the device has no list of its objects");

  private final int code;
  private final String meaning;

  ObjectAbort(int code, String meaning) {
    this.code = code;
    this.meaning = meaning;
  }

  /** The code the device answers with. */
  public int code() {
    return code;
  }

  /** What it means. */
  public String meaning() {
    return meaning;
  }

  /** The code as controllers show it, with its meaning. */
  public String told() {
    return "0x%08X, %s".formatted(code, meaning);
  }

  /** The abort of this code; empty where it is not in the table. */
  public static Optional<ObjectAbort> of(int code) {
    return Arrays.stream(values()).filter(a -> a.code == code).findFirst();
  }

  /** A code in words, also one that is not in the table. */
  public static String told(int code) {
    return of(code).map(ObjectAbort::told).orElse("0x%08X, not in the standard".formatted(code));
  }
}

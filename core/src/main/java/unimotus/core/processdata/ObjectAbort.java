package unimotus.core.processdata;

/** Why a device refuses to have an object written (CiA 301, ETG.1000.6, from memory). */
public enum ObjectAbort {
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
  WRONG_STATE(0x08000022, "the data cannot be taken in this state of the device");

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
}

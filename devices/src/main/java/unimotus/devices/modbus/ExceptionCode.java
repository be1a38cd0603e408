package unimotus.devices.modbus;

import java.util.Arrays;
import java.util.Optional;

/** Why a device does not do what it was asked. */
public enum ExceptionCode {
  ILLEGAL_FUNCTION(0x01, "illegal function", "the device does not know this function code"),
  ILLEGAL_DATA_ADDRESS(
      0x02, "illegal data address", "the register is not there, or the last one asked for is not"),
  ILLEGAL_DATA_VALUE(
      0x03, "illegal data value", "the count or the value is outside what the protocol allows"),
  SERVER_DEVICE_FAILURE(0x04, "server device failure", "the device failed while it did it"),
  ACKNOWLEDGE(0x05, "acknowledge", "accepted, and not yet done"),
  SERVER_DEVICE_BUSY(0x06, "server device busy", "busy with something longer: ask again"),
  NEGATIVE_ACKNOWLEDGE(0x07, "negative acknowledge", "the program function cannot be done now"),
  MEMORY_PARITY_ERROR(0x08, "memory parity error", "the extended memory is damaged"),
  GATEWAY_PATH_UNAVAILABLE(0x0A, "gateway path unavailable", "the gateway has no way to that unit"),
  GATEWAY_TARGET_FAILED(
      0x0B, "gateway target failed to respond", "the unit behind the gateway is silent");

  private final int code;
  private final String label;
  private final String meaning;

  ExceptionCode(int code, String label, String meaning) {
    this.code = code;
    this.label = label;
    this.meaning = meaning;
  }

  /** The number on the wire. */
  public int code() {
    return code;
  }

  /** The name in the specification. */
  public String label() {
    return label;
  }

  /** What it means to the user. */
  public String meaning() {
    return meaning;
  }

  /** The exception of this number; empty for one the specification does not have. */
  public static Optional<ExceptionCode> of(int code) {
    return Arrays.stream(values()).filter(e -> e.code == code).findFirst();
  }
}

package unimotus.devices.modbus;

import java.util.Arrays;
import java.util.Optional;

/**
 * What a message asks for (Modbus Application Protocol Specification V1.1b3, chapter 6, from
 * memory).
 */
public enum FunctionCode {
  READ_COILS(1, "read coils"),
  READ_DISCRETE_INPUTS(2, "read discrete inputs"),
  READ_HOLDING_REGISTERS(3, "read holding registers"),
  READ_INPUT_REGISTERS(4, "read input registers"),
  WRITE_ONE_COIL(5, "write one coil", true),
  WRITE_ONE_REGISTER(6, "write one register", true),
  READ_EXCEPTION_STATUS(7, "read exception status"),
  DIAGNOSTICS(8, "diagnostics", true),
  EVENT_COUNTER(11, "read event counter"),
  EVENT_LOG(12, "read event log"),
  WRITE_COILS(15, "write coils", true),
  WRITE_REGISTERS(16, "write registers", true),
  REPORT_SERVER_ID(17, "report server id"),
  READ_FILE_RECORD(20, "read file record"),
  WRITE_FILE_RECORD(21, "write file record", true),
  MASK_WRITE(22, "mask write register", true),
  READ_WRITE(23, "write and read registers"),
  READ_FIFO(24, "read FIFO queue"),
  ENCAPSULATED(43, "encapsulated interface");

  /** Set in the function code of a refusal. */
  public static final int REFUSED = 0x80;

  private final int code;
  private final String label;
  private final boolean broadcast;

  FunctionCode(int code, String label) {
    this(code, label, false);
  }

  FunctionCode(int code, String label, boolean broadcast) {
    this.code = code;
    this.label = label;
    this.broadcast = broadcast;
  }

  /** The number on the wire. */
  public int code() {
    return code;
  }

  /** Its name. */
  public String label() {
    return label;
  }

  /** Whether a request to all units makes sense: nothing is read by it. */
  public boolean isBroadcast() {
    return broadcast;
  }

  /** The function of this number; empty for one the specification leaves free. */
  public static Optional<FunctionCode> of(int code) {
    return Arrays.stream(values()).filter(f -> f.code == code).findFirst();
  }

  /** The name of a function code. */
  public static String labelOf(int code) {
    return of(code).map(FunctionCode::label).orElse("not in the specification");
  }
}

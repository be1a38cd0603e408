package unimotus.devices.modbus;

/** A function code that is not spoken here. */
public final class UnknownFunction extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final int function;

  UnknownFunction(int function) {
    super("function %d is not spoken here".formatted(function));
    this.function = function;
  }

  /** The code. */
  public int function() {
    return function;
  }
}

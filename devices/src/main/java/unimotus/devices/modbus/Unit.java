package unimotus.devices.modbus;

import java.util.List;
import java.util.Map;
import unimotus.core.fieldbus.RegisterTable;

/** A device behind a unit number: its registers, and what reading and writing them does. */
public interface Unit {

  /** A request that a unit does not do. */
  final class Refused extends Exception {
    private static final long serialVersionUID = 1L;
    private final ExceptionCode code;

    /** A refusal with its exception. */
    public Refused(ExceptionCode code) {
      super(code.label());
      this.code = code;
    }

    /** Why. */
    public ExceptionCode code() {
      return code;
    }
  }

  /**
   * Reads places of a table.
   *
   * @throws Refused where one of them is not there
   */
  List<Integer> read(RegisterTable table, int address, int count) throws Refused;

  /**
   * Writes places of a table, all or none.
   *
   * @throws Refused where one of them is not there or does not take its value
   */
  void write(RegisterTable table, int address, List<Integer> values) throws Refused;

  /** Who the device is: texts by object number, 0 maker, 1 product, 2 version. */
  Map<Integer, String> identity();
}

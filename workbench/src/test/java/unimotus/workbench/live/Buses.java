package unimotus.workbench.live;

import java.util.List;
import java.util.function.UnaryOperator;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Project;
import unimotus.core.review.LineReview;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** The demo's drum on a fieldbus, with a register map as a manual has it. */
final class Buses {
  /**
   * A drive whose map is its own: percent as reference, a float low word first, words elsewhere.
   */
  static final RegisterMap OWN =
      new RegisterMap(
          List.of(
              entry("command word", 4, 99, ValueType.BITS_16, WordOrder.ABCD, 1, "", 0, 65_535),
              entry(
                  "speed reference",
                  4,
                  100,
                  ValueType.SIGNED_16,
                  WordOrder.ABCD,
                  100 / 16_384.0,
                  "%",
                  -100,
                  100),
              entry("status word", 3, 199, ValueType.BITS_16, WordOrder.ABCD, 1, "", 0, 65_535),
              entry(
                  "output frequency",
                  3,
                  200,
                  ValueType.FLOAT_32,
                  WordOrder.CDAB,
                  1,
                  "Hz",
                  -400,
                  400),
              entry(
                  "motor speed",
                  3,
                  202,
                  ValueType.SIGNED_16,
                  WordOrder.ABCD,
                  1,
                  "rpm",
                  -9000,
                  9000),
              entry("fault", 3, 203, ValueType.UNSIGNED_16, WordOrder.ABCD, 1, "", 0, 65_535)));

  private Buses() {}

  private static RegisterEntry entry(
      String name,
      int prefix,
      int address,
      ValueType type,
      WordOrder order,
      double scale,
      String unit,
      double least,
      double most) {
    boolean holding = prefix == 4;
    return new RegisterEntry(
        DriveValue.named(
            name,
            type,
            Scaling.of(scale, unit),
            new Limits(least, most),
            holding ? Access.READ_WRITE : Access.READ),
        new RegisterPlace(
            holding ? RegisterTable.HOLDING_REGISTER : RegisterTable.INPUT_REGISTER,
            address,
            order,
            ""));
  }

  /** The demo with another link of the drum's drive. */
  static Project with(UnaryOperator<FieldbusLink> change) {
    DriveRecord record = Demo.project().record("drum-drive");
    return Demo.project().with(record.withFieldbus(change.apply(record.fieldbus())));
  }

  /** The drum of a project. */
  static AxisAssembly drum(Project project) {
    return LineReview.of(project, SheetLibrary.catalogue())
        .axis("rinse-drum")
        .orElseThrow()
        .assembly();
  }
}

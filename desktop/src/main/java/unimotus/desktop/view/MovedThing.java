package unimotus.desktop.view;

import unimotus.core.machine.Mechanics;
import unimotus.core.quantity.MeasureUnit;

/** What an axis moves, in the words of the trade, and how it turns into mechanics. */
enum MovedThing {
  CONVEYOR("conveyor belt", Size.DIAMETER, "Diameter of its drum"),
  DRUM("drum, roller or wheel", Size.DIAMETER, "Diameter"),
  HOIST("hoist", Size.DIAMETER, "Diameter of its drum"),
  SCREW("screw or spindle", Size.LEAD, "Lead"),
  FAN("fan or blower", Size.NONE, ""),
  PUMP("pump", Size.NONE, ""),
  MIXER("mixer or agitator", Size.NONE, ""),
  AUGER("auger", Size.NONE, ""),
  TURNTABLE("turntable", Size.NONE, ""),
  PIECES("pieces counted per turn", Size.PIECES, "Pieces per turn"),
  OTHER("something else that turns", Size.NONE, "");

  /** What is asked of its size. */
  private enum Size {
    DIAMETER(MeasureUnit.METRE_UNIT, "such as 500 mm"),
    LEAD(MeasureUnit.METRE_UNIT, "such as 5 mm"),
    PIECES(MeasureUnit.ONE, "such as 2"),
    NONE(MeasureUnit.ONE, "");

    private final MeasureUnit unit;
    private final String example;

    Size(MeasureUnit unit, String example) {
      this.unit = unit;
      this.example = example;
    }
  }

  private final String words;
  private final Size size;
  private final String sizeLabel;

  MovedThing(String words, Size size, String sizeLabel) {
    this.words = words;
    this.size = size;
    this.sizeLabel = sizeLabel;
  }

  String words() {
    return words;
  }

  boolean hasSize() {
    return size != Size.NONE;
  }

  /** What its size is called. */
  String sizeLabel() {
    return sizeLabel;
  }

  MeasureUnit sizeUnit() {
    return size.unit;
  }

  /** What a size could be; never taken for one. */
  String sizeExample() {
    return size.example;
  }

  MeasureUnit speedUnit() {
    return switch (size) {
      case DIAMETER, LEAD -> MeasureUnit.METRES_PER_MINUTE;
      case PIECES -> MeasureUnit.PER_MINUTE;
      case NONE -> MeasureUnit.RPM;
    };
  }

  /** What is worth saying about it beforehand; empty for nothing. */
  String caution() {
    return this == HOIST
        ? "a suspended load falls without torque: a holding brake, and a stop that closes it"
        : "";
  }

  /**
   * The mechanics.
   *
   * @param gear motor turns for one output turn
   * @param measure its size in {@link #sizeUnit()}
   */
  Mechanics mechanics(double gear, double measure) {
    return switch (size) {
      case DIAMETER -> new Mechanics.Drum(gear, measure);
      case LEAD -> new Mechanics.Screw(gear, measure);
      case PIECES -> new Mechanics.Counting(gear, measure, "pieces");
      case NONE -> new Mechanics.Turning(gear);
    };
  }
}

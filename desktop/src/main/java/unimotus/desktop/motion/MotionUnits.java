package unimotus.desktop.motion;

import unimotus.core.quantity.MeasureUnit;

/** The units in which the motion of an axis is entered, by the unit of its travel. */
record MotionUnits(MeasureUnit travel) {

  /** Travel a second. */
  MeasureUnit velocity() {
    return switch (travel) {
      case MILLIMETRE -> MeasureUnit.MILLIMETRES_PER_SECOND;
      case REVOLUTION -> MeasureUnit.REVOLUTIONS_PER_SECOND;
      default -> MeasureUnit.ONE;
    };
  }

  /** Travel a second squared; a plain number where the trade has no unit for it. */
  MeasureUnit acceleration() {
    return travel == MeasureUnit.MILLIMETRE
        ? MeasureUnit.MILLIMETRES_PER_SECOND_SQUARED
        : MeasureUnit.ONE;
  }

  /** What stands behind a name whose number has no unit of its own. */
  String per(String time) {
    String unit = travel.symbol().isEmpty() ? "units" : travel.symbol();
    return ", %s/%s".formatted(unit, time);
  }
}

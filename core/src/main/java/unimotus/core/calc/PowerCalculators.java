package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.machine.CableLaying;
import unimotus.core.machine.ConductorSize;
import unimotus.core.motor.FullLoadCurrent;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.motor.Overload;
import unimotus.core.power.ConductorTable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ServoPlate;

/** Questions about the power side and servo motors. */
final class PowerCalculators {
  private static final String CAPACITY = "IEC 60204-1 table 6 (from memory)";

  private PowerCalculators() {}

  static List<Calculator> all() {
    return List.of(
        fullLoadCurrent(),
        conductor(),
        voltageDrop(),
        overloadTrip(),
        linkVoltage(),
        torqueConstant());
  }

  private static Calculator fullLoadCurrent() {
    return new Calculator(
        "full-load-current",
        "current of a motor of this power, for sizing",
        List.of(
            positive("power", "rated power", MeasureUnit.KILOWATT),
            positive("voltage", "voltage, line to line", MeasureUnit.VOLT_UNIT)),
        "power=10hp voltage=460V",
        in ->
            result(
                "full-load current",
                "table value · 460 V/U",
                "%s kW at %s V",
                FullLoadCurrent.amperes(1000 * in.get("power"), in.get("voltage"))
                    .orElseThrow(
                        () ->
                            new IllegalArgumentException(
                                "power must be 1 to 40 hp for this table")),
                MeasureUnit.AMPERE_UNIT,
                "NEC table 430.250 (from memory)",
                in.get("power"),
                in.get("voltage")));
  }

  private static Calculator conductor() {
    return new Calculator(
        "conductor",
        "smallest copper conductor in a duct (laying B1, 40 °C)",
        List.of(of("current", "current or fuse", MeasureUnit.AMPERE_UNIT)),
        "current=16A",
        in ->
            result(
                "conductor",
                "least with I_z ≥ I",
                "I_z ≥ %s",
                ConductorTable.smallest(CableLaying.DUCT, in.get("current"))
                    .orElseThrow(
                        () -> new IllegalArgumentException("current must not be over 208 A")),
                MeasureUnit.SQUARE_MILLIMETRE,
                CAPACITY,
                in.get("current")));
  }

  private static Calculator voltageDrop() {
    return new Calculator(
        "voltage-drop",
        "voltage lost on a three-phase cable at 20 °C",
        List.of(
            of("current", "current", MeasureUnit.AMPERE_UNIT),
            of("length", "length of the cable", MeasureUnit.METRE_UNIT),
            positive("size", "conductor", MeasureUnit.SQUARE_MILLIMETRE)),
        "current=11.2A length=100m size=2.5mm2",
        in ->
            result(
                "voltage drop",
                "√3·I·l·R′",
                "√3·%s·%s m·R′(%s mm²)",
                Math.sqrt(3)
                    * in.get("current")
                    * in.get("length")
                    * ConductorSize.metric(in.get("size")).ohmsPerKilometre()
                    / 1000,
                MeasureUnit.VOLT_UNIT,
                "IEC 60228 (from memory)",
                in.get("current"),
                in.get("length"),
                in.get("size")));
  }

  private static Calculator overloadTrip() {
    return new Calculator(
        "overload-trip",
        "time until a class 10 overload trips from cold",
        List.of(
            of("current", "current", MeasureUnit.AMPERE_UNIT),
            positive("setting", "setting of the overload", MeasureUnit.AMPERE_UNIT)),
        "current=16.1A setting=8.05A",
        in ->
            result(
                "time to trip",
                "τ·ln(i²/(i² − 1.1²))",
                "i = %s/%s",
                tripSeconds(in.get("current") / in.get("setting")),
                MeasureUnit.SECOND_UNIT,
                "IEC 60947-4-1 limits (from memory), first-order thermal image",
                in.get("current"),
                in.get("setting")));
  }

  private static double tripSeconds(double ratio) {
    double seconds = Overload.CLASS_10.tripSeconds(ratio, 0);
    if (Double.isInfinite(seconds)) {
      throw new IllegalArgumentException(
          "%.2f times the setting never trips; it takes over 1.1".formatted(ratio));
    }
    return seconds;
  }

  private static Calculator linkVoltage() {
    return new Calculator(
        "link-voltage",
        "nominal d.c. link of a regulated infeed",
        List.of(positive("line", "mains voltage, line to line", MeasureUnit.VOLT_UNIT)),
        "line=400V",
        in ->
            result(
                "d.c. link",
                "1.5·U",
                "1.5·%s",
                LinkVoltage.regulatedVolts(in.get("line")),
                MeasureUnit.VOLT_UNIT,
                "common practice",
                in.get("line")));
  }

  private static Calculator torqueConstant() {
    return new Calculator(
        "torque-constant",
        "torque constant of a servo motor from its back voltage at 1000 rpm, N·m/A",
        List.of(of("back-voltage", "r.m.s. between lines at 1000 rpm", MeasureUnit.VOLT_UNIT)),
        "back-voltage=72.55V",
        in ->
            result(
                "torque constant, N·m/A",
                "√3·E/ω",
                "√3·%s/104.72",
                ServoPlate.torqueConstant(in.get("back-voltage")),
                MeasureUnit.ONE,
                "energy balance: √3·E·I = T·ω",
                in.get("back-voltage")));
  }
}

package unimotus.core.calc;

import static unimotus.core.calc.Parameter.of;
import static unimotus.core.calc.Parameter.positive;
import static unimotus.core.calc.Sums.result;

import java.util.List;
import unimotus.core.derivation.Step;
import unimotus.core.machine.CableLaying;
import unimotus.core.machine.ConductorSize;
import unimotus.core.motor.FullLoadCurrent;
import unimotus.core.motor.LinkVoltage;
import unimotus.core.motor.Overload;
import unimotus.core.power.CableResistance;
import unimotus.core.power.ConductorTable;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
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
        wireResistance(),
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
        in -> {
          FullLoadCurrent found =
              FullLoadCurrent.of(1000 * in.get("power"), in.get("voltage"))
                  .orElseThrow(
                      () ->
                          new IllegalArgumentException(
                              "power: the table has ½ to 500 hp at 460 and 575 V, to 200 hp at 200 to 230 V, to 2 hp at 115 V, but is %s kW"
                                  .formatted(QuantityFormat.PLAIN.number(in.get("power")))));
          String column = "column of %d V".formatted(found.columnVolts());
          return result(
              "full-load current",
              (found.between() ? "between two rows, " : "row, ")
                  + (found.carried()
                      ? column + " · %d V/U".formatted(found.columnVolts())
                      : column),
              "%s kW at %s V",
              found.amperes(),
              MeasureUnit.AMPERE_UNIT,
              "NEC table 430.250 (from memory); for conductors, the overload is the plate's",
              in.get("power"),
              in.get("voltage"));
        });
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
        "voltage lost on a three-phase cable, warm as it runs",
        List.of(
            of("current", "current", MeasureUnit.AMPERE_UNIT),
            of("length", "length of the cable", MeasureUnit.METRE_UNIT),
            positive("size", "conductor (or a gauge, AWG 12)", MeasureUnit.SQUARE_MILLIMETRE),
            Parameter.within("temperature", "temperature of the conductor, °C", -40, 200, 70),
            Parameter.within("powerfactor", "cos φ of the load", 0, 1, 1),
            Parameter.within("frequency", "frequency, Hz", 0, 1000, 50)),
        "current=11.2A length=100m size=2.5mm2",
        in -> {
          CableResistance cable =
              new CableResistance(in.conductor("size"), in.get("temperature"), in.get("frequency"));
          Step resistance =
              new Step(
                  "resistance, per km",
                  "R₂₀·(1 + 0.00393·(θ − 20))·(1 + y_s + y_p)",
                  "%s, %s °C, %s Hz"
                      .formatted(cable.size(), plain(cable.celsius()), plain(cable.hertz())),
                  cable.ohmsPerKilometre(),
                  MeasureUnit.OHM_UNIT,
                  "IEC 60228, skin and neighbours by IEC 60287-1-1 (both from memory)");
          return result(
                  "voltage drop",
                  "√3·I·l·(R·cos φ + X·sin φ)",
                  "√3·%s·%s m, X = %s Ω/km, cos φ %s",
                  cable.lostVolts(in.get("current"), in.get("length"), in.get("powerfactor")),
                  MeasureUnit.VOLT_UNIT,
                  "reactance 0.08 Ω/km at 50 Hz (common practice)",
                  in.get("current"),
                  in.get("length"),
                  cable.reactanceOhmsPerKilometre(),
                  in.get("powerfactor"))
              .after(resistance);
        });
  }

  private static Calculator wireResistance() {
    return new Calculator(
        "wire-resistance",
        "resistance of a copper conductor, one way",
        List.of(
            positive("size", "conductor (or a gauge, AWG 12)", MeasureUnit.SQUARE_MILLIMETRE),
            of("length", "length", MeasureUnit.METRE_UNIT),
            Parameter.within("temperature", "temperature of the conductor, °C", -40, 200, 20)),
        "size=0.75mm2 length=100m",
        in -> {
          ConductorSize size = in.conductor("size");
          double ohms =
              new CableResistance(size, in.get("temperature"), 0).directOhmsPerKilometre();
          return Sums.remark(
              result(
                  "resistance",
                  "R′·l·(1 + 0.00393·(θ − 20))",
                  "%s Ω/km at %s °C · %s m",
                  ohms * in.get("length") / 1000,
                  MeasureUnit.OHM_UNIT,
                  "IEC 60228 class 5, IEC 60028 (from memory)",
                  Math.round(1000 * ohms) / 1000.0,
                  in.get("temperature"),
                  in.get("length")),
              "%s is %s mm²"
                  .formatted(size, plain(Math.round(1000 * size.squareMillimetres()) / 1000.0)));
        });
  }

  private static String plain(double value) {
    return QuantityFormat.PLAIN.number(value);
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

package unimotus.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.Feed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.PowerData;

/**
 * Fuse, conductors, earth, motor cable and mounting of a drive, in the order in which they are seen
 * to. It advises: local codes and licensed people decide.
 */
public final class PowerSide {
  private static final double[] FUSES = {
    2, 4, 6, 10, 16, 20, 25, 32, 35, 40, 50, 63, 80, 100, 125, 160
  };

  /** A fuse is taken this much over the current in service (common practice). */
  private static final double FUSE_RESERVE = 1.25;

  /** Copper at 70 °C against 20 °C: 1 + 0.00393 · 50. */
  private static final double WARM = 1.1965;

  /** Share of the mains voltage that may be lost on the supply cable (IEC 60204-1, memory). */
  private static final double MOST_DROP = 0.05;

  private static final double LEAKAGE_LIMIT_AMPERES = 0.0035;
  private static final double STRONG_EARTH_MM2 = 10;
  private static final String SHEET = "device sheet";
  private static final String CAPACITY = "IEC 60204-1 table 6 (from memory)";

  private final PowerData power;
  private final Feed feed;
  private final List<PowerItem> items = new ArrayList<>();

  private PowerSide(PowerData power, Feed feed) {
    this.power = power;
    this.feed = feed;
  }

  /** Everything to see to; empty where the sheet tells nothing about the power side. */
  public static List<PowerItem> of(@Nullable PowerData power, Feed feed) {
    if (power == null) {
      return List.of();
    }
    PowerSide side = new PowerSide(power, feed);
    side.mains();
    double fuse = side.fuse();
    double conductor = side.conductor(fuse);
    side.earth(conductor);
    side.motorCable();
    side.mounting();
    return List.copyOf(side.items);
  }

  private void mains() {
    boolean fits =
        feed.mainsVolts() >= power.leastSupplyVolts()
            && feed.mainsVolts() <= power.mostSupplyVolts()
            && feed.phases() == power.phases();
    String range =
        "%s to %s V, %d phases"
            .formatted(
                number(power.leastSupplyVolts()), number(power.mostSupplyVolts()), power.phases());
    add(
        "mains",
        "Mains against the drive's plate",
        range,
        fits
            ? ""
            : "the mains is %s V with %d phases"
                .formatted(number(feed.mainsVolts()), feed.phases()),
        Derivation.NONE);
  }

  private double fuse() {
    double least = FUSE_RESERVE * power.inputAmperes();
    double fuse = power.fuseAmperes();
    for (int i = FUSES.length - 1; i >= 0; i--) {
      if (FUSES[i] >= least && FUSES[i] <= power.fuseAmperes()) {
        fuse = FUSES[i];
      }
    }
    add(
        "fuse",
        "Protection in front of the drive",
        "%s A %s in each phase".formatted(number(fuse), power.fuseClass()),
        fuse < least ? "the largest fuse the drive bears is near its input current" : "",
        Derivation.of(
            amperes("input current", "", "", power.inputAmperes(), SHEET),
            amperes(
                "least fuse",
                "1.25·I",
                "1.25·" + number(power.inputAmperes()),
                least,
                "common practice"),
            amperes("fuse", "next size up, not over the sheet's", "", fuse, SHEET)));
    return fuse;
  }

  private double conductor(double fuse) {
    double size = ConductorTable.smallest(feed.method(), fuse).orElse(Double.NaN);
    double byLoad = size;
    while (drop(size) > MOST_DROP) {
      OptionalDouble larger = ConductorTable.larger(size);
      if (larger.isEmpty()) {
        break;
      }
      size = larger.getAsDouble();
    }
    String doubt =
        size > power.mostSquareMillimetres()
            ? "the terminals take %s mm² at most".formatted(number(power.mostSquareMillimetres()))
            : drop(size) > MOST_DROP ? "no size keeps the voltage drop under 5 %" : "";
    add(
        "supply-conductor",
        "Supply conductor, %s (%s)".formatted(feed.method().label(), feed.method().letter()),
        "%s mm² copper".formatted(number(size)),
        doubt,
        Derivation.of(
            new Step(
                "by current",
                "least I_z ≥ fuse",
                "%s A ≥ %s A"
                    .formatted(
                        number(ConductorTable.amperes(feed.method(), byLoad).orElse(Double.NaN)),
                        number(fuse)),
                byLoad,
                MeasureUnit.SQUARE_MILLIMETRE,
                CAPACITY),
            new Step(
                "voltage drop",
                "k·I·l·R′/U",
                "%s·%s A·%s m·%s Ω/km/%s V"
                    .formatted(
                        feed.phases() == 3 ? "√3" : "2",
                        number(power.inputAmperes()),
                        number(feed.supplyMetres()),
                        number(WARM * ConductorSize.metric(size).ohmsPerKilometre()),
                        number(feed.mainsVolts())),
                100 * drop(size),
                MeasureUnit.PERCENT,
                "IEC 60228 (from memory), copper at 70 °C")));
    return size;
  }

  private double drop(double size) {
    double ohms = WARM * ConductorSize.metric(size).ohmsPerKilometre() * feed.supplyMetres() / 1000;
    double factor = feed.phases() == 3 ? Math.sqrt(3) : 2;
    return factor * power.inputAmperes() * ohms / feed.mainsVolts();
  }

  private void earth(double conductor) {
    double least = ConductorTable.protectiveSquareMillimetres(conductor);
    boolean leaks = power.leakageAmperes() > LEAKAGE_LIMIT_AMPERES;
    String wanted =
        leaks && least < STRONG_EARTH_MM2
            ? "10 mm² copper, or a second one of %s mm²".formatted(number(least))
            : "%s mm² copper".formatted(number(least));
    add(
        "earth",
        "Earth conductor, connected first",
        wanted,
        "",
        Derivation.of(
            new Step(
                "earth leakage",
                "",
                "",
                1000 * power.leakageAmperes(),
                MeasureUnit.MILLIAMPERE,
                SHEET),
            new Step(
                "least",
                leaks ? "as the phase; over 3.5 mA 10 mm² or a second one" : "as the phase",
                "",
                least,
                MeasureUnit.SQUARE_MILLIMETRE,
                "IEC 60204-1 table 1 and 8.2 (from memory)")));
  }

  private void motorCable() {
    boolean tooLong = feed.motorMetres() > power.mostMotorCableMetres();
    String doubt =
        tooLong
            ? "%s m are too long without a choke at the drive's output"
                .formatted(number(feed.motorMetres()))
            : feed.shieldedMotorCable()
                ? ""
                : "a plain motor cable disturbs what runs beside it: shield it, both ends round";
    add(
        "motor-cable",
        "Motor cable",
        "shielded, at most %s m".formatted(number(power.mostMotorCableMetres())),
        doubt,
        Derivation.NONE);
    add(
        "separation",
        "Power and control cables apart",
        "200 mm, crossings square",
        "",
        Derivation.NONE);
  }

  private void mounting() {
    add(
        "clearance",
        "Free space above and below",
        number(power.clearanceMillimetres()) + " mm",
        "",
        Derivation.NONE);
    add(
        "torque-power",
        "Tightening torque of the power terminals",
        number(power.powerNewtonMetres()) + " N·m",
        "",
        Derivation.NONE);
    add(
        "torque-control",
        "Tightening torque of the control terminals",
        number(power.controlNewtonMetres()) + " N·m",
        "",
        Derivation.NONE);
    add(
        "discharge",
        "Wait after power off, then measure",
        number(power.dischargeMinutes()) + " min",
        "",
        Derivation.NONE);
  }

  private void add(String key, String title, String wanted, String doubt, Derivation sum) {
    items.add(new PowerItem(key, title, wanted, doubt, sum));
  }

  private static Step amperes(
      String quantity, String formula, String put, double value, String source) {
    return new Step(quantity, formula, put, value, MeasureUnit.AMPERE_UNIT, source);
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }
}

package unimotus.desktop.wire;

import java.util.Locale;
import unimotus.workbench.DisplayUnits;

/** Volts and milliamps with a fixed number of decimals, in the reader's decimal mark. */
record Readout(DisplayUnits units) {

  /** A number with so many decimals; never a negative zero. */
  String fixed(double value, int decimals) {
    double scale = Math.pow(10, decimals);
    double rounded = Math.round(value * scale) / scale + 0.0;
    return String.format(Locale.ROOT, "%." + decimals + "f", rounded)
        .replace('.', units.decimalMark());
  }

  /** Volts with one decimal. */
  String volts(double volts) {
    return fixed(volts, 1) + " V";
  }

  /** Amperes shown in milliamps with one decimal. */
  String milliamps(double amperes) {
    return fixed(amperes * 1000, 1) + " mA";
  }
}

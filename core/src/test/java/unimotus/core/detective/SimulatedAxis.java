package unimotus.core.detective;

import java.util.HashMap;
import java.util.Map;

/**
 * An axis in a few lines of school arithmetic, to be spoilt: percent, counts, signal or register,
 * percent in the drive, hertz, field, shaft, machine. It shares nothing with the program.
 */
final class SimulatedAxis implements Cloneable {
  // Program and module.
  double programFull = 27648;
  double moduleFull = 27648;
  double decimals = 1;
  double sentLow;
  double sentHigh = 10;
  boolean deadOutput;

  // Wire.
  double share = 1;
  double offset;

  // Drive's input.
  double readLow;
  double readHigh = 10;
  boolean volts = true;
  boolean voltsOnBurden;
  boolean current250;
  boolean inverted;
  double deadBand;
  boolean stopsWhenLost = true;

  // Register.
  boolean register;
  double hertzPerStep;
  double hertzPerStepInDrive;
  int words = 1;
  boolean signed;
  boolean bytesSwapped;
  boolean wordsSwapped;

  // Drive.
  double hertzAtLow;
  double hertzAtHigh = 50;
  double least;
  double most = 50;
  double fixedHertz = Double.NaN;
  boolean turned;
  String closed = "ready";
  String run = "running";
  String open = "not permitted";
  double shareOfRunVolts = 1;

  // Motor and machine.
  double poles = 4;
  double slipRpmPerNewtonMetre;
  double newtonMetres;
  double newtonMetresPerRpm2;
  double gear = 91.5;
  double metresPerTurn = Math.PI * 0.5;

  SimulatedAxis copy() {
    try {
      return (SimulatedAxis) clone();
    } catch (CloneNotSupportedException e) {
      throw new IllegalStateException(e);
    }
  }

  /** What would be read at a reference, by station. */
  Map<String, Double> at(double percent) {
    Map<String, Double> read = new HashMap<>();
    double hertz;
    if (register) {
      double raw = Math.rint(decimals * percent / 100 * designedTop / hertzPerStep);
      read.put("counts", raw);
      hertz = limited(taken(raw) * hertzPerStepInDrive);
    } else {
      double counts = Math.rint(decimals * percent / 100 * programFull);
      read.put("counts", counts);
      double signal =
          deadOutput
              ? 0
              : Math.max(
                  sentLow,
                  Math.min(sentHigh, sentLow + counts / moduleFull * (sentHigh - sentLow)));
      read.put("signal", signal);
      hertz = fromSignal(signal);
    }
    if (!Double.isNaN(fixedHertz)) {
      hertz = fixedHertz;
    }
    read.put("frequency", hertz);
    double field = 120 * hertz / poles;
    double shaft = Math.signum(field) * shaft(Math.abs(field)) * (turned ? -1 : 1);
    read.put("shaft", shaft);
    read.put("machine", shaft / gear * metresPerTurn);
    return read;
  }

  /** The frequency meant for 100 %, which the program works from. */
  double designedTop = 50;

  private double taken(double raw) {
    if (words == 1) {
      int r = (int) Math.max(0, Math.min(65535, raw));
      int swapped = bytesSwapped ? (r & 255) << 8 | r >> 8 : r;
      return signed && swapped > 32767 ? swapped - 65536 : swapped;
    }
    long r = (long) raw;
    return wordsSwapped ? (r & 65535) << 16 | r >> 16 : r;
  }

  private double fromSignal(double signal) {
    double arrived = signal * share + offset;
    double got = arrived;
    if (voltsOnBurden) {
      got = arrived / 250 * 1000;
    } else if (current250) {
      got = arrived > 0.1 ? 1000 : 0;
    }
    if (readLow > 0 && got < 0.9 * readLow && stopsWhenLost) {
      return 0;
    }
    double p = Math.max(0, Math.min(100, (got - readLow) / (readHigh - readLow) * 100));
    p = p < deadBand ? 0 : p;
    p = inverted ? 100 - p : p;
    return limited(hertzAtLow + p / 100 * (hertzAtHigh - hertzAtLow));
  }

  private double limited(double hertz) {
    double size = Math.max(least, Math.min(most, Math.abs(hertz)));
    return hertz < 0 ? -size : size;
  }

  /** The slip follows the load's torque, found by repeated putting in. */
  private double shaft(double field) {
    double shaft = field;
    for (int i = 0; i < 60; i++) {
      double torque = newtonMetres + newtonMetresPerRpm2 * shaft * shaft;
      shaft = Math.max(0, field - slipRpmPerNewtonMetre * torque);
    }
    return shaft;
  }

  String direction() {
    double shaft = at(25).get("shaft");
    return shaft > 0.5 ? "forward" : shaft < -0.5 ? "reverse" : "no motion";
  }
}

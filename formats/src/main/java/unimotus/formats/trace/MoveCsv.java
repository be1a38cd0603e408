package unimotus.formats.trace;

import java.io.IOException;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.servo.ServoTrace;

/**
 * Traces of a servo axis as CSV (RFC 4180): time, set-point, motor, load and following error in the
 * unit of the axis, speed and torque of the motor.
 */
public final class MoveCsv {
  private MoveCsv() {}

  /**
   * Writes a trace.
   *
   * @param radiansPerUnit radians of the motor for one unit of the axis
   * @throws IOException where {@code out} does not take it
   */
  public static void write(
      ServoTrace trace, double radiansPerUnit, MeasureUnit unit, Appendable out)
      throws IOException {
    String symbol = unit.symbol().isEmpty() ? "units" : unit.symbol();
    CSVFormat format =
        CSVFormat.RFC4180
            .builder()
            .setHeader(
                "Time (s)",
                "Set-point (%s)".formatted(symbol),
                "Motor (%s)".formatted(symbol),
                "Load (%s)".formatted(symbol),
                "Following error (%s)".formatted(symbol),
                "Motor speed (rpm)",
                "Torque (N·m)")
            .build();
    try (CSVPrinter csv = new CSVPrinter(out, format)) {
      for (int i = 0; i < trace.size(); i++) {
        csv.printRecord(
            number(i * trace.period()),
            number(trace.wanted()[i] / radiansPerUnit),
            number(trace.motor()[i] / radiansPerUnit),
            number(trace.load()[i] / radiansPerUnit),
            number(trace.followingError(i) / radiansPerUnit),
            number(MeasureUnit.RADIANS_PER_SECOND.convert(trace.velocity()[i], MeasureUnit.RPM)),
            number(trace.torque()[i]));
      }
    }
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.5f", value);
  }
}

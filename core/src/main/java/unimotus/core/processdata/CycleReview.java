package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import unimotus.core.derivation.Derivation;
import unimotus.core.derivation.Step;
import unimotus.core.finding.Severity;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityFormat;

/**
 * Whether a cycle can be kept and suits the drives.
 *
 * @param frameNs the frames alone
 * @param ringNs the frames there and back through all stations and cables
 * @param usedNs all that is done one after the other in a cycle
 * @param sum how these were worked out
 * @param doubts what does not fit
 */
public record CycleReview(
    long frameNs, double ringNs, double usedNs, Derivation sum, List<Doubt> doubts) {
  /** Frames that take more of the cycle leave no room for repeated ones (common practice). */
  private static final double BUSY = 0.5;

  private static final double FULL = 0.8;

  /** What light and a signal on copper need for a metre and back (common practice). */
  private static final double CABLE_NS = 5.3;

  /** A lost frame or two must not stop a drive (common practice). */
  private static final int LEAST_WATCHDOG_CYCLES = 3;

  private static final String PRACTICE = "common practice";
  private static final double SECOND = 1e9;

  /**
   * Something that does not fit.
   *
   * @param severity how bad it is
   * @param seen what is seen, with numbers
   * @param remedy what to do
   * @param source the published source, or common practice
   */
  public record Doubt(Severity severity, String seen, String remedy, String source) {}

  /** Takes a copy. */
  public CycleReview {
    doubts = List.copyOf(doubts);
  }

  /** Looks a cycle over. */
  public static CycleReview of(BusCycle bus) {
    List<Integer> frames = FrameTime.frames(bus.datagrams());
    long frame = FrameTime.nanoseconds(bus.datagrams());
    double ring =
        frame
            + bus.stations() * bus.timing().forwardNs()
            + 2 * bus.timing().cableMetres() * CABLE_NS;
    double used = bus.timing().copyNs() + ring + bus.timing().deviceNs();
    String bytes = frames.stream().map(String::valueOf).collect(Collectors.joining(" + "));
    Derivation sum =
        Derivation.of(
            step(
                "time of the frames",
                "t = Σ bytes·80 ns",
                "(%s)·80 ns".formatted(bytes.isEmpty() ? "0" : bytes),
                frame,
                "IEC 61158-4-12; IEEE 802.3"),
            step(
                "there and back",
                "T = t + n·d + 2·L·5.3 ns/m",
                "%s ns + %d·%s ns + 2·%s m·5.3 ns/m"
                    .formatted(
                        QuantityFormat.PLAIN.number(frame),
                        bus.stations(),
                        QuantityFormat.PLAIN.number(bus.timing().forwardNs()),
                        QuantityFormat.PLAIN.number(bus.timing().cableMetres())),
                ring,
                "common practice; to be measured"),
            step(
                "one after the other in a cycle",
                "copy + T + device",
                "%s ns + %s ns + %s ns"
                    .formatted(
                        QuantityFormat.PLAIN.number(bus.timing().copyNs()),
                        QuantityFormat.PLAIN.number(ring),
                        QuantityFormat.PLAIN.number(bus.timing().deviceNs())),
                used,
                PRACTICE));
    List<Doubt> doubts = new ArrayList<>();
    load(bus, frame, used, doubts);
    drive(bus, doubts);
    signal(bus, ring, doubts);
    return new CycleReview(frame, ring, used, sum, doubts);
  }

  private static Step step(String quantity, String formula, String put, double ns, String source) {
    return new Step(quantity, formula, put, ns / SECOND * 1000, MeasureUnit.MILLISECOND, source);
  }

  private static void load(BusCycle bus, long frame, double used, List<Doubt> doubts) {
    double share = (double) frame / bus.cycleNs();
    if (used > bus.cycleNs()) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "copy, frames and device take %s, the cycle is %s"
                  .formatted(time(used), time(bus.cycleNs())),
              "Take a longer cycle, or fewer data in each.",
              PRACTICE));
    }
    if (share > BUSY) {
      doubts.add(
          new Doubt(
              share > FULL ? Severity.ERROR : Severity.WARNING,
              "the frames take %s %% of the cycle"
                  .formatted(QuantityFormat.PLAIN.number(Math.round(1000 * share) / 10.0)),
              "Keep them below 50 to 80 %: mailbox and repeated frames need room.",
              PRACTICE));
    }
  }

  private static void drive(BusCycle bus, List<Doubt> doubts) {
    Long loop = bus.timing().loopNs();
    if (loop != null && loop > 0 && bus.cycleNs() % loop != 0 && loop % bus.cycleNs() != 0) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "the position loop runs every %s, the cycle is %s: one is no whole multiple of the other"
                  .formatted(time(loop), time(bus.cycleNs())),
              "Choose a cycle that is a whole number of loops.",
              PRACTICE));
    }
    Long interpolation = bus.interpolationNs();
    if (interpolation != null && interpolation != bus.cycleNs()) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "the drive interpolates over %s, the cycle is %s"
                  .formatted(time(interpolation), time(bus.cycleNs())),
              "Write the cycle into 0x60C2.",
              "IEC 61800-7-201 (from memory)"));
    }
    Long watchdog = bus.timing().watchdogNs();
    if (watchdog != null && watchdog <= bus.cycleNs()) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "the watchdog stops the device after %s, the cycle is %s"
                  .formatted(time(watchdog), time(bus.cycleNs())),
              "Set the watchdog above the cycle.",
              PRACTICE));
    } else if (watchdog != null && watchdog < LEAST_WATCHDOG_CYCLES * bus.cycleNs()) {
      doubts.add(
          new Doubt(
              Severity.WARNING,
              "the watchdog stops the device after %s, less than %d cycles"
                  .formatted(time(watchdog), LEAST_WATCHDOG_CYCLES),
              "Let it outlast a lost frame or two, as far as the risk assessment allows.",
              PRACTICE));
    }
  }

  private static void signal(BusCycle bus, double ring, List<Doubt> doubts) {
    Long shift = bus.timing().shiftNs();
    if (shift != null && shift < ring) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "the signal comes %s after the frame begins, the last device has its data after %s"
                  .formatted(time(shift), time(ring)),
              "Shift the signal by more than the frame takes.",
              PRACTICE));
    }
    if (shift != null && shift >= bus.cycleNs()) {
      doubts.add(
          new Doubt(
              Severity.ERROR,
              "the signal is shifted by %s, the cycle is %s"
                  .formatted(time(shift), time(bus.cycleNs())),
              "Shift it by less than a cycle.",
              PRACTICE));
    }
  }

  /** A time in the unit that reads best. */
  static String time(double ns) {
    return ns >= 1e6
        ? QuantityFormat.PLAIN.number(ns / 1e6) + " ms"
        : QuantityFormat.PLAIN.number(ns / 1000) + " µs";
  }
}

package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import unimotus.core.sheet.CoilConnection;

/**
 * How pulses make an axis move.
 *
 * @param coils how the coils of its motor are connected; null where not chosen yet
 * @param supplyVolts d.c. supply of the driver; 0 where not entered yet
 * @param startHertz rate at which the pulses begin, 0 where they begin at rest
 * @param wordBits bits of the number the program counts pulses in, 8 to 64, signed
 * @param creep velocity of a jog in the travel unit a second, 0 where it is that of the moves
 * @param switches switches that the axis operates on its way
 */
@RecordBuilder
public record StepDesign(
    @Nullable CoilConnection coils,
    double supplyVolts,
    double startHertz,
    int wordBits,
    double creep,
    List<PlacedSwitch> switches)
    implements StepDesignBuilder.With {
  private static final double MOST_VOLTS = 1000;
  private static final double MOST_HERTZ = 10_000_000;

  /** Nothing chosen; pulses from rest on, counted in 32 bits. */
  public static final StepDesign USUAL = new StepDesign(null, 0, 0, 32, 0, List.of());

  /** Checks the numbers. */
  public StepDesign {
    switches = List.copyOf(switches);
    if (!(creep >= 0 && creep < Double.POSITIVE_INFINITY)) {
      throw new IllegalArgumentException(
          "pulses: the velocity of a jog must be 0 or more, not " + creep);
    }
    Set<String> parts = new HashSet<>();
    for (PlacedSwitch each : switches) {
      if (!parts.add(each.part())) {
        throw new IllegalArgumentException(
            "switch along the travel: '%s' is placed twice".formatted(each.part()));
      }
    }
    if (!(supplyVolts >= 0 && supplyVolts <= MOST_VOLTS)) {
      throw new IllegalArgumentException(
          "pulses: supply of the driver must be 0 to 1000 V, not " + supplyVolts);
    }
    if (!(startHertz >= 0 && startHertz <= MOST_HERTZ)) {
      throw new IllegalArgumentException(
          "pulses: the start rate must be 0 to 10 000 000 Hz, not " + startHertz);
    }
    if (wordBits < 8 || wordBits > 64) {
      throw new IllegalArgumentException(
          "pulses: the program's number has 8 to 64 bits, not " + wordBits);
    }
  }
}

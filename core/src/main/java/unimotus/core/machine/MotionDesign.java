package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.move.TravelRange;
import unimotus.core.positioning.PositioningDesign;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.LoopGains;

/**
 * What a positioning axis is to do, and the copies of its scaling. Positions are in the travel unit
 * of its mechanics.
 *
 * @param driveAxis which axis of the drive it is, from 1
 * @param driveScaling the drive's copy of the scaling; null where it was not read
 * @param busScaling the bus configuration's copy; null where it was not read
 * @param programScaling the copy of the motion axis in the controller; null where it was not read
 * @param travel where it may go
 * @param moves what it is to do
 * @param cycleSeconds from one set-point to the next, over 0
 * @param transmission what hangs between motor and load
 * @param gains of its loops; null where none were entered
 * @param byBits its table and its bits, where the drive is positioned by bits; null where nothing
 *     of its own was entered
 * @param steps how pulses make it move, where a step driver runs it; null where nothing of it was
 *     entered
 */
@RecordBuilder
public record MotionDesign(
    int driveAxis,
    @Nullable AxisScaling driveScaling,
    @Nullable AxisScaling busScaling,
    @Nullable AxisScaling programScaling,
    TravelRange travel,
    MoveSequence moves,
    double cycleSeconds,
    Transmission transmission,
    @Nullable LoopGains gains,
    @Nullable PositioningDesign byBits,
    @Nullable StepDesign steps)
    implements MotionDesignBuilder.With {
  private static final int MOST_AXES = 4;

  /** Checks the numbers. */
  public MotionDesign {
    if (driveAxis < 1 || driveAxis > MOST_AXES) {
      throw new IllegalArgumentException(
          "motion: the axis of the drive must be 1 to %d, not %d".formatted(MOST_AXES, driveAxis));
    }
    if (!(cycleSeconds > 0 && cycleSeconds <= 1)) {
      throw new IllegalArgumentException(
          "motion: the cycle must be over 0 to 1 s, not %s s".formatted(cycleSeconds));
    }
  }

  /** Nothing read, no limits, no moves: what a new positioning axis begins with. */
  public static MotionDesign begin(double velocity, double acceleration) {
    return new MotionDesign(
        1,
        null,
        null,
        null,
        TravelRange.ENDLESS,
        new MoveSequence(0, MoveLimits.of(velocity, acceleration), List.of(), 1),
        0.001,
        Transmission.RIGID,
        null,
        null,
        null);
  }

  /** How pulses make it move: as entered, else what is usual. */
  public StepDesign stepping() {
    return steps == null ? StepDesign.USUAL : steps;
  }

  /** This design without a switch along its travel. */
  MotionDesign withoutSwitch(String part) {
    StepDesign own = steps;
    if (own == null || own.switches().stream().noneMatch(s -> s.part().equals(part))) {
      return this;
    }
    List<PlacedSwitch> kept = own.switches().stream().filter(s -> !s.part().equals(part)).toList();
    return with().steps(own.with().switches(kept).build()).build();
  }

  /** How it is positioned by bits: as entered, else a table of its moves and usual bits. */
  public PositioningDesign positioning() {
    return byBits == null ? PositioningDesign.USUAL : byBits;
  }

  /** This design for devices that are new: no copy of the scaling read, no switch placed. */
  public MotionDesign unread() {
    StepDesign own = steps;
    return with()
        .driveScaling(null)
        .busScaling(null)
        .programScaling(null)
        .steps(own == null ? null : own.with().switches(List.of()).build())
        .build();
  }

  /**
   * This design with another copy of the scaling; null where it was not read.
   *
   * @throws IllegalArgumentException for the machine's, which follows from plate and mechanics
   */
  public MotionDesign holding(Holder holder, @Nullable AxisScaling copy) {
    return switch (holder) {
      case MACHINE ->
          throw new IllegalArgumentException(
              "the machine's scaling follows from motor plate and mechanics; change those");
      case DRIVE -> with().driveScaling(copy).build();
      case BUS -> with().busScaling(copy).build();
      case PROGRAM -> with().programScaling(copy).build();
    };
  }
}

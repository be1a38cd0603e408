package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;

/**
 * One axis of the line: a controller's channel, a drive, a motor and what it moves.
 *
 * @param id stable id
 * @param name what people call it
 * @param note what it is for and what is special, possibly empty
 * @param controller id of the controller, null where not chosen yet
 * @param drive id of the drive, null where not chosen yet
 * @param motor id of the motor, null where not chosen yet
 * @param reference the way of the command
 * @param answer the way of the actual value
 * @param mechanics gear and what it moves
 * @param load inertia and torque
 * @param group the part of the line it belongs to, such as {@code washing}; null for none
 * @param motion what it does as a positioning axis; null for an axis that is commanded by speed, or
 *     where nothing was entered yet
 */
@RecordBuilder
public record Axis(
    String id,
    String name,
    String note,
    @Nullable String controller,
    @Nullable String drive,
    @Nullable String motor,
    Reference reference,
    Answer answer,
    Mechanics mechanics,
    Load load,
    @Nullable String group,
    @Nullable MotionDesign motion)
    implements AxisBuilder.With {

  /** Checks the id and that there is a name. */
  public Axis {
    Ids.check("axis", id);
    if (name.isBlank()) {
      throw new IllegalArgumentException("axis %s: a name is needed".formatted(id));
    }
    group = group == null || group.isBlank() ? null : group.strip();
  }

  /** An axis of no group that is commanded by speed. */
  public Axis(
      String id,
      String name,
      String note,
      @Nullable String controller,
      @Nullable String drive,
      @Nullable String motor,
      Reference reference,
      Answer answer,
      Mechanics mechanics,
      Load load) {
    this(id, name, note, controller, drive, motor, reference, answer, mechanics, load, null, null);
  }

  /** This axis without a switch along its travel. */
  Axis withoutSwitch(String part) {
    MotionDesign own = motion;
    MotionDesign next = own == null ? null : own.withoutSwitch(part);
    return next == null || next.equals(own) ? this : withMotion(next);
  }

  /** This axis with other devices; null where one is not chosen. */
  public Axis withDevices(
      @Nullable String nextController, @Nullable String nextDrive, @Nullable String nextMotor) {
    return with().controller(nextController).drive(nextDrive).motor(nextMotor).build();
  }
}

package unimotus.core.processdata;

import java.util.EnumSet;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import unimotus.core.esi.Direction;
import unimotus.core.profile.OperatingMode;

/**
 * One axis of a positioning drive in the image of its station (IEC 61800-7-201, from memory; a
 * further axis stands 0x800 higher).
 *
 * @param drive the image
 * @param axis which axis of the drive, from 1
 */
public record ServoImage(DriveImage drive, int axis) {
  private static final int NEXT_AXIS = 0x800;
  private static final int TARGET = 0x607A;
  private static final int ACTUAL = 0x6064;
  private static final int BITS = 32;

  /** The modes that take a position. */
  private static final Set<OperatingMode> POSITIONING =
      EnumSet.of(OperatingMode.CYCLIC_POSITION, OperatingMode.PROFILE_POSITION);

  /** The name of its station. */
  public String station() {
    return drive.design().station().name();
  }

  /** The object of this axis, by its number on the first. */
  public int object(int first) {
    return first + (axis - 1) * NEXT_AXIS;
  }

  /** The object of its target position. */
  public int target() {
    return object(TARGET);
  }

  /** The object of its actual position. */
  public int actual() {
    return object(ACTUAL);
  }

  /** Where its target position stands among the outputs; empty where it does not. */
  public Optional<ImagePlace> targetPlace() {
    return place(Direction.OUTPUTS, target());
  }

  private Optional<ImagePlace> place(Direction direction, int index) {
    return drive.image().side(direction).stream()
        .filter(p -> p.entry().index() == index)
        .findFirst();
  }

  /**
   * The mode the axis is put into: by the start-up list or as delivered, or, where the controller
   * writes it each cycle, the cyclic one; empty where nothing says one.
   */
  public Optional<OperatingMode> mode() {
    OptionalLong told = drive.told(object(ProfileObject.MODE));
    if (told.isPresent() && told.getAsLong() != 0) {
      return DriveImage.mode((byte) told.getAsLong());
    }
    return place(Direction.OUTPUTS, object(ProfileObject.MODE)).isPresent()
        ? Optional.of(OperatingMode.CYCLIC_POSITION)
        : Optional.empty();
  }

  /** Why no position can be told over it, in words; empty where one can. */
  public Optional<String> fault() {
    return drive
        .unusable(object(ProfileObject.MODE))
        .map(f -> "%s: %s".formatted(station(), f))
        .or(this::unfit);
  }

  /**
   * Why an image and a mode that the station takes tell this axis no position, in words; empty
   * where they do.
   */
  public Optional<String> unfit() {
    return noTarget().or(this::noMode).map(f -> "%s: %s".formatted(station(), f));
  }

  private Optional<String> noTarget() {
    Optional<ImagePlace> place = targetPlace();
    if (place.isEmpty()) {
      return Optional.of(
          "the outputs have no target position of axis %d (0x%04X)".formatted(axis, target()));
    }
    int bits = place.get().entry().bitLength();
    return bits == BITS
        ? Optional.empty()
        : Optional.of("0x%04X is %d bit in the image, not %d".formatted(target(), bits, BITS));
  }

  private Optional<String> noMode() {
    Optional<OperatingMode> mode = mode();
    if (mode.isEmpty()) {
      return Optional.of(
          "nothing says the operating mode of axis %d: 0x%04X is neither written at start-up nor in the outputs"
              .formatted(axis, object(ProfileObject.MODE)));
    }
    return POSITIONING.contains(mode.get())
        ? Optional.empty()
        : Optional.of(
            "axis %d is started in %s mode (0x%04X = %d), which takes no position"
                .formatted(
                    axis, mode.get().label(), object(ProfileObject.MODE), mode.get().number()));
  }
}

package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.motion.ServoAxis;
import unimotus.core.profile.OperatingMode;
import unimotus.core.quantity.Dimension;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/**
 * One axis of a positioning drive taken by hand: its drive is put into profile velocity mode for
 * that time and jogged at a limited speed; its mode is put back afterwards. Positions and speeds
 * are told in the unit of the axis by the drive's own copy of the scaling.
 */
public final class ServoByHand implements DriveView {
  /** Name of the value that tells where the axis is. */
  public static final String POSITION_NAME = "actual position";

  /** Of the velocity the moves keep to (common practice for setting up). */
  public static final double SPEED_SHARE = 0.1;

  /** The most where the axis moves along a line (ISO 10218-1, reduced speed, from memory). */
  private static final double MOST_METRES_PER_SECOND = 0.25;

  private static final OperatingMode MODE = OperatingMode.PROFILE_VELOCITY;
  private static final int POSITION = 0x6064;
  private static final int FOLLOWING = 0x60F4;
  private static final int VELOCITY = 0x606C;
  private static final int TARGET = 0x60FF;

  private final ServoImage servo;
  private final ServoAxis axis;
  private final AxisScaling scaling;

  private ServoByHand(ServoImage servo, ServoAxis axis, AxisScaling scaling) {
    this.servo = servo;
    this.axis = axis;
    this.scaling = scaling;
  }

  /** An axis behind its station; empty where {@link #fault} says why. */
  public static Optional<ServoByHand> of(StationDesign design, ServoAxis axis) {
    Optional<DriveImage> image = DriveImage.of(design);
    Optional<AxisScaling> drive = axis.copies().of(Holder.DRIVE);
    return image.isPresent() && drive.isPresent()
        ? Optional.of(
            new ServoByHand(
                new ServoImage(image.get(), axis.design().driveAxis()), axis, drive.get()))
        : Optional.empty();
  }

  /** Why an axis cannot be taken by hand, in words; empty where it can. */
  public static Optional<String> fault(StationDesign design, ServoAxis axis) {
    if (axis.copies().of(Holder.DRIVE).isEmpty()) {
      return Optional.of(
          "the scaling of the drive is not read: what one count is, is unknown; see Motion, Scaling");
    }
    return of(design, axis).map(ServoByHand::unfit).orElseGet(() -> Optional.of(design.obstacle()));
  }

  private Optional<String> unfit() {
    if (place(Direction.OUTPUTS, ProfileObject.CONTROL.index()).isEmpty()
        || place(Direction.INPUTS, ProfileObject.STATUS.index()).isEmpty()) {
      return Optional.of(
          "control and status word of axis %d are not in the image: no watchdog would stop it"
              .formatted(servo.axis()));
    }
    boolean velocity =
        place(Direction.OUTPUTS, TARGET).isPresent() || dictionary(servo.object(TARGET));
    return velocity
        ? Optional.empty()
        : Optional.of(
            "the drive has no target velocity (0x%04X), so it is not jogged by hand"
                .formatted(servo.object(TARGET)));
  }

  private boolean dictionary(int index) {
    return StartUpCheck.dictionary(design().known().orElseThrow()).object(index).isPresent();
  }

  private Optional<ImagePlace> place(Direction direction, int first) {
    return image().side(direction).stream()
        .filter(p -> p.entry().index() == servo.object(first) && p.entry().subindex() == 0)
        .findFirst();
  }

  /** The largest speed by hand, in the unit of the axis a second. */
  public double mostSpeed() {
    double share = SPEED_SHARE * axis.design().moves().limits().velocity();
    return axis.unit().dimension() == Dimension.LENGTH
        ? Math.min(share, MeasureUnit.METRE_UNIT.convert(MOST_METRES_PER_SECOND, axis.unit()))
        : share;
  }

  @Override
  public StationDesign design() {
    return servo.drive().design();
  }

  @Override
  public ProcessImage image() {
    return servo.drive().image();
  }

  @Override
  public Optional<? extends PlacedValue> entry(ValueRole role) {
    return values().stream().filter(v -> v.value().role() == role).findFirst();
  }

  @Override
  public List<PlacedValue> values() {
    String unit = axis.unit().symbol();
    Scaling position = Scaling.of(1 / scaling.signedCountsPerUnit(), unit);
    Scaling speed = Scaling.of(1 / scaling.signedCountsPerUnit(), unit + "/s");
    Limits jog = new Limits(-mostSpeed(), mostSpeed());
    List<PlacedValue> values = new ArrayList<>();
    add(values, word(ProfileObject.ERROR), ProfileObject.ERROR.index(), Direction.INPUTS);
    add(values, word(ProfileObject.CONTROL), ProfileObject.CONTROL.index(), Direction.OUTPUTS);
    add(values, word(ProfileObject.STATUS), ProfileObject.STATUS.index(), Direction.INPUTS);
    add(
        values,
        new DriveValue(
            "target velocity",
            ValueRole.REFERENCE,
            ValueType.SIGNED_32,
            speed,
            jog,
            Access.READ_WRITE),
        TARGET,
        Direction.OUTPUTS);
    add(values, shown(POSITION_NAME, position), POSITION, Direction.INPUTS);
    add(values, shown("actual velocity", speed), VELOCITY, Direction.INPUTS);
    add(values, shown("following error", position), FOLLOWING, Direction.INPUTS);
    return values;
  }

  private static DriveValue word(ProfileObject object) {
    return object.value(object.type(), Scaling.PLAIN);
  }

  private static DriveValue shown(String name, Scaling scaling) {
    ValueType type = ValueType.SIGNED_32;
    double one = scaling.value(type.least());
    double other = scaling.value(type.most());
    return new DriveValue(
        name,
        ValueRole.NONE,
        type,
        scaling,
        new Limits(Math.min(one, other), Math.max(one, other)),
        Access.READ);
  }

  private void add(List<PlacedValue> values, DriveValue value, int first, Direction direction) {
    Optional<ImagePlace> place = place(direction, first);
    int bits = Short.SIZE * value.type().words();
    if (place.isPresent() && place.get().entry().bitLength() == bits) {
      values.add(new ImageEntry(value, place.get(), direction));
    } else if (dictionary(servo.object(first))) {
      values.add(new ObjectEntry(value, servo.object(first), 0));
    }
  }

  /** The list of the design, with the mode of this axis as it is needed by hand. */
  @Override
  public List<StartUpCommand> startUp() {
    int mode = servo.object(ProfileObject.MODE);
    List<StartUpCommand> list = new ArrayList<>();
    for (StartUpCommand each : design().startUp()) {
      if (each.index() != mode) {
        list.add(each);
      }
    }
    list.add(new StartUpCommand("PS", mode, 0, "%02X".formatted(MODE.number()), "taken by hand"));
    return list;
  }

  @Override
  public Map<ImagePlace, Integer> resting() {
    Map<ImagePlace, Integer> resting = new HashMap<>();
    place(Direction.OUTPUTS, ProfileObject.MODE).ifPresent(p -> resting.put(p, MODE.number()));
    return resting;
  }

  @Override
  public List<Integer> borrowed() {
    return List.of(servo.object(ProfileObject.MODE));
  }
}

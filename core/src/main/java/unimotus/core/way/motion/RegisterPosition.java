package unimotus.core.way.motion;

import java.util.List;
import java.util.Optional;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Prediction;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/**
 * Positions in registers of the drive, as counts. Which mode its drive is in is said by nothing
 * that is entered, so none is predicted.
 *
 * @param map the registers
 * @param entry that of the target position
 */
record RegisterPosition(RegisterMap map, RegisterEntry entry) implements PositionPlace {

  /** The registers of an axis; empty where none is its target position. */
  static Optional<RegisterPosition> of(AxisAssembly axis) {
    RegisterMap map = axis.record().fieldbus().map();
    return map.entry(ValueRole.TARGET_POSITION).map(e -> new RegisterPosition(map, e));
  }

  /** Why it takes no position in counts, in words; empty where it does. */
  Optional<String> fault() {
    if (!entry.access().isWritable() || entry.table().mostWritten() == 0) {
      return Optional.of("%s cannot be written".formatted(entry.name()));
    }
    if (entry.type() != ValueType.SIGNED_32) {
      return Optional.of(
          "%s is %s: a position in counts is %s"
              .formatted(entry.name(), entry.type().label(), ValueType.SIGNED_32.label()));
    }
    boolean counts = entry.unit().isBlank() || entry.unit().strip().equalsIgnoreCase("counts");
    return counts && entry.scale() == 1 && entry.offset() == 0
        ? Optional.empty()
        : Optional.of(
            "%s counts in steps of %s %s: only counts of the drive are followed so far"
                .formatted(entry.name(), entry.scale(), entry.unit()));
  }

  private static String place(RegisterEntry entry) {
    return "register %s, %s"
        .formatted(Notation.SIX_DIGITS.write(entry.table(), entry.address()), entry.name());
  }

  @Override
  public String target() {
    return place(entry);
  }

  @Override
  public Optional<String> actual() {
    return map.entry(ValueRole.ACTUAL_POSITION).map(RegisterPosition::place);
  }

  @Override
  public Optional<String> following() {
    return map.entry(ValueRole.FOLLOWING_ERROR).map(RegisterPosition::place);
  }

  @Override
  public List<Prediction> states() {
    return List.of();
  }

  /** Nothing is laid out beside the controller's list, and nothing is interpolated. */
  @Override
  public List<MotionCause> impossible() {
    return List.of(MotionCause.POSITION_SHIFTED, MotionCause.INTERPOLATION_TIME);
  }

  @Override
  public List<? extends Cause> causes() {
    return List.of(PositionRegisterCause.values());
  }

  @Override
  public List<Variant> variants(Cause cause, MotionLink link, SignalPath path) {
    return cause instanceof PositionRegisterCause own ? own.variants(link, path) : List.of();
  }
}

package unimotus.core.scaling;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The copies of one scaling, one truth.
 *
 * @param machine what is really there
 * @param drive the drive's; null where it was not read
 * @param bus the bus configuration's; null where it was not read
 * @param program the motion axis'; null where it was not read
 */
public record ScalingCopies(
    AxisScaling machine,
    @Nullable AxisScaling drive,
    @Nullable AxisScaling bus,
    @Nullable AxisScaling program) {

  /** The copies that are there, in the order from the machine to the program. */
  public Map<Holder, AxisScaling> held() {
    Map<Holder, AxisScaling> held = new EnumMap<>(Holder.class);
    held.put(Holder.MACHINE, machine);
    put(held, Holder.DRIVE, drive);
    put(held, Holder.BUS, bus);
    put(held, Holder.PROGRAM, program);
    return held;
  }

  private static void put(
      Map<Holder, AxisScaling> held, Holder holder, @Nullable AxisScaling copy) {
    if (copy != null) {
      held.put(holder, copy);
    }
  }

  /** A copy; empty where it was not read. */
  public Optional<AxisScaling> of(Holder holder) {
    return Optional.ofNullable(held().get(holder));
  }

  /** Every copy that is there against the one before it, empty where only the machine is known. */
  public List<ScalingDifference> differences() {
    List<ScalingDifference> all = new ArrayList<>();
    List<Map.Entry<Holder, AxisScaling>> held = List.copyOf(held().entrySet());
    for (int i = 1; i < held.size(); i++) {
      Map.Entry<Holder, AxisScaling> one = held.get(i);
      Map.Entry<Holder, AxisScaling> before = held.get(i - 1);
      all.add(
          ScalingComparison.of(one.getKey(), one.getValue(), before.getKey(), before.getValue()));
    }
    return all;
  }

  /** A copy against what is really there; empty where it was not read. */
  public Optional<ScalingDifference> againstMachine(Holder holder) {
    return of(holder).map(copy -> ScalingComparison.of(holder, copy, Holder.MACHINE, machine));
  }

  /** Those that were not read. */
  public List<Holder> notRead() {
    return List.of(Holder.values()).stream().filter(h -> of(h).isEmpty()).toList();
  }
}

package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.StopFunction;

/**
 * A stop with the verdict on it.
 *
 * @param stop the stop
 * @param circuit its circuit; null where it cannot be laid out
 * @param verdict the verdict
 */
public record JudgedStop(StopFunction stop, @Nullable StopCircuit circuit, StopVerdict verdict) {

  /** The verdict on one stop of an axis. */
  public static JudgedStop of(AxisAssembly axis, StopFunction stop) {
    StopCircuit circuit;
    try {
      circuit = StopCircuit.of(axis, stop);
    } catch (IllegalArgumentException missing) {
      return new JudgedStop(stop, null, StopVerdict.unknown(String.valueOf(missing.getMessage())));
    }
    return new JudgedStop(stop, circuit, StopVerdict.of(circuit));
  }

  /** The verdicts on all stops of an axis, in their order. */
  public static List<JudgedStop> all(AxisAssembly axis) {
    List<JudgedStop> judged = new ArrayList<>();
    axis.stops().forEach(s -> judged.add(of(axis, s)));
    return judged;
  }

  /** The circuit, where there is one and the stop was found to stop. */
  public Optional<StopCircuit> sound() {
    return verdict.stops() ? Optional.ofNullable(circuit) : Optional.empty();
  }
}

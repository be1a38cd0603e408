package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A stop of one axis: what demands it, through what it goes, and what takes the motion away. How it
 * is joined up is in the wires; what the drive does in the drive's settings.
 *
 * @param id stable id
 * @param name what people call it
 * @param axis id of the axis it stops
 * @param trigger what demands it
 * @param logic through what
 * @param effect what takes the motion away
 * @param triggers ids of the parts that demand it, from the first in the chain; empty for a stop
 *     that is not finished
 * @param relay id of the safety relay; null where there is none
 * @param resetButton id of the reset button; null where there is none
 * @param contactors ids of the contactors; possibly empty
 * @param verticalLoad whether the load sinks when the torque is gone
 * @param holdingBrake whether a brake holds it then
 * @param linkMicrofarads capacitance of the drive's d.c. link
 * @param use how it is used and what is at stake
 */
@RecordBuilder
public record StopFunction(
    String id,
    String name,
    String axis,
    StopTrigger trigger,
    StopLogic logic,
    StopEffect effect,
    List<String> triggers,
    @Nullable String relay,
    @Nullable String resetButton,
    List<String> contactors,
    boolean verticalLoad,
    boolean holdingBrake,
    double linkMicrofarads,
    StopUse use)
    implements StopFunctionBuilder.With {
  /** Checks the id, the name and the d.c. link. */
  public StopFunction {
    Ids.check("stop", id);
    triggers = List.copyOf(triggers);
    contactors = List.copyOf(contactors);
    if (name.isBlank()) {
      throw new IllegalArgumentException("stop %s: a name is needed".formatted(id));
    }
    if (!(linkMicrofarads > 0)) {
      throw new IllegalArgumentException(
          "stop %s: the capacitance of the d.c. link must be over 0 µF, not %s"
              .formatted(id, linkMicrofarads));
    }
  }

  /** Ids of all panel parts it is made of. */
  public List<String> parts() {
    List<String> parts = new ArrayList<>(triggers);
    if (relay != null) {
      parts.add(relay);
    }
    parts.addAll(contactors);
    if (resetButton != null) {
      parts.add(resetButton);
    }
    return parts;
  }

  /** This stop with what its load does when the torque is gone. */
  public StopFunction withLoad(boolean vertical, boolean brake) {
    return with().verticalLoad(vertical).holdingBrake(brake).build();
  }
}

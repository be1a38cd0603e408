package unimotus.core.plant;

import java.util.List;
import java.util.stream.Stream;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.Level;

/**
 * An input that a switch changes.
 *
 * @param input of the controller
 * @param free how it reads while the switch is free
 * @param operated how it reads while it is operated
 */
public record SwitchReading(TerminalRef input, Level free, Level operated) {

  /** The inputs of a controller that a switch changes as it is wired now; possibly empty. */
  public static List<SwitchReading> of(PlantWires wires, String controller, String part) {
    return wires.inputs(controller).stream()
        .map(
            input ->
                new SwitchReading(
                    input, wires.levelWith(part, false, input), wires.levelWith(part, true, input)))
        .filter(r -> r.free() != r.operated())
        .toList();
  }

  /** Whether both positions are read for certain. */
  public boolean isCertain() {
    return Stream.of(free, operated).noneMatch(l -> l == Level.UNDEFINED);
  }

  /** Whether a level says that the switch is operated. */
  public boolean saysOperated(Level level) {
    return level == operated;
  }
}

package unimotus.core.plant;

import java.util.HashMap;
import java.util.Map;
import unimotus.core.machine.Response;

/** What happens at the machine a time after a coil took its voltage. Not thread-safe. */
final class Surroundings {
  private static final double EXACT = 1e-9;

  private final Plant plant;
  private final PlantWires wires;
  private final Map<Response, Double> due = new HashMap<>();
  private final Map<Response, Boolean> energised = new HashMap<>();

  Surroundings(Plant plant, PlantWires wires) {
    this.plant = plant;
    this.wires = wires;
  }

  /** Each answer comes once: what else was done to its switch in between stays. */
  void answer(double now) {
    for (Response each : plant.design().responses()) {
      boolean on = wires.isEnergised(each.coil());
      if (on != energised.getOrDefault(each, false)) {
        energised.put(each, on);
        due.put(each, now + (on ? each.onSeconds() : each.offSeconds()));
      }
      Double at = due.get(each);
      if (at != null && now >= at - EXACT) {
        due.remove(each);
        wires.operate(each.part(), on);
      }
    }
  }
}

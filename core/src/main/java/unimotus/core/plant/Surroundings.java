package unimotus.core.plant;

import java.util.HashMap;
import java.util.Map;
import unimotus.core.machine.Response;

/** What happens at the machine a time after a coil took its voltage. Not thread-safe. */
final class Surroundings {
  private final Plant plant;
  private final PlantWires wires;
  private final Map<Response, Double> turned = new HashMap<>();
  private final Map<Response, Boolean> energised = new HashMap<>();

  Surroundings(Plant plant, PlantWires wires) {
    this.plant = plant;
    this.wires = wires;
  }

  void answer(double now) {
    for (Response each : plant.design().responses()) {
      boolean on = wires.isEnergised(each.coil());
      if (on != energised.getOrDefault(each, false)) {
        energised.put(each, on);
        turned.put(each, now);
      }
      double since = turned.getOrDefault(each, Double.NEGATIVE_INFINITY);
      if (now - since >= (on ? each.onSeconds() : each.offSeconds()) - 1e-9) {
        wires.operate(each.part(), on);
      }
    }
  }
}

package unimotus.core.plant;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import unimotus.core.dryrun.Strip;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sequence.SequenceMachine;

/** Draws what names, switches and steps did over the time. Not thread-safe. */
final class PlantChart {
  private final Map<Strip.Recorder, Supplier<String>> seen = new LinkedHashMap<>();
  private SequenceMachine.Commanded told;
  private boolean permitted = true;

  PlantChart(Plant plant, PlantWires wires) {
    this.told = new SequenceMachine(plant.sequence()).scan(nothing(), 0);
    add("step", "0", () -> Integer.toString(told.step()));
    add("permission", "off", () -> permitted ? "on" : "off");
    for (String output : plant.sequence().outputs()) {
      String at = at(plant, output);
      add(output + at, "off", () -> told.outputs().getOrDefault(output, false) ? "on" : "off");
    }
    for (String input : plant.sequence().inputs()) {
      TerminalRef ref = plant.design().signals().get(input);
      if (ref != null) {
        add(input + at(plant, input), "off", () -> wires.level(ref).label());
      }
    }
    plant
        .switches()
        .forEach(
            s ->
                SwitchReading.of(wires, plant.axis().controller().id(), s.part()).stream()
                    .filter(r -> !plant.design().signals().containsValue(r.input()))
                    .forEach(
                        r ->
                            add(
                                "%s  %s".formatted(plant.name(s.part()), r.input().terminal()),
                                "off",
                                () -> wires.level(r.input()).label())));
  }

  private static SequenceMachine.Seen nothing() {
    return new SequenceMachine.Seen(false, false, false, false, true, false, Map.of());
  }

  private static String at(Plant plant, String name) {
    TerminalRef at = plant.design().signals().get(name);
    return at == null ? "" : "  " + at.terminal();
  }

  private void add(String label, String rest, Supplier<String> state) {
    seen.put(Strip.recorder(label, rest, state.get()), state);
  }

  void see(double now, SequenceMachine.Commanded commanded, boolean isPermitted) {
    told = commanded;
    permitted = isPermitted;
    seen.forEach((strip, state) -> strip.see(now, state.get()));
  }

  List<Strip> ended(double now) {
    List<Strip> strips = new ArrayList<>();
    seen.keySet().forEach(s -> strips.add(s.ended(now)));
    return strips;
  }
}

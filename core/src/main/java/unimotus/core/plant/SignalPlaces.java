package unimotus.core.plant;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.wiring.PlacedDevice;

/** Finds the terminals that names of a sequence stand for, by parts that are called the same. */
public final class SignalPlaces {
  private final Plant plant;
  private final PlantWires wires;

  private SignalPlaces(Plant plant) {
    this.plant = plant;
    this.wires = new PlantWires(plant.line());
  }

  /** The places of names that have none yet; those that no part is called like are left out. */
  public static Map<String, TerminalRef> byName(Plant plant) {
    SignalPlaces places = new SignalPlaces(plant);
    Map<String, TerminalRef> found = new LinkedHashMap<>();
    for (String input : plant.sequence().inputs()) {
      if (!plant.design().signals().containsKey(input)) {
        places.input(input).ifPresent(at -> found.put(input, at));
      }
    }
    for (String output : plant.sequence().outputs()) {
      if (!plant.design().signals().containsKey(output)) {
        places.output(output).ifPresent(at -> found.put(output, at));
      }
    }
    return found;
  }

  /** The one input that a switch of this name changes. */
  private Optional<TerminalRef> input(String name) {
    return part(name)
        .map(p -> SwitchReading.of(wires, plant.axis().controller().id(), p))
        .filter(readings -> readings.size() == 1)
        .map(readings -> readings.get(0).input());
  }

  /** The one output that gives the coil of a part of this name its voltage. */
  private Optional<TerminalRef> output(String name) {
    Optional<String> part = part(name);
    if (part.isEmpty() || wires.isEnergised(part.get())) {
      return Optional.empty();
    }
    List<TerminalRef> outputs =
        outputs(plant).stream().filter(o -> wires.isEnergisedWith(o, part.get())).toList();
    return outputs.size() == 1 ? Optional.of(outputs.get(0)) : Optional.empty();
  }

  private Optional<String> part(String name) {
    return plant.line().devices().stream()
        .filter(d -> d.device() instanceof Part)
        .filter(d -> plain(d.device().name()).equals(plain(name)) || d.id().equals(name))
        .map(PlacedDevice::id)
        .findFirst();
  }

  private static String plain(String name) {
    return name.toLowerCase(Locale.ROOT).strip();
  }

  /** The binary outputs of the controller of a plant, in the order of its sheet. */
  public static List<TerminalRef> outputs(Plant plant) {
    return plant.axis().controllerSheet().terminals().stream()
        .filter(t -> t.role().isBinaryOutput())
        .map(t -> new TerminalRef(plant.axis().controller().id(), t.id()))
        .toList();
  }

  /** The binary inputs of it. */
  public static List<TerminalRef> inputs(Plant plant) {
    return plant.axis().controllerSheet().terminals().stream()
        .filter(t -> t.role().isBinaryInput())
        .map(t -> new TerminalRef(plant.axis().controller().id(), t.id()))
        .toList();
  }
}

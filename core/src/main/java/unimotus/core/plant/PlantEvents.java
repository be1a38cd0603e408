package unimotus.core.plant;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.dryrun.DryEvents;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** What can be done to a plant while its sequence runs, to choose from. */
public final class PlantEvents {
  private PlantEvents() {}

  /** Events as {@link PlantScheduleReader} reads them; kinds of which there is none left out. */
  public static List<DryEvents.Group> of(Plant plant) {
    List<DryEvents.Group> groups = new ArrayList<>();
    groups.add(new DryEvents.Group("Start, permission, mode", controls()));
    groups.add(new DryEvents.Group("Buttons and switches", positions(plant)));
    groups.add(new DryEvents.Group("A wire opens", wires(plant)));
    groups.add(new DryEvents.Group("An input is shorted", shorts(plant)));
    groups.add(new DryEvents.Group("A supply gives nothing", dead(plant)));
    groups.add(
        new DryEvents.Group(
            "Everything is repaired", List.of(new DryEvents.Choice("repair all", "repair"))));
    return groups.stream().filter(g -> !g.choices().isEmpty()).toList();
  }

  private static List<DryEvents.Choice> controls() {
    return List.of(
        new DryEvents.Choice("start is pressed", "start"),
        new DryEvents.Choice("permission goes", "permit off"),
        new DryEvents.Choice("permission comes back", "permit"),
        new DryEvents.Choice("hand", "hand"),
        new DryEvents.Choice("automatic", "auto"));
  }

  private static List<DryEvents.Choice> positions(Plant plant) {
    List<DryEvents.Choice> choices = new ArrayList<>();
    for (PlacedDevice device : plant.line().devices()) {
      if (device.device() instanceof Part && device.sheet() instanceof PartSheet sheet) {
        if (sheet.positions().size() > 1) {
          sheet
              .positions()
              .forEach(
                  p ->
                      choices.add(
                          new DryEvents.Choice(
                              "%s: %s".formatted(device.device().name(), p),
                              "set %s %s".formatted(device.id(), p))));
        }
      }
    }
    return choices;
  }

  private static List<DryEvents.Choice> wires(Plant plant) {
    return plant.line().wires().stream()
        .map(
            w ->
                new DryEvents.Choice(
                    "%s: %s – %s".formatted(w.id(), w.from(), w.to()), "open " + w.id()))
        .toList();
  }

  private static List<DryEvents.Choice> shorts(Plant plant) {
    List<DryEvents.Choice> choices = new ArrayList<>();
    for (TerminalRef input : SignalPlaces.inputs(plant)) {
      if (plant.line().isWired(input)) {
        choices.add(new DryEvents.Choice("%s to 24 V".formatted(input), "short-24 " + input));
        choices.add(new DryEvents.Choice("%s to 0 V".formatted(input), "short-0 " + input));
      }
    }
    return choices;
  }

  private static List<DryEvents.Choice> dead(Plant plant) {
    List<DryEvents.Choice> choices = new ArrayList<>();
    for (PlacedDevice device : plant.line().devices()) {
      for (Terminal terminal : device.sheet().terminals()) {
        TerminalRef ref = device.ref(terminal.id());
        if (terminal.role() == TerminalRole.SUPPLY_24V && plant.line().isWired(ref)) {
          choices.add(
              new DryEvents.Choice(
                  "%s %s".formatted(device.device().name(), terminal.id()), "dead " + ref));
        }
      }
    }
    return choices;
  }
}

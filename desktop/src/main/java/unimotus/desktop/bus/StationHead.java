package unimotus.desktop.bus;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import unimotus.core.esi.EsiModule;
import unimotus.core.machine.BusStation;
import unimotus.core.processdata.SetupDoubt;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.Edit;
import unimotus.workbench.StationEdits;

/** Who the chosen station is: its name and alias, its slots, and what is wrong with them. */
final class StationHead {
  private final Desk desk;

  StationHead(Desk desk) {
    this.desk = desk;
  }

  Node of(StationDesign design) {
    BusStation station = design.station();
    WordField name =
        new WordField(
            "station-name",
            "name of the station",
            station.name(),
            18,
            words -> take(() -> StationEdits.rename(station, words)));
    WordField alias =
        new WordField(
            "station-alias",
            "alias of the station, 0 for none",
            String.valueOf(station.alias()),
            6,
            words ->
                take(() -> StationEdits.alias(desk.session().project(), station, number(words))));
    VBox head =
        Parts.column(
            8,
            Parts.flow(
                10,
                Parts.label(station.name(), "ink-title"),
                Parts.label(
                    "%s, revision 0x%08X".formatted(station.type(), station.revision()),
                    "ink-label")),
            Parts.flow(
                8,
                Parts.label("name", "ink-label"),
                name,
                Parts.label("alias", "ink-label"),
                alias,
                Parts.action("station-up", "Earlier", () -> move(station, -1)),
                Parts.action("station-down", "Later", () -> move(station, 1)),
                Parts.quiet(
                    "station-remove", "remove", () -> desk.apply(StationEdits.remove(station)))));
    design
        .known()
        .ifPresent(
            setup -> {
              if (!setup.modules().isEmpty()) {
                head.getChildren().add(Parts.prose(slots(setup), "ink-label"));
              }
              setup.doubts().forEach(d -> head.getChildren().add(doubt(d)));
            });
    return head;
  }

  private void move(BusStation station, int by) {
    desk.apply(StationEdits.move(station, by));
  }

  /**
   * Makes an edit of what was typed; what cannot be taken is said and the field shows it no more.
   */
  private void take(Supplier<Edit> edit) {
    try {
      desk.apply(edit.get());
    } catch (IllegalArgumentException refused) {
      desk.refuse(String.valueOf(refused.getMessage()));
      desk.refresh();
    }
  }

  private static int number(String words) {
    try {
      return Integer.parseInt(words.strip());
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "alias '%s'; expected a number from 0 to 65535".formatted(words.strip()));
    }
  }

  private static String slots(StationSetup setup) {
    List<String> slots = new ArrayList<>();
    for (int i = 0; i < setup.modules().size(); i++) {
      EsiModule module = setup.modules().get(i);
      slots.add("slot %d: %s".formatted(i, module == null ? "empty" : module.name()));
    }
    return String.join(" · ", slots);
  }

  private static Node doubt(SetupDoubt doubt) {
    return Parts.row(
        9,
        new Mark(Mark.Kind.ATTENTION, doubt.kind().label()),
        Parts.prose("%s. %s".formatted(doubt.seen(), doubt.remedy())));
  }
}

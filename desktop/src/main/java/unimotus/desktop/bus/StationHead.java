package unimotus.desktop.bus;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.esi.EsiModule;
import unimotus.core.esi.Slots;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.Drive;
import unimotus.core.processdata.SetupDoubt;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.Edit;
import unimotus.workbench.StationEdits;
import unimotus.workbench.live.StationPresence;

/** Who the chosen station is: its name and alias, its slots, and what is wrong with them. */
final class StationHead {
  private static final String NONE = "";

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
                    "ink-label"),
                Parts.label(words(desk.live().standing(station)), "ink-caption")),
            Parts.flow(
                8,
                Parts.label("name", "ink-label"),
                name,
                Parts.label("alias", "ink-label"),
                alias,
                Parts.label("drive behind it", "ink-label"),
                drive(station)),
            Parts.flow(
                8,
                Parts.action("station-up", "Earlier", () -> move(station, -1)),
                Parts.action("station-down", "Later", () -> move(station, 1)),
                Parts.quiet(
                    "station-remove", "remove", () -> desk.apply(StationEdits.remove(station)))));
    design
        .known()
        .ifPresent(
            setup -> {
              if (!setup.modules().isEmpty()) {
                head.getChildren().add(slots(station, setup));
              }
              setup.doubts().forEach(d -> head.getChildren().add(doubt(d)));
            });
    return head;
  }

  /** What is shown below is the project's: whether it is in the device is said beside the name. */
  private static String words(StationPresence.Standing standing) {
    return switch (standing.is()) {
      case OFFLINE -> standing.brief() + ": what is shown is the project's";
      case PENDING -> standing.brief() + ": what is shown is not in the device yet";
      case ONLINE -> standing.brief();
    };
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

  private Node drive(BusStation station) {
    List<String> drives = new ArrayList<>(List.of(NONE));
    desk.session().project().drives().forEach(d -> drives.add(d.id()));
    ChoiceField<String> field =
        new ChoiceField<>(
            "drive behind the station",
            drives,
            this::driveName,
            id -> desk.apply(StationEdits.drive(station, id)));
    field.setId("station-drive");
    // One that is not there is shown as nothing; the checks name it.
    return field.show(drives.contains(station.drive()) ? station.drive() : null);
  }

  private String driveName(String id) {
    return desk.session().project().drive(id).map(Drive::name).orElse("none");
  }

  /** A choice for each slot, of the modules that fit and of none. */
  private Node slots(BusStation station, StationSetup setup) {
    FlowPane row = Parts.flow(8);
    Slots slots = Objects.requireNonNull(setup.device().slots());
    List<Long> idents = setup.modules().stream().map(m -> m == null ? 0L : m.ident()).toList();
    for (int i = 0; i < setup.modules().size(); i++) {
      int slot = i;
      List<Long> offered = new ArrayList<>(List.of(0L));
      offered.addAll(slots.slots().get(i).allowed());
      ChoiceField<Long> field =
          new ChoiceField<>(
              "module in slot " + i,
              offered,
              ident -> module(station, ident),
              ident -> desk.apply(StationEdits.module(station, idents, slot, ident)));
      field.setId("station-slot-" + i);
      row.getChildren()
          .add(
              Parts.row(
                  4, Parts.label("slot %d".formatted(i), "ink-label"), field.show(idents.get(i))));
    }
    return row;
  }

  private String module(BusStation station, long ident) {
    return ident == 0
        ? "empty"
        : desk.session()
            .sheets()
            .descriptions()
            .device(station.vendor(), station.product(), station.revision())
            .flatMap(f -> f.description().module(ident))
            .map(EsiModule::name)
            .orElse("0x%08X".formatted(ident));
  }

  private static Node doubt(SetupDoubt doubt) {
    return Parts.row(
        9,
        new Mark(Mark.Kind.ATTENTION, doubt.kind().label()),
        Parts.prose("%s. %s".formatted(doubt.seen(), doubt.remedy())));
  }
}

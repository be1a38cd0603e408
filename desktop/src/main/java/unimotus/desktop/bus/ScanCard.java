package unimotus.desktop.bus;

import java.io.IOException;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.layout.VBox;
import unimotus.core.machine.BusStation;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.CableFields;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.workbench.live.StationPresence;
import unimotus.workbench.live.StationSearch;

/** Who answers on the cable, beside the stations of the project. */
final class ScanCard extends VBox {
  private static final int TIMEOUT_MILLISECONDS = 100;

  private final Desk desk;
  private final CableFields fields = new CableFields("scan");
  private final VBox said = Parts.column(4);
  private int chosen = -1;

  /** A card. */
  ScanCard(Desk desk) {
    super(6);
    this.desk = desk;
    getChildren()
        .addAll(
            Parts.label("On the cable", "ink-strong"),
            fields,
            Parts.flow(
                6,
                Parts.action("scan-search", "Search", this::search),
                Parts.quiet("scan-forget", "forget", () -> desk.live().presence().set(null)),
                Parts.quiet("scan-blink", "blink", () -> blink(true)),
                Parts.quiet("scan-still", "stop blinking", () -> blink(false))),
            said);
  }

  /** The lamp of the station that is looked at; it has to answer where the project has it. */
  private void blink(boolean blinks) {
    List<BusStation> stations = desk.session().project().stations();
    int position = chosen;
    if (position < 0
        || desk.live().standing(stations.get(position)).is()
            == StationPresence.Standing.Kind.OFFLINE) {
      desk.refuse("search first, and choose a station that answers: only its lamp may blink");
      return;
    }
    try {
      Cable cable = fields.cable();
      begin(() -> blinked(cable, position, blinks, stations.get(position).name()));
    } catch (IllegalArgumentException refused) {
      desk.refuse(String.valueOf(refused.getMessage()));
    }
  }

  private Runnable blinked(Cable cable, int position, boolean blinks, String name) {
    try {
      StationSearch.blink(cable, TIMEOUT_MILLISECONDS, position, blinks);
      return () ->
          desk.say(blinks ? "the lamp of %s blinks".formatted(name) : name + " blinks no more");
    } catch (IOException | IllegalArgumentException silent) {
      return () -> desk.refuse(String.valueOf(silent.getMessage()));
    }
  }

  private void search() {
    try {
      Cable cable = fields.cable();
      said.getChildren().setAll(Parts.label("searching …", "ink-label"));
      begin(() -> find(cable));
    } catch (IllegalArgumentException refused) {
      desk.refuse(String.valueOf(refused.getMessage()));
    }
  }

  private void begin(Supplier<Runnable> work) {
    Thread thread =
        new Thread(
            () -> {
              Runnable then = work.get();
              Platform.runLater(then);
            },
            "station-search");
    thread.setDaemon(true);
    thread.start();
  }

  private Runnable find(Cable cable) {
    try {
      StationSearch.Result result =
          StationSearch.search(cable, TIMEOUT_MILLISECONDS, false, Exchange.Tap.NONE);
      return () -> desk.live().presence().set(StationPresence.of(desk.session().project(), result));
    } catch (IOException silent) {
      return () -> {
        desk.live().presence().set(null);
        refresh();
        desk.refuse(String.valueOf(silent.getMessage()));
      };
    }
  }

  /**
   * Shows what differs from the project as it is now.
   *
   * @param position of the station that is looked at, from 0; -1 for none
   */
  void refresh(int position) {
    chosen = position;
    refresh();
  }

  private void refresh() {
    said.getChildren().clear();
    StationPresence found = desk.live().presence().get();
    if (found == null) {
      said.getChildren()
          .add(
              Parts.prose(
                  "Nobody was searched for: the stations are offline here. A search gives addresses"
                      + " by position and changes nothing else.",
                  "ink-label"));
      return;
    }
    if (found.isStale(desk.session().project())) {
      said.getChildren()
          .add(
              Parts.prose(
                  "The stations of the project changed since: search again.", "ink-attention"));
    }
    said.getChildren()
        .add(
            Parts.prose(
                "%d answer, %d in the project: %s. Pending: nothing of the project is in it yet, or it was changed since."
                    .formatted(
                        found.answering(),
                        desk.session().project().stations().size(),
                        found.summary(desk.session().project())),
                "ink-label"));
    for (BusStation each : desk.session().project().stations()) {
      StationPresence.Standing standing = found.standing(each);
      if (!standing.words().equals(standing.brief())) {
        said.getChildren()
            .add(Parts.prose("%s: %s".formatted(each.name(), standing.words()), "ink-attention"));
      }
    }
    found
        .doubts()
        .forEach(
            d ->
                said.getChildren()
                    .add(
                        Parts.row(
                            6,
                            new Mark(Mark.Kind.ATTENTION, d.kind().label()),
                            Parts.prose("%s. %s".formatted(d.seen(), d.remedy())))));
    if (found.doubts().isEmpty()) {
      said.getChildren().add(Parts.prose("Everybody answers as in the project.", "ink-label"));
    }
  }
}

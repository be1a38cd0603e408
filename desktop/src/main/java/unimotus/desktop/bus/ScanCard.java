package unimotus.desktop.bus;

import java.io.IOException;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.layout.VBox;
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
  private final Runnable changed;
  private final CableFields fields = new CableFields("scan");
  private final VBox said = Parts.column(4);
  private Optional<StationPresence> presence = Optional.empty();

  /**
   * A card.
   *
   * @param changed is told when somebody was searched for
   */
  ScanCard(Desk desk, Runnable changed) {
    super(6);
    this.desk = desk;
    this.changed = changed;
    getChildren()
        .addAll(
            Parts.label("On the cable", "ink-strong"),
            fields,
            Parts.flow(
                6,
                Parts.action("scan-search", "Search", this::search),
                Parts.quiet("scan-forget", "forget", this::forget)),
            said);
  }

  /** What was found, where somebody was searched for. */
  Optional<StationPresence> presence() {
    return presence;
  }

  private void forget() {
    presence = Optional.empty();
    changed.run();
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
      return () -> {
        presence = Optional.of(StationPresence.of(desk.session().project(), result));
        changed.run();
      };
    } catch (IOException silent) {
      return () -> {
        forget();
        desk.refuse(String.valueOf(silent.getMessage()));
      };
    }
  }

  /** Shows what differs from the project as it is now. */
  void refresh() {
    said.getChildren().clear();
    if (presence.isEmpty()) {
      said.getChildren()
          .add(
              Parts.prose(
                  "Nobody was searched for: the stations are offline here. A search gives addresses"
                      + " by position and changes nothing else.",
                  "ink-label"));
      return;
    }
    StationPresence found = presence.get();
    if (found.isStale(desk.session().project())) {
      said.getChildren()
          .add(
              Parts.prose(
                  "The stations of the project changed since: search again.", "ink-attention"));
    }
    said.getChildren()
        .add(
            Parts.prose(
                "%d answer, %d in the project. Pending: nothing of the project is in it yet."
                    .formatted(found.answering(), desk.session().project().stations().size()),
                "ink-label"));
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

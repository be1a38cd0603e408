package unimotus.desktop.bus;

import java.util.List;
import java.util.Objects;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.core.esi.ObjectDictionary;
import unimotus.core.machine.Axis;
import unimotus.core.machine.BusStation;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.ProfileMeaning;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StartUpOffers;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationSetup;
import unimotus.core.quantity.Count;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.StationEdits;

/** What is written to a station at every start-up, in order, each with what it would answer. */
final class StartUpPane extends VBox {
  private static final double NANOSECONDS = 1e9;

  private final Desk desk;
  private final StationDesign design;
  private final StartUpEntry entry;

  StartUpPane(Desk desk, StationDesign design) {
    super(10);
    this.desk = desk;
    this.design = design;
    setId("station-start-up");
    StationSetup setup = design.known().orElseThrow();
    StartUpCheck check = StartUpCheck.of(setup, design.startUp());
    entry = new StartUpEntry(desk, design.station(), setup);
    int refused = check.refused().size();
    int open = check.undetermined().size();
    getChildren()
        .addAll(
            Parts.prose(
                "%s, in this order: what the device and its modules want, what tells it its image,"
                        .formatted(Count.of(check.rows().size(), "object"))
                    + " what the project adds. "
                    + (refused == 0
                        ? "None would be refused by its description."
                        : "%s would be refused at every power-up.".formatted(refused))
                    + (open == 0 ? "" : " %d undetermined.".formatted(open)),
                refused + open == 0 ? "ink-label" : "ink-attention"),
            entry.node(),
            Parts.sheet(0, rows(check, StartUpCheck.dictionary(setup))));
    List<StartUpOffers.Offer> offers = StartUpOffers.of(design, cycleNs());
    if (!offers.isEmpty()) {
      getChildren().add(Parts.sheet(6, offers(offers)));
    }
  }

  /** The cycle of the motion axis behind the station; 0 where there is none. */
  private long cycleNs() {
    return desk.session().project().axes().stream()
        .filter(a -> design.station().drive().equals(a.drive()))
        .map(Axis::motion)
        .filter(Objects::nonNull)
        .mapToLong(m -> Math.round(NANOSECONDS * m.cycleSeconds()))
        .findFirst()
        .orElse(0);
  }

  /** What nobody writes yet: one press each, or a value to enter. */
  private Node offers(List<StartUpOffers.Offer> offers) {
    List<StartUpOffers.Offer> known = offers.stream().filter(StartUpOffers.Offer::isKnown).toList();
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(3);
    int line = 0;
    for (StartUpOffers.Offer each : offers) {
      grid.addRow(
          line,
          Cells.whole(each.object()),
          Parts.prose(
              each.isKnown() ? each.what() : each.what() + "; the value is the machine's",
              "ink-label"),
          Parts.quiet(
              "start-up-offer-" + line, each.isKnown() ? "add" : "enter it", () -> take(each)));
      line++;
    }
    FlowPane head =
        Parts.flow(8, Parts.label("Usual in the profile, and written by nobody", "ink-strong"));
    if (known.size() > 1) {
      head.getChildren()
          .add(
              Parts.quiet(
                  "start-up-offers",
                  "add the %d known values".formatted(known.size()),
                  () -> add(known)));
    }
    return Parts.column(6, head, grid);
  }

  private void take(StartUpOffers.Offer offer) {
    if (offer.isKnown()) {
      add(List.of(offer));
    } else {
      entry.begin(offer.command());
    }
  }

  private void add(List<StartUpOffers.Offer> offers) {
    desk.apply(
        StationEdits.addStartUp(
            design.station(), offers.stream().map(StartUpOffers.Offer::command).toList()));
  }

  private Node rows(StartUpCheck check, ObjectDictionary known) {
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(3);
    String[] heads = {"", "no.", "at", "object", "value", "bytes", "what for", ""};
    for (int i = 0; i < heads.length; i++) {
      grid.add(Cells.whole(heads[i], "ink-caption"), i, 0);
    }
    int first = check.rows().size() - design.station().startUp().size();
    int line = 1;
    for (StartUpCheck.Row row : check.rows()) {
      grid.addRow(
          line,
          mark(row.verdict()),
          Cells.whole(String.valueOf(row.number()), "ink-label"),
          Cells.whole(row.command().transition(), "ink-label"),
          Cells.whole(row.command().object()),
          Cells.whole(value(row, known)),
          Cells.whole(String.valueOf(row.command().bytes()), "ink-label"),
          Parts.prose(purpose(row, known), "ink-label"),
          actions(row.number() - first - 1));
      grid.getChildren().forEach(n -> GridPane.setValignment(n, VPos.CENTER));
      line++;
      if (!row.why().isEmpty()) {
        ObjectAbort abort = row.abort();
        String words = abort == null ? row.why() : "%s: %s".formatted(abort.told(), row.why());
        grid.add(Parts.prose(words, "ink-attention"), 1, line, heads.length - 1, 1);
        line++;
      }
    }
    return grid;
  }

  /**
   * What can be done with an object that the project added.
   *
   * @param place its place among these; negative for one of the device
   */
  private Node actions(int place) {
    BusStation station = design.station();
    return place < 0
        ? Parts.row(0)
        : Parts.row(
            2,
            Parts.quiet(
                "start-up-up-" + place,
                "earlier",
                () -> desk.apply(StationEdits.moveStartUp(station, place, -1))),
            Parts.quiet(
                "start-up-remove-" + place,
                "remove",
                () -> desk.apply(StationEdits.removeStartUp(station, place))));
  }

  /** What it is for, and what its number chooses where the profile says so. */
  private static String purpose(StartUpCheck.Row row, ObjectDictionary known) {
    String comment = row.command().comment();
    return ProfileMeaning.of(
            row.command().index(),
            row.command().subindex(),
            StartUpCheck.value(known, row.command()))
        .map(m -> comment.isBlank() ? m : comment + ": " + m)
        .orElse(comment);
  }

  /** Mapping words are read in hex, all others as numbers. */
  private static String value(StartUpCheck.Row row, ObjectDictionary known) {
    boolean isMapping = row.command().index() >= 0x1600 && row.command().index() <= 0x1CFF;
    int digits = 2 * Math.min(row.command().bytes(), Long.BYTES);
    return isMapping && row.command().subindex() > 0
        ? "0x%0{}X".replace("{}", String.valueOf(digits)).formatted(row.command().number())
        : String.valueOf(StartUpCheck.value(known, row.command()));
  }

  private static Mark mark(StartUpCheck.Verdict verdict) {
    return new Mark(
        switch (verdict) {
          case TAKEN -> Mark.Kind.DONE;
          case UNKNOWN -> Mark.Kind.OPEN;
          case REFUSED -> Mark.Kind.ATTENTION;
        },
        verdict.label());
  }
}

package unimotus.desktop.map;

import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.Route;
import unimotus.devices.registers.Target;
import unimotus.devices.serial.SerialSettings;
import unimotus.workbench.live.DeviceSearch;
import unimotus.workbench.live.DeviceSearch.Found;
import unimotus.workbench.live.DeviceSearch.Result;

/** Finds out who is there: unit numbers, and baud and parity of a serial line. It only asks. */
final class SearchCard extends VBox {
  private static final int NETWORK_MILLISECONDS = 300;
  private static final int SERIAL_MILLISECONDS = 150;
  private static final int MOST_NOISE = 6;

  private final Desk desk;
  private final RouteFields where;
  private final Consumer<Target> take;
  private final TextField first = field("find-first", "first unit", "1");
  private final TextField last = field("find-last", "last unit", "247");
  private final ProgressBar progress = new ProgressBar(0);
  private final Label asked = Parts.label("", "ink-caption");
  private final FlowPane waiting;
  private final Label said = Parts.passing("ink-attention");
  private final VBox found = Parts.column(4);
  private AtomicBoolean ended = new AtomicBoolean(true);

  /**
   * A card.
   *
   * @param where the way that is asked on
   * @param take receives who was chosen among those found
   */
  SearchCard(Desk desk, RouteFields where, Consumer<Target> take) {
    super(8);
    this.desk = desk;
    this.where = where;
    this.take = take;
    found.setId("find-found");
    progress.setPrefWidth(160);
    waiting =
        Parts.flow(8, progress, Parts.quiet("find-stop", "stop", () -> ended.set(true)), asked);
    waiting.setVisible(false);
    waiting.managedProperty().bind(waiting.visibleProperty());
    getChildren()
        .addAll(
            Parts.label("Find devices", "ink-title"),
            Parts.prose(
                "Asks every unit number for one register, on the way set under Live. On a serial port each usual baud rate and parity can be tried as well. Nothing is written.",
                "ink-label"),
            Parts.flow(
                8,
                Parts.label("units", "ink-label"),
                first,
                Parts.label("to", "ink-label"),
                last,
                Parts.primary("find-units", "Scan", () -> search(false)),
                Parts.action("find-line", "Try baud and parity", () -> search(true))),
            waiting,
            said,
            Parts.scrolling(found));
  }

  private static TextField field(String id, String name, String text) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(3);
    return field;
  }

  private void search(boolean line) {
    try {
      Route route = where.route();
      int from = unit("first", first);
      int to = unit("last", last);
      if (from > to) {
        throw new IllegalArgumentException(
            "the first unit, %d, is over the last, %d".formatted(from, to));
      }
      if (line && !(route instanceof Route.Serial)) {
        throw new IllegalArgumentException(
            "baud and parity are those of a serial port: choose one under Live");
      }
      begin(route, from, to, line);
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private static int unit(String name, TextField field) {
    String text = field.getText().strip();
    if (!text.matches("\\d{1,3}") || Integer.parseInt(text) > 247 || Integer.parseInt(text) < 1) {
      throw new IllegalArgumentException(
          "%s unit '%s' is none: a unit number is 1 to 247".formatted(name, text));
    }
    return Integer.parseInt(text);
  }

  private void begin(Route route, int from, int to, boolean line) {
    ended.set(true);
    AtomicBoolean over = new AtomicBoolean();
    ended = over;
    found.getChildren().clear();
    said.setText("");
    waiting.setVisible(true);
    int wait = route instanceof Route.Tcp ? NETWORK_MILLISECONDS : SERIAL_MILLISECONDS;
    DeviceSearch search =
        new DeviceSearch(wait, (done, all, now) -> tell(over, done, all, now), over::get);
    List<Integer> units = java.util.stream.IntStream.rangeClosed(from, to).boxed().toList();
    Thread thread =
        new Thread(
            () -> {
              Result result =
                  line && route instanceof Route.Serial serial
                      ? search.settings(
                          s -> new Route.Serial(serial.name(), s),
                          SerialSettings.candidates(),
                          units)
                      : search.units(route, from, to);
              Platform.runLater(() -> show(over, result));
            },
            "device-search");
    thread.setDaemon(true);
    thread.start();
  }

  private void tell(AtomicBoolean of, int done, int all, String now) {
    Platform.runLater(
        () -> {
          if (of == ended) {
            progress.setProgress((double) done / all);
            asked.setText(now);
          }
        });
  }

  private void show(AtomicBoolean of, Result result) {
    if (of != ended) {
      return;
    }
    of.set(true);
    waiting.setVisible(false);
    said.setText(result.trouble());
    found.getChildren().clear();
    for (Found one : result.found()) {
      found.getChildren().add(row(one));
    }
    result.noise().stream()
        .limit(MOST_NOISE)
        .forEach(n -> found.getChildren().add(Parts.prose("noise – " + n, "ink-attention")));
    if (result.found().isEmpty()) {
      found
          .getChildren()
          .add(
              Parts.prose(
                  "No answer. Check cable, termination, and whether the port of the drive is enabled.",
                  "ink-label"));
    }
  }

  private VBox row(Found one) {
    return Parts.column(
        1,
        Parts.flow(
            8,
            Parts.label(one.target().toString(), "ink-strong"),
            Parts.quiet(
                "find-take-" + one.target().unit(), "take it", () -> take.accept(one.target()))),
        Parts.prose(one.evidence(), "ink-label"),
        Parts.prose(
            one.identity().isEmpty() ? "does not identify itself" : "says: " + one.identity(),
            "ink-caption"));
  }
}

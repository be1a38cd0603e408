package unimotus.desktop.map;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.KnownValue;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterFit;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterSearch;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.core.value.ValueRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Decimals;
import unimotus.desktop.kit.Parts;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.FrameFault;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.registers.Target;
import unimotus.workbench.SetUpEdits;

/** Finds where a value stands, and how, from what the drive's display shows at two speeds. */
final class KnownValuesCard extends VBox {
  private static final int TIMEOUT_MILLISECONDS = 1000;
  private static final int MOST_FITS = 12;

  private final Desk desk;
  private final RouteFields where;
  private final TextField first = field("known-first", "first register", "0", 5);
  private final TextField count = field("known-count", "how many", "20", 4);
  private final TextField shown = field("known-shown", "what the display shows", "", 7);
  private final VBox known = Parts.column(2);
  private final VBox fits = Parts.column(6);
  private final List<KnownValue> values = new ArrayList<>();
  private RegisterTable table = RegisterTable.INPUT_REGISTER;
  private @Nullable String entry;
  private final ChoiceField<RegisterTable> tables;
  private final ChoiceField<String> entries;

  KnownValuesCard(Desk desk, RouteFields where) {
    super(8);
    this.desk = desk;
    this.where = where;
    tables =
        new ChoiceField<>(
            "table",
            List.of(RegisterTable.INPUT_REGISTER, RegisterTable.HOLDING_REGISTER),
            t -> t.label() + "s",
            t -> {
              table = t;
              clear();
            });
    tables.setId("known-table");
    tables.show(table);
    entries =
        new ChoiceField<>(
            "register of the map",
            List.of(),
            n -> n,
            n -> {
              entry = n;
              draw();
            });
    entries.setId("known-entry");
    FlowPane which = Parts.flow(8, Parts.label("It is the map's", "ink-label"), entries);
    which.visibleProperty().bind(Bindings.isNotEmpty(entries.getItems()));
    which.managedProperty().bind(which.visibleProperty());
    shown.setPromptText(Decimals.shown("25.0"));
    shown.setOnAction(e -> take());
    known.setId("known-values");
    fits.setId("known-fits");
    getChildren()
        .addAll(
            Parts.label("Where is it?", "ink-title"),
            Parts.prose(
                "Let the drive show a value, type what its display says and take it; then let it show another. Place, type, word order and scale follow.",
                "ink-label"),
            Parts.flow(
                8,
                tables,
                Parts.label("from", "ink-label"),
                first,
                Parts.label("count", "ink-label"),
                count),
            Parts.flow(
                8,
                Parts.label("the display shows", "ink-label"),
                shown,
                Parts.primary("known-take", "Take it", this::take),
                Parts.quiet("known-clear", "start over", this::clear)),
            known,
            which,
            Parts.scrolling(fits));
  }

  private static TextField field(String id, String name, String text, int columns) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    return field;
  }

  void refresh() {
    List<String> names = map().entries().stream().map(RegisterEntry::name).toList();
    if (!entries.getItems().equals(names)) {
      entries.getItems().setAll(names);
      if (!names.contains(entry)) {
        likely().ifPresent(this::lookFor);
      }
      entries.show(names.contains(entry) ? entry : null);
    }
  }

  /** What a display shows first is the output frequency. */
  private Optional<RegisterEntry> likely() {
    return map().entry(ValueRole.OUTPUT_FREQUENCY).or(() -> map().entries().stream().findFirst());
  }

  private void lookFor(RegisterEntry likely) {
    entry = likely.name();
    if (tables.getItems().contains(likely.table())) {
      table = likely.table();
      tables.show(table);
    }
  }

  private RegisterMap map() {
    return desk.review()
        .map(AxisReview::assembly)
        .map(a -> a.record().fieldbus().map())
        .orElse(new RegisterMap(List.of()));
  }

  private void clear() {
    values.clear();
    draw();
  }

  private static int number(String name, TextField field, int least, int most) {
    String text = field.getText().strip();
    if (!text.matches("\\d{1,5}")
        || Integer.parseInt(text) < least
        || Integer.parseInt(text) > most) {
      throw new IllegalArgumentException(
          "%s must be %d to %d, not '%s'".formatted(name, least, most, text));
    }
    return Integer.parseInt(text);
  }

  private void take() {
    try {
      Target target = where.target();
      int from = number("the first register", first, 0, 0xFFFF);
      int many = number("the count", count, 1, table.mostRead());
      String text = shown.getText();
      KnownValue.typed(text, table, from, List.of());
      Request request = new Request.Read(table.readFunction(), from, many);
      Thread thread = new Thread(() -> read(target, request, text, from), "known-value");
      thread.setDaemon(true);
      thread.start();
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void read(Target target, Request request, String text, int from) {
    try (Client client = target.route().client(TIMEOUT_MILLISECONDS)) {
      Response answer = client.ask(target.unit(), request);
      if (answer instanceof Response.Values read) {
        Platform.runLater(() -> add(KnownValue.typed(text, table, from, read.values())));
      } else {
        String words = ((Response.Refusal) answer).words();
        Platform.runLater(() -> desk.refuse("%s refused: %s".formatted(target, words)));
      }
    } catch (IOException | FrameFault broken) {
      Platform.runLater(() -> desk.refuse("%s: %s".formatted(target, broken.getMessage())));
    }
  }

  private void add(KnownValue value) {
    values.add(value);
    shown.clear();
    desk.say("");
    draw();
  }

  private void draw() {
    known.getChildren().clear();
    fits.getChildren().clear();
    for (KnownValue value : values) {
      known
          .getChildren()
          .add(
              Parts.label(
                  "known %s, %d registers from %d read"
                      .formatted(
                          QuantityFormat.PLAIN.number(value.value()),
                          value.words().size(),
                          value.address()),
                  "ink-label"));
    }
    if (values.isEmpty()) {
      return;
    }
    try {
      List<RegisterFit> all = RegisterSearch.fits(values);
      fits.getChildren()
          .add(
              Parts.label(
                  all.isEmpty()
                      ? "No place says all of these values."
                      : "%d readings fit, the most common first".formatted(all.size()),
                  "ink-strong"));
      Optional<RegisterEntry> chosen = map().entry(String.valueOf(entry));
      chosen
          .flatMap(e -> RegisterSearch.offByOne(e, all))
          .ifPresent(
              d ->
                  fits.getChildren()
                      .addAll(
                          Parts.prose(
                              "%s: %s".formatted(d.entry(), d.kind().label()), "ink-attention"),
                          Parts.prose(d.seen()),
                          Parts.prose("→ " + d.remedy(), "ink-label")));
      all.stream().limit(MOST_FITS).forEach(f -> fits.getChildren().add(row(f, chosen)));
    } catch (IllegalArgumentException more) {
      fits.getChildren().add(Parts.prose(String.valueOf(more.getMessage()), "ink-label"));
    }
  }

  private VBox row(RegisterFit fit, Optional<RegisterEntry> chosen) {
    String order = fit.type().words() > 1 ? " " + fit.order() : "";
    VBox row =
        Parts.column(
            1,
            Parts.flow(
                8,
                Parts.label(
                    "%d = %s  %s%s × %s"
                        .formatted(
                            fit.address(),
                            Notation.FIVE_DIGITS.write(fit.table(), fit.address()),
                            fit.type().label(),
                            order,
                            QuantityFormat.PLAIN.number(fit.scale())),
                    "ink-strong")),
            Parts.prose(String.join("\n", fit.evidence()), "ink-sum"));
    chosen.ifPresent(
        e ->
            ((FlowPane) row.getChildren().get(0))
                .getChildren()
                .add(
                    Parts.quiet(
                        "known-use-" + fits.getChildren().size(),
                        "write it into the map",
                        () -> use(e, fit))));
    return row;
  }

  private void use(RegisterEntry old, RegisterFit fit) {
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    if (axis.isPresent()) {
      List<RegisterEntry> next = new ArrayList<>(map().entries());
      next.set(next.indexOf(old), fit.into(old));
      desk.apply(
          SetUpEdits.registers(
              axis.get().drive().id(), "take what was found", new RegisterMap(next)));
      draw();
    }
  }
}

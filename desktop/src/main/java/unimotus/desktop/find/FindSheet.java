package unimotus.desktop.find;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.review.LineReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.Evidence;
import unimotus.workbench.find.Finder;
import unimotus.workbench.find.Hit;

/**
 * Whatever there is, by a few words: what is on the line, calculators, commands. Enter goes there
 * or does it, Escape leaves everything as it was.
 */
public final class FindSheet extends StackPane {
  private static final int MOST = 60;

  private final Desk desk;
  private final Runnable close;
  private final Supplier<List<Entry>> others;
  private final TextField words = new TextField();
  private final ListView<Entry> list = new ListView<>();
  private final Label none = Parts.prose("Nothing matches these words.", "ink-label");
  private @Nullable LineReview known;
  private @Nullable Finder finder;

  /**
   * @param close puts the sheet away
   * @param others what there is beside the line: commands and calculators
   */
  public FindSheet(Desk desk, Runnable close, Supplier<List<Entry>> others) {
    this.desk = desk;
    this.close = close;
    this.others = others;
    words.setId("find-words");
    words.setPromptText("an axis, a setting, a terminal, a finding, a calculator, a command …");
    words.setAccessibleText("Find anything");
    words.textProperty().addListener((o, was, is) -> filter());
    words.setOnAction(e -> choose());
    words.addEventFilter(KeyEvent.KEY_PRESSED, this::step);
    list.setId("find-list");
    list.setAccessibleText("What was found");
    list.setCellFactory(l -> new EntryCell());
    list.setOnMouseClicked(e -> choose());
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            choose();
            e.consume();
          }
        });
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox sheet = new VBox(10, words, none, list);
    sheet.getStyleClass().add("help");
    sheet.setMaxSize(760, 520);
    sheet.setPrefHeight(520);
    Region shade = new Region();
    shade.getStyleClass().add("shade");
    shade.setOnMouseClicked(e -> close.run());
    getChildren().addAll(shade, sheet);
    StackPane.setAlignment(sheet, Pos.CENTER);
    setVisible(false);
  }

  /** Gives the keyboard to the words, what was sought last chosen whole. */
  public void takeFocus() {
    applyCss();
    layout();
    filter();
    words.requestFocus();
    words.selectAll();
  }

  /** The arrows walk the list while the words keep the keyboard. */
  private void step(KeyEvent e) {
    int by = e.getCode() == KeyCode.DOWN ? 1 : e.getCode() == KeyCode.UP ? -1 : 0;
    if (by != 0 && !list.getItems().isEmpty()) {
      int next =
          Math.floorMod(list.getSelectionModel().getSelectedIndex() + by, list.getItems().size());
      list.getSelectionModel().select(next);
      list.scrollTo(next);
      e.consume();
    }
  }

  @SuppressWarnings("ReferenceEquality") // Every edit makes another review.
  private Finder finder() {
    LineReview now = desk.session().review();
    Finder ready = finder;
    if (ready == null || now != known) {
      ready = Finder.of(now, r -> desk.evidence(r).map(Evidence::predictions).orElse(List.of()));
      finder = ready;
      known = now;
    }
    return ready;
  }

  private void filter() {
    String[] sought = words.getText().strip().toLowerCase(Locale.ROOT).split("\\s+");
    List<Entry> found = new ArrayList<>();
    Stream.concat(
            others.get().stream().filter(e -> has(e, sought)),
            finder().find(words.getText(), MOST).stream().map(this::entry))
        .limit(MOST)
        .forEach(found::add);
    list.getItems().setAll(found);
    list.getSelectionModel().select(0);
    list.scrollTo(0);
    none.setVisible(found.isEmpty());
    none.setManaged(found.isEmpty());
    list.setVisible(!found.isEmpty());
  }

  /** Commands and calculators come when they are asked for. */
  private static boolean has(Entry entry, String[] sought) {
    String all =
        "%s %s %s".formatted(entry.kind(), entry.title(), entry.detail()).toLowerCase(Locale.ROOT);
    return !sought[0].isEmpty() && Stream.of(sought).allMatch(all::contains);
  }

  private Entry entry(Hit hit) {
    return new Entry(
        hit.kind(), hit.title(), hit.detail(), () -> desk.navigation().goTo(hit.target()));
  }

  private void choose() {
    Entry chosen = list.getSelectionModel().getSelectedItem();
    if (chosen != null) {
      close.run();
      chosen.does().run();
    }
  }

  private static final class EntryCell extends ListCell<Entry> {
    @Override
    protected void updateItem(@Nullable Entry entry, boolean empty) {
      super.updateItem(entry, empty);
      setText(null);
      setGraphic(null);
      if (entry != null && !empty) {
        Label title = Parts.label(entry.title());
        HBox.setHgrow(title, Priority.ALWAYS);
        title.setMaxWidth(Double.MAX_VALUE);
        Label detail = Parts.label(entry.detail(), "ink-label");
        detail.setMinWidth(0);
        Label kind = Parts.label(entry.kind(), "ink-caption");
        kind.setMinWidth(72);
        setGraphic(Parts.row(10, kind, title, detail));
        setAccessibleText("%s %s, %s".formatted(entry.kind(), entry.title(), entry.detail()));
        setPrefWidth(0);
      }
    }
  }
}

package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;

/** The words of a drive entered bit by bit from its manual. */
final class ManualWordsPane extends VBox {
  private static final int BITS = 16;
  private static final double MEANING = 184;
  private static final String NOTHING = "–";

  private final Consumer<ManualWords> take;
  private final GridPane control = grid();
  private final GridPane status = grid();
  private final Label said = Parts.prose("", "ink-strong");
  private ManualWords words = ManualWords.NONE;

  /**
   * An editor.
   *
   * @param take receives the words after each change
   * @param back goes back to trying them out
   */
  ManualWordsPane(Consumer<ManualWords> take, Runnable back) {
    super(8);
    this.take = take;
    HBox both =
        new HBox(
            14,
            half("Control word, to the drive", control),
            half("Status word, from the drive", status));
    VBox.setVgrow(both, Priority.ALWAYS);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.label("Words from a manual, bit by bit", "ink-title"),
                Parts.spring(),
                Parts.primary("words-back", "Try them out", back)),
            Parts.prose(
                "Enter for each bit what the manual says. A bit that needs no meaning here may keep its name. Every change is saved with the drive and can be undone.",
                "ink-label"),
            said,
            both);
  }

  private static GridPane grid() {
    GridPane grid = new GridPane();
    grid.setHgap(8);
    grid.setVgap(2);
    return grid;
  }

  private static VBox half(String title, GridPane grid) {
    VBox half = Parts.sheet(6, Parts.label(title, "ink-strong"), Parts.scrolling(grid));
    HBox.setHgrow(half, Priority.ALWAYS);
    return half;
  }

  void show(ManualWords next) {
    words = next;
    control.getChildren().clear();
    status.getChildren().clear();
    for (int bit = 0; bit < BITS; bit++) {
      controlRow(bit);
      statusRow(bit);
    }
    say();
  }

  private void say() {
    try {
      words.profile();
      said.setText("Complete: a word can be read, sent and tried out.");
      said.getStyleClass().setAll("label", "ink-strong");
    } catch (IllegalArgumentException why) {
      said.setText("Not complete: " + why.getMessage() + ".");
      said.getStyleClass().setAll("label", "ink-attention");
    }
  }

  private void controlRow(int bit) {
    ControlBit now =
        words.control().stream()
            .filter(b -> b.bit() == bit)
            .findFirst()
            .orElse(new ControlBit(bit, ControlMeaning.OTHER, ""));
    boolean known = words.control().contains(now);
    row(
        control,
        "control-meaning-" + bit,
        bit,
        ControlMeaning.values(),
        ControlMeaning::label,
        known ? now.meaning() : null,
        now.name(),
        (meaning, name) ->
            take.accept(
                words.with(
                    new ControlBit(bit, meaning == null ? ControlMeaning.OTHER : meaning, name),
                    meaning != null || !name.isEmpty())));
  }

  private void statusRow(int bit) {
    StatusBit now =
        words.status().stream()
            .filter(b -> b.bit() == bit)
            .findFirst()
            .orElse(new StatusBit(bit, StatusMeaning.OTHER, ""));
    boolean known = words.status().contains(now);
    row(
        status,
        "status-meaning-" + bit,
        bit,
        StatusMeaning.values(),
        StatusMeaning::label,
        known ? now.meaning() : null,
        now.name(),
        (meaning, name) ->
            take.accept(
                words.with(
                    new StatusBit(bit, meaning == null ? StatusMeaning.OTHER : meaning, name),
                    meaning != null || !name.isEmpty())));
  }

  private static <E extends Enum<E>> void row(
      GridPane grid,
      String id,
      int bit,
      E[] meanings,
      Function<E, String> label,
      @org.jspecify.annotations.Nullable E meaning,
      String name,
      BiConsumer<@org.jspecify.annotations.Nullable E, String> change) {
    List<String> options = new ArrayList<>(List.of(NOTHING));
    for (E each : meanings) {
      options.add(label.apply(each));
    }
    ChoiceField<String> choice =
        new ChoiceField<>(
            "meaning of bit " + bit,
            options,
            o -> o,
            chosen -> {
              int index = options.indexOf(chosen) - 1;
              change.accept(index < 0 ? null : meanings[index], index < 0 ? "" : name);
            });
    choice.setId(id);
    choice.setPrefWidth(MEANING);
    choice.setMinWidth(MEANING);
    choice.show(meaning == null ? NOTHING : label.apply(meaning));
    WordField field =
        new WordField(
            id.replace("meaning", "name"),
            "name of bit " + bit,
            name,
            14,
            text -> change.accept(meaning, text));
    Label number = Parts.label(String.valueOf(bit), "ink-label");
    number.setMinWidth(Region.USE_PREF_SIZE);
    grid.addRow(bit, number, choice, field);
  }
}

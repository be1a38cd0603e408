package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import unimotus.core.profile.WordBit;
import unimotus.core.profile.Words;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;

/** A word of 16 bits, typed or pressed bit by bit. */
final class WordField16 extends VBox {
  private static final int BITS = 16;

  private final TextField text = new TextField();
  private final List<ToggleButton> toggles = new ArrayList<>();
  private final VBox names = Parts.column(1);
  private final IntConsumer take;
  private final Consumer<String> refuse;
  private List<WordBit> bits = List.of();
  private int word;

  /**
   * A word.
   *
   * @param id the field's id; its bits are {@code ID-bit-0} and so on
   * @param take receives the word that was entered
   * @param refuse receives the reason where it is none
   */
  WordField16(String id, IntConsumer take, Consumer<String> refuse) {
    super(6);
    this.take = take;
    this.refuse = refuse;
    text.setId(id);
    text.setAccessibleText(id.replace('-', ' '));
    text.setPrefColumnCount(8);
    text.setOnAction(e -> commit());
    HBox row = new HBox(2);
    for (int i = BITS - 1; i >= 0; i--) {
      int bit = i;
      ToggleButton toggle = new ToggleButton(String.valueOf(bit));
      toggle.setId(id + "-bit-" + bit);
      toggle.getStyleClass().add("bit");
      toggle.setOnAction(e -> take.accept(word ^ 1 << bit));
      Hint.on(toggle, () -> name(bit));
      toggles.add(0, toggle);
      row.getChildren().add(toggle);
    }
    getChildren().addAll(text, row, names);
  }

  private String name(int bit) {
    return bits.stream()
        .filter(b -> b.bit() == bit)
        .map(WordBit::name)
        .findFirst()
        .orElse("no meaning in this profile");
  }

  private void commit() {
    try {
      int entered = Words.parse(text.getText());
      text.getStyleClass().remove("refused");
      take.accept(entered);
    } catch (IllegalArgumentException e) {
      text.getStyleClass().add("refused");
      refuse.accept(e.getMessage());
    }
  }

  void show(int next, List<WordBit> meanings) {
    word = next;
    bits = meanings;
    text.setText(Words.hex(next));
    for (int i = 0; i < BITS; i++) {
      toggles.get(i).setSelected((next >> i & 1) == 1);
    }
    names.getChildren().clear();
    names.getChildren().add(Parts.label("%d = %s".formatted(next, Words.bits(next)), "ink-label"));
    List<String> set = WordBit.names(meanings, next);
    names
        .getChildren()
        .add(Parts.prose(set.isEmpty() ? "no bit is set" : String.join(", ", set), "ink-label"));
  }
}

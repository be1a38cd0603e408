package unimotus.desktop.view;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.layout.HBox;
import unimotus.core.path.Chain;
import unimotus.core.path.SignalPath;
import unimotus.desktop.kit.Parts;

/** Which of an axis' chains is looked at; not there where an axis has one alone. */
final class ChainTabs extends HBox {
  private final String prefix;
  private final Runnable changed;
  private List<Chain> beside = List.of();
  private String chosen = "";

  /**
   * No chains yet.
   *
   * @param prefix what the ids of the buttons begin with
   * @param changed told when another one is chosen
   */
  ChainTabs(String prefix, Runnable changed) {
    super(2);
    this.prefix = prefix;
    this.changed = changed;
    setManaged(false);
    setVisible(false);
  }

  /** Offers the main chain and those beside it; a chain that is gone gives way to the main one. */
  void show(SignalPath main, List<Chain> next) {
    beside = List.copyOf(next);
    if (chain().isEmpty()) {
      chosen = "";
    }
    getChildren().clear();
    if (!beside.isEmpty()) {
      String words = main.link().label().isEmpty() ? "reference" : main.link().label();
      getChildren().add(tab("main", "", words));
      beside.forEach(c -> getChildren().add(tab(c.key(), c.key(), c.title())));
    }
    setManaged(!beside.isEmpty());
    setVisible(!beside.isEmpty());
  }

  private Button tab(String id, String key, String words) {
    Button button = Parts.action(prefix + id, words, () -> choose(key));
    button.getStyleClass().add("tab");
    if (key.equals(chosen)) {
      button.getStyleClass().add("chosen");
    }
    return button;
  }

  private void choose(String key) {
    chosen = key;
    changed.run();
  }

  /** The chain that is looked at; empty for the main one. */
  Optional<Chain> chain() {
    return beside.stream().filter(c -> c.key().equals(chosen)).findFirst();
  }

  /** Its path. */
  SignalPath path(SignalPath main) {
    return chain().map(Chain::path).orElse(main);
  }
}

package unimotus.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import unimotus.desktop.kit.Parts;

/** A question above the view, answered with a word; nothing else is blocked meanwhile. */
final class AskBar extends HBox {
  /** One answer and what it does. */
  record Answer(String id, String word, Runnable does) {}

  AskBar() {
    super(12);
    getStyleClass().add("ask-bar");
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    close();
  }

  /** Asks; any answer closes the bar. */
  void ask(String question, Answer... answers) {
    List<Node> nodes = new ArrayList<>();
    nodes.add(Parts.label(question));
    for (Answer answer : answers) {
      nodes.add(
          Parts.action(
              "answer-" + answer.id(),
              answer.word(),
              () -> {
                close();
                answer.does().run();
              }));
    }
    getChildren().setAll(nodes);
    setVisible(true);
    setManaged(true);
    nodes.get(1).requestFocus();
  }

  void close() {
    setVisible(false);
    setManaged(false);
  }
}

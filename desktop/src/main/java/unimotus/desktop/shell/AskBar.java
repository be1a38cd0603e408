package unimotus.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import unimotus.desktop.kit.Parts;

/** A question below the view, answered with a word; nothing moves or is blocked meanwhile. */
final class AskBar extends HBox {
  /** One answer and what it does. */
  record Answer(String id, String word, Runnable does) {}

  AskBar() {
    super(12);
    setMaxHeight(USE_PREF_SIZE);
    getStyleClass().add("ask-bar");
    setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    close();
  }

  /** Asks; any answer closes the bar. */
  void ask(String question, Answer... answers) {
    List<Node> nodes = new ArrayList<>();
    // A long question goes over several lines; its answers are never cut.
    Label asked = Parts.prose(question);
    HBox.setHgrow(asked, Priority.ALWAYS);
    nodes.add(asked);
    for (Answer answer : answers) {
      Button button =
          Parts.action(
              "answer-" + answer.id(),
              answer.word(),
              () -> {
                close();
                answer.does().run();
              });
      button.setMinWidth(Region.USE_PREF_SIZE);
      nodes.add(button);
    }
    getChildren().setAll(nodes);
    setVisible(true);
    setManaged(true);
    nodes.get(1).requestFocus();
  }

  /** Asks for a word; Enter or the answer takes it, Escape leaves it as it was. */
  void askFor(String question, String now, String verb, Consumer<String> take) {
    TextField field = new TextField(now);
    field.setId("answer-text");
    field.setAccessibleText(question);
    field.setPrefColumnCount(24);
    Runnable taken =
        () -> {
          close();
          take.accept(field.getText().strip());
        };
    field.setOnAction(e -> taken.run());
    field.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ESCAPE) {
            close();
            e.consume();
          }
        });
    getChildren()
        .setAll(
            Parts.label(question),
            field,
            Parts.action("answer-take", verb, taken),
            Parts.action("answer-leave", "Cancel", this::close));
    setVisible(true);
    setManaged(true);
    field.requestFocus();
    field.selectAll();
  }

  void close() {
    setVisible(false);
    setManaged(false);
  }
}

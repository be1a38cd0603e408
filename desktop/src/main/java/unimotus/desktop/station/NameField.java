package unimotus.desktop.station;

import javafx.scene.control.TextField;
import unimotus.desktop.Desk;

/** Who does it: asked once, remembered, and the same wherever it is asked. */
public final class NameField extends TextField {
  private final Desk desk;

  /** A field with the name that was given last. */
  public NameField(Desk desk, String id) {
    this.desk = desk;
    setId(id);
    setPromptText("your name");
    setAccessibleText("your name");
    setPrefColumnCount(10);
    setText(desk.preferences().get().name());
    desk.preferences()
        .addListener(
            (o, was, is) -> {
              if (!isFocused()) {
                setText(is.name());
              }
            });
    focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is) {
                remember();
              }
            });
    setOnAction(e -> remember());
  }

  /** The name that stands there, remembered from now on; empty where none does. */
  public String name() {
    remember();
    return getText().strip();
  }

  private void remember() {
    String name = getText().strip();
    if (!name.isEmpty() && !name.equals(desk.preferences().get().name())) {
      desk.remember(desk.preferences().get().withName(name));
    }
  }
}

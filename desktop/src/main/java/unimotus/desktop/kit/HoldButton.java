package unimotus.desktop.kit;

import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.stage.Window;

/**
 * A button for what goes on while it is held, by the pointer or by the space bar, and at no other
 * time. It ends when the pointer leaves it, when the focus or the window goes elsewhere, or when it
 * is no longer shown; then it has to be let go and pressed anew.
 */
public final class HoldButton extends Button {
  private final Runnable begin;
  private final Runnable end;
  private boolean held;

  /** The key is down, whether or not it still holds: repeats of it begin nothing. */
  private boolean keyDown;

  /**
   * A button.
   *
   * @param id its id
   * @param text what it does
   * @param begin done when it is pressed
   * @param end done once when it is let go
   */
  public HoldButton(String id, String text, Runnable begin, Runnable end) {
    super(text);
    this.begin = begin;
    this.end = end;
    setId(id);
    getStyleClass().add("action");
    addEventFilter(MouseEvent.MOUSE_PRESSED, this::pressed);
    addEventFilter(MouseEvent.MOUSE_RELEASED, e -> letGo());
    addEventFilter(MouseEvent.MOUSE_EXITED, this::moved);
    addEventFilter(MouseEvent.MOUSE_DRAGGED, this::moved);
    addEventFilter(KeyEvent.KEY_PRESSED, this::keyPressed);
    addEventFilter(KeyEvent.KEY_RELEASED, this::keyReleased);
    focusedProperty().addListener((o, was, is) -> letGoUnless(is));
    disabledProperty().addListener((o, was, is) -> letGoUnless(!is));
    sceneProperty().addListener((o, was, is) -> letGo());
    treeShowing();
  }

  /** Ends as well where the window loses the focus: the key's release goes elsewhere then. */
  private void treeShowing() {
    sceneProperty()
        .flatMap(javafx.scene.Scene::windowProperty)
        .flatMap(Window::focusedProperty)
        .orElse(false)
        .addListener((o, was, is) -> letGoUnless(is));
  }

  private void pressed(MouseEvent event) {
    requestFocus();
    if (event.getButton() == MouseButton.PRIMARY) {
      hold();
    }
    event.consume();
  }

  /** A grab of the pointer looks like leaving; where the pointer is tells. */
  private void moved(MouseEvent event) {
    letGoUnless(contains(event.getX(), event.getY()));
  }

  private void keyPressed(KeyEvent event) {
    if (event.getCode() == KeyCode.SPACE) {
      if (!keyDown) {
        keyDown = true;
        hold();
      }
      event.consume();
    }
  }

  private void keyReleased(KeyEvent event) {
    if (event.getCode() == KeyCode.SPACE) {
      keyDown = false;
      letGo();
      event.consume();
    }
  }

  private void hold() {
    if (!held && !isDisabled()) {
      held = true;
      begin.run();
    }
  }

  private void letGoUnless(boolean goesOn) {
    if (!goesOn) {
      letGo();
    }
  }

  private void letGo() {
    if (held) {
      held = false;
      end.run();
    }
  }
}

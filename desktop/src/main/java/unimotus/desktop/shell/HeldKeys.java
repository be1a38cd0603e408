package unimotus.desktop.shell;

import java.util.EnumSet;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Window;

/**
 * A command that is held down is given once. Were it repeated, one that takes longer than the
 * keyboard waits, such as saving to a slow disk, would never come to an end. Undoing and what is
 * done in text may be repeated.
 */
final class HeldKeys {
  private static final Set<KeyCode> REPEATED =
      EnumSet.of(
          KeyCode.Z,
          KeyCode.Y,
          KeyCode.LEFT,
          KeyCode.RIGHT,
          KeyCode.UP,
          KeyCode.DOWN,
          KeyCode.HOME,
          KeyCode.END,
          KeyCode.BACK_SPACE,
          KeyCode.DELETE,
          KeyCode.TAB,
          KeyCode.PAGE_UP,
          KeyCode.PAGE_DOWN);

  private final Set<KeyCode> held = EnumSet.noneOf(KeyCode.class);

  private HeldKeys() {}

  /** Keeps repeated commands from all below a node. */
  static void watch(Node root) {
    HeldKeys keys = new HeldKeys();
    root.addEventFilter(KeyEvent.KEY_PRESSED, keys::pressed);
    root.addEventFilter(KeyEvent.KEY_RELEASED, e -> keys.held.remove(e.getCode()));
    // What is released in another window is not heard of here.
    root.sceneProperty()
        .flatMap(Scene::windowProperty)
        .flatMap(Window::focusedProperty)
        .addListener((o, was, is) -> keys.held.clear());
  }

  private void pressed(KeyEvent e) {
    // A release may have gone to a dialog of the system: a new modifier begins a new command.
    if (e.getCode().isModifierKey()) {
      held.clear();
      return;
    }
    boolean isAgain = !held.add(e.getCode());
    boolean isCommand = e.isShortcutDown() || e.isAltDown() || e.getCode().isFunctionKey();
    if (isAgain && isCommand && !REPEATED.contains(e.getCode())) {
      e.consume();
    }
  }
}

package unimotus.desktop;

import java.util.List;
import javafx.application.Application;

/** Entry of the desktop. */
public final class Main {
  private static final int WRONG_USE = 2;

  private Main() {}

  /**
   * Opens the window.
   *
   * @param arguments nothing, a project file or {@code demo}; {@code --dark}, {@code --size
   *     1000x700}, {@code --shots DIR}
   */
  public static void main(String[] arguments) {
    try {
      DesktopApp.prepare(StartArguments.of(List.of(arguments)));
    } catch (IllegalArgumentException refused) {
      System.err.println("unimotus: " + refused.getMessage());
      System.exit(WRONG_USE);
    }
    Application.launch(DesktopApp.class, arguments);
  }
}

package unimotus.desktop;

import javafx.application.Application;

/** Entry of the desktop. */
public final class Main {
  private Main() {}

  /**
   * Opens the window.
   *
   * @param arguments nothing, a project file, {@code demo}, or {@code demo --shots DIR}
   */
  public static void main(String[] arguments) {
    DesktopApp.prepare(arguments);
    Application.launch(DesktopApp.class, arguments);
  }
}

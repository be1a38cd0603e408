import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;

/** The least window with the same theme; its start is what the program's is measured against. */
public final class BareWindow extends Application {
  @Override
  public void start(Stage stage) {
    setUserAgentStylesheet(new atlantafx.base.theme.PrimerLight().getUserAgentStylesheet());
    stage.setScene(new Scene(new StackPane(new Label("bare")), 1280, 800));
    stage.show();
    System.err.println(
        "window usable after "
            + java.lang.management.ManagementFactory.getRuntimeMXBean().getUptime()
            + " ms");
    Platform.exit();
  }

  public static void main(String[] arguments) {
    launch(arguments);
  }
}

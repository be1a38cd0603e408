package unimotus.desktop.map;

import java.util.Set;
import java.util.function.BiConsumer;
import javafx.scene.Node;
import javafx.scene.control.Labeled;
import org.testfx.api.FxRobot;

/** What a robot needs to know of the fields of a bus. */
public final class BusFields {
  private BusFields() {}

  /** Stand-ins on a serial port. */
  public static void chooseSerial(BiConsumer<String, Object> choose) {
    choose.accept("#stand-in-way", RouteFields.Way.SERIAL);
  }

  /** Another baud rate under Live. */
  public static void chooseBaud(BiConsumer<String, Object> choose, int baud) {
    choose.accept("#live-baud", baud);
  }

  /** The number of the row of what was found that begins with these words. */
  public static int rowOf(FxRobot robot, String words) {
    Set<Node> buttons =
        robot.lookup(n -> n.getId() != null && n.getId().startsWith("known-use-")).queryAll();
    for (Node button : buttons) {
      boolean beside =
          button.getParent().getChildrenUnmodifiable().stream()
              .anyMatch(n -> n instanceof Labeled l && l.getText().contains(words));
      if (beside) {
        return Integer.parseInt(button.getId().replaceAll("\\D", ""));
      }
    }
    throw new AssertionError("no row says " + words);
  }
}

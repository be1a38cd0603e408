package unimotus.desktop.view;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import unimotus.core.dryrun.DryEvents;

/** Events to choose from; a chosen one is put at the end of the user's own. */
final class EventMenu extends MenuButton {
  /** After the last event, seconds. */
  private static final double LATER = 2;

  private static final Pattern TIME = Pattern.compile("(?:^|[;\\n])\\s*([0-9.]+)\\s+(?!end)");
  private static final Pattern END = Pattern.compile("[;\\n]?\\s*[0-9.]+\\s+end\\s*$");

  private final TextField own;

  EventMenu(TextField own) {
    super("Add event");
    this.own = own;
    setId("add-event");
    getStyleClass().add("action");
  }

  /** Offers these. */
  void offer(List<DryEvents.Group> groups) {
    getItems().clear();
    for (DryEvents.Group group : groups) {
      Menu menu = new Menu(group.label());
      for (DryEvents.Choice choice : group.choices()) {
        MenuItem item = new MenuItem(choice.words());
        item.setMnemonicParsing(false);
        item.setId("event-" + choice.event().replaceAll("[^A-Za-z0-9.-]+", "-"));
        item.setOnAction(e -> append(choice.event()));
        menu.getItems().add(item);
      }
      getItems().add(menu);
    }
  }

  /** Behind the last event, and before the end, which is left to the default length. */
  private void append(String event) {
    String text = END.matcher(own.getText()).replaceAll("").strip();
    double at = 0;
    for (Matcher m = TIME.matcher(text); m.find(); ) {
      at = Math.max(at, Double.parseDouble(m.group(1)) + LATER);
    }
    String time = at == Math.rint(at) ? Long.toString((long) at) : Double.toString(at);
    own.setText("%s%s%s %s".formatted(text, text.isEmpty() ? "" : "; ", time, event));
    own.requestFocus();
    own.end();
  }
}

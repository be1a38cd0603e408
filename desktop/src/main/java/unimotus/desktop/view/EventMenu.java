package unimotus.desktop.view;

import java.util.List;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import unimotus.core.dryrun.DryEvents;

/** Events to choose from; a chosen one is put at the end of the user's own. */
final class EventMenu extends MenuButton {
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

  private void append(String event) {
    own.setText(DryEvents.appended(own.getText(), event));
    own.requestFocus();
    own.end();
  }
}

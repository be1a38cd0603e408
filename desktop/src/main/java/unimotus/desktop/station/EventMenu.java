package unimotus.desktop.station;

import java.util.List;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import unimotus.core.dryrun.DryEvents;

/** Events to choose from; a chosen one is put at the end of the user's own. */
public final class EventMenu extends MenuButton {
  private final TextField own;

  /**
   * A menu.
   *
   * @param id the node's id
   * @param own the field that a chosen event goes to
   */
  public EventMenu(String id, TextField own) {
    super("Add event");
    this.own = own;
    setId(id);
    getStyleClass().add("action");
  }

  /** Offers these. */
  public void offer(List<DryEvents.Group> groups) {
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

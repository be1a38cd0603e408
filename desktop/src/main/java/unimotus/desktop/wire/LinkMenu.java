package unimotus.desktop.wire;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import unimotus.core.link.LinkChoice;
import unimotus.core.link.LinkGroup;
import unimotus.core.link.LinkIntent;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.review.AxisReview;
import unimotus.core.sheet.PartSheet;
import unimotus.core.way.LinkIntents;
import unimotus.desktop.Desk;
import unimotus.workbench.WiringEdits;

/** Links chosen by what they are for, and panel parts to add. */
final class LinkMenu extends MenuButton {
  private final Desk desk;
  private final Map<LinkIntent, MenuItem> links = new LinkedHashMap<>();

  LinkMenu(Desk desk) {
    super("Wire a link…");
    this.desk = desk;
    setId("link-menu");
    getStyleClass().add("action");
    LinkGroup group = null;
    for (LinkIntent intent : LinkIntents.all()) {
      if (group != null && group != intent.group()) {
        getItems().add(new SeparatorMenuItem());
      }
      group = intent.group();
      MenuItem entry = entry(intent);
      links.put(intent, entry);
      getItems().add(entry);
    }
    setOnShowing(e -> offer());
    Menu parts = new Menu("Panel part by itself");
    desk.session().sheets().all(PartSheet.class).forEach(s -> parts.getItems().add(part(s)));
    getItems().addAll(new SeparatorMenuItem(), parts);
  }

  /** Leaves out what cannot be on the axis in view. */
  private void offer() {
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    links.forEach((intent, entry) -> entry.setVisible(axis.isEmpty() || intent.suits(axis.get())));
  }

  private MenuItem entry(LinkIntent intent) {
    String words = "%s: %s".formatted(intent.label(), intent.hint());
    if (intent.choices().size() == 1) {
      return item("link-" + intent.name(), words, intent, intent.usual());
    }
    Menu menu = new Menu(words);
    for (LinkChoice choice : intent.choices()) {
      String id = "link-%s-%s".formatted(intent.name(), choice.key());
      menu.getItems().add(item(id, choice.label(), intent, choice));
    }
    return menu;
  }

  private MenuItem item(String id, String text, LinkIntent intent, LinkChoice choice) {
    MenuItem item = new MenuItem(text);
    item.setId(id);
    item.setOnAction(
        e ->
            desk.axis()
                .ifPresent(
                    a ->
                        desk.apply(
                            WiringEdits.link(
                                desk.session().sheets(),
                                new LinkRequest(a.id(), intent, choice)))));
    return item;
  }

  private MenuItem part(PartSheet sheet) {
    MenuItem item = new MenuItem(sheet.name());
    item.setId("part-" + sheet.id());
    item.setOnAction(e -> desk.apply(WiringEdits.addPart(sheet)));
    return item;
  }
}

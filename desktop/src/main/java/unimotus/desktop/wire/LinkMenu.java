package unimotus.desktop.wire;

import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import unimotus.core.link.LinkKind;
import unimotus.core.link.LinkRequest;
import unimotus.core.sheet.PartSheet;
import unimotus.desktop.Desk;
import unimotus.workbench.WiringEdits;

/** Links chosen by what they are for, and panel parts to add. */
final class LinkMenu extends MenuButton {
  private final Desk desk;

  LinkMenu(Desk desk) {
    super("Wire a link…");
    this.desk = desk;
    setId("link-menu");
    getStyleClass().add("action");
    for (LinkKind kind : LinkKind.values()) {
      getItems().add(entry(kind));
    }
    Menu parts = new Menu("Panel part by itself");
    desk.session().sheets().all(PartSheet.class).forEach(s -> parts.getItems().add(part(s)));
    getItems().addAll(new SeparatorMenuItem(), parts);
  }

  private MenuItem entry(LinkKind kind) {
    return switch (kind) {
      case PRESETS -> presets(kind);
      case HAND_OFF_AUTO -> handOffAuto(kind);
      default -> item("link-" + kind.name(), words(kind), kind, 2, true);
    };
  }

  private static String words(LinkKind kind) {
    return "%s: %s".formatted(kind.label(), kind.hint());
  }

  private Menu presets(LinkKind kind) {
    Menu menu = new Menu(words(kind));
    for (int n = 1; n <= 4; n++) {
      menu.getItems()
          .add(
              item(
                  "link-PRESETS-" + n,
                  "%d %s, %d speeds".formatted(n, n == 1 ? "input" : "inputs", 1 << n),
                  kind,
                  n,
                  true));
    }
    return menu;
  }

  private Menu handOffAuto(LinkKind kind) {
    Menu menu = new Menu(words(kind));
    menu.getItems()
        .addAll(
            item(
                "link-HAND-delayed",
                "start with a delay, which Hand always reaches",
                kind,
                2,
                true),
            item("link-HAND-plain", "plain start, which races the stop contact", kind, 2, false));
    return menu;
  }

  private MenuItem item(String id, String text, LinkKind kind, int presets, boolean delayed) {
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
                                new LinkRequest(a.id(), kind, presets, delayed)))));
    return item;
  }

  private MenuItem part(PartSheet sheet) {
    MenuItem item = new MenuItem(sheet.name());
    item.setId("part-" + sheet.id());
    item.setOnAction(e -> desk.apply(WiringEdits.addPart(sheet)));
    return item;
  }
}

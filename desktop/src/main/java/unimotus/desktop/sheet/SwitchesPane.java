package unimotus.desktop.sheet;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.VBox;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;

/** The switches, jumpers and channel choices of a sheet: words, positions, works position. */
final class SwitchesPane {
  private static final String WHOLE = "the device";

  private final SheetChange change;

  SwitchesPane(SheetChange change) {
    this.change = change;
  }

  Node show(DeviceSheet sheet) {
    VBox rows = new VBox(6);
    if (sheet.selectors().isEmpty()) {
      rows.getChildren().add(Parts.prose("This class has no switch and no jumper.", "ink-label"));
    }
    sheet.selectors().forEach(s -> rows.getChildren().add(row(sheet, s)));
    return Parts.scrolling(rows);
  }

  private Node row(DeviceSheet sheet, Selector selector) {
    WordField label =
        new WordField(
            "switch-label-" + selector.id(),
            "name of " + selector.id(),
            selector.label(),
            22,
            t -> put(selector, selector.withLabel(t)));
    WordField options =
        new WordField(
            "switch-options-" + selector.id(),
            "positions of " + selector.id(),
            String.join(", ", selector.options()),
            17,
            t -> putOptions(selector, t));
    ChoiceField<String> initial =
        new ChoiceField<>(
            "factory position",
            selector.options(),
            o -> o,
            o -> put(selector, selector.withInitial(o)));
    initial.setId("switch-initial-" + selector.id());
    initial.show(selector.initial());
    ChoiceField<SelectorRole> role =
        new ChoiceField<>(
            "what it decides",
            List.of(SelectorRole.values()),
            SelectorRole::label,
            r -> put(selector, selector.withRole(r)));
    role.setId("switch-role-" + selector.id());
    role.show(selector.role());
    List<String> owners = new ArrayList<>(List.of(WHOLE));
    sheet.terminals().forEach(t -> owners.add(t.id()));
    ChoiceField<String> owner =
        new ChoiceField<>("belongs to", owners, o -> o, o -> putOwner(selector, o));
    owner.setId("switch-owner-" + selector.id());
    owner.show(selector.terminal() == null ? WHOLE : selector.terminal());
    VBox lines =
        Parts.column(
            4,
            Parts.row(
                8,
                label,
                role,
                owner,
                Parts.spring(),
                Parts.quiet(
                    "switch-add-" + selector.id(),
                    "one more like it",
                    () -> change.apply(d -> d.addLike(selector))),
                Parts.quiet(
                    "switch-remove-" + selector.id(),
                    "remove",
                    () -> change.apply(d -> d.remove(selector)))),
            Parts.row(
                8,
                Parts.label("positions", "ink-caption"),
                options,
                Parts.label("factory default", "ink-caption"),
                initial));
    lines.getStyleClass().add("setting-row");
    return lines;
  }

  private void putOptions(Selector selector, String text) {
    List<String> options =
        Arrays.stream(text.split(",")).map(String::strip).filter(o -> !o.isEmpty()).toList();
    if (!options.isEmpty()) {
      put(selector, selector.withOptions(options));
    }
  }

  private void putOwner(Selector selector, String owner) {
    put(selector, selector.withTerminal(owner.equals(WHOLE) ? null : owner));
  }

  private void put(Selector before, Selector after) {
    change.apply(d -> d.put(before, after));
  }
}

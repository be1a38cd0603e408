package unimotus.desktop.sheet;

import java.util.Arrays;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Selector;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;

/** The switches, jumpers and channel choices of a sheet: words, positions, works position. */
final class SwitchesPane {
  private final SheetChange change;

  SwitchesPane(SheetChange change) {
    this.change = change;
  }

  Node show(DeviceSheet sheet) {
    VBox rows = new VBox(6);
    if (sheet.selectors().isEmpty()) {
      rows.getChildren().add(Parts.prose("This class has no switch and no jumper.", "ink-label"));
    }
    sheet.selectors().forEach(s -> rows.getChildren().add(row(s)));
    return Parts.scrolling(rows);
  }

  private Node row(Selector selector) {
    TextField label = new TextField(selector.label());
    label.setId("switch-label-" + selector.id());
    label.setPrefColumnCount(16);
    label.setOnAction(
        e -> put(selector, label.getText().strip(), selector.options(), selector.initial()));
    TextField options = new TextField(String.join(", ", selector.options()));
    options.setId("switch-options-" + selector.id());
    options.setPrefColumnCount(24);
    options.setOnAction(e -> putOptions(selector, options.getText()));
    ChoiceField<String> initial =
        new ChoiceField<>(
            "works position",
            selector.options(),
            o -> o,
            o -> put(selector, selector.label(), selector.options(), o));
    initial.setId("switch-initial-" + selector.id());
    initial.show(selector.initial());
    HBox line =
        Parts.row(
            10,
            label,
            Parts.label("positions", "ink-caption"),
            options,
            Parts.label("from the works", "ink-caption"),
            initial,
            Parts.spring(),
            Parts.quiet(
                "switch-remove-" + selector.id(),
                "remove",
                () -> change.apply(d -> d.remove(selector))));
    line.getStyleClass().add("setting-row");
    return line;
  }

  private void putOptions(Selector selector, String text) {
    List<String> options =
        Arrays.stream(text.split(",")).map(String::strip).filter(o -> !o.isEmpty()).toList();
    if (!options.isEmpty()) {
      String initial = options.contains(selector.initial()) ? selector.initial() : options.get(0);
      put(selector, selector.label(), options, initial);
    }
  }

  private void put(Selector selector, String label, List<String> options, String initial) {
    change.apply(
        d ->
            d.put(
                selector,
                new Selector(
                    selector.id(), label, selector.role(), selector.terminal(), options, initial)));
  }
}

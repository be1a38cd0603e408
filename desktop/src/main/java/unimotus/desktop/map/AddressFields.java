package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import javafx.scene.layout.FlowPane;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.IoAddress;
import unimotus.core.program.WiredProgram;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.Edits;

/** The addresses of the channels that command and watch a wired drive, one field each. */
final class AddressFields extends FlowPane {
  private final Desk desk;
  private List<Object> shown = List.of();

  AddressFields(Desk desk) {
    super(16, 6);
    this.desk = desk;
    setId("controller-addresses");
  }

  /** Shows the channels of an axis; the fields are made anew only where something changed. */
  void show(AxisAssembly axis) {
    List<WiredProgram.Use> uses = WiredProgram.uses(axis);
    List<Object> now = new ArrayList<>(uses);
    now.add(axis.controller());
    if (now.equals(shown)) {
      return;
    }
    shown = now;
    getChildren().setAll(Parts.label("Addresses", "ink-strong"));
    for (WiredProgram.Use use : uses) {
      IoAddress address = axis.controller().addresses().get(use.terminal());
      WordField field =
          new WordField(
              "address-" + use.terminal(),
              "address of " + use.terminal(),
              Objects.toString(address, ""),
              9,
              text -> put(axis.controller().id(), use.terminal(), text));
      Hint.on(field, use::what);
      getChildren().add(Parts.row(6, Parts.label(use.terminal(), "ink-label"), field));
    }
  }

  private void put(String controller, String terminal, String text) {
    try {
      desk.apply(Edits.address(controller, terminal, read(text)));
    } catch (IllegalArgumentException refused) {
      desk.refuse(refused.getMessage());
    }
  }

  private static @Nullable IoAddress read(String text) {
    return text.isBlank() ? null : IoAddress.parse(text);
  }
}

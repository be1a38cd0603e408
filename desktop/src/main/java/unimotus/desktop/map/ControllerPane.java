package unimotus.desktop.map;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.path.SignalPath;
import unimotus.core.program.FunctionBlock;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.ControllerCode;

/** The controller's side: the function block that commands the drive, as it will be written. */
final class ControllerPane extends VBox {
  private final Desk desk;
  private final Function<RegisterMap, LinkWatch> watch;
  private final TextArea text = new TextArea();
  private final Label said = Parts.passing("ink-attention");
  private final AddressFields addresses;

  /**
   * The pane.
   *
   * @param watch what the bus leaves for time-outs
   */
  ControllerPane(Desk desk, Function<RegisterMap, LinkWatch> watch) {
    super(10);
    this.desk = desk;
    this.watch = watch;
    this.addresses = new AddressFields(desk);
    setPadding(new Insets(12, 16, 12, 16));
    text.setId("controller-text");
    text.setAccessibleText("function block");
    text.setEditable(false);
    text.getStyleClass().add("code");
    VBox.setVgrow(text, Priority.ALWAYS);
    getChildren()
        .addAll(
            Parts.row(
                8,
                Parts.label("The controller's side", "ink-title"),
                Parts.spring(),
                Parts.action("controller-copy", "Copy", this::copy),
                Parts.primary("controller-write", "Write it", this::write),
                Parts.label(".st text, .xml PLCopen, .csv variables", "ink-caption")),
            Parts.prose(
                "A function block in structured text (IEC 61131-3): over registers where they are entered, over process data where a station leads to the drive, over the wires where neither is. It scales, watches what comes back, resets faults, and starts again only on a new command. Each number says where it comes from. Try it before it meets a machine.",
                "ink-label"),
            addresses,
            said,
            text);
  }

  void refresh() {
    said.setText("");
    text.clear();
    boolean wired = axis().filter(ControllerCode::isWired).isPresent();
    addresses.setVisible(wired);
    addresses.setManaged(wired);
    try {
      if (wired) {
        addresses.show(axis().orElseThrow());
      }
      block().ifPresentOrElse(b -> text.setText(b.text()), () -> said.setText(NOTHING));
    } catch (IllegalArgumentException missing) {
      said.setText(
          wired || axis().filter(a -> !a.stations().isEmpty()).isPresent()
              ? missing.getMessage() + "."
              : "%s. Enter it under Registers.".formatted(missing.getMessage()));
    }
  }

  private static final String NOTHING = "Choose an axis that has controller, drive and motor.";

  private Optional<AxisAssembly> axis() {
    return desk.review().map(AxisReview::assembly);
  }

  private Optional<FunctionBlock> block() {
    return desk.review()
        .filter(r -> r.assembly() != null)
        .map(r -> block(Objects.requireNonNull(r.assembly()), r.path()));
  }

  private FunctionBlock block(AxisAssembly axis, @Nullable SignalPath path) {
    return ControllerCode.block(axis, path, watch.apply(axis.record().fieldbus().map()));
  }

  private void copy() {
    if (text.getText().isEmpty()) {
      desk.refuse("there is nothing to copy yet");
      return;
    }
    ClipboardContent content = new ClipboardContent();
    content.putString(text.getText());
    Clipboard.getSystemClipboard().setContent(content);
    desk.say("the function block is on the clipboard");
  }

  private void write() {
    try {
      Optional<FunctionBlock> block = block();
      Optional<AxisAssembly> axis = axis();
      if (block.isPresent() && axis.isPresent()) {
        desk.dialogs()
            .export(block.get().name() + ".st")
            .ifPresent(file -> write(file, axis.get(), block.get()));
      } else {
        desk.refuse(NOTHING);
      }
    } catch (IllegalArgumentException missing) {
      desk.refuse(missing.getMessage());
    }
  }

  private void write(Path file, AxisAssembly axis, FunctionBlock block) {
    try {
      ControllerCode.write(file, axis, block, desk.clock());
      desk.say("%s written to %s".formatted(block.name(), file));
    } catch (IOException e) {
      desk.refuse("the block could not be written: " + e.getMessage());
    }
  }
}

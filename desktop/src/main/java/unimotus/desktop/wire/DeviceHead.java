package unimotus.desktop.wire;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Part;
import unimotus.core.machine.TerminalRef;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.PlacedDevice;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.WiringEdits;
import unimotus.workbench.board.WireBench;

/**
 * A device's name on the board with what can be set on it: its position or state, its switches, and
 * the signal of its analog outputs.
 */
final class DeviceHead extends VBox {
  private static final double TITLE = 36;
  private static final double LINE = 28;
  private static final Set<SelectorRole> SHOWN =
      Set.of(
          SelectorRole.INPUT_LOGIC,
          SelectorRole.INPUT_KIND,
          SelectorRole.STO_JUMPER,
          SelectorRole.SAFETY_INPUT_KIND,
          SelectorRole.MAINS_VOLTAGE,
          SelectorRole.MAINS_FEED);

  private final Desk desk;
  private final WireBench bench;
  private final PlacedDevice device;
  private final List<Runnable> painters = new ArrayList<>();

  DeviceHead(Desk desk, WireBench bench, PlacedDevice device, List<String> shownTerminals) {
    super(2);
    this.desk = desk;
    this.bench = bench;
    this.device = device;
    getStyleClass().add("device-head");
    HBox kind = Parts.row(6, Parts.words(device.sheet().name(), "words-caption"));
    if (device.device() instanceof Part part) {
      kind.getChildren()
          .addAll(
              Parts.spring(),
              Parts.quiet(
                  "remove-" + part.id(), "remove", () -> desk.apply(WiringEdits.removePart(part))));
    }
    VBox title = Parts.column(0, Parts.words(device.device().name(), "words-strong"), kind);
    title.setMinHeight(TITLE - 4);
    title.setMaxHeight(TITLE - 4);
    getChildren().add(title);
    addPosition();
    selectors(device, shownTerminals).forEach(this::addSelector);
    signals(device, shownTerminals).forEach(this::addSignal);
  }

  /** Height the head takes, known before it is made. */
  static double height(PlacedDevice device, List<String> shownTerminals) {
    long lines =
        selectors(device, shownTerminals).size()
            + positions(device).map(p -> 1).orElse(0)
            + signals(device, shownTerminals).size();
    return TITLE + LINE * lines + 4;
  }

  private static Optional<List<String>> positions(PlacedDevice device) {
    if (device.sheet() instanceof PartSheet part) {
      return part.positions().isEmpty() ? Optional.empty() : Optional.of(part.positions());
    }
    return device.device() instanceof Drive
        ? Optional.of(CommandState.DRIVE_STATES)
        : Optional.empty();
  }

  /**
   * Switches that decide how a wire is read: of the whole device, or of a terminal that is shown.
   */
  private static List<Selector> selectors(PlacedDevice device, List<String> shown) {
    return device.sheet().selectors().stream()
        .filter(s -> SHOWN.contains(s.role()))
        .filter(s -> s.terminal() == null || shown.contains(s.terminal()))
        .toList();
  }

  private static List<Terminal> signals(PlacedDevice device, List<String> shown) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == TerminalRole.ANALOG_OUTPUT || t.role() == TerminalRole.WIPER)
        .filter(t -> shown.contains(t.id()))
        .toList();
  }

  private void addPosition() {
    Optional<List<String>> positions = positions(device);
    if (positions.isEmpty()) {
      return;
    }
    if (device.sheet() instanceof PartSheet part && part.isDriven()) {
      Text shown = Parts.words("", "terminal-value");
      painters.add(
          () ->
              shown.setText(
                  bench.solution().isEnergised(device.id())
                      ? PartSheet.ENERGISED
                      : PartSheet.RELEASED));
      line(part.hasCoil() ? "coil" : "outputs", shown);
      return;
    }
    ChoiceField<String> choice =
        new ChoiceField<>(
            "position of " + device.device().name(),
            positions.get(),
            p -> p,
            p -> bench.command(bench.state().withPosition(device.id(), p)));
    choice.setId("position-" + device.id());
    painters.add(() -> choice.show(bench.state().position(device.id(), positions.get().get(0))));
    line("stands at", choice);
  }

  private void addSelector(Selector selector) {
    ChoiceField<String> choice =
        new ChoiceField<>(
            selector.label(),
            selector.options(),
            o -> o,
            o -> desk.apply(WiringEdits.select(device.device(), selector.id(), o)));
    choice.setId("selector-" + device.id() + "-" + selector.id());
    choice.show(device.device().selectors().getOrDefault(selector.id(), selector.initial()));
    line(selector.label(), choice);
  }

  private void addSignal(Terminal terminal) {
    TerminalRef ref = device.ref(terminal.id());
    boolean wiper = terminal.role() == TerminalRole.WIPER;
    MeasureUnit unit = wiper ? MeasureUnit.PERCENT : device.rangeOf(terminal.id()).unit();
    double most = wiper ? 100 : device.rangeOf(terminal.id()).high();
    double least = wiper ? 0 : Math.min(0, device.rangeOf(terminal.id()).low());
    QuantityField field =
        new QuantityField(
            terminal.id(),
            unit,
            desk::units,
            v -> setSignal(ref, v, least, most, unit),
            desk::refuse);
    field.setId("signal-" + device.id() + "-" + terminal.id());
    field.setPrefColumnCount(7);
    painters.add(
        () -> {
          if (!field.isBeingTyped() || !field.isFocused()) {
            field.show(
                bench
                    .state()
                    .signal(ref)
                    .orElse(wiper ? 0 : device.rangeOf(terminal.id()).signalAt(0)));
          }
        });
    line(terminal.id() + " sends", field);
  }

  private void setSignal(
      TerminalRef ref, double value, double least, double most, MeasureUnit unit) {
    if (value < least || value > most) {
      desk.refuse(
          "%s: %s is outside %s to %s %s".formatted(ref, value, least, most, unit.symbol()));
    } else {
      bench.command(bench.state().withSignal(ref, value));
    }
  }

  private void line(String words, Node control) {
    Text label = Parts.words(words, "words-caption");
    HBox row = Parts.row(6, label, Parts.spring(), control);
    row.setMinHeight(LINE - 2);
    row.setMaxHeight(LINE - 2);
    if (control instanceof Region region) {
      region.setMaxHeight(LINE - 4);
      region.setPrefHeight(LINE - 4);
    }
    Hint.on(control, () -> words);
    getChildren().add(row);
  }

  /** Shows positions and signals as they are now. */
  void paint() {
    painters.forEach(Runnable::run);
  }
}

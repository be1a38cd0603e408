package unimotus.desktop.identify;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Reference;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.PresetInputs;
import unimotus.core.sheet.SettingDefinition;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.Edit;
import unimotus.workbench.Edits;

/** The machine speeds that are chosen by closing inputs of the drive. */
public final class PresetsCard extends VBox {
  private final Desk desk;
  private final AxisAssembly axis;
  private final @Nullable PresetInputs rule;

  private PresetsCard(Desk desk, AxisAssembly axis) {
    super(6);
    this.desk = desk;
    this.axis = axis;
    this.rule = axis.driveSheet().presets();
    setId("presets");
    getStyleClass().add("sheet");
    getChildren()
        .addAll(Parts.label("Preset speeds", "ink-strong"), Parts.prose(school(), "ink-label"));
    GridPane grid = new GridPane();
    grid.setHgap(12);
    grid.setVgap(4);
    reference().presets().forEach(p -> row(grid, p));
    getChildren().add(grid);
    next()
        .ifPresent(
            n -> getChildren().add(Parts.action("add-preset", "add preset " + n, () -> add(n))));
  }

  /** The card of an axis; empty where its drive takes no presets and none are wanted. */
  public static Optional<PresetsCard> of(Desk desk, AxisAssembly axis) {
    boolean shown =
        axis.driveSheet().presets() != null || !axis.axis().reference().presets().isEmpty();
    return shown ? Optional.of(new PresetsCard(desk, axis)) : Optional.empty();
  }

  private String school() {
    if (rule == null) {
      return "The sheet of this drive does not say how it selects presets: none of these can be calculated.";
    }
    String counting =
        rule.counting() == PresetInputs.Counting.BINARY
            ? "closed inputs count 1, 2, 4, 8 and add up"
            : "the closed input gives its number, of several the greatest";
    return rule.priority() == PresetInputs.Priority.OVER_REFERENCE
        ? "On this drive %s; any of them overrides the reference.".formatted(counting)
        : "On this drive %s, while the presets are the reference source.".formatted(counting);
  }

  private Reference reference() {
    return axis.axis().reference();
  }

  private void row(GridPane grid, Preset preset) {
    int number = preset.number();
    Label inputs = Parts.label("%d   %s".formatted(number, inputs(number)), "ink-label");
    WordField name =
        new WordField(
            "preset-%d-name".formatted(number),
            "name of preset " + number,
            preset.name(),
            10,
            words -> apply(number, () -> new Preset(number, words, preset.speed())));
    QuantityField speed =
        new QuantityField(
            "speed of preset " + number,
            axis.axis().mechanics().unit(),
            desk::units,
            v -> apply(number, () -> new Preset(number, preset.name(), v)),
            desk::refuse);
    speed.setId("preset-%d-speed".formatted(number));
    speed.show(preset.speed());
    grid.addRow(
        number,
        inputs,
        name,
        speed,
        Parts.label(setting(preset), "ink-caption"),
        Parts.quiet(
            "remove-preset-" + number,
            "remove",
            () -> desk.apply(edit("the presets without " + number, reference().without(number)))));
  }

  /** Where the frequency stands in the drive, and what it has to be. */
  private String setting(Preset preset) {
    String hertz = desk.units().text(reference().hertzAt(preset.speed()), MeasureUnit.HERTZ_UNIT);
    return axis.driveSheet()
        .presetSetting(preset.number())
        .map(SettingDefinition::code)
        .map(code -> "%s in %s".formatted(hertz, code))
        .orElse("no setting for it");
  }

  /** The inputs that are closed for a combination, in words. */
  private String inputs(int number) {
    if (rule == null) {
      return "";
    }
    List<String> closed = rule.counting().closed(number).stream().map(i -> "" + i).toList();
    return closed.isEmpty() ? "none closed" : "input " + String.join(" + ", closed);
  }

  private Optional<Integer> next() {
    if (rule == null) {
      return Optional.empty();
    }
    int first = rule.priority() == PresetInputs.Priority.AS_SOURCE ? 0 : 1;
    return IntStream.rangeClosed(first, rule.counting().last(PresetInputs.INPUTS))
        .filter(n -> reference().preset(n).isEmpty())
        .filter(n -> axis.driveSheet().presetSetting(n).isPresent())
        .boxed()
        .findFirst();
  }

  private void add(int number) {
    apply(number, () -> new Preset(number, "preset " + number, reference().speedAtFull()));
  }

  private void apply(int number, java.util.function.Supplier<Preset> preset) {
    try {
      desk.apply(edit("preset " + number, reference().with(preset.get())));
    } catch (IllegalArgumentException refused) {
      desk.refuse(refused.getMessage());
    }
  }

  private Edit edit(String what, Reference next) {
    Axis own = axis.axis();
    return Edits.reference(own.id(), what, next);
  }
}

package unimotus.desktop.view;

import java.util.List;
import javafx.beans.binding.Bindings;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.Mechanics;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.MotorSheet;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.View;
import unimotus.workbench.AxisDraft;
import unimotus.workbench.WorkStep;

/** Starts an axis: the few things to say, in the order of the thread. */
final class NewAxisView implements View {
  private enum Kind {
    DRUM("a drum, roller or wheel", "Diameter", MeasureUnit.METRE_UNIT),
    SCREW("a screw", "Lead", MeasureUnit.METRE_UNIT),
    TURNING("a fan, pump or mixer", "", MeasureUnit.ONE),
    COUNTING("pieces counted per turn", "Pieces per turn", MeasureUnit.ONE);

    private final String words;
    private final String size;
    private final MeasureUnit sizeUnit;

    Kind(String words, String size, MeasureUnit sizeUnit) {
      this.words = words;
      this.size = size;
      this.sizeUnit = sizeUnit;
    }

    MeasureUnit speedUnit() {
      return switch (this) {
        case DRUM, SCREW -> MeasureUnit.METRES_PER_MINUTE;
        case TURNING -> MeasureUnit.RPM;
        case COUNTING -> MeasureUnit.PER_MINUTE;
      };
    }
  }

  private final Desk desk;
  private final TextField name = field("axis-name", "Rinse drum");
  private final TextField gear = field("axis-gear", "20");
  private final TextField size = field("axis-size", "500 mm");
  private final TextField speed = field("axis-speed", "25 m/min");
  private final ChoiceField<ControllerSheet> controller;
  private final ChoiceField<DriveSheet> drive;
  private final ChoiceField<MotorSheet> motor;
  private final ChoiceField<SignalRange> range;
  private final ChoiceField<Kind> kind;
  private final Label sizeLabel = Parts.label("Diameter", "ink-label");
  private final Node node;

  NewAxisView(Desk desk) {
    this.desk = desk;
    this.controller = sheets("Controller", ControllerSheet.class, "axis-controller");
    this.drive = sheets("Drive", DriveSheet.class, "axis-drive");
    this.motor = sheets("Motor", MotorSheet.class, "axis-motor");
    this.range =
        new ChoiceField<>("Signal", List.of(SignalRange.values()), SignalRange::label, r -> {});
    range.setId("axis-range");
    range.show(SignalRange.MA_4_20);
    this.kind =
        new ChoiceField<>("What it moves", List.of(Kind.values()), k -> k.words, this::showKind);
    kind.setId("axis-kind");
    kind.show(Kind.DRUM);
    this.node = Parts.scrolling(content());
  }

  private static TextField field(String id, String prompt) {
    TextField field = new TextField();
    field.setId(id);
    field.setPromptText(prompt);
    return field;
  }

  private <T extends DeviceSheet> ChoiceField<T> sheets(String what, Class<T> type, String id) {
    List<T> all = desk.session().sheets().all(type);
    ChoiceField<T> field = new ChoiceField<>(what, all, DeviceSheet::name, s -> {});
    field.setId(id);
    field.show(all.get(0));
    return field;
  }

  private Node content() {
    GridPane grid = new GridPane();
    grid.setHgap(14);
    grid.setVgap(11);
    int row = 0;
    addRow(grid, row++, Parts.label("Name", "ink-label"), name, "name used on site");
    addRow(
        grid,
        row++,
        Parts.label("Controller", "ink-label"),
        controller,
        "shared with other axes of the line");
    addRow(
        grid,
        row++,
        Parts.label("Speed signal", "ink-label"),
        range,
        "a current is better over distance than a voltage");
    addRow(
        grid,
        row++,
        Parts.label("Drive", "ink-label"),
        drive,
        "by class; its settings are filled from the plate");
    addRow(
        grid,
        row++,
        Parts.label("Motor", "ink-label"),
        motor,
        "its plate can be corrected afterwards");
    addRow(grid, row++, Parts.label("It moves", "ink-label"), kind, "");
    addRow(
        grid,
        row++,
        Parts.label("Gear", "ink-label"),
        gear,
        "motor turns for one output turn, 1 for none");
    addRow(grid, row++, sizeLabel, size, "");
    addRow(
        grid, row, Parts.label("Full speed", "ink-label"), speed, "the program's number at 100 %");
    VBox sheet =
        Parts.sheet(
            16,
            Parts.label("A new axis", "ink-title"),
            Parts.prose(
                "Enter what is there; the rest is filled in and can be changed at every station.",
                "ink-label"),
            grid,
            Parts.row(
                10,
                Parts.primary("axis-add", "Add the axis", this::add),
                Parts.action("axis-cancel", "Cancel", () -> desk.startingAxis().set(false))));
    sheet.setMaxWidth(760);
    VBox page = new VBox(sheet);
    page.setPadding(new Insets(16));
    List.of(name, gear, size, speed).forEach(f -> f.setOnAction(e -> add()));
    sizeLabel
        .visibleProperty()
        .bind(
            Bindings.createBooleanBinding(
                () -> kind.getValue() != Kind.TURNING, kind.valueProperty()));
    size.visibleProperty().bind(sizeLabel.visibleProperty());
    return page;
  }

  private static void addRow(
      GridPane grid, int row, Label label, javafx.scene.control.Control field, String hint) {
    label.setLabelFor(field);
    field.setAccessibleText(label.getText());
    field.setPrefWidth(260);
    grid.addRow(row, label, field, Parts.label(hint, "ink-caption"));
  }

  private void showKind(Kind chosen) {
    sizeLabel.setText(chosen.size);
    size.setPromptText(chosen == Kind.COUNTING ? "2" : chosen == Kind.SCREW ? "5 mm" : "500 mm");
    speed.setPromptText(desk.units().text(25, chosen.speedUnit()));
  }

  private void add() {
    try {
      AxisDraft draft = draft();
      String id = draft.axisId(desk.session().project());
      desk.together(
          () -> {
            if (desk.apply(draft.edit(desk.session().sheets()))) {
              desk.show(id, WorkStep.WIRE);
              List.of(name, gear, size, speed).forEach(TextField::clear);
            }
          });
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private AxisDraft draft() {
    if (name.getText().isBlank()) {
      name.requestFocus();
      throw new IllegalArgumentException("Name: the axis needs a name, such as Rinse drum");
    }
    Kind chosen = kind.getValue();
    return new AxisDraft(
        name.getText().strip(),
        controller.getValue().id(),
        drive.getValue().id(),
        motor.getValue().id(),
        range.getValue(),
        mechanics(chosen),
        number("Full speed", speed, chosen.speedUnit()));
  }

  private Mechanics mechanics(Kind chosen) {
    double ratio = gear.getText().isBlank() ? 1 : number("Gear", gear, MeasureUnit.ONE);
    return switch (chosen) {
      case DRUM -> new Mechanics.Drum(ratio, number(chosen.size, size, chosen.sizeUnit));
      case SCREW -> new Mechanics.Screw(ratio, number(chosen.size, size, chosen.sizeUnit));
      case TURNING -> new Mechanics.Turning(ratio);
      case COUNTING ->
          new Mechanics.Counting(ratio, number(chosen.size, size, chosen.sizeUnit), "pieces");
    };
  }

  private double number(String what, TextField field, MeasureUnit unit) {
    try {
      double value = desk.units().parse(what, field.getText(), unit);
      if (!(value > 0)) {
        throw new IllegalArgumentException(
            "%s must be positive, not %s".formatted(what, field.getText()));
      }
      return value;
    } catch (IllegalArgumentException e) {
      field.requestFocus();
      throw e;
    }
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    showKind(kind.getValue());
  }
}

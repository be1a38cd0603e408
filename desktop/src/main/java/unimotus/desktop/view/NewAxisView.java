package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Control;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
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
import unimotus.workbench.DriveOffers;
import unimotus.workbench.Mains;
import unimotus.workbench.WorkStep;

/** Starts an axis: the few things to say, in the order of the thread. */
final class NewAxisView implements View {
  private final Desk desk;
  private final TextField name = field("axis-name", "such as Rinse drum");
  private final TextField gear = field("axis-gear", "such as 20; empty for none");
  private final TextField size = field("axis-size", "");
  private final TextField speed = field("axis-speed", "");
  private final ChoiceField<ControllerSheet> controller;
  private final ChoiceField<DriveSheet> drive;
  private final ChoiceField<MotorSheet> motor;
  private final ChoiceField<SignalRange> range;
  private final ChoiceField<Mains> mains;
  private final ChoiceField<MovedThing> kind;
  private final Label sizeLabel = Parts.label("", "ink-label");
  private final Map<Control, Label> hints = new HashMap<>();
  private final Map<Control, String> advice = new HashMap<>();
  private final Label leftOut = Parts.prose("", "ink-caption");
  private final Node node;

  NewAxisView(Desk desk) {
    this.desk = desk;
    this.controller = sheets("Controller", ControllerSheet.class, "axis-controller");
    this.drive = sheets("Drive", DriveSheet.class, "axis-drive");
    this.motor = sheets("Motor", MotorSheet.class, "axis-motor");
    this.range =
        new ChoiceField<>(
            "Signal", List.of(SignalRange.values()), SignalRange::label, r -> offer());
    range.setId("axis-range");
    range.show(SignalRange.MA_4_20);
    this.mains = new ChoiceField<>("Mains", List.of(Mains.values()), Mains::label, m -> offer());
    mains.setId("axis-mains");
    mains.show(Mains.NOT_KNOWN);
    this.kind =
        new ChoiceField<>(
            "What it moves", List.of(MovedThing.values()), MovedThing::words, this::showKind);
    kind.setId("axis-kind");
    kind.show(MovedThing.CONVEYOR);
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
    ChoiceField<T> field = new ChoiceField<>(what, all, DeviceSheet::name, s -> chosen(id));
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
        Parts.label("Motor", "ink-label"),
        motor,
        "its plate can be corrected afterwards");
    addRow(grid, row++, Parts.label("Mains", "ink-label"), mains, "what feeds the drive");
    addRow(
        grid,
        row++,
        Parts.label("Drive", "ink-label"),
        drive,
        "those that fit; its settings are filled from the plate");
    leftOut.setId("drives-left-out");
    grid.add(leftOut, 1, row++, 2, 1);
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
        .bind(Bindings.createBooleanBinding(() -> kind.getValue().hasSize(), kind.valueProperty()));
    size.visibleProperty().bind(sizeLabel.visibleProperty());
    return page;
  }

  private void addRow(GridPane grid, int row, Label label, Control field, String words) {
    label.setLabelFor(field);
    field.setAccessibleText(label.getText());
    field.setPrefWidth(260);
    Label hint = Parts.prose(words, "ink-caption");
    hints.put(field, hint);
    advice.put(field, words);
    GridPane.setHgrow(hint, Priority.ALWAYS);
    grid.addRow(row, label, field, hint);
  }

  private void showKind(MovedThing chosen) {
    sizeLabel.setText(chosen.sizeLabel());
    size.setPromptText(chosen.sizeExample());
    size.setAccessibleText(chosen.hasSize() ? chosen.sizeLabel() : "Size");
    speed.setPromptText("such as " + desk.units().text(25, chosen.speedUnit()));
    advise(kind, chosen.caution());
  }

  /** Says something beside a field, in the place of what stood there. */
  private void advise(Control field, String words) {
    advice.put(field, words);
    tell(field, words, false);
  }

  private void tell(Control field, String words, boolean wrong) {
    Label hint = hints.get(field);
    if (hint != null) {
      hint.setText(words);
      hint.getStyleClass().setAll("label", wrong ? "ink-attention" : "ink-caption");
    }
  }

  private void chosen(String id) {
    if (!id.equals("axis-drive")) {
      offer();
    }
  }

  /** Offers the drives that fit, and says of the others why they do not. */
  private void offer() {
    if (hints.isEmpty()) {
      return;
    }
    DriveOffers offers =
        DriveOffers.of(desk.session().sheets(), draft("x", new Mechanics.Turning(1), 1));
    DriveSheet before = drive.getValue();
    drive.getItems().setAll(offers.drives());
    if (!offers.drives().isEmpty()) {
      drive.show(offers.drives().contains(before) ? before : offers.drives().get(0));
    }
    List<String> reasons = new ArrayList<>();
    offers.leftOut().forEach((sheet, why) -> reasons.add("%s: %s".formatted(sheet.name(), why)));
    Collections.sort(reasons);
    leftOut.setText(reasons.isEmpty() ? "" : "Left out: " + String.join("; ", reasons) + ".");
    tell(
        drive,
        offers.drives().isEmpty()
            ? "no drive here fits motor, mains and signal"
            : advice.getOrDefault(drive, ""),
        offers.drives().isEmpty());
  }

  private void add() {
    hints.forEach((field, hint) -> tell(field, advice.getOrDefault(field, ""), false));
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
      throw wrong(name, "Name: the axis needs a name, such as Rinse drum");
    }
    if (drive.getValue() == null || drive.getItems().isEmpty()) {
      throw wrong(drive, "Drive: no drive here fits motor, mains and signal");
    }
    MovedThing chosen = kind.getValue();
    double ratio = gear.getText().isBlank() ? 1 : number("Gear", gear, MeasureUnit.ONE);
    double measure =
        chosen.hasSize() ? number(chosen.sizeLabel(), size, chosen.sizeUnit()) : Double.NaN;
    return draft(
        name.getText().strip(),
        chosen.mechanics(ratio, measure),
        number("Full speed", speed, chosen.speedUnit()));
  }

  private AxisDraft draft(String called, Mechanics mechanics, double full) {
    return new AxisDraft(
        called,
        controller.getValue().id(),
        drive.getValue() == null ? "" : drive.getValue().id(),
        motor.getValue().id(),
        mains.getValue(),
        range.getValue(),
        mechanics,
        full);
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
      throw wrong(field, String.valueOf(e.getMessage()));
    }
  }

  /** Says at the field what is wrong with it, and leads there. */
  private IllegalArgumentException wrong(Control field, String words) {
    tell(field, words, true);
    field.requestFocus();
    return new IllegalArgumentException(words);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    showKind(kind.getValue());
    offer();
  }
}

package unimotus.desktop.identify;

import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import unimotus.core.machine.Motor;
import unimotus.core.motor.Connection;
import unimotus.core.motor.PlateColumn;
import unimotus.core.motor.PlateLine;
import unimotus.core.sheet.InductionPlate;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Decimals;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.Edits;

/** The motor's plate typed as it is printed; its columns are chosen with one press. */
public final class PlateLineCard extends VBox {
  private final Desk desk;
  private final TextField line = new TextField();
  private final VBox found = Parts.column(4);
  private Motor motor;

  /** A card for a motor. */
  public PlateLineCard(Desk desk, Motor motor) {
    super(6);
    this.desk = desk;
    this.motor = motor;
    getStyleClass().add("sheet");
    line.setId("plate-line");
    line.setPromptText(Decimals.shown("4 kW  230/400 V  14/8.05 A  50 Hz  1456 rpm  cos 0.81"));
    line.setAccessibleText("plate of the motor as printed");
    line.setOnAction(e -> read());
    getChildren()
        .addAll(
            Parts.label("Motor plate as printed", "ink-strong"),
            Parts.prose(
                "Type the line and press Enter; numbers with a slash between them are columns.",
                "ink-label"),
            line,
            found);
  }

  /** Shows another motor, or the same one changed; what is typed stays. */
  public void show(Motor next) {
    if (!next.id().equals(motor.id())) {
      line.clear();
      found.getChildren().clear();
    }
    motor = next;
  }

  private void read() {
    found.getChildren().clear();
    try {
      PlateLine read = PlateLine.read(line.getText(), known());
      int number = 1;
      for (PlateColumn column : read.columns()) {
        take("plate-column-" + number++, column.label(), column.plate());
      }
      read.columns().stream()
          .filter(c -> c.connection() == Connection.DELTA)
          .findFirst()
          .ifPresent(
              c -> {
                InductionPlate raised = c.raised();
                String label =
                    "delta raised to %.0f Hz: %.2f kW, drive for %.0f V"
                        .formatted(
                            raised.frequencyHertz(),
                            raised.powerWatts() / 1000,
                            raised.voltageVolts());
                take("plate-column-raised", label, raised);
              });
      read.notes().forEach(n -> found.getChildren().add(Parts.prose(n, "ink-label")));
    } catch (IllegalArgumentException refused) {
      found.getChildren().add(Parts.prose(String.valueOf(refused.getMessage()), "ink-attention"));
    }
  }

  /** What the line does not say stays as it is. */
  private InductionPlate known() {
    return motor
        .induction()
        .orElseThrow(
            () ->
                new IllegalArgumentException(
                    "the line of a %s is not read; enter its plate field by field"
                        .formatted(motor.plate().kind().label())));
  }

  private void take(String id, String label, InductionPlate plate) {
    found
        .getChildren()
        .add(
            Parts.action(
                id, label, () -> desk.apply(Edits.plate(motor.id(), "plate as printed", plate))));
  }
}

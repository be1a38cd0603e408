package unimotus.desktop.setup;

import java.time.temporal.ChronoUnit;
import java.util.Map;
import java.util.Objects;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Borrowing;
import unimotus.core.settings.TuningState;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.NameField;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.Truth;

/** What is changed for a bench test and has to go back, and the auto-tune. */
final class BorrowPane extends VBox {
  private final Desk desk;
  private final TextField why = new TextField();
  private final NameField who;

  BorrowPane(Desk desk) {
    super(7);
    this.desk = desk;
    setId("borrow");
    why.setId("borrow-why");
    why.setPromptText("what for, such as a jog on the bench");
    who = new NameField(desk, "borrow-who");
  }

  void show(AxisAssembly axis) {
    getChildren()
        .setAll(
            Parts.label(TuningState.of(axis).label(), "ink-title"),
            Parts.flow(8, Parts.action("record-tuning", "Auto-tune is done", () -> tuned(axis))),
            Parts.prose(
                "Only with the motor data entered, the shaft free and the stop proved.",
                "ink-label"),
            Parts.label("Borrow the drive for a test", "ink-strong"),
            why,
            who,
            Parts.flow(
                8,
                Parts.action("borrow-keypad", "Command it from the keypad", () -> borrow(axis))));
    for (Borrowing borrowing : axis.record().borrowings()) {
      getChildren().add(card(axis, borrowing));
    }
  }

  private VBox card(AxisAssembly axis, Borrowing borrowing) {
    VBox card =
        Parts.column(
            2,
            Parts.prose(
                "%s, %s, %s".formatted(borrowing.why(), borrowing.by(), desk.time(borrowing.at())),
                "ink-strong"));
    borrowing
        .before()
        .forEach(
            (code, value) ->
                axis.driveSheet()
                    .setting(code)
                    .ifPresent(s -> card.getChildren().add(line(borrowing, s, value))));
    if (borrowing.isOut()) {
      card.getChildren()
          .addAll(
              Parts.prose(
                  "Put these back on the drive, read it again under Compare as left, then:",
                  "ink-label"),
              Parts.action("restore", "Everything is put back", () -> restore(axis, borrowing)));
    } else {
      card.getChildren()
          .add(
              Parts.prose(
                  "put back %s by %s".formatted(borrowing.restoredAt(), borrowing.restoredBy()),
                  "ink-label"));
    }
    return card;
  }

  private javafx.scene.Node line(
      Borrowing borrowing, SettingDefinition setting, SettingValue value) {
    return Parts.prose(
        "%s %s: %s for the test, back to %s"
            .formatted(
                setting.code(),
                setting.name(),
                SettingEditor.text(
                    desk,
                    setting,
                    Objects.requireNonNull(borrowing.during().get(setting.code()), setting.code())),
                SettingEditor.text(desk, setting, value)));
  }

  private void borrow(AxisAssembly axis) {
    try {
      Borrowing borrowing = SetUpEdits.forTheKeypad(axis, why.getText().strip(), who.name(), now());
      if (desk.apply(SetUpEdits.borrow(axis.drive().id(), borrowing))) {
        why.clear();
      }
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void restore(AxisAssembly axis, Borrowing borrowing) {
    try {
      Map<String, SettingValue> left = Truth.LEFT.of(axis).orElse(Map.of());
      desk.apply(SetUpEdits.restore(axis.drive().id(), borrowing, left, who.name(), now()));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void tuned(AxisAssembly axis) {
    try {
      desk.apply(SetUpEdits.tuned(axis, who.name(), now()));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private String now() {
    return desk.clock().instant().truncatedTo(ChronoUnit.SECONDS).toString();
  }
}

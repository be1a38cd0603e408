package unimotus.desktop.identify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleFunction;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.CableLaying;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.Feed;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.DriveIdentity;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.SetUpEdits;

/** What is read on the drive before it is wired, and its power cables. */
public final class DriveReadCard extends VBox {
  private final Desk desk;
  private final AxisAssembly axis;
  private final FlowPane plateFields = new FlowPane(12, 5);
  private final FlowPane feedFields = new FlowPane(12, 5);

  /** The card of an axis' drive. */
  public DriveReadCard(Desk desk, AxisAssembly axis) {
    super(6);
    this.desk = desk;
    this.axis = axis;
    getStyleClass().add("sheet");
    plate(axis.record().plate());
    feed(axis.feed());
    getChildren()
        .addAll(
            Parts.label("Read on the drive", "ink-strong"),
            plateFields,
            Parts.label("Mains and power cables", "ink-strong"),
            feedFields);
  }

  private void plate(DrivePlate plate) {
    plateFields
        .getChildren()
        .addAll(
            named(
                "Model ends in",
                new WordField(
                    "drive-suffix",
                    "end of the model's name",
                    plate.suffix(),
                    5,
                    w -> set(() -> plateWith(w, plate.firmware(), plate.undamaged())))),
            named(
                "Firmware",
                new WordField(
                    "drive-firmware",
                    "firmware",
                    plate.firmware(),
                    6,
                    w -> set(() -> plateWith(plate.suffix(), w, plate.undamaged())))),
            check(
                "drive-sound",
                "condition checked",
                plate.undamaged(),
                on -> set(() -> plateWith(plate.suffix(), plate.firmware(), on))));
    DriveIdentity identity = axis.driveSheet().identity();
    if (identity != null) {
      identity
          .modules()
          .forEach(
              m ->
                  plateFields
                      .getChildren()
                      .add(
                          check(
                              "module-" + m.replace(' ', '-'),
                              m,
                              plate.modules().contains(m),
                              on -> set(() -> withModule(plate, m, on)))));
    }
  }

  private DrivePlate plateWith(String suffix, String firmware, boolean sound) {
    return new DrivePlate(suffix, firmware, axis.record().plate().modules(), sound);
  }

  private static DrivePlate withModule(DrivePlate plate, String module, boolean fitted) {
    List<String> modules = new ArrayList<>(plate.modules());
    modules.remove(module);
    if (fitted) {
      modules.add(module);
    }
    return new DrivePlate(plate.suffix(), plate.firmware(), modules, plate.undamaged());
  }

  /** A word that is no firmware is refused; the field then shows what stands. */
  private void set(java.util.function.Supplier<DrivePlate> next) {
    try {
      desk.apply(SetUpEdits.plate(axis.drive().id(), "plate of the drive", next.get()));
    } catch (IllegalArgumentException refused) {
      desk.refuse(refused.getMessage());
      desk.refresh();
    }
  }

  private void feed(Feed feed) {
    ChoiceField<CableLaying> laying =
        new ChoiceField<>(
            "how the supply cable is laid",
            Arrays.asList(CableLaying.values()),
            l -> "%s (%s)".formatted(l.label(), l.letter()),
            l -> put("laying", feed.withMethod(l)));
    laying.setId("feed-laying");
    ChoiceField<Integer> phases =
        new ChoiceField<>(
            "mains phases",
            List.of(1, 3),
            p -> p == 1 ? "1 phase" : "3 phases",
            p -> put("phases", feed.withMains(feed.mainsVolts(), p)));
    phases.setId("feed-phases");
    feedFields
        .getChildren()
        .addAll(
            named(
                "Mains",
                number(
                    "feed-mains",
                    "mains voltage",
                    MeasureUnit.VOLT_UNIT,
                    feed.mainsVolts(),
                    v -> feed.withMains(v, feed.phases()))),
            phases.show(feed.phases()),
            laying.show(feed.method()),
            named(
                "Supply cable",
                number(
                    "feed-supply",
                    "length of the supply cable",
                    MeasureUnit.METRE_UNIT,
                    feed.supplyMetres(),
                    v -> feed.withLengths(v, feed.motorMetres()))),
            named(
                "Motor cable",
                number(
                    "feed-motor",
                    "length of the motor cable",
                    MeasureUnit.METRE_UNIT,
                    feed.motorMetres(),
                    v -> feed.withLengths(feed.supplyMetres(), v))),
            check(
                "feed-shield",
                "shielded",
                feed.shieldedMotorCable(),
                on -> put("shield", feed.withShield(on))));
  }

  private void put(String what, Feed next) {
    desk.apply(SetUpEdits.feed(axis.drive().id(), what, next));
  }

  private QuantityField number(
      String id, String name, MeasureUnit unit, double value, DoubleFunction<Feed> change) {
    QuantityField field =
        new QuantityField(name, unit, desk::units, v -> put(name, change.apply(v)), desk::refuse);
    field.setId(id);
    field.setPrefColumnCount(5);
    field.show(value);
    return field;
  }

  private static Node named(String words, Node field) {
    return Parts.row(6, Parts.label(words, "ink-label"), field);
  }

  private static CheckBox check(
      String id, String words, boolean on, java.util.function.Consumer<Boolean> take) {
    CheckBox box = new CheckBox(words);
    box.setId(id);
    box.setSelected(on);
    box.setOnAction(e -> take.accept(box.isSelected()));
    return box;
  }
}

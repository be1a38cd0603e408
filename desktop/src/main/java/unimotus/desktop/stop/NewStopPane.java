package unimotus.desktop.stop;

import javafx.scene.control.Button;
import javafx.scene.layout.VBox;
import unimotus.core.link.StopRequest;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Axis;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.StopEdits;

/** Where an axis has no stop yet: what is wanted, in a sentence, and one button. */
final class NewStopPane extends VBox {
  /** What contactors cut; only a stop by contactors looks at it. */
  private enum Cut {
    MAINS("the mains from the drive"),
    MOTOR("the motor from the drive");

    private final String label;

    Cut(String label) {
      this.label = label;
    }
  }

  private final Desk desk;
  private final Runnable made;
  private final Button back;
  private StopTrigger trigger = StopTrigger.GUARD_LOCK;
  private StopLogic logic = StopLogic.SAFETY_RELAY;
  private StopEffect effect = StopEffect.SS1_T;
  private RelayClass relay = RelayClass.TESTING;
  private Cut cut = Cut.MAINS;
  private double ramp = 5;
  private double delay = 6;

  NewStopPane(Desk desk, Runnable made, Runnable leave) {
    super(10);
    this.desk = desk;
    this.made = made;
    this.back = Parts.quiet("new-stop-back", "back to the stop there is", leave);
    setId("new-stop");
    getStyleClass().add("sheet");
    setMaxWidth(640);
    getChildren()
        .addAll(
            Parts.label("What stops this axis?", "ink-title"),
            Parts.prose(
                "Say what demands the stop, through what it goes and what takes the motion away. The program places the parts, draws every wire, sets selectors, jumper and times; all of it can be changed afterwards.",
                "ink-label"),
            row(
                "Triggered by",
                DesignFields.choice(
                    "new-trigger",
                    StopTrigger.values(),
                    StopTrigger::label,
                    trigger,
                    t -> trigger = t)),
            row(
                "through",
                DesignFields.choice(
                    "new-logic", StopLogic.values(), StopLogic::label, logic, l -> logic = l)),
            row(
                "class of the safety relay",
                DesignFields.choice(
                    "new-relay", RelayClass.values(), RelayClass::label, relay, r -> relay = r)),
            row(
                "onto",
                DesignFields.choice(
                    "new-effect", StopEffect.values(), StopEffect::label, effect, e -> effect = e)),
            row(
                "contactors cut",
                DesignFields.choice("new-cut", Cut.values(), c -> c.label, cut, c -> cut = c)),
            row("safe ramp from maximum speed", seconds("new-ramp", ramp, s -> ramp = s)),
            row("torque goes after", seconds("new-delay", delay, s -> delay = s)),
            Parts.row(8, Parts.primary("build-stop", "Build this stop", this::build), back));
    offerWayBack(false);
  }

  void offerWayBack(boolean offered) {
    back.setVisible(offered);
    back.setManaged(offered);
  }

  private static javafx.scene.Node row(String words, javafx.scene.Node entry) {
    javafx.scene.control.Label label = Parts.label(words, "ink-label");
    label.setPrefWidth(190);
    label.setMinWidth(190);
    return Parts.row(8, label, entry);
  }

  private QuantityField seconds(String id, double value, java.util.function.DoubleConsumer take) {
    QuantityField field =
        new QuantityField(id, MeasureUnit.SECOND_UNIT, desk::units, take, desk::refuse);
    field.setId(id);
    field.show(value);
    return field;
  }

  private void build() {
    Axis axis = desk.axis().orElse(null);
    if (axis == null) {
      return;
    }
    String name =
        "%s %s".formatted(axis.name(), trigger.label().toLowerCase(java.util.Locale.ROOT));
    StopRequest wanted =
        StopRequest.of(axis.id(), name, trigger, logic, effect)
            .withTimes(delay, ramp)
            .withRelay(relay)
            .withContactorsBehind(cut == Cut.MOTOR);
    if (desk.apply(StopEdits.build(desk.session().sheets(), wanted))) {
      made.run();
    }
  }
}

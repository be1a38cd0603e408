package unimotus.desktop.stop;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import unimotus.core.link.StopRequest;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.StopEdits;
import unimotus.workbench.StopOffers;

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
  private final ChoiceField<StopLogic> logics;
  private final ChoiceField<StopEffect> effects;
  private final Label leftOut = Parts.prose("", "ink-caption");
  private final Node relayRow;
  private final Node cutRow;
  private final Node rampRow;
  private final Node delayRow;
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
    logics =
        DesignFields.choice(
            "new-logic", StopLogic.values(), StopLogic::label, logic, this::through);
    effects =
        DesignFields.choice(
            "new-effect", StopEffect.values(), StopEffect::label, effect, this::onto);
    relayRow =
        row(
            "class of the safety relay",
            DesignFields.choice(
                "new-relay", RelayClass.values(), RelayClass::label, relay, r -> relay = r));
    cutRow =
        row(
            "contactors cut",
            DesignFields.choice("new-cut", Cut.values(), c -> c.label, cut, c -> cut = c));
    rampRow = row("safe ramp from maximum speed", seconds("new-ramp", ramp, s -> ramp = s));
    delayRow = row("torque goes after", seconds("new-delay", delay, s -> delay = s));
    setId("new-stop");
    getStyleClass().add("sheet");
    setMaxWidth(640);
    getChildren()
        .addAll(
            Parts.label("What stops this axis?", "ink-title"),
            Parts.prose(
                "Choose what triggers the stop, what evaluates it and what removes the motion. The program places the parts, draws every wire, sets selectors, jumper and times; all of it can be changed afterwards.",
                "ink-label"),
            row(
                "Triggered by",
                DesignFields.choice(
                    "new-trigger",
                    StopTrigger.values(),
                    StopTrigger::label,
                    trigger,
                    t -> {
                      trigger = t;
                      refresh();
                    })),
            row("through", logics),
            relayRow,
            row("onto", effects),
            cutRow,
            rampRow,
            delayRow,
            leftOut,
            Parts.row(8, Parts.primary("build-stop", "Build this stop", this::build), back));
    leftOut.setId("stops-left-out");
    offerWayBack(false);
    offer();
  }

  /** Offers what can be built on the axis that is looked at, and says why the rest cannot. */
  void refresh() {
    Project project = desk.session().project();
    SheetCatalogue sheets = desk.session().sheets();
    desk.axis()
        .ifPresent(
            axis -> {
              StopRequest wanted = wanted(axis);
              logics.offer(StopOffers.logics(project, sheets, wanted));
              show(StopOffers.of(project, sheets, wanted));
            });
  }

  private void show(StopOffers offers) {
    effects.offer(offers.effects());
    if (!offers.effects().isEmpty() && !offers.effects().contains(effect)) {
      effect = offers.effects().get(0);
    }
    effects.show(offers.effects().contains(effect) ? effect : null);
    List<String> words = new ArrayList<>();
    for (StopEffect each : StopEffect.values()) {
      String why = offers.leftOut().get(each);
      if (why != null) {
        words.add("%s: %s".formatted(each.label(), why));
      }
    }
    leftOut.setText(words.isEmpty() ? "" : "Left out – " + String.join("; ", words));
    offer();
  }

  void offerWayBack(boolean offered) {
    offer(back, offered);
  }

  private void through(StopLogic next) {
    logic = next;
    refresh();
  }

  private void onto(StopEffect next) {
    effect = next;
    offer();
  }

  /** Only what this kind of stop looks at is asked for. */
  private void offer() {
    boolean timed = effect == StopEffect.SS1_T;
    offer(relayRow, logic == StopLogic.SAFETY_RELAY);
    offer(cutRow, effect == StopEffect.CONTACTORS);
    offer(rampRow, timed);
    offer(delayRow, timed);
  }

  private static void offer(Node node, boolean offered) {
    node.setVisible(offered);
    node.setManaged(offered);
  }

  private static Node row(String words, Node entry) {
    Label label = Parts.label(words, "ink-label");
    label.setPrefWidth(190);
    label.setMinWidth(190);
    return Parts.row(8, label, entry);
  }

  private QuantityField seconds(String id, double value, DoubleConsumer take) {
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
    if (desk.apply(StopEdits.build(desk.session().sheets(), wanted(axis)))) {
      made.run();
    }
  }

  private StopRequest wanted(Axis axis) {
    String name = "%s %s".formatted(axis.name(), trigger.label().toLowerCase(Locale.ROOT));
    return StopRequest.of(axis.id(), name, trigger, logic, effect)
        .withTimes(delay, ramp)
        .withRelay(relay)
        .withContactorsBehind(cut == Cut.MOTOR);
  }
}

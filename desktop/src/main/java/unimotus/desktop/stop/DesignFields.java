package unimotus.desktop.stop;

import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleConsumer;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import unimotus.core.link.StopRequest;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.desktop.kit.WordField;
import unimotus.workbench.Edits;
import unimotus.workbench.StopDesigns;
import unimotus.workbench.StopEdits;

/** How the stop is built and set, to change in place. */
final class DesignFields extends FlowPane {
  private final Desk desk;

  DesignFields(Desk desk) {
    super(14, 6);
    this.desk = desk;
  }

  void show(Shown shown) {
    StopFunction stop = shown.stop();
    StopRequest now = StopDesigns.request(shown.axis(), desk.session().sheets(), stop);
    getChildren().clear();
    field("Called", name(stop));
    field(
        "Triggered by",
        choice(
            "stop-trigger",
            StopTrigger.values(),
            StopTrigger::label,
            stop.trigger(),
            t -> rebuild(stop, request(now, t, now.logic(), now.effect()))));
    field(
        "Through",
        choice(
            "stop-logic",
            StopLogic.values(),
            StopLogic::label,
            stop.logic(),
            l -> rebuild(stop, request(now, now.trigger(), l, effectFor(l, now.effect())))));
    field(
        "Onto",
        choice(
            "stop-effect",
            StopEffect.values(),
            StopEffect::label,
            stop.effect(),
            e -> rebuild(stop, request(now, now.trigger(), logicFor(e, now.logic()), e))));
    if (stop.logic().hasRelay()) {
      check(
          "stop-manual",
          "manual reset",
          now.manualReset(),
          on -> rebuild(stop, now.withRelay(on, now.crossFaultDetection())));
      check(
          "stop-cross",
          "cross-fault detection",
          now.crossFaultDetection(),
          on -> rebuild(stop, now.withRelay(now.manualReset(), on)));
      field(
          "Relay",
          choice(
              "stop-relay",
              RelayClass.values(),
              RelayClass::label,
              now.relay(),
              r -> rebuild(stop, now.withRelay(r))));
    }
    if (stop.effect() == StopEffect.CONTACTORS) {
      check(
          "stop-behind",
          "contactors behind the drive",
          now.behindDrive(),
          on -> rebuild(stop, now.withContactorsBehind(on)));
    }
    if (stop.effect() == StopEffect.SS1_T) {
      field(
          "Safe ramp",
          seconds(
              "safe-ramp",
              "safe ramp",
              now.rampSeconds(),
              s -> rampOrDelay(shown, now.withTimes(now.delaySeconds(), s))));
      field(
          "Delay",
          seconds(
              "safe-delay",
              "delay",
              now.delaySeconds(),
              s -> rampOrDelay(shown, now.withTimes(s, now.rampSeconds()))));
      field("d.c. link", link(stop));
    }
    check(
        "stop-vertical",
        "suspended load",
        stop.verticalLoad(),
        on ->
            desk.apply(StopEdits.change(stop.withLoad(on, stop.holdingBrake()), "suspended load")));
    if (stop.verticalLoad()) {
      check(
          "stop-brake",
          "holding brake",
          stop.holdingBrake(),
          on -> desk.apply(StopEdits.change(stop.withLoad(true, on), "holding brake")));
    }
    getChildren()
        .add(
            Parts.quiet(
                "stop-remove",
                "remove this stop",
                () -> desk.apply(StopEdits.remove(desk.session().sheets(), stop))));
  }

  private static StopRequest request(
      StopRequest now, StopTrigger trigger, StopLogic logic, StopEffect effect) {
    return StopRequest.of(now.axis(), now.name(), trigger, logic, effect)
        .withRelay(now.manualReset(), now.crossFaultDetection())
        .withTimes(now.delaySeconds(), now.rampSeconds())
        .withRelay(now.relay())
        .withContactorsBehind(now.behindDrive());
  }

  /** What a way of building can end on, nearest to what was chosen before. */
  private static StopEffect effectFor(StopLogic logic, StopEffect was) {
    return switch (logic) {
      case RELAY_CHAIN -> StopEffect.RUN_INPUTS;
      case RELAY_CONTACTORS -> StopEffect.CONTACTORS;
      case DIRECT, SAFETY_RELAY -> was == StopEffect.RUN_INPUTS ? StopEffect.STO : was;
    };
  }

  private static StopLogic logicFor(StopEffect effect, StopLogic was) {
    return switch (effect) {
      case RUN_INPUTS -> StopLogic.RELAY_CHAIN;
      case CONTACTORS -> was.hasRelay() ? StopLogic.RELAY_CONTACTORS : StopLogic.DIRECT;
      case STO, SS1_T, ENABLE ->
          was == StopLogic.DIRECT ? StopLogic.DIRECT : StopLogic.SAFETY_RELAY;
    };
  }

  private void rebuild(StopFunction stop, StopRequest next) {
    if (!desk.apply(StopEdits.rebuild(desk.session().sheets(), stop, next))) {
      desk.refresh();
    }
  }

  /** Times stand in the drive's settings; those of a delayed relay stand on its own sheet. */
  private void rampOrDelay(Shown shown, StopRequest next) {
    if (next.relay() == RelayClass.DELAYED) {
      rebuild(shown.stop(), next);
      return;
    }
    set(shown, SettingRole.SAFE_STOP_RAMP, next.rampSeconds());
    set(shown, SettingRole.SAFE_STOP_DELAY, next.delaySeconds());
  }

  private void set(Shown shown, SettingRole role, double seconds) {
    shown
        .axis()
        .driveSheet()
        .setting(role)
        .ifPresent(
            s ->
                desk.apply(
                    Edits.setting(
                        shown.axis().drive().id(), s.code(), new SettingValue.Number(seconds))));
  }

  private void field(String name, Node entry) {
    getChildren().add(Parts.row(6, Parts.label(name, "ink-label"), entry));
  }

  private void check(
      String id, String name, boolean on, java.util.function.Consumer<Boolean> take) {
    CheckBox box = new CheckBox(name);
    box.setId(id);
    box.setSelected(on);
    box.setOnAction(e -> take.accept(box.isSelected()));
    getChildren().add(box);
  }

  private WordField name(StopFunction stop) {
    return new WordField(
        "stop-name",
        "name of the stop",
        stop.name(),
        14,
        words -> {
          if (!desk.apply(StopEdits.rename(stop, words))) {
            desk.refresh();
          }
        });
  }

  private QuantityField link(StopFunction stop) {
    QuantityField field =
        new QuantityField(
            "capacitance of the d.c. link",
            MeasureUnit.MICROFARAD,
            desk::units,
            c -> desk.apply(StopEdits.change(stop.withLinkMicrofarads(c), "d.c. link")),
            desk::refuse);
    field.setId("stop-link");
    field.setPrefColumnCount(6);
    field.show(stop.linkMicrofarads());
    return field;
  }

  private QuantityField seconds(String id, String name, double value, DoubleConsumer take) {
    QuantityField field =
        new QuantityField(name, MeasureUnit.SECOND_UNIT, desk::units, take, desk::refuse);
    field.setId(id);
    field.setPrefColumnCount(5);
    field.show(value);
    return field;
  }

  static <T> ChoiceField<T> choice(
      String id,
      T[] options,
      java.util.function.Function<T, String> words,
      T shown,
      java.util.function.Consumer<T> take) {
    List<T> all = Arrays.asList(options);
    ChoiceField<T> field = new ChoiceField<>(id, all, words, take);
    field.setId(id);
    return field.show(shown);
  }
}

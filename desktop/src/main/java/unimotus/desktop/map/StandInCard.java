package unimotus.desktop.map;

import java.io.IOException;
import java.util.List;
import java.util.function.BiConsumer;
import javafx.scene.control.CheckBox;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.Axis;
import unimotus.core.profile.DriveProfiles;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.modbus.ExceptionCode;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.Troubles;
import unimotus.devices.serial.SerialSettings;
import unimotus.workbench.live.AssumedSwitches;
import unimotus.workbench.live.StandIns;
import unimotus.workbench.live.StandIns.Placed;

/**
 * Drives of the line that answer although none is there: started, made to fail, made to misbehave.
 */
final class StandInCard extends VBox {
  private static final int LATE_MILLISECONDS = 400;
  private static final int LIE_EVERY = 5;
  private static final int PROVOKED_FAULT = 3;

  private final Desk desk;
  private final BiConsumer<Route, Placed> aim;
  private final VBox list = Parts.column(1);
  private RouteFields.Way way = RouteFields.Way.TCP;
  private @Nullable StandIns standIns;

  /**
   * A card.
   *
   * @param aim receives where the drive of the axis that is shown can be found
   */
  StandInCard(Desk desk, BiConsumer<Route, Placed> aim) {
    super(6);
    this.desk = desk;
    this.aim = aim;
    ChoiceField<RouteFields.Way> ways =
        new ChoiceField<>(
            "simulation on",
            List.of(RouteFields.Way.values()),
            RouteFields.Way::label,
            w -> way = w);
    ways.setId("stand-in-way");
    ways.show(way);
    getChildren()
        .addAll(
            Parts.flow(
                8,
                Parts.action("live-stand-ins", "Start simulated devices", this::start),
                Parts.label("on", "ink-label"),
                ways),
            list);
    desk.atClose(this::end);
  }

  private void end() {
    desk.end(standIns, "the simulated devices");
    standIns = null;
  }

  private void start() {
    try {
      end();
      StandIns next =
          StandIns.start(
              desk.session().project(),
              desk.session().sheets(),
              place(),
              DriveProfiles.CIA_402_VELOCITY,
              System::nanoTime);
      standIns = next;
      list.getChildren().setAll(troubles(next));
      next.units().forEach(u -> list.getChildren().add(row(u)));
      next.servos().forEach(u -> list.getChildren().add(row(u)));
      if (!next.servos().isEmpty()) {
        AssumedSwitches.of(desk.session().project(), desk.session().sheets())
            .ifPresent(words -> list.getChildren().add(Parts.prose(words, "ink-caption")));
      }
      next.units().stream()
          .filter(this::isShown)
          .findFirst()
          .or(() -> next.units().stream().findFirst())
          .ifPresent(shown -> aim.accept(next.server().route(), shown));
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private StandIns.Place place() {
    return switch (way) {
      case TCP -> StandIns.tcp(0);
      case SERIAL_OVER_TCP -> StandIns.serialOverTcp(0);
      case SERIAL -> StandIns.serial(SerialSettings.STANDARD);
    };
  }

  private boolean isShown(Placed placed) {
    return desk.axis().map(Axis::name).filter(placed.axis()::equals).isPresent();
  }

  private static FlowPane row(Placed placed) {
    return Parts.flow(
        8,
        Parts.label("unit %d: %s".formatted(placed.number(), placed.axis()), "ink-label"),
        Parts.quiet(
            "provoke-" + placed.number(),
            "provoke a fault",
            () -> placed.unit().drive().provoke(PROVOKED_FAULT)),
        strict(placed));
  }

  private static FlowPane row(StandIns.PlacedServo placed) {
    return Parts.flow(
        8,
        Parts.label(
            "unit %d: %s, a servo axis in counts".formatted(placed.number(), placed.axis()),
            "ink-label"),
        Parts.quiet(
            "provoke-" + placed.number(),
            "provoke a fault",
            () -> placed.unit().servo().provoke(StandInServo.FAULT_LINK)));
  }

  private static CheckBox strict(Placed placed) {
    CheckBox strict = new CheckBox("reject wrong words");
    strict.setId("strict-" + placed.number());
    strict.setOnAction(e -> placed.unit().drive().refuseWhatIsIgnored(strict.isSelected()));
    return strict;
  }

  /** How the stand-ins misbehave, to see what the controller's side makes of it. */
  private static FlowPane troubles(StandIns standIns) {
    return Parts.flow(
        4,
        Parts.label("they", "ink-label"),
        trouble(standIns, "late", "answer late", new Troubles(LATE_MILLISECONDS, 0, 0)),
        trouble(standIns, "silent", "stop answering", new Troubles(0, 1, 0)),
        trouble(standIns, "lying", "wrong data at times", new Troubles(0, 0, LIE_EVERY)),
        trouble(
            standIns, "busy", "answer busy", Troubles.refusing(ExceptionCode.SERVER_DEVICE_BUSY)),
        trouble(standIns, "none", "behave", Troubles.NONE));
  }

  private static javafx.scene.control.Button trouble(
      StandIns standIns, String id, String words, Troubles troubles) {
    return Parts.quiet("trouble-" + id, words, () -> standIns.server().misbehave(troubles));
  }
}

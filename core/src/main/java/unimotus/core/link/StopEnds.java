package unimotus.core.link;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** What a stop has to open, made ready for it. */
final class StopEnds {
  private static final String SIGNAL = "stop circuit";

  private final Draft draft;
  private final StopRequest request;

  StopEnds(Draft draft, StopRequest request) {
    this.draft = draft;
    this.request = request;
  }

  /** What the stop has to open: two terminals, or one where the drive has one channel only. */
  List<TerminalRef> stopping() {
    return switch (request.effect()) {
      case STO, SS1_T -> safeTorqueOff();
      case CONTACTORS -> contactors();
      case ENABLE -> {
        bridgeSafeTorqueOff();
        yield List.of(draft.input("enable"));
      }
      case RUN_INPUTS ->
          throw new IllegalArgumentException(
              "the run inputs are opened by a relay chain, not by "
                  + request.logic().label().toLowerCase(Locale.ROOT));
    };
  }

  private List<TerminalRef> safeTorqueOff() {
    PlacedDevice drive = draft.drive();
    List<TerminalRef> channels =
        drive.sheet().terminals().stream()
            .filter(t -> t.role() == TerminalRole.SAFE_TORQUE_OFF)
            .map(t -> drive.ref(t.id()))
            .toList();
    if (channels.isEmpty()) {
      throw Draft.lacking(drive, TerminalRole.SAFE_TORQUE_OFF.label());
    }
    if (channels.stream().anyMatch(c -> !draft.isFree(c))) {
      throw new IllegalArgumentException(
          "safe torque off of %s is wired already: change that stop instead"
              .formatted(drive.device().name()));
    }
    if (request.effect() == StopEffect.SS1_T && request.relay() == RelayClass.DELAYED) {
      draft.set(SettingRole.SAFE_STOP_DELAY, 0);
      draft.set(SettingRole.STOP_MODE, Option.RAMP);
      draft.set(SettingRole.DECELERATION_TIME, request.rampSeconds());
    } else if (request.effect() == StopEffect.SS1_T) {
      if (draft.axis().driveSheet().setting(SettingRole.SAFE_STOP_DELAY).isEmpty()) {
        throw Draft.lacking(drive, "timed safe stop 1");
      }
      draft.set(SettingRole.SAFE_STOP_DELAY, request.delaySeconds());
      draft.set(SettingRole.SAFE_STOP_RAMP, request.rampSeconds());
    } else {
      draft.set(SettingRole.SAFE_STOP_DELAY, 0);
    }
    draft.select(drive, SelectorRole.STO_JUMPER, Option.REMOVED);
    return channels;
  }

  /**
   * Where nothing is wired to safe torque off, its works jumper stays: open, the drive never runs.
   */
  void bridgeSafeTorqueOff() {
    PlacedDevice drive = draft.drive();
    List<TerminalRef> channels = all(drive, TerminalRole.SAFE_TORQUE_OFF);
    if (!channels.isEmpty() && channels.stream().allMatch(draft::isFree)) {
      draft.select(drive, SelectorRole.STO_JUMPER, Option.FITTED);
    }
  }

  private List<TerminalRef> contactors() {
    List<TerminalRef> coils = new ArrayList<>();
    List<PlacedDevice> powered = new ArrayList<>();
    TerminalRef zero = draft.need(draft.controller(), TerminalRole.COMMON_0V);
    for (String name : List.of("contactor 1", "contactor 2")) {
      PlacedDevice contactor = draft.part("contactor-24v", name);
      coils.add(contactor.ref("A1"));
      draft.wire(contactor.ref("A2"), zero, SIGNAL);
      powered.add(contactor);
    }
    new PowerLinks(draft).throughContactors(powered, request.behindDrive());
    if (request.behindDrive()) {
      permitWhileJoined(powered);
    } else {
      bridgeSafeTorqueOff();
    }
    return coils;
  }

  /**
   * A drive that runs on while its motor is cut off would start it when the contactors close again:
   * their auxiliary contacts take its permission along.
   */
  private void permitWhileJoined(List<PlacedDevice> contactors) {
    PlacedDevice drive = draft.drive();
    List<TerminalRef> channels = all(drive, TerminalRole.SAFE_TORQUE_OFF);
    if (channels.isEmpty() || !channels.stream().allMatch(draft::isFree)) {
      return;
    }
    draft.select(drive, SelectorRole.STO_JUMPER, Option.REMOVED);
    for (int i = 0; i < channels.size(); i++) {
      PlacedDevice contactor = contactors.get(Math.min(i, contactors.size() - 1));
      draft.wire(draft.need(drive, TerminalRole.SUPPLY_24V), contactor.ref("13"), SIGNAL);
      draft.wire(contactor.ref("14"), channels.get(i), SIGNAL);
    }
  }

  static List<TerminalRef> all(PlacedDevice device, TerminalRole role) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == role)
        .map(t -> device.ref(t.id()))
        .toList();
  }
}

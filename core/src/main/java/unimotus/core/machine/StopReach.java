package unimotus.core.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;

/**
 * What can influence a stop, found by following the current: along every conductor to all that
 * hangs on it, through a contact to its other side and to the coil that moves it, through a safety
 * relay to all its channels, through an output of a drive to what decides its state.
 *
 * <p>A conductor that a supply holds is left only towards its supplies: what else hangs on 24 V or
 * 0 V takes current from it and has no other way to act. Of such a conductor only the wires between
 * what was reached are kept.
 *
 * <p>The search starts where the motion is taken away and at every part of the stop. What is
 * reached from the parts alone, such as a lamp on a spare contact, belongs to the stop and cannot
 * influence it.
 *
 * @param devices the devices that were reached, in the line's order
 * @param wires the wires between what was reached, in the line's order
 * @param acting what can influence the stop: the terminals reached from where motion is taken away
 * @param lost ends of these wires that are on no device of the line; what is there is not known
 */
public record StopReach(
    List<Fitted> devices, List<Wire> wires, Set<TerminalRef> acting, Set<TerminalRef> lost) {
  /** Nothing at all, as for an axis without a stop. */
  public static final StopReach NONE = new StopReach(List.of(), List.of(), Set.of(), Set.of());

  /** Takes copies. */
  public StopReach {
    devices = List.copyOf(devices);
    wires = List.copyOf(wires);
    acting = Set.copyOf(acting);
    lost = Set.copyOf(lost);
  }

  /** Whether a wire can influence the stop. */
  public boolean acts(Wire wire) {
    return acting.contains(wire.from()) && acting.contains(wire.to());
  }

  /**
   * What can influence a stop.
   *
   * @param fitted every device of the line whose sheet is known, by id
   * @param index every wire of the line
   * @param drive the drive that is stopped
   * @param motor id of its motor
   * @param stop the stop
   */
  static StopReach of(
      Map<String, Fitted> fitted, WireIndex index, Drive drive, String motor, StopFunction stop) {
    ReachSearch whole = new ReachSearch(fitted, index);
    ReachSearch acting = new ReachSearch(fitted, index);
    List<TerminalRef> ends = ends(fitted, drive, stop);
    ends.forEach(acting::reach);
    ends.forEach(whole::reach);
    ends.forEach(whole::reachNext);
    stop.parts().forEach(whole::startAt);
    // Another way of power to the motor is a way round the drive.
    for (String terminal : Motor.TERMINALS) {
      whole.reach(new TerminalRef(motor, terminal));
      acting.reach(new TerminalRef(motor, terminal));
    }
    acting.run();
    whole.run();
    return whole.result(acting.between(), motor);
  }

  /** The terminals at which a stop takes the motion away. */
  private static List<TerminalRef> ends(
      Map<String, Fitted> fitted, Drive drive, StopFunction stop) {
    List<TerminalRef> ends = new ArrayList<>();
    Fitted driven = fitted.get(drive.id());
    if (driven != null && driven.sheet() instanceof DriveSheet sheet) {
      EffectiveSettings settings = new EffectiveSettings(drive, sheet);
      sheet.terminals().stream()
          .filter(t -> isEnd(stop.effect(), t, settings.functionOf(t.id()).orElse("none")))
          .forEach(t -> ends.add(new TerminalRef(drive.id(), t.id())));
    }
    for (String contactor : stop.contactors()) {
      Optional.ofNullable(fitted.get(contactor)).stream()
          .flatMap(f -> f.sheet().terminals().stream())
          .filter(t -> t.role() == TerminalRole.MAIN_CONTACT || t.role() == TerminalRole.COIL)
          .forEach(t -> ends.add(new TerminalRef(contactor, t.id())));
    }
    return ends;
  }

  private static boolean isEnd(StopEffect effect, Terminal terminal, String function) {
    return switch (effect) {
      case STO, SS1_T -> terminal.role() == TerminalRole.SAFE_TORQUE_OFF;
      case CONTACTORS ->
          terminal.role() == TerminalRole.SAFE_TORQUE_OFF
              || terminal.role() == TerminalRole.LINE_INPUT
              || terminal.role() == TerminalRole.LINK_PLUS
              || terminal.role() == TerminalRole.LINK_MINUS;
      case ENABLE -> function.equals("enable");
      case RUN_INPUTS -> Meaning.isRun(function);
    };
  }

  /** This reach with its devices as they stand in a project whose wiring is the same. */
  StopReach asIn(Project project) {
    List<Fitted> now =
        devices.stream()
            .map(f -> new Fitted(project.device(f.device().id()).orElse(f.device()), f.sheet()))
            .toList();
    return new StopReach(now, wires, acting, lost);
  }
}

package unimotus.core.link;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** Draws the power side of one drive: mains, contactors, drive, motor. */
final class PowerLinks {
  private static final String SIGNAL = "power";

  private static final double THREE_PHASE_VOLTS = 400;
  private static final double ONE_PHASE_VOLTS = 230;

  private final Draft draft;

  PowerLinks(Draft draft) {
    this.draft = draft;
  }

  /**
   * Leads the mains over contactors to the drive, or the motor over them to the drive.
   *
   * @param behind whether the contactors lie between drive and motor
   */
  void throughContactors(List<PlacedDevice> contactors, boolean behind) {
    PlacedDevice drive = draft.drive();
    List<TerminalRef> inputs = all(drive, TerminalRole.LINE_INPUT);
    List<TerminalRef> outputs = all(drive, TerminalRole.MOTOR_OUTPUT);
    List<TerminalRef> motor =
        Motor.TERMINALS.stream().map(t -> new TerminalRef(draft.axis().motor().id(), t)).toList();
    if (inputs.isEmpty() || outputs.isEmpty()) {
      throw Draft.lacking(drive, "terminal for mains and motor on its sheet");
    }
    if (isSwitched(inputs)) {
      throw new IllegalArgumentException(
          "%s has its mains over the contactors of a stop already: change that stop instead"
              .formatted(drive.device().name()));
    }
    unwire(inputs);
    unwire(motor);
    PlacedDevice mains = mains(inputs.size());
    List<TerminalRef> sources = all(mains, TerminalRole.MAINS);
    chain(sources, behind ? List.of() : contactors, inputs);
    chain(outputs, behind ? contactors : List.of(), motor);
  }

  /** The mains a drive takes; none is assumed that it is not rated for. */
  private PlacedDevice mains(int conductors) {
    Feed feed = draft.axis().feed();
    if (conductors == 3 && isAbout(feed.mainsVolts(), THREE_PHASE_VOLTS)) {
      return draft.shared("mains-3x400", "Mains");
    }
    if (conductors == 2 && isAbout(feed.mainsVolts(), ONE_PHASE_VOLTS)) {
      return draft.shared("mains-1x230", "Mains, one phase");
    }
    throw new IllegalArgumentException(
        "%s takes %d conductors of %.0f V; there are mains of three phases of 400 V and of one of 230 V"
            .formatted(draft.drive().device().name(), conductors, feed.mainsVolts()));
  }

  /** Mains of a class lie a fifth about its name (380 to 480 V, 208 to 240 V). */
  private static boolean isAbout(double volts, double named) {
    return volts > 0.79 * named && volts < 1.21 * named;
  }

  /** From each source over one pole of each contactor to each end. */
  private void chain(
      List<TerminalRef> sources, List<PlacedDevice> contactors, List<TerminalRef> ends) {
    for (int pole = 0; pole < ends.size(); pole++) {
      TerminalRef at = sources.get(pole);
      for (PlacedDevice contactor : contactors) {
        Terminal contact = poles(contactor).get(pole);
        draft.wire(at, contactor.ref(String.valueOf(contact.common())), SIGNAL);
        at = contactor.ref(contact.id());
      }
      draft.wire(at, ends.get(pole), SIGNAL);
    }
  }

  private static List<Terminal> poles(PlacedDevice contactor) {
    List<Terminal> poles = new ArrayList<>();
    for (Terminal terminal : contactor.sheet().terminals()) {
      if (terminal.role() == TerminalRole.MAIN_CONTACT && terminal.common() != null) {
        poles.add(terminal);
      }
    }
    return poles;
  }

  private static List<TerminalRef> all(PlacedDevice device, TerminalRole role) {
    return device.sheet().terminals().stream()
        .filter(t -> t.role() == role)
        .map(t -> device.ref(t.id()))
        .toList();
  }

  /** Takes off every wire that ends on one of these terminals. */
  private void unwire(List<TerminalRef> terminals) {
    Project project = draft.project();
    draft.replace(
        project.withWires(
            project.wires().stream()
                .filter(w -> terminals.stream().noneMatch(w::touches))
                .toList()));
  }

  /** Whether a wire leads from any of these terminals to a contactor of a stop. */
  private boolean isSwitched(List<TerminalRef> terminals) {
    Project project = draft.project();
    Set<String> contactors = new HashSet<>();
    project.stops().forEach(s -> contactors.addAll(s.contactors()));
    return project.wires().stream()
        .filter(w -> terminals.stream().anyMatch(w::touches))
        .anyMatch(w -> contactors.stream().anyMatch(w::touches));
  }
}

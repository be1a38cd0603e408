package unimotus.core.dryrun;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/**
 * How a drive turns what its inputs see into permission, run and direction (common practice).
 *
 * <p>Two-wire: a run input that is on runs; after a loss of power or permission it has to come on
 * anew, unless the drive is set otherwise. Three-wire: a start that comes on while stop is
 * satisfied is latched until stop opens, or power or permission is lost. A start that comes
 * together with its stop is lost; one with a delay is looked at when the delay is over. Not
 * thread-safe.
 */
final class DriveLogic {
  /** Delay of a delayed start (common practice). */
  static final double START_DELAY_SECONDS = 0.2;

  private final boolean threeWire;
  private final boolean byTerminals;
  private final boolean restartsAtPowerUp;
  private final boolean restartsAfterPermission;
  private final Set<Meaning> assigned;

  private Set<Meaning> before = EnumSet.noneOf(Meaning.class);
  private boolean fedBefore;
  private boolean permittedBefore = true;
  private boolean renewed;
  private int asked;
  private int command;
  private double startDue = Double.POSITIVE_INFINITY;
  private final List<String> notes = new ArrayList<>();

  DriveLogic(EffectiveSettings settings, Set<Meaning> assigned) {
    this.threeWire = settings.is(SettingRole.CONTROL_WIRING, Option.THREE_WIRE, Option.TWO_WIRE);
    this.byTerminals = settings.is(SettingRole.COMMAND_SOURCE, Option.TERMINALS, Option.TERMINALS);
    this.restartsAtPowerUp =
        settings.is(SettingRole.RESTART_AT_POWER_UP, Option.ALLOWED, Option.BLOCKED);
    this.restartsAfterPermission =
        settings.is(SettingRole.RESTART_AFTER_STO, Option.ALLOWED, Option.BLOCKED);
    this.assigned = Set.copyOf(assigned);
  }

  /** 1 forward, −1 reverse, 0 stop. */
  int command() {
    return command;
  }

  /** When a delayed start is looked at again; infinite where none is under way. */
  double due() {
    return startDue;
  }

  /** What was worth a word since this was last asked, each said once. */
  List<String> takeNotes() {
    List<String> taken = List.copyOf(notes);
    notes.clear();
    return taken;
  }

  /** What network or keypad command. */
  void ask(int direction) {
    asked = direction;
  }

  /**
   * The drive looks at its inputs.
   *
   * @param on the functions of the inputs that read on
   * @param permitted whether safe torque off and enable let it run
   * @param fed whether it has its mains
   * @param now in seconds
   */
  void see(Set<Meaning> on, boolean permitted, boolean fed, double now) {
    if (fed && !fedBefore) {
      // Power has just come: what is found on is no new command.
      before = copy(on);
      renewed = restartsAtPowerUp;
    }
    if (!fed || !permitted) {
      lose(fed);
    } else {
      renewed |= fedBefore && !permittedBefore && restartsAfterPermission;
      command = wanted(on, now);
    }
    before = copy(on);
    fedBefore = fed;
    permittedBefore = permitted;
  }

  private static Set<Meaning> copy(Set<Meaning> on) {
    return on.isEmpty() ? EnumSet.noneOf(Meaning.class) : EnumSet.copyOf(on);
  }

  private void lose(boolean fed) {
    if (command != 0) {
      note(
          fed
              ? "permission lost: the torque is gone, the load coasts"
              : threeWire ? "power lost: the latched start is gone" : "power lost while running");
    }
    command = 0;
    asked = 0;
    startDue = Double.POSITIVE_INFINITY;
    renewed = false;
  }

  private int wanted(Set<Meaning> on, double now) {
    boolean terminals = byTerminals || on.contains(Meaning.MANUAL_REQUEST);
    if (terminals && asked != 0) {
      note("the drive takes its commands from its terminals: the network's does nothing");
      asked = 0;
    }
    int run = threeWire ? latched(on, now, terminals) : terminals ? maintained(on) : 0;
    return terminals || (threeWire && run != 0) ? run : overNetwork(on);
  }

  /** A network or a keypad may command while a stop that is wired is satisfied. */
  private int overNetwork(Set<Meaning> on) {
    boolean stopped = assigned.contains(Meaning.STOP) && !on.contains(Meaning.STOP);
    if (stopped) {
      asked = 0;
    }
    return asked;
  }

  private int maintained(Set<Meaning> on) {
    boolean forward = on.contains(Meaning.RUN_FORWARD);
    boolean reverse = on.contains(Meaning.RUN_REVERSE);
    if (forward && reverse) {
      note("forward and reverse are on together: the drive stops");
    }
    int run = forward == reverse ? 0 : forward ? direction(on) : -1;
    boolean isNew = !before.contains(Meaning.RUN_FORWARD) && !before.contains(Meaning.RUN_REVERSE);
    // Both on together stop the drive; letting one go is no new command after a loss.
    renewed |= !forward && !reverse || isNew;
    if (run != 0 && !renewed) {
      note("run is still on: the drive waits for a new command");
    }
    return renewed ? run : 0;
  }

  private static int direction(Set<Meaning> on) {
    return on.contains(Meaning.DIRECTION) ? -1 : 1;
  }

  private int latched(Set<Meaning> on, double now, boolean taken) {
    if (!assigned.contains(Meaning.STOP)) {
      note("three-wire control without a stop input: the drive takes no start");
      return 0;
    }
    if (!on.contains(Meaning.STOP)) {
      startDue = Double.POSITIVE_INFINITY;
      return 0;
    }
    if (!taken) {
      return 0;
    }
    if (isNew(on, Meaning.START_DELAYED)) {
      startDue = now + START_DELAY_SECONDS;
    }
    if (!on.contains(Meaning.START_DELAYED)) {
      startDue = Double.POSITIVE_INFINITY;
    } else if (now >= startDue) {
      startDue = Double.POSITIVE_INFINITY;
      return direction(on);
    }
    int started = started(on);
    return started != 0 || command == 0 ? started : kept(on);
  }

  /** A latched command follows the direction input where there is one. */
  private int kept(Set<Meaning> on) {
    return assigned.contains(Meaning.DIRECTION) ? direction(on) : command;
  }

  private int started(Set<Meaning> on) {
    for (Meaning start : List.of(Meaning.START, Meaning.START_REVERSE)) {
      if (isNew(on, start)) {
        if (before.contains(Meaning.STOP)) {
          return start == Meaning.START ? direction(on) : -1;
        }
        note("start and stop closed together: the start is lost");
      }
    }
    return 0;
  }

  private boolean isNew(Set<Meaning> on, Meaning meaning) {
    return on.contains(meaning) && !before.contains(meaning);
  }

  private void note(String text) {
    notes.add(text);
  }
}

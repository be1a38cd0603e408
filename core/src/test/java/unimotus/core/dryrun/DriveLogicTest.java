package unimotus.core.dryrun;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Drive;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;

/**
 * What a drive makes of its inputs, against a reading of their whole history: letters of strings,
 * one a look, that are searched for what has to have been there. Rules by common practice.
 */
class DriveLogicTest {
  private static final int HISTORIES = 2000;
  private static final int LOOKS = 30;

  private static EffectiveSettings settings(boolean threeWire, boolean restarts) {
    AxisAssembly axis = Lines.axis(Lines.bare("controller-modular", "pump-drive-5k5"));
    Drive drive = axis.drive();
    drive = set(axis, drive, SettingRole.CONTROL_WIRING, threeWire ? "three-wire" : "two-wire");
    drive = set(axis, drive, SettingRole.COMMAND_SOURCE, "terminals");
    drive = set(axis, drive, SettingRole.RESTART_AT_POWER_UP, restarts ? "allowed" : "blocked");
    return new EffectiveSettings(drive, axis.driveSheet());
  }

  private static Drive set(AxisAssembly axis, Drive drive, SettingRole role, String value) {
    SettingDefinition setting = axis.driveSheet().setting(role).orElseThrow();
    return drive.withSetting(setting.code(), new SettingValue.Choice(value));
  }

  /** Letters: F forward, R reverse, S stop satisfied, G start, P permitted, M mains. */
  private static String look(Random random, String before) {
    StringBuilder letters = new StringBuilder();
    for (char letter : "FRSGPM".toCharArray()) {
      boolean was = before.indexOf(letter) >= 0;
      double often = letter == 'P' || letter == 'M' ? 0.08 : 0.3;
      if (was != random.nextDouble() < often) {
        letters.append(letter);
      }
    }
    return letters.toString();
  }

  private static List<String> history(Random random) {
    List<String> looks = new ArrayList<>();
    String last = "SPM";
    for (int i = 0; i < LOOKS; i++) {
      last = look(random, last);
      looks.add(last);
    }
    return looks;
  }

  private static Set<Meaning> on(String look) {
    Set<Meaning> on = EnumSet.noneOf(Meaning.class);
    for (char letter : look.toCharArray()) {
      switch (letter) {
        case 'F' -> on.add(Meaning.RUN_FORWARD);
        case 'R' -> on.add(Meaning.RUN_REVERSE);
        case 'S' -> on.add(Meaning.STOP);
        case 'G' -> on.add(Meaning.START);
        default -> {
          // Permission and mains are no inputs with a function.
        }
      }
    }
    return on;
  }

  private static boolean has(String look, String letters) {
    return letters.chars().allMatch(l -> look.indexOf(l) >= 0);
  }

  /** Runs where some start came on after a look with stop satisfied, and nothing was lost since. */
  private static boolean latched(List<String> looks, int now) {
    for (int begin = now; begin > 0; begin--) {
      if (!has(looks.get(begin), "SPM")) {
        return false;
      }
      boolean edge = has(looks.get(begin), "G") && !has(looks.get(begin - 1), "G");
      if (edge && has(looks.get(begin - 1), "SM")) {
        return true;
      }
    }
    return false;
  }

  /**
   * The direction of the one contact that is on, where one came on since the last loss; what is
   * found on when power comes did not come on.
   */
  private static int maintained(List<String> looks, int now) {
    String look = looks.get(now);
    boolean forward = has(look, "F");
    if (!has(look, "PM") || forward == has(look, "R")) {
      return 0;
    }
    for (int begin = now; begin >= 0; begin--) {
      if (!has(looks.get(begin), "PM")) {
        return 0;
      }
      boolean none = !has(looks.get(begin), "F") && !has(looks.get(begin), "R");
      boolean fresh =
          begin > 0
              && has(looks.get(begin - 1), "M")
              && !has(looks.get(begin - 1), "F")
              && !has(looks.get(begin - 1), "R");
      if (none || fresh) {
        return forward ? 1 : -1;
      }
    }
    return 0;
  }

  @Test
  void aLatchedCommandIsWhatItsHistorySays() {
    Random random = new Random(9);
    int wrong = 0;
    for (int i = 0; i < HISTORIES; i++) {
      DriveLogic logic = new DriveLogic(settings(true, false), EnumSet.of(Meaning.STOP));
      List<String> looks = history(random);
      for (int now = 0; now < looks.size(); now++) {
        String look = looks.get(now);
        logic.see(on(look), has(look, "P"), has(look, "M"), now);
        wrong += logic.command() == (latched(looks, now) ? 1 : 0) ? 0 : 1;
      }
    }
    assertThat(wrong).as("of %d looks", HISTORIES * LOOKS).isZero();
  }

  @Test
  void aMaintainedCommandNeedsANewOneAfterAnyLoss() {
    Random random = new Random(10);
    int wrong = 0;
    for (int i = 0; i < HISTORIES; i++) {
      DriveLogic logic = new DriveLogic(settings(false, false), EnumSet.noneOf(Meaning.class));
      List<String> looks = history(random);
      for (int now = 0; now < looks.size(); now++) {
        String look = looks.get(now);
        logic.see(on(look), has(look, "P"), has(look, "M"), now);
        wrong += logic.command() == maintained(looks, now) ? 0 : 1;
      }
    }
    assertThat(wrong).as("of %d looks", HISTORIES * LOOKS).isZero();
  }

  @Test
  void aDriveThatMayRestartStartsWhenPowerComesBackOnAClosedContact() {
    for (boolean restarts : new boolean[] {false, true}) {
      DriveLogic logic = new DriveLogic(settings(false, restarts), EnumSet.noneOf(Meaning.class));
      Set<Meaning> run = EnumSet.of(Meaning.RUN_FORWARD);
      logic.see(EnumSet.noneOf(Meaning.class), true, true, 0);
      logic.see(run, true, true, 1);
      assertThat(logic.command()).isEqualTo(1);
      logic.see(run, true, false, 2);
      assertThat(logic.command()).isZero();
      logic.see(run, true, true, 3);
      assertThat(logic.command()).as("allowed %s", restarts).isEqualTo(restarts ? 1 : 0);
    }
  }

  @Test
  void aContactFoundClosedAtTheFirstLookIsNoNewCommand() {
    DriveLogic logic = new DriveLogic(settings(false, false), EnumSet.noneOf(Meaning.class));
    logic.see(EnumSet.of(Meaning.RUN_FORWARD), true, true, 0);
    assertThat(logic.command()).isZero();
    assertThat(logic.takeNotes()).contains("run is still on: the drive waits for a new command");
  }

  @Test
  void startAndStopTogetherLoseAPlainStartAndADelayedOneComesThrough() {
    DriveLogic logic = new DriveLogic(settings(true, false), EnumSet.of(Meaning.STOP));
    logic.see(EnumSet.noneOf(Meaning.class), true, true, 0);
    logic.see(EnumSet.of(Meaning.STOP, Meaning.START), true, true, 1);
    assertThat(logic.command()).isZero();
    assertThat(logic.takeNotes()).contains("start and stop closed together: the start is lost");
    Set<Meaning> delayed = EnumSet.of(Meaning.STOP, Meaning.START_DELAYED);
    logic.see(EnumSet.noneOf(Meaning.class), true, true, 2);
    logic.see(delayed, true, true, 3);
    assertThat(logic.command()).isZero();
    assertThat(logic.due()).isEqualTo(3 + DriveLogic.START_DELAY_SECONDS);
    logic.see(delayed, true, true, logic.due());
    assertThat(logic.command()).isEqualTo(1);
  }

  @Test
  void withoutAStopInputNoStartIsTaken() {
    DriveLogic logic = new DriveLogic(settings(true, false), EnumSet.of(Meaning.START));
    logic.see(EnumSet.noneOf(Meaning.class), true, true, 0);
    logic.see(EnumSet.of(Meaning.START), true, true, 1);
    assertThat(logic.command()).isZero();
    assertThat(logic.takeNotes()).anyMatch(n -> n.contains("without a stop input"));
  }

  @Test
  void aStartInReverseAndADirectionTurnItRound() {
    DriveLogic logic = new DriveLogic(settings(true, false), EnumSet.of(Meaning.STOP));
    logic.see(EnumSet.of(Meaning.STOP), true, true, 0);
    logic.see(EnumSet.of(Meaning.STOP, Meaning.START_REVERSE), true, true, 1);
    logic.see(EnumSet.of(Meaning.STOP), true, true, 2);
    assertThat(logic.command()).as("latched in reverse").isEqualTo(-1);
    DriveLogic steered =
        new DriveLogic(settings(true, false), EnumSet.of(Meaning.STOP, Meaning.DIRECTION));
    steered.see(EnumSet.of(Meaning.STOP), true, true, 0);
    steered.see(EnumSet.of(Meaning.STOP, Meaning.START), true, true, 1);
    assertThat(steered.command()).isEqualTo(1);
    steered.see(EnumSet.of(Meaning.STOP, Meaning.DIRECTION), true, true, 2);
    assertThat(steered.command()).isEqualTo(-1);
  }

  /** Power alone lost, the permission held: what a network asked for before counts no more. */
  @Test
  void aNetworksCommandIsGoneWithThePower() {
    AxisAssembly axis = Lines.axis(Lines.bare("controller-modular", "pump-drive-5k5"));
    Drive drive = set(axis, axis.drive(), SettingRole.COMMAND_SOURCE, "fieldbus");
    DriveLogic logic =
        new DriveLogic(
            new EffectiveSettings(drive, axis.driveSheet()), EnumSet.noneOf(Meaning.class));
    logic.see(Set.of(), true, true, 0);
    logic.ask(1);
    logic.see(Set.of(), true, true, 1);
    assertThat(logic.command()).isEqualTo(1);
    logic.see(Set.of(), true, false, 2);
    logic.see(Set.of(), true, true, 3);
    assertThat(logic.command()).isZero();
  }

  @Test
  void aNetworkCommandsOnlyADriveThatListensToIt() {
    DriveLogic terminals = new DriveLogic(settings(false, false), Set.of());
    terminals.see(Set.of(), true, true, 0);
    terminals.ask(1);
    terminals.see(Set.of(), true, true, 1);
    assertThat(terminals.command()).isZero();
    assertThat(terminals.takeNotes()).anyMatch(n -> n.contains("the network's does nothing"));
  }
}

package unimotus.workbench.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.MenuWalk;
import unimotus.core.settings.SettingGraph;
import unimotus.core.sheet.DriveKind;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingRule;
import unimotus.core.sheet.SettingValue;
import unimotus.core.sheet.SheetFaults;
import unimotus.formats.json.FileFault;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.SheetDraft;

/** The shipped drives as data: whole, free of rings, and doing what manuals tell of such drives. */
class DriveSheetsTest {
  private static final SettingValue.Choice EXTENDED = new SettingValue.Choice("extended");

  static Stream<DriveSheet> drives() {
    return SheetLibrary.catalogue().all(DriveSheet.class).stream();
  }

  static Stream<DriveSheet> frequencyDrives() {
    return drives().filter(d -> d.driveKind() instanceof DriveKind.Frequency);
  }

  private static DriveSheet terminalDrive() {
    return drives().filter(d -> d.id().equals("terminal-drive-4kw")).findFirst().orElseThrow();
  }

  private static String code(DriveSheet sheet, SettingRole role) {
    return sheet.setting(role).orElseThrow().code();
  }

  @ParameterizedTest
  @MethodSource("drives")
  void noFaultAndNoRing(DriveSheet sheet) {
    assertThat(SheetFaults.of(sheet)).isEmpty();
    if (sheet.driveKind() instanceof DriveKind.Step step) {
      // Fed by a d.c. supply, and told apart by its switches alone.
      assertThat(step.data()).isNotNull();
      return;
    }
    assertThat(sheet.power()).isNotNull();
    assertThat(sheet.identity()).isNotNull();
  }

  /** Common practice: the base frequency rewrites the motor's frequency and the maximum. */
  @ParameterizedTest
  @MethodSource("frequencyDrives")
  void theBaseFrequencyRewritesOthers(DriveSheet sheet) {
    String base = code(sheet, SettingRole.BASE_FREQUENCY);
    for (double hertz : new double[] {50, 60}) {
      DriveMemory after =
          DriveMemory.works(sheet)
              .enter(base, new SettingValue.Choice(String.valueOf((int) hertz)), 0)
              .next();
      assertThat(after.values().get(code(sheet, SettingRole.MOTOR_FREQUENCY)))
          .isEqualTo(new SettingValue.Number(hertz));
      assertThat(after.values().get(code(sheet, SettingRole.MAXIMUM_FREQUENCY)))
          .isEqualTo(new SettingValue.Number(hertz));
    }
  }

  /** Reset all, or all but the communication (common practice). */
  @ParameterizedTest
  @MethodSource("frequencyDrives")
  void aResetPutsEverythingBackOrKeepsTheLink(DriveSheet sheet) {
    String current = code(sheet, SettingRole.MOTOR_CURRENT);
    String reset = code(sheet, SettingRole.FACTORY_RESET);
    DriveMemory changed =
        DriveMemory.works(sheet).enter(current, new SettingValue.Number(3.2), 0).next();
    DriveMemory back = changed.enter(reset, new SettingValue.Choice("all"), 0).next();
    assertThat(back.values()).isEqualTo(SettingGraph.works(sheet));
    sheet
        .setting(SettingRole.STATION_ADDRESS)
        .map(SettingDefinition::code)
        .ifPresent(
            address -> {
              SettingValue seven = new SettingValue.Number(7);
              DriveMemory addressed = changed.enter(address, seven, 0).next();
              DriveMemory kept =
                  addressed.enter(reset, new SettingValue.Choice("keep-link"), 0).next();
              assertThat(kept.values().get(address)).isEqualTo(seven);
              assertThat(kept.differing(SettingGraph.works(sheet))).containsExactly(address);
            });
  }

  @ParameterizedTest
  @MethodSource("drives")
  void everySettingIsReachedFromEveryOther(DriveSheet sheet) {
    MenuWalk walk = new MenuWalk(sheet);
    for (SettingDefinition from : sheet.settings()) {
      assertThat(walk.presses(from.code(), from.code())).isLessThanOrEqualTo(3);
      for (SettingDefinition to : sheet.settings()) {
        assertThat(walk.presses(from.code(), to.code())).isBetween(0, 40);
      }
      assertThat(walk.position(from.code())).isNotBlank();
    }
  }

  @Test
  void aDelayIsEnteredTwiceWithinTwoMinutes() {
    DriveMemory drive = DriveMemory.works(terminalDrive());
    SettingValue eight = new SettingValue.Number(8);
    DriveMemory.Entered first = drive.enter("S91", eight, 0);
    assertThat(first.outcome()).isEqualTo(DriveMemory.Outcome.ASKED_AGAIN);
    assertThat(first.words()).contains("120 s");
    assertThat(first.next().enter("S91", eight, 119).outcome())
        .isEqualTo(DriveMemory.Outcome.TAKEN);
    assertThat(first.next().enter("S91", eight, 121).outcome())
        .as("too late: begins again")
        .isEqualTo(DriveMemory.Outcome.ASKED_AGAIN);
    assertThat(first.next().enter("S91", new SettingValue.Number(9), 5).outcome())
        .as("another value is another first entry")
        .isEqualTo(DriveMemory.Outcome.ASKED_AGAIN);
  }

  @Test
  void whatIsRefusedSaysWhy() {
    DriveMemory drive = DriveMemory.works(terminalDrive());
    assertThat(drive.enter("I75", new SettingValue.Choice("fault"), 0).words())
        .isEqualTo("I75 is locked until A03 is extended");
    assertThat(drive.enter("Q1", EXTENDED, 0).words()).contains("no setting Q1");
    assertThat(drive.enter("M12", new SettingValue.Number(99), 0).words())
        .contains("M12 takes")
        .contains("99 A");
    assertThat(drive.enter("M18", new SettingValue.Choice("done"), 0).words())
        .contains("shown by the drive");
    assertThat(drive.withTurning(true).enter("M12", new SettingValue.Number(7), 0).words())
        .contains("only at standstill");
    assertThat(drive.withTurning(true).enter("R30", new SettingValue.Number(7), 0).outcome())
        .isEqualTo(DriveMemory.Outcome.TAKEN);
  }

  /** Motor data entered after the auto-tune put it back to not done (common practice). */
  @Test
  void motorDataUndoTheAutoTune() {
    DriveSheet sheet = terminalDrive();
    DriveMemory tuned = DriveMemory.holding(sheet, Map.of("M18", new SettingValue.Choice("done")));
    DriveMemory.Entered entered = tuned.enter("M12", new SettingValue.Number(7), 0);
    assertThat(entered.rewritten()).containsEntry("M18", new SettingValue.Choice("not-done"));
    assertThat(tuned.enter("R30", new SettingValue.Number(7), 0).rewritten()).isEmpty();
  }

  /** A sheet of one's own with settings that rewrite each other is refused when it is read. */
  @Test
  void aSheetWithARingIsRefusedByName() {
    List<SettingRule> rules = new ArrayList<>(terminalDrive().rules());
    rules.add(new SettingRule.Rewrites("R30", null, Map.of("R31", new SettingValue.Number(7))));
    rules.add(new SettingRule.Rewrites("R31", null, Map.of("R30", new SettingValue.Number(7))));
    byte[] bytes = SheetLibrary.write(terminalDrive().withRules(rules));
    assertThatThrownBy(() -> SheetLibrary.read("ring.json", bytes))
        .isInstanceOf(FileFault.class)
        .hasMessageContaining("R30 → R31 → R30");
  }

  @Test
  void rulesThatNameNothingOrWriteNonsenseAreTold() {
    SettingRule unknown = new SettingRule.SpoilsTuning(List.of("M10", "Q9"));
    SettingRule nonsense =
        new SettingRule.Rewrites("A01", "standard", Map.of("R30", new SettingValue.Number(-5)));
    DriveSheet odd = terminalDrive().withRules(List.of(unknown, nonsense));
    assertThat(SheetFaults.of(odd))
        .anyMatch(f -> f.contains("Q9"))
        .anyMatch(f -> f.contains("R30") && f.contains("0.1 to 3600 s"));
  }

  @Test
  void aShippedSheetIsReadBackAsItIsWritten() throws FileFault {
    for (DriveSheet sheet : drives().toList()) {
      String text = new String(SheetLibrary.write(sheet), StandardCharsets.UTF_8);
      assertThat(SheetLibrary.read("x", text.getBytes(StandardCharsets.UTF_8))).isEqualTo(sheet);
    }
  }

  /** A setting that is taken off a sheet is named by no rule any more. */
  @Test
  void rulesFollowTheSettingsOfASheet() {
    SheetDraft draft = SheetDraft.of(terminalDrive());
    draft.remove(terminalDrive().setting("C41").orElseThrow());
    DriveSheet next = (DriveSheet) draft.sheet();
    assertThat(next.rules()).noneMatch(r -> r.named().contains("C41"));
    assertThat(next.rules()).hasSameSizeAs(terminalDrive().rules());
    assertThat(SheetFaults.of(next)).isEmpty();
  }
}

package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;
import unimotus.devices.registers.DriveRegisters;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.WorkStep;

/** Words and frames at the station Map, in a real window. */
class MapStationTest extends WindowTest {

  @BeforeEach
  void open() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
        });
    settle();
  }

  /** CiA 402 (from memory): 0x76, 0x77, 0x7F start in velocity mode; a fault needs an edge. */
  @Test
  void wordsInBothDirections() {
    press("#map-words");
    assertThat(shows("switch on disabled")).isTrue();
    press("#want-start-forward");
    assertThat(shows("0x0076  shutdown, then wait for ready to switch on")).isTrue();
    press("#send-next");
    press("#send-next");
    press("#send-next");
    assertThat(shows("operation enabled")).isTrue();
    assertThat(shows("Nothing to send")).isTrue();

    type("#status-word", "0x0218");
    assertThat(shows("fault")).isTrue();
    type("#control-word", "0xF0");
    assertThat(shows("0x00F0 in fault: leads to switch on disabled")).isTrue();
    type("#status-word", "0x0218");
    type("#control-word", "0xF0");
    assertThat(shows("counts only when its bits change")).isTrue();

    type("#status-word", "0x0250");
    press("#control-word-bit-3");
    assertThat(shows("only shutdown is listened to")).isTrue();
    type("#control-word", "all");
    assertThat(message(this)).contains("'all' is no word");

    interact(
        () ->
            lookup("#profile")
                .<ComboBox<Object>>query()
                .setValue(DriveProfiles.RUN_AND_STOP.name()));
    settle();
    press("#want-start-reverse");
    assertThat(shows("0x0013  run, then wait for running")).isTrue();
  }

  @Test
  void aPastedFrameIsExplained() {
    press("#map-frames");
    type("#frame-hex", "11 03 00 6B 00 03 76 87");
    assertThat(shows("107, from 0")).isTrue();
    assertThat(shows("Serial frame")).isTrue();
    type("#frame-hex", "00 01 00 00 00 03 01 83 02");
    interact(() -> lookup("#frame-answer").<CheckBox>query().fire());
    assertThat(shows("illegal data address")).isTrue();
    type("#frame-hex", "not bytes");
    assertThat(shows("pairs of hexadecimal digits")).isTrue();
  }

  /** Join the stand-in, arm, start, change speed, fault, reset, stop by one key, hand back. */
  @Test
  void aDriveIsCommandedOverTheBusWhileArmed() throws Exception {
    press("#map-live");
    press("#live-arm");
    assertThat(message(this)).contains("connect to a drive first");
    press("#live-stand-ins");
    assertThat(shows("unit 1: Rinse drum")).isTrue();
    press("#live-join");
    waitUntil(() -> shows("switch on disabled"));
    press("#live-start-forward");
    waitUntil(() -> message(this).contains("not armed"));
    press("#live-arm");
    assertThat(message(this)).contains("enter your name first");
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    assertThat(shows("Armed: this program writes to Rinse drum, 127.0.0.1")).isTrue();

    type("#live-reference", "6 Hz");
    press("#live-start-forward");
    waitUntil(() -> shows("operation enabled"));
    waitUntil(() -> shows("6 Hz"));
    type("#live-reference", "3 Hz");
    press("#provoke-1");
    waitUntil(() -> says("fault"));
    press("#live-reset");
    waitUntil(() -> shows("switch on disabled"));
    press("#live-start-forward");
    waitUntil(() -> shows("operation enabled"));
    interact(() -> desk.step().set(WorkStep.DRY_RUN));
    settle();
    assertThat(shows("Armed: this program writes")).as("at every station").isTrue();
    push(KeyCode.F8);
    waitUntil(() -> message(this).contains("stop word written"));
    interact(() -> desk.step().set(WorkStep.MAP));
    settle();
    waitUntil(() -> shows("switch on disabled"));
    press("#live-hand-back");
    waitUntil(() -> shows("control returned and checked"));
    waitUntil(() -> !shows("Armed: this program writes"));
    press("#live-leave");
    assertThat(shows("not connected")).isTrue();
  }

  /** A drive that runs on words of this program is not left running by it. */
  @Test
  void leavingAnArmedDriveHandsItBack() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> shows("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    type("#live-reference", "5 Hz");
    press("#live-start-forward");
    waitUntil(() -> says("operation enabled"));
    press("#live-leave");
    assertThat(shows("Armed: this program writes")).isFalse();
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    press("#live-leave");
  }

  /** A time-out set over the bus, a refusal for a wrong word, a busy device: each in words. */
  @Test
  void registersAreSetAndRefusalsAreTold() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> shows("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    type("#live-other-value", "2.5");
    press("#live-set");
    waitUntil(() -> says("2.5 s"));
    type("#live-other-value", "61");
    press("#live-set");
    waitUntil(() -> message(this).contains("illegal data value"));
    type("#live-other-value", "soon");
    press("#live-set");
    assertThat(message(this)).contains("link time-out: 'soon' is not a number");
    press("#trouble-busy");
    waitUntil(() -> shows("server device busy"));
    press("#trouble-none");
    waitUntil(() -> !shows("server device busy"));
    press("#live-hand-back");
    waitUntil(() -> shows("control returned and checked"));
    press("#live-leave");
  }

  /** A stand-in that falls silent is told with its address, and comes back by itself. */
  @Test
  void aSilentDriveIsToldAndComesBack() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> shows("switch on disabled"));
    press("#trouble-silent");
    waitUntil(() -> shows("did not answer within 1000 ms"));
    press("#trouble-none");
    waitUntil(() -> !shows("did not answer within 1000 ms"));
    assertThat(shows("switch on disabled")).isTrue();
    press("#live-leave");
  }

  @Test
  void aWrongAddressIsTold() throws Exception {
    press("#map-live");
    type("#live-port", "many");
    press("#live-join");
    assertThat(message(this)).contains("port 'many'");
    type("#live-port", "1");
    press("#live-join");
    waitUntil(() -> shows("127.0.0.1:1 unit 1"));
    press("#live-leave");
  }

  /** A map as a manual prints it, counted from 1: the off-by-one is seen and mended. */
  @Test
  void aMapFromAManualIsReadAndItsOffByOneMended() throws Exception {
    press("#map-registers");
    assertThat(shows("No registers yet")).isTrue();
    answers.file = folder.resolve("map.csv");
    Files.writeString(
        answers.file,
        """
        name;table;address;type;scale;unit;minimum;maximum;access
        control word;holding register;1;unsigned 16;1;;0;65535;read, write
        frequency reference;holding register;2;signed 16;0,01;Hz;-320;320;read, write
        output frequency;input register;2;signed 16;0,01;Hz;-320;320;read
        odd;shelf;1;;;;;;
        """);
    press("#import-map");
    assertThat(shows("line 5: table 'shelf'")).isTrue();
    assertThat(shows("all addresses are one off")).isTrue();
    assertThat(shows("40002")).isTrue();
    press("#map-down");
    assertThat(shows("No warnings")).isTrue();
    assertThat(shows("Read in 2 requests")).isTrue();
    type("#map-drives", "20");
    assertThat(shows("cycle: drives·t = 20·")).isTrue();
    press("#export-map");
    assertThat(Files.readString(answers.file)).contains("control word,holding register,0");
    press("#map-down");
    assertThat(message(this)).contains("outside 0 to 65535");
    interact(() -> desk.session().undo());
    settle();
    assertThat(shows("all addresses are one off")).as("undone").isTrue();
  }

  /** The motor turns while the button or the space bar is held, and at no other time. */
  @Test
  void aJogRunsWhileItIsHeld() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    type("#live-reference", "5 Hz");
    moveTo("#live-jog-forward").press(MouseButton.PRIMARY);
    waitUntil(() -> says("operation enabled"));
    release(MouseButton.PRIMARY);
    waitUntil(() -> says("switch on disabled"));
    assertThat(shows("Armed: this program writes")).as("it stays armed").isTrue();

    interact(() -> lookup("#live-jog-forward").query().requestFocus());
    press(KeyCode.SPACE);
    waitUntil(() -> says("operation enabled"));
    interact(() -> lookup("#live-who").query().requestFocus());
    waitUntil(() -> says("switch on disabled"));
    interact(() -> lookup("#live-jog-forward").query().requestFocus());
    press(KeyCode.SPACE);
    assertThat(says("operation enabled")).as("a key that was never let go").isFalse();
    release(KeyCode.SPACE);
    press("#live-hand-back");
    waitUntil(() -> shows("control returned and checked"));
    press("#live-leave");
  }

  private static RegisterEntry register(String name, int address, double scale, String unit) {
    return new RegisterEntry(
        DriveValue.named(
            name,
            ValueType.UNSIGNED_16,
            Scaling.of(scale, unit),
            new Limits(0, 65_535),
            Access.READ_WRITE),
        RegisterPlace.of(RegisterTable.HOLDING_REGISTER, address));
  }

  /** What registers carry is read and kept as online; the rest is said, here and beside it. */
  @Test
  void settingsAreReadOverTheBus() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-settings");
    assertThat(message(this)).contains("no registers are entered for this drive");
    press("#live-leave");
    interact(() -> lookup("#live-who").<TextInputControl>query().setText(""));
    List<RegisterEntry> entries = new ArrayList<>(DriveRegisters.map().entries());
    entries.add(register("M12 motor current", 400, 0.01, "A"));
    entries.add(register("M15 poles", 401, 1, ""));
    interact(
        () ->
            desk.apply(
                SetUpEdits.fieldbus("drum-drive", "registers", f -> f.withRegisters(entries))));
    settle();
    press("#map-live");
    press("#live-settings");
    assertThat(message(this)).contains("connect to a drive first");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    press("#live-settings");
    assertThat(message(this)).contains("enter your name");
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-settings");
    waitUntil(() -> shows("settings read online, 0 differ from the design"));
    assertThat(shows("are in no register that can be read: A01, A02")).isTrue();
    press("#live-leave");
    interact(() -> desk.step().set(WorkStep.SET_UP));
    settle();
    press("#side-compare");
    interact(
        () ->
            lookup("#truth-right")
                .<ComboBox<Object>>query()
                .setValue(unimotus.workbench.Truth.ONLINE));
    settle();
    assertThat(shows("Online is what registers carry")).isTrue();
    assertThat(shows("not read")).isTrue();
  }

  /** Bits 4 to 9, 12 and 13 mean what the mode says (IEC 61800-7-201, from memory). */
  @Test
  void bitsMeanWhatTheModeSays() {
    press("#map-words");
    interact(
        () ->
            lookup("#profile")
                .<ComboBox<Object>>query()
                .setValue(DriveProfiles.cia402(OperatingMode.HOMING).name()));
    settle();
    type("#status-word", "0x1637");
    assertThat(shows("homing is done")).isTrue();
    press("#want-start-forward");
    assertThat(shows("homing attained")).isTrue();
    type("#status-word", "0x0250");
    press("#want-start-forward");
    assertThat(shows("Then bit 4 starts homing")).isTrue();
    assertThat(shows("0x0006  shutdown")).isTrue();
  }

  @Test
  void anIllegalFrameIsNamedFieldByField() {
    press("#map-frames");
    type("#frame-hex", "11 03 00 00 00 02 C6 9B");
    assertThat(shows("Serial frame")).isTrue();
    type("#frame-hex", "00 01 00 00 00 06 01 03 00 00 00 7E");
    assertThat(shows("count 126 is illegal: 1 to 125")).isTrue();
    type("#frame-hex", "00 01 00 00 00 05 01 2B 0E 01 00");
    assertThat(shows("read device id") || shows("device identification")).isTrue();
  }
}

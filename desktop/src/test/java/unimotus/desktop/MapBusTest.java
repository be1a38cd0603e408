package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Reading;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.proof.Verdict;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.desktop.map.BusFields;
import unimotus.workbench.WorkStep;

/** From a manual's page to evidence over the bus, in a real window. */
class MapBusTest extends WindowTest {
  private static final String FROM_ONE =
      """
      name,table,address,type,scale,unit,minimum,maximum,access
      control word,holding register,1,bits 16,1,,0,65535,"read, write"
      frequency reference,holding register,2,signed 16,0.01,Hz,-320,320,"read, write"
      status word,input register,1,bits 16,1,,0,65535,read
      output frequency,input register,2,signed 16,0.01,Hz,-320,320,read
      shaft speed,input register,3,signed 16,1,rpm,-19200,19200,read
      fault code,input register,6,unsigned 16,1,,0,65535,read
      """;

  @BeforeEach
  void open() {
    interact(
        () -> {
          desk.openDemo();
          desk.show("rinse-drum", WorkStep.MAP);
        });
    settle();
  }

  private FieldbusLink link() {
    return desk.session().project().record("drum-drive").fieldbus();
  }

  /** A map from a CSV, its off-by-one, the stand-in, start, speed, evidence, fault, reset, back. */
  @Test
  void fromTheManualsPageToEvidence() throws Exception {
    press("#map-live");
    press("#live-stand-ins");
    press("#map-registers");
    answers.file = folder.resolve("map.csv");
    Files.writeString(answers.file, FROM_ONE);
    press("#import-map");
    assertThat(shows("all addresses are one off")).isTrue();

    press("#map-live");
    assertThat(shows("Reads the 6 registers of this drive")).isTrue();
    type("#live-unit", "1");
    press("#live-join");
    // One register beside, the output frequency is taken for the status word.
    waitUntil(() -> says("not ready to switch on"));
    press("#live-leave");
    press("#map-registers");
    press("#map-down");
    assertThat(shows("all addresses are one off")).isFalse();

    press("#map-live");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    waitUntil(() -> shows("Terminal drive 4 kW, 1.0"));
    press("#live-record");
    assertThat(message(this)).contains("enter your name");
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-record");
    assertThat(message(this)).contains("does not run");
    press("#live-arm");
    type("#live-reference", "10 Hz");
    press("#live-start-forward");
    waitUntil(() -> says("operation enabled"));
    press("#live-record");
    assertThat(message(this)).contains("still on its way");
    waitUntil(
        () -> {
          interact(() -> lookup("#live-record").<javafx.scene.control.Button>query().fire());
          return message(this).contains("recorded: ref0.frequency, ref0.shaft");
        });
    press("#trend-4");
    waitUntil(() -> lookup("shaft speed, rpm").tryQuery().isPresent());
    type("#live-reference", "7 Hz");
    press("#provoke-1");
    waitUntil(() -> says("fault"));
    press("#live-reset");
    waitUntil(() -> says("switch on disabled"));
    press("#live-hand-back");
    waitUntil(() -> shows("control returned and checked"));
    press("#live-leave");
    press("#map-frames");
    press("#capture-live");
    ListView<?> frames = lookup("#capture-frames").query();
    assertThat(frames.getItems().size()).as("every frame went by").isGreaterThan(40);
    press("#map-live");

    assertThat(desk.session().project().readings())
        .filteredOn(r -> r.axis().equals("rinse-drum"))
        .filteredOn(r -> r.instrument().startsWith("fieldbus 127.0.0.1"))
        .extracting(Reading::prediction, Reading::by)
        .contains(
            org.assertj.core.groups.Tuple.tuple("ref0.frequency", "A. Tester"),
            org.assertj.core.groups.Tuple.tuple("ref0.shaft", "A. Tester"));
    interact(() -> desk.show("rinse-drum", WorkStep.PROVE));
    settle();
    assertThat(lookup("#reading-ref0-frequency").<TextInputControl>query().getText())
        .isEqualTo("10 Hz");
  }

  /** The axis without an analog reference: a number in a register, proved over the bus. */
  @Test
  void theInfeedBeltIsProvedOverItsBus() throws Exception {
    interact(() -> desk.show("infeed-belt", WorkStep.MAP));
    settle();
    assertThat(lookup("#station-counts").tryQuery()).isPresent();
    assertThat(lookup("#station-signal").tryQuery()).as("no signal on wires").isEmpty();
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> says("ready"));
    waitUntil(() -> shows("Fieldbus drive 1.5 kW, 1.0"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    type("#live-reference", "25 %");
    press("#live-start-forward");
    waitUntil(() -> says("running"));
    waitUntil(
        () -> {
          interact(() -> lookup("#live-record").<javafx.scene.control.Button>query().fire());
          return message(this).contains("recorded: ref25.counts, ref25.frequency, ref25.shaft");
        });
    press("#live-start-reverse");
    waitUntil(() -> shows("Control word = 0x0013"));
    press("#live-hand-back");
    waitUntil(() -> shows("control returned and checked"));
    interact(() -> desk.show("infeed-belt", WorkStep.PROVE));
    settle();
    assertThat(lookup("#reading-ref25-counts").<TextInputControl>query().getText())
        .startsWith("250");
    assertThat(desk.evidence().orElseThrow().proof().verdicts())
        .filteredOn(v -> v.reading() != null)
        .hasSize(3)
        .allMatch(v -> v.outcome() == Verdict.Outcome.AGREES);
  }

  /** A window that is closed commands nothing any more: the drive it runs is handed back. */
  @Test
  void aClosedWindowHandsItsDriveBackAndEndsWhatItStarted() throws Exception {
    interact(() -> desk.show("infeed-belt", WorkStep.MAP));
    settle();
    press("#map-live");
    press("#live-stand-ins");
    press("#live-join");
    waitUntil(() -> says("ready"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    type("#live-reference", "25 %");
    press("#live-start-forward");
    waitUntil(() -> says("running"));
    assertThat(own()).contains("live-watch", "stand-in");
    onWindow(desk::close);
    waitUntil(() -> own().isEmpty());
  }

  /** Threads of windows. */
  private static java.util.List<String> own() {
    return Thread.getAllStackTraces().keySet().stream()
        .map(Thread::getName)
        .filter(n -> n.equals("live-watch") || n.endsWith("stand-in"))
        .toList();
  }

  /** The same over a serial port that exists only in this machine, found by asking. */
  @Test
  void unitBaudAndParityAreFoundByAsking() throws Exception {
    press("#map-live");
    BusFields.chooseSerial(this::choose);
    press("#live-stand-ins");
    BusFields.chooseBaud(this::choose, 9600);
    press("#map-find");
    type("#find-first", "2");
    type("#find-last", "2");
    press("#find-units");
    waitUntil(() -> shows("No answer. Check cable"));
    press("#find-line");
    waitUntil(() -> shows("19200 baud, parity even, 1 stop unit 2"));
    assertThat(texts()).anyMatch(t -> t.startsWith("says: Unimotus simulated drive, "));
    press("#find-take-2");
    assertThat(message(this)).contains("Live goes to /dev/pts/");
    press("#map-live");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    press("#live-start-forward");
    waitUntil(() -> says("operation enabled"));
    push(KeyCode.F8);
    waitUntil(() -> message(this).contains("stop word written to /dev/pts/"));
    waitUntil(() -> says("switch on disabled"));
    press("#live-leave");
    assertThat(link().unit()).isEqualTo(2);
  }

  /** Two speeds of the display, and the register is found; into the map with one press. */
  @Test
  void whereAValueStandsIsFound() throws Exception {
    press("#map-registers");
    answers.file = folder.resolve("map.csv");
    press("#map-live");
    press("#live-stand-ins");
    press("#map-registers");
    Files.writeString(answers.file, FROM_ONE);
    press("#import-map");
    press("#map-find");
    type("#known-count", "8");
    choose("#known-entry", "output frequency");
    type("#known-shown", "0.00");
    waitUntil(() -> shows("known 0, 8 registers from 0"));
    assertThat(shows("two different known values")).isTrue();
    type("#known-shown", "fast");
    assertThat(message(this)).contains("'fast' is no number");
    type("#known-count", "126");
    press("#known-take");
    assertThat(message(this)).contains("1 to 125");
    type("#known-count", "8");

    press("#map-live");
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#map-registers");
    press("#map-down");
    press("#map-live");
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    press("#live-arm");
    type("#live-reference", "5 Hz");
    press("#live-start-forward");
    waitUntil(() -> says("5 Hz"));
    press("#map-registers");
    press("#map-up");
    press("#map-find");
    type("#known-shown", "5.00");
    waitUntil(() -> shows("30002  signed 16 × 0.01"));
    assertThat(shows("the map has it at 2, the known values are at 1")).isTrue();
    int row = BusFields.rowOf(this, "30002  unsigned 16 × 0.01");
    press("#known-use-" + row);
    assertThat(link().map().entry(ValueRole.OUTPUT_FREQUENCY).orElseThrow().address()).isEqualTo(1);
    press("#map-live");
    press("#live-leave");
  }

  /** The manual's list of bits, and the words it makes are tried out at once. */
  @Test
  void wordsAreEnteredBitByBit() {
    press("#map-words");
    press("#edit-words");
    assertThat(shows("Not complete: no bit of the control word starts")).isTrue();
    choose("#control-meaning-3", ControlMeaning.RUN.label());
    type("#control-name-3", "start order");
    choose("#control-meaning-8", ControlMeaning.RESET.label());
    choose("#status-meaning-1", StatusMeaning.RUNNING.label());
    choose("#status-meaning-2", StatusMeaning.FAULT.label());
    assertThat(texts()).anyMatch(t -> t.startsWith("Complete: a word can be read"));
    assertThat(link().profile()).isEqualTo(ManualWords.NAME);
    assertThat(link().words().control().get(0).name()).isEqualTo("start order");
    press("#words-back");
    type("#status-word", "0x0004");
    assertThat(says("fault")).isTrue();
    press("#want-start-forward");
    assertThat(texts()).anyMatch(t -> t.contains("0x0100  reset, then wait for ready"));
    assertThat(shows("0x0008  run, then wait for running")).isTrue();
    press("#edit-words");
    choose("#control-meaning-8", "–");
    assertThat(link().words().control()).hasSize(1);
    interact(() -> desk.session().undo());
    settle();
    assertThat(link().words().control()).hasSize(2);
  }

  @Test
  void aRegisterIsEnteredByHand() {
    press("#map-registers");
    press("#map-add");
    type("#register-name", "status word");
    choose("#register-table", unimotus.core.fieldbus.RegisterTable.INPUT_REGISTER);
    type("#register-address-from-0", "99");
    choose("#register-type", ValueType.BITS_16);
    choose("#register-role", ValueRole.STATUS_WORD);
    type("#register-address-from-0", "70000");
    assertThat(message(this)).contains("'70000'").contains("65536");
    assertThat(shows("30100")).isTrue();
    assertThat(link().map().entry(ValueRole.STATUS_WORD).orElseThrow().address()).isEqualTo(99);
    press("#map-add");
    type("#register-name", "status word");
    assertThat(message(this)).contains("there is a register 'status word' already");
    press("#register-remove");
    assertThat(link().map().entries()).hasSize(1);
    assertThat(shows("When the link is lost")).isTrue();
    assertThat(shows("no time-out of its link")).isTrue();
  }

  /** A frame is composed, kept, written as a capture and read again. */
  @Test
  void framesAreComposedAndCaptured() throws Exception {
    press("#map-frames");
    choose("#compose-function", 16);
    type("#compose-unit", "17");
    type("#compose-address", "1");
    type("#compose-values", "10, 0x0102");
    String hex = lookup("#frame-hex").<TextInputControl>query().getText();
    // Modbus Application Protocol V1.1b3, 6.12, worked example (from memory).
    assertThat(hex).endsWith("11 10 00 01 00 02 04 00 0A 01 02");
    press("#capture-add");
    choose(this, "#compose-kind", "answer");
    assertThat(lookup("#frame-hex").<TextInputControl>query().getText())
        .endsWith("11 10 00 01 00 02");
    choose(this, "#compose-kind", "refusal");
    assertThat(shows("illegal data address: the register is not there")).isTrue();
    choose(this, "#compose-kind", "request");
    type("#compose-values", "70000");
    assertThat(shows("value must be 0 to 65535, not 70000")).isTrue();
    interact(
        () -> {
          lookup("#frame-hex")
              .<TextInputControl>query()
              .setText("00 01 00 00 00 06 11 10 00 01 00 02");
          lookup("#frame-answer").<CheckBox>query().setSelected(true);
        });
    press("#capture-add");
    answers.file = folder.resolve("two.pcap");
    press("#capture-write");
    assertThat(message(this)).contains("2 frames written");
    press("#capture-clear");
    assertThat(lookup("#capture-frames").<ListView<?>>query().getItems()).isEmpty();
    press("#capture-read");
    assertThat(shows("2 frames in 2 packets")).isTrue();
    interact(() -> lookup("#capture-frames").<ListView<?>>query().getSelectionModel().select(1));
    settle();
    assertThat(shows("so many were written")).isTrue();
    Files.writeString(answers.file, "no capture");
    press("#capture-read");
    assertThat(message(this)).contains("two.pcap").contains("neither as pcap nor as pcapng");
  }

  /** A wired axis: its channels have addresses, and a wrong one is told and nothing written. */
  @Test
  void theBlockOfAWiredAxisStandsAtItsAddresses() throws Exception {
    press("#map-controller");
    TextInputControl text = lookup("#controller-text").query();
    assertThat(text.getText()).contains("Rinse_drum_ReferenceRaw AT %QW64 : INT;");
    enter(this, "#address-AO0", "%QX9.1");
    assertThat(shows("AO0 at %QX9.1: analog output takes %QW and a number.")).isTrue();
    assertThat(text.getText()).isEmpty();
    enter(this, "#address-AO0", "QW64");
    assertThat(message(this)).contains("'QW64' is no address");
    enter(this, "#address-AO0", " ");
    assertThat(shows("AO0 of Line controller has no address.")).isTrue();
    enter(this, "#address-AO0", "%QW70");
    assertThat(text.getText()).contains("Rinse_drum_ReferenceRaw AT %QW70 : INT;");
    answers.file = folder.resolve("drum.st");
    press("#controller-write");
    assertThat(Files.readString(answers.file)).contains("AT %QW70");
  }

  @Test
  void theControllersSideIsWritten() throws Exception {
    press("#map-registers");
    press("#map-stand-in");
    press("#map-controller");
    String text = lookup("#controller-text").<TextInputControl>query().getText();
    assertThat(text).contains("FUNCTION_BLOCK Drive_Rinse_drum").contains("END_FUNCTION_BLOCK");
    answers.file = folder.resolve("drum.xml");
    press("#controller-write");
    assertThat(Files.readString(answers.file)).contains("http://www.plcopen.org/xml/tc6_0201");
    answers.file = folder.resolve("drum.csv");
    press("#controller-write");
    assertThat(Files.readString(answers.file)).contains("frequency_reference,signed 16");
    press("#controller-copy");
    assertThat(message(this)).contains("clipboard");
  }

  /**
   * The link stays with the drive it joined, whatever axis is looked at; F8 stops it armed or not.
   */
  @Test
  void aLinkBelongsToTheDriveItJoined() throws Exception {
    press("#map-registers");
    answers.file = folder.resolve("map.csv");
    Files.writeString(answers.file, FROM_ONE);
    press("#import-map");
    press("#map-down");
    press("#map-live");
    press("#live-stand-ins");
    assertThat(shows("Should this program or its cable be lost: ")).isTrue();
    press("#live-join");
    waitUntil(() -> says("switch on disabled"));
    interact(() -> lookup("#live-who").<TextInputControl>query().setText("A. Tester"));
    press("#live-arm");
    double reference = lookup("#live-reference").query().localToScene(0, 0).getY();
    waitUntil(() -> lookup("#armed-band").query().isVisible());
    assertThat(lookup("#live-reference").query().localToScene(0, 0).getY()).isEqualTo(reference);
    type("#live-reference", "10 Hz");
    press("#live-start-forward");
    waitUntil(() -> says("operation enabled"));
    interact(() -> desk.show("infeed-belt", WorkStep.MAP));
    settle();
    press("#map-live");
    assertThat(shows("Connected to the drive of Rinse drum")).isTrue();
    assertThat(shows("Armed: this program writes to Rinse drum")).isTrue();
    press("#live-record");
    assertThat(message(this)).contains("belongs to Rinse drum");
    push(KeyCode.F8);
    waitUntil(() -> message(this).contains("stop word written"));
    assertThat(lookup("#armed-band").query().isVisible()).isFalse();
    push(KeyCode.F8);
    waitUntil(() -> says("switch on disabled"));
    press("#live-leave");
    assertThat(shows("Connected to the drive of")).isFalse();
    push(KeyCode.F8);
    assertThat(desk.session().project().readings())
        .noneMatch(r -> r.axis().equals("infeed-belt") && r.instrument().startsWith("fieldbus"));
  }
}

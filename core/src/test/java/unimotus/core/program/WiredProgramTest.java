package unimotus.core.program;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Controller;
import unimotus.core.machine.IoAddress;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.AddressCounting;
import unimotus.core.sheet.SettingValue;
import unimotus.core.way.PathFactory;

/**
 * The block of a wired drive, run by an interpreter that shares no code with what writes it. An
 * oracle that only knows the history of the inputs says when the drive may be commanded.
 */
class WiredProgramTest {
  private static final String CONTROLLER = "controller-modular";
  private static final int SCAN = 100;

  private static Project line(String drive, LinkIntent... kinds) {
    return addressed(Lines.with(Lines.bare(CONTROLLER, drive), kinds));
  }

  /** Every channel that is used at an address of its own: %QX0.0 and on, %QW64, %IW64 and on. */
  private static Project addressed(Project project) {
    AxisAssembly axis = Lines.axis(project);
    Controller controller = axis.controller();
    int bits = 0;
    int words = 64;
    for (WiredProgram.Use use : WiredProgram.uses(axis)) {
      boolean analog = use.terminal().startsWith("A");
      boolean output = use.terminal().charAt(1) == 'O';
      String side = output ? "Q" : "I";
      String address =
          analog ? "%" + side + "W" + words : "%" + side + "X" + bits / 8 + "." + bits % 8;
      words += analog ? 2 : 0;
      bits += analog ? 0 : 1;
      controller = controller.withAddress(use.terminal(), IoAddress.parse(address));
    }
    return project.with(controller);
  }

  private static FunctionBlock block(Project project) {
    AxisAssembly axis = Lines.axis(project);
    return WiredProgram.block(axis, PathFactory.of(axis));
  }

  private static StructuredText run(Project project) {
    return new StructuredText(block(project).text());
  }

  private static final Project MAINTAINED =
      line(
          "vector-drive-15kw",
          CommonLink.TWO_WIRE,
          Links.ANALOG_REFERENCE,
          CommonLink.ANALOG_ACTUAL,
          CommonLink.FAULT_RELAY,
          CommonLink.STATUS);

  /** What an input showed at each scan. */
  private record Look(boolean run, boolean healthy, boolean ready, boolean running) {}

  /**
   * Whether some rising edge of Run still counts: nothing has withdrawn it since, and it has led to
   * motion in time.
   */
  private static boolean mayRun(List<Look> past) {
    int now = past.size() - 1;
    for (int edge = 0; edge <= now; edge++) {
      boolean risen = past.get(edge).run() && edge > 0 && !past.get(edge - 1).run();
      if (risen && stands(past, edge, now)) {
        return true;
      }
    }
    return false;
  }

  private static boolean stands(List<Look> past, int edge, int now) {
    int waiting = 0;
    for (int i = edge; i <= now; i++) {
      Look look = past.get(i);
      boolean fell = i > 0 && past.get(i - 1).running() && !look.running();
      if (!look.run() || !look.healthy() || fell || !(look.ready() || look.running())) {
        return false;
      }
      waiting = look.running() ? 0 : waiting + 1;
      if ((waiting - 1) * SCAN >= 2000) {
        return false;
      }
    }
    return true;
  }

  @Test
  void noStartWithoutANewCommand() {
    Random random = new Random(16);
    int started = 0;
    for (int story = 0; story < 400; story++) {
      StructuredText block = run(MAINTAINED);
      List<Look> past = new ArrayList<>();
      Look look = new Look(random.nextBoolean(), true, true, false);
      for (int scan = 0; scan < 120; scan++) {
        look = next(look, random);
        past.add(look);
        put(block, look);
        block.scan((long) scan * SCAN);
        boolean on = block.is("RunForward") || block.is("RunReverse");
        assertThat(on).as("story %d scan %d", story, scan).isEqualTo(mayRun(past));
        assertThat(block.is("RunForward") && block.is("RunReverse")).isFalse();
        assertThat(block.is("Locked")).isEqualTo(look.run() && !on);
        started += on ? 1 : 0;
      }
    }
    assertThat(started).as("stories that run").isGreaterThan(2000);
  }

  private static Look next(Look now, Random random) {
    return new Look(
        random.nextInt(8) == 0 ? !now.run() : now.run(),
        random.nextInt(40) == 0 ? !now.healthy() : now.healthy() || random.nextInt(5) == 0,
        random.nextInt(25) == 0 ? !now.ready() : now.ready() || random.nextInt(5) == 0,
        random.nextInt(6) == 0 ? !now.running() : now.running());
  }

  private static void put(StructuredText block, Look look) {
    block.put("Run", look.run());
    block.put("Healthy", look.healthy());
    block.put("ReadySignal", look.ready());
    block.put("RunningSignal", look.running());
  }

  /** At any speed the counts are those of the signal path, held at both ends. */
  @Test
  void theSpeedIsScaledToTheCountsOfTheChannel() {
    StructuredText block = run(MAINTAINED);
    SignalPath path = PathFactory.of(Lines.axis(MAINTAINED));
    put(block, new Look(false, true, true, false));
    block.scan(0);
    put(block, new Look(true, true, true, true));
    Random random = new Random(5);
    for (int i = 0; i < 500; i++) {
      double speed = random.nextDouble() * 40 - 5;
      block.put("Speed", speed);
      block.scan(SCAN * (i + 1L));
      double held = Math.max(0, Math.min(25, speed));
      assertThat((double) block.whole("ReferenceRaw"))
          .as("at %s", speed)
          .isCloseTo(path.value(Station.COUNTS, held), within(0.51));
    }
    put(block, new Look(false, true, true, true));
    block.scan(SCAN * 600L);
    assertThat(block.whole("ReferenceRaw")).as("withdrawn").isZero();
  }

  /** 13 824 of 27 648 counts are half of 25 m/min. */
  @Test
  void theAnswerIsReadBack() {
    StructuredText block = run(MAINTAINED);
    put(block, new Look(false, true, true, false));
    block.put("AnswerRaw", 13_824);
    block.scan(0);
    assertThat(block.real("ActualSpeed")).isCloseTo(12.5, within(1e-4));
  }

  @Test
  void theDirectionIsThatOfTheDrivesInputs() {
    StructuredText block = run(MAINTAINED);
    put(block, new Look(false, true, true, false));
    block.scan(0);
    put(block, new Look(true, true, true, false));
    block.put("Backward", true);
    block.scan(SCAN);
    assertThat(block.is("RunReverse")).isTrue();
    assertThat(block.is("RunForward")).isFalse();
  }

  /** A pulse of 0.3 s, the stop held; the same start does not pulse twice. */
  @Test
  void aLatchedStartIsAPulseAndAHeldStop() {
    Project latched =
        line(
            "vector-drive-15kw",
            CommonLink.LATCHED_OUTPUTS,
            Links.ANALOG_REFERENCE,
            CommonLink.FAULT_RELAY,
            CommonLink.STATUS);
    StructuredText block = run(latched);
    put(block, new Look(false, true, true, false));
    block.scan(0);
    assertThat(block.is("HoldRun")).as("stopped at rest").isFalse();
    int pulses = 0;
    for (int scan = 1; scan < 40; scan++) {
      put(block, new Look(true, true, true, scan > 2));
      block.scan((long) scan * SCAN);
      assertThat(block.is("HoldRun")).isTrue();
      pulses += block.is("Start") ? 1 : 0;
    }
    assertThat(pulses).isEqualTo(3);
    put(block, new Look(true, false, true, true));
    block.scan(40 * SCAN);
    put(block, new Look(true, true, true, false));
    block.scan(41 * SCAN);
    assertThat(block.is("Start") || block.is("HoldRun")).as("after the fault").isFalse();
  }

  /** Binary weights: combination 5 is the first and the third input. */
  @Test
  void presetsAreChosenByTheirBits() {
    Project presets = line("terminal-drive-4kw", CommonLink.TWO_WIRE, Links.PRESETS);
    StructuredText block = run(presets);
    block.put("Run", false);
    block.scan(0);
    block.put("Run", true);
    for (int combination = 0; combination < 4; combination++) {
      block.put("Preset", combination);
      block.scan(SCAN * (combination + 1L));
      assertThat(block.is("Preset1")).isEqualTo((combination & 1) != 0);
      assertThat(block.is("Preset2")).isEqualTo((combination & 2) != 0);
    }
    block.put("Run", false);
    block.scan(SCAN * 9L);
    assertThat(block.is("Preset1") || block.is("Preset2")).isFalse();
  }

  /** What nothing is wired for is said, not assumed. */
  @Test
  void whatIsNotToldIsSaid() {
    Project bare = line("terminal-drive-4kw", CommonLink.TWO_WIRE, Links.ANALOG_REFERENCE);
    FunctionBlock block = block(bare);
    assertThat(block.remarks())
        .anyMatch(r -> r.contains("no input tells a fault"))
        .anyMatch(r -> r.contains("no input tells that the drive runs"));
    assertThat(block(MAINTAINED).remarks()).noneMatch(r -> r.contains("ATTENTION"));
    Project current =
        MAINTAINED.with(
            MAINTAINED.drives().get(0).withSetting("H-05", new SettingValue.Choice("current")));
    assertThat(block(current).remarks()).anyMatch(r -> r.contains("is no speed"));
    assertThat(new StructuredText(block(current).text()).has("ActualSpeed")).isFalse();
  }

  @Test
  void everyChannelStandsAtItsAddress() {
    FunctionBlock block = block(MAINTAINED);
    assertThat(block.located()).hasSameSizeAs(WiredProgram.uses(Lines.axis(MAINTAINED)));
    assertThat(block.text()).contains("VAR_GLOBAL", "AT %QX0.0 : BOOL;", " : INT;");
  }

  @Test
  void aBlockThatCannotBeTrueIsRefused() {
    Project unaddressed =
        Lines.with(
            Lines.bare(CONTROLLER, "terminal-drive-4kw"),
            CommonLink.TWO_WIRE,
            Links.ANALOG_REFERENCE);
    assertThatThrownBy(() -> block(unaddressed)).hasMessageContaining("has no address");
    Project unstarted = line("terminal-drive-4kw", CommonLink.THREE_WIRE, Links.ANALOG_REFERENCE);
    assertThatThrownBy(() -> block(unstarted))
        .hasMessageContaining("no output of Controller starts");
    Project keypad = line("terminal-drive-4kw", Links.ANALOG_REFERENCE);
    assertThatThrownBy(() -> block(keypad)).hasMessageContaining("from its terminals");
    Controller controller = MAINTAINED.controllers().get(0);
    String analog = Lines.axis(MAINTAINED).axis().reference().output();
    String first =
        controller.addresses().keySet().stream().filter(t -> t.startsWith("DO")).findFirst().get();
    assertThatThrownBy(
            () -> block(MAINTAINED.with(controller.withAddress(first, IoAddress.parse("%QW10")))))
        .hasMessageContaining("%QX");
    assertThatThrownBy(
            () -> block(MAINTAINED.with(controller.withAddress(analog, IoAddress.parse("%QW0")))))
        .as("on the byte of the outputs")
        .hasMessageContaining("shares a bit");
    assertThatThrownBy(
            () -> block(MAINTAINED.with(controller.withAddress(analog, IoAddress.parse("%IW90")))))
        .hasMessageContaining("takes %QW");
  }

  /** Two-byte channels at neighbouring numbers are one in the other where numbers count bytes. */
  @ParameterizedTest
  @ValueSource(
      strings = {
        "%QW80 %QW81 true false",
        "%QW80 %QW82 false false",
        "%QX80.3 %QW80 true true",
        "%QX81.3 %QW80 true false",
        "%QX160.0 %QW80 false false",
        "%IW80 %QW80 false false",
        "%QD80 %QW82 true false",
        "%QB81 %QW80 true false"
      })
  void addressesOverlapByWhatTheirNumbersCount(String row) {
    String[] cells = row.split(" ");
    IoAddress a = IoAddress.parse(cells[0]);
    IoAddress b = IoAddress.parse(cells[1]);
    assertThat(a.overlaps(b, AddressCounting.BYTES)).isEqualTo(Boolean.parseBoolean(cells[2]));
    assertThat(b.overlaps(a, AddressCounting.BYTES)).isEqualTo(Boolean.parseBoolean(cells[2]));
    assertThat(a.overlaps(b, AddressCounting.WORDS)).isEqualTo(Boolean.parseBoolean(cells[3]));
  }

  @Test
  void anAddressIsReadAndWrittenBack() {
    for (String text : List.of("%IX0.3", "%QW80", "%QB7", "%ID12")) {
      assertThat(IoAddress.parse(text)).hasToString(text);
    }
    assertThat(IoAddress.parse(" %i4.7 ")).hasToString("%IX4.7");
    for (String wrong : List.of("", "QW80", "%QW", "%QW8.1", "%QX8", "%QX1.16", "%MW3", "%IW-1")) {
      assertThatThrownBy(() -> IoAddress.parse(wrong)).isInstanceOf(IllegalArgumentException.class);
    }
  }

  /** Findings name channel and address, and nothing is found on sound ones. */
  @Test
  void aWrongAddressIsAFinding() {
    assertThat(found(MAINTAINED)).isEmpty();
    Controller controller = MAINTAINED.controllers().get(0);
    String analog = Lines.axis(MAINTAINED).axis().reference().output();
    assertThat(found(MAINTAINED.with(controller.withAddress(analog, IoAddress.parse("%QX9.0")))))
        .singleElement()
        .asString()
        .contains(analog, "%QX9.0");
    assertThat(found(MAINTAINED.with(controller.withAddress("DO7", IoAddress.parse("%QX0.0")))))
        .as("the other end of the overlap is a channel of this axis")
        .isNotEmpty();
  }

  private static List<String> found(Project project) {
    return LineReview.of(project, Lines.SHEETS).findings().stream()
        .filter(f -> f.rule().code().equals("CTL-001"))
        .map(f -> f.seen())
        .toList();
  }
}

package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.bench.BenchSetup;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.program.LinkProgram;
import unimotus.core.program.StructuredText;
import unimotus.core.settings.LinkLoss;
import unimotus.core.value.ValueRole;
import unimotus.devices.modbus.Unit;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.DriveUnit;

/**
 * The exported block, run scan by scan on a clock that is held, against the stand-in drive over a
 * bus with a cycle of its own: whatever takes the motor out of motion, at whatever moment, it turns
 * again only after a new rising edge of Run (ISO 14118, from memory: no unexpected start-up). What
 * is lost, when, and what the operator does meanwhile are combined: each story is played with each
 * shipped profile and two sets of words from a manual.
 */
class BlockStoriesTest {
  private static final AxisAssembly AXIS = Buses.drum(Buses.with(f -> f));
  private static final long SCAN_MS = 10;
  private static final long BUS_MS = 50;
  private static final long BOOT_MS = 300;
  private static final long UNTOLD_MS = 1400;
  private static final LinkWatch WATCH = new LinkWatch(BUS_MS / 1000.0, SCAN_MS / 1000.0);

  /** One controller, one bus, one drive; and the oracle that watches the motor. */
  private static final class Machine {
    final RegisterMap map;
    final WordProfile profile;
    final String text;
    final DriveUnit drive;
    StructuredText block;
    long millis;
    boolean linked = true;
    boolean powered = true;
    boolean run;
    boolean reset;
    boolean backward;
    double speed = 10;
    private boolean ran;
    private boolean runBefore;
    private long edgeAt = -1;
    private long lossUntil;
    final List<String> log = new ArrayList<>();

    Machine(WordProfile profile, RegisterMap map) {
      this.profile = profile;
      this.map = map;
      this.text = LinkProgram.block(AXIS, map, profile, WATCH).text();
      this.block = new StructuredText(text);
      this.drive =
          new DriveUnit(BenchSetup.inHertz(AXIS), profile, map, "drive", () -> millis * 1_000_000);
      drive.drive().onSilence(0, LinkLoss.Action.HOLD);
    }

    boolean runs() {
      return drive.drive().state().kind() == WordState.Kind.RUNNING;
    }

    /** Words of which none tells a missing permission: a start is given up in its time alone. */
    boolean permissionIsUntold() {
      return profile.states().stream().noneMatch(s -> s.kind() == WordState.Kind.BLOCKED);
    }

    /** Something took the motor out of motion, or would have; it lasts until now. */
    void lost() {
      lossUntil = millis;
    }

    private RegisterEntry entry(ValueRole role) {
      return map.entry(role).orElseThrow();
    }

    private void write(ValueRole role, int raw) throws Unit.Refused {
      RegisterEntry e = entry(role);
      drive.write(e.table(), e.address(), List.of(raw & 0xFFFF));
    }

    private int read(ValueRole role) throws Unit.Refused {
      RegisterEntry e = entry(role);
      return drive.read(e.table(), e.address(), 1).get(0);
    }

    private boolean bus() {
      if (!linked || !powered) {
        return false;
      }
      try {
        write(ValueRole.REFERENCE, block.whole("ReferenceRaw"));
        write(ValueRole.CONTROL_WORD, block.whole("ControlWord"));
        block.put("StatusWord", read(ValueRole.STATUS_WORD));
        int raw = read(ValueRole.OUTPUT_FREQUENCY);
        block.put("OutputRaw", (int) (short) raw);
        return true;
      } catch (Unit.Refused refused) {
        throw new AssertionError("the drive refuses what the block writes", refused);
      }
    }

    /** One scan of the program; the bus is spoken to when its time has come. */
    void scan() {
      boolean answered = millis % BUS_MS == 0 && bus();
      block.put("Answered", answered);
      block.put("Run", run);
      block.put("Reset", reset);
      block.put("Backward", backward);
      block.put("Speed", speed);
      block.scan(millis);
      watch();
      millis += SCAN_MS;
    }

    /** Motion needs an edge of Run after the last loss; nothing known is claimed without a link. */
    private void watch() {
      if (run && !runBefore) {
        edgeAt = millis;
      }
      runBefore = run;
      boolean runs = runs();
      if (runs && !ran) {
        boolean untold = permissionIsUntold() && millis - edgeAt < UNTOLD_MS;
        assertThat(edgeAt > lossUntil || untold)
            .as(
                "the motor starts at %d ms, Run at %d ms, last loss at %d ms: %s",
                millis, edgeAt, lossUntil, log)
            .isTrue();
        assertThat(millis - edgeAt).as("long after its command: %s", log).isLessThan(4000);
      }
      ran = runs;
      if (block.is("LinkLost")) {
        assertThat(block.is("Unknown")).isTrue();
      }
      if (block.is("Unknown")) {
        assertThat(block.is("Ready") || block.is("Running") || block.is("Faulted")).isFalse();
      }
      assertThat(block.is("Locked") && !run).isFalse();
    }

    void scans(long forMillis) {
      for (long end = millis + forMillis; millis < end; ) {
        scan();
      }
    }

    /** A controller that was switched off and comes back, its inputs as they stand. */
    void restartController() {
      block = new StructuredText(text);
      lost();
      runBefore = run;
    }
  }

  /**
   * Something that ends motion.
   *
   * @param ends what ends it; null for what is over at once
   */
  private record Loss(String name, Consumer<Machine> begins, @Nullable Consumer<Machine> ends) {
    @Override
    public String toString() {
      return name;
    }
  }

  private static final List<Loss> LOSSES =
      List.of(
          new Loss("fault", m -> m.drive.drive().provoke(5), BlockStoriesTest::acknowledge),
          new Loss(
              "permission", m -> m.drive.drive().permit(false), m -> m.drive.drive().permit(true)),
          new Loss("stop at the drive", m -> m.drive.drive().stopHere(), null),
          new Loss(
              "mains",
              m -> m.powered = false,
              m -> {
                m.drive.drive().powerCycle();
                m.powered = true;
              }),
          new Loss(
              "a dip of the mains",
              m -> {
                m.powered = false;
                m.scans(BOOT_MS);
                m.drive.drive().powerCycle();
                m.powered = true;
              },
              null),
          new Loss("link", m -> m.linked = false, m -> m.linked = true),
          new Loss("controller", m -> {}, Machine::restartController),
          new Loss(
              "permission and link",
              m -> {
                m.drive.drive().permit(false);
                m.linked = false;
              },
              m -> {
                m.drive.drive().permit(true);
                m.linked = true;
              }),
          new Loss(
              "fault without a link",
              m -> {
                m.linked = false;
                m.drive.drive().provoke(9);
              },
              m -> {
                m.linked = true;
                acknowledge(m);
              }));

  private static void acknowledge(Machine m) {
    m.reset = false;
    m.scans(700);
    m.reset = true;
    m.scans(900);
    m.reset = false;
  }

  /** When it happens: at rest, in the first words of a start, at speed, on the way down. */
  private static final List<String> MOMENTS =
      List.of("at rest", "starting", "at speed", "stopping");

  /** What the operator does: holds on, lets go and presses again meanwhile, or lets go. */
  private static final List<String> HANDS = List.of("held", "pressed again", "let go");

  static Stream<Arguments> profiles() {
    return Stream.of(
        Arguments.of(DriveProfiles.CIA_402),
        Arguments.of(DriveProfiles.CIA_402_VELOCITY),
        Arguments.of(DriveProfiles.CIA_402_PROFILE_VELOCITY),
        Arguments.of(DriveProfiles.RUN_AND_STOP),
        Arguments.of(FunctionBlockRunTest.WORDS.profile()),
        Arguments.of(FunctionBlockRunTest.TWO_WAYS.profile()));
  }

  private static void bring(Machine m, String moment) {
    m.scans(600);
    m.run = !moment.equals("at rest");
    m.scans(moment.equals("starting") ? 120 : 1500);
    if (moment.equals("stopping")) {
      m.run = false;
      m.scans(300);
    }
  }

  private static Machine story(WordProfile profile, Loss loss, String moment, String hand) {
    Machine m = new Machine(profile, DriveRegisters.map());
    m.log.add("%s, %s, %s, %s".formatted(profile.name(), loss, moment, hand));
    bring(m, moment);
    if (moment.equals("at speed")) {
      assertThat(m.runs()).as("%s", m.log).isTrue();
    }
    loss.begins().accept(m);
    m.lost();
    m.scans(400);
    boolean pressed = hand.equals("pressed again") || (hand.equals("held") && !m.run);
    if (pressed) {
      m.run = false;
      m.scans(100);
      m.run = true;
    } else if (hand.equals("let go")) {
      m.run = false;
    }
    m.scans(400);
    if (loss.ends() != null) {
      loss.ends().accept(m);
      m.lost();
    }
    m.scans(2500);
    // What was over at once was over before Run was pressed again.
    boolean newCommand = loss.ends() == null && pressed;
    boolean untold = m.permissionIsUntold() && loss.name().startsWith("permission") && pressed;
    if (!newCommand && !untold) {
      assertThat(m.runs()).as("%s: runs by itself", m.log).isFalse();
    }
    return m;
  }

  @ParameterizedTest
  @MethodSource("profiles")
  void afterAnyLossOnlyANewCommandMoves(WordProfile profile) {
    int played = 0;
    for (Loss loss : LOSSES) {
      for (String moment : MOMENTS) {
        for (String hand : HANDS) {
          Machine m = story(profile, loss, moment, hand);
          // With a new edge the motor turns again: the lock is no dead end.
          m.run = false;
          m.scans(400);
          m.run = true;
          m.scans(1500);
          assertThat(m.runs()).as("%s: a new command does not start it", m.log).isTrue();
          assertThat(m.block.is("Running")).isTrue();
          assertThat(m.block.is("Locked")).isFalse();
          m.run = false;
          m.scans(1000);
          assertThat(m.runs()).as("%s: does not stop", m.log).isFalse();
          played++;
        }
      }
    }
    assertThat(played).isGreaterThanOrEqualTo(40);
    System.out.printf(
        "function block: %s, %d stories, 0 start by themselves%n", profile.name(), played);
  }

  /** Run stands while the controller is switched on: nothing moves until it comes anew. */
  @ParameterizedTest
  @MethodSource("profiles")
  void aRunThatStandsAtPowerUpIsOld(WordProfile profile) {
    Machine m = new Machine(profile, DriveRegisters.map());
    m.run = true;
    m.runBefore = true;
    m.scans(4000);
    assertThat(m.runs()).isFalse();
    assertThat(m.block.is("Locked")).isTrue();
    m.drive.drive().provoke(3);
    m.reset = true;
    m.restartController();
    m.scans(3000);
    assertThat(m.block.is("Faulted")).as("a Reset that stands at power-up is old").isTrue();
  }

  /**
   * Speed up, speed down, backward: by the sign or by a bit, the shaft follows (by hand: 2 Hz a
   * m/min).
   */
  @ParameterizedTest
  @MethodSource("profiles")
  void speedAndDirectionFollow(WordProfile profile) {
    Machine m = new Machine(profile, DriveRegisters.map());
    m.scans(500);
    m.run = true;
    m.scans(12_000);
    assertThat(m.block.real("ActualHertz")).isCloseTo(20, within(0.2));
    m.speed = 4;
    m.scans(12_000);
    assertThat(m.block.real("ActualHertz")).isCloseTo(8, within(0.2));
    m.backward = true;
    m.scans(15_000);
    assertThat(m.block.real("ActualHertz")).isCloseTo(-8, within(0.2));
    assertThat(m.runs()).isTrue();
    m.run = false;
    m.scans(8000);
    assertThat(m.runs()).isFalse();
    assertThat(Math.abs(m.block.real("ActualHertz"))).isLessThan(0.1);
  }

  /** A message or two that are lost are no lost link, and nothing stops. */
  @ParameterizedTest
  @MethodSource("profiles")
  void twoLostMessagesAreNothing(WordProfile profile) {
    Machine m = new Machine(profile, DriveRegisters.map());
    m.scans(500);
    m.run = true;
    m.scans(3000);
    for (int i = 0; i < 5; i++) {
      m.linked = false;
      m.scans(2 * BUS_MS);
      m.linked = true;
      m.scans(300);
      assertThat(m.runs()).isTrue();
    }
    assertThat(m.block.is("LinkLost")).isFalse();
  }
}

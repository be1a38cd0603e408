package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.awaitility.Awaitility.await;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordState;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.NotDone;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.Tap;
import unimotus.devices.modbus.Troubles;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** The demo's drum as a stand-in, over a real connection. */
class LiveLinkTest {
  private static final class Hands extends Clock {
    private Instant now = Instant.parse("2026-11-26T08:00:00Z");
    private volatile long nanos;

    @Override
    public Instant instant() {
      return now;
    }

    @Override
    public ZoneId getZone() {
      return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
      return this;
    }

    void pass(Duration time) {
      now = now.plus(time);
      nanos += time.toNanos();
    }

    long nanos() {
      return nanos;
    }
  }

  private final Hands clock = new Hands();
  private StandIns standIns;
  private LiveLink link;

  @BeforeEach
  void start() throws IOException {
    standIns =
        StandIns.start(
            Demo.project(),
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            DriveProfiles.CIA_402_VELOCITY,
            System::nanoTime);
    link = link(target(1));
  }

  private Target target(int unit) {
    return new Target(standIns.server().route(), unit);
  }

  private LiveLink link(Target target) {
    return link(target, ReferenceLimit.NONE);
  }

  private LiveLink link(Target target, ReferenceLimit limit) {
    return new LiveLink(
        RegisterConnection.to(target, DriveRegisters.map(), Tap.NONE),
        DriveProfiles.CIA_402_VELOCITY,
        new LiveLink.Times(clock, clock::nanos),
        limit);
  }

  private double read(DriveRegisters register) throws NotDone {
    return link.read().value(register.entry()).orElseThrow();
  }

  @AfterEach
  void stop() throws IOException {
    link.close();
    standIns.close();
  }

  @Test
  void everyCompleteAxisOfTheDemoAnswers() {
    assertThat(standIns.units())
        .extracting(StandIns.Placed::axis)
        .containsExactly("Rinse drum", "Header tank pump", "Infeed belt", "Drying fan");
    assertThat(standIns.server().route())
        .isInstanceOfSatisfying(Route.Tcp.class, r -> assertThat(r.host()).isEqualTo("127.0.0.1"));
  }

  @Test
  void readingIsFreeWritingIsNot() throws NotDone {
    assertThat(link.read().state().orElseThrow().name()).isEqualTo("switch on disabled");
    assertThatThrownBy(() -> link.reference(10)).hasMessageContaining("not armed");
    assertThatThrownBy(() -> link.want(Intent.START_FORWARD)).hasMessageContaining("not armed");
    assertThatThrownBy(() -> link.arm(" ")).hasMessageContaining("your name first");
    assertThat(link.log()).isEmpty();
  }

  @Test
  void armStartChangeSpeedFaultResetHandBack() throws Exception {
    link.arm("A. Tester");
    link.reference(5);
    link.want(Intent.START_FORWARD);
    assertThat(link.read().state().orElseThrow().kind()).isEqualTo(WordState.Kind.RUNNING);
    await().untilAsserted(() -> assertThat(read(DriveRegisters.OUTPUT)).isBetween(1.0, 5.0));
    link.reference(1);
    standIns.units().get(0).unit().drive().provoke(4);
    assertThat(read(DriveRegisters.FAULT)).isEqualTo(4);
    link.want(Intent.RESET);
    assertThat(read(DriveRegisters.FAULT)).isZero();
    link.want(Intent.START_FORWARD);
    link.want(Intent.STOP);
    link.handBack();
    assertThat(link.isArmed()).isFalse();
    assertThat(read(DriveRegisters.CONTROL_WORD)).isZero();
    assertThat(link.log()).first().asString().contains("armed by A. Tester");
    assertThat(link.log()).last().asString().contains("control returned and checked");
  }

  /** In velocity mode no bit tells the direction: the sign of the reference does (CiA 402). */
  @Test
  void reverseIsTheSignOfTheReferenceWhereNoBitTellsIt() throws Exception {
    link.arm("A. Tester");
    link.reference(5);
    link.want(Intent.START_REVERSE);
    assertThat(read(DriveRegisters.REFERENCE)).isEqualTo(-5);
    await().untilAsserted(() -> assertThat(read(DriveRegisters.OUTPUT)).isBetween(-5.0, -0.1));
    link.reference(3);
    assertThat(read(DriveRegisters.REFERENCE)).as("a new speed does not turn it").isEqualTo(-3);
    link.want(Intent.START_FORWARD);
    assertThat(read(DriveRegisters.REFERENCE)).as("turned while it runs").isEqualTo(3);
    assertThat(link.log()).anyMatch(l -> l.contains("frequency reference = 0xFE0C"));
    link.handBack();
  }

  @Test
  void reverseIsRefusedWhereNothingTellsIt() throws Exception {
    List<RegisterEntry> upward =
        DriveRegisters.map().entries().stream()
            .map(e -> e.role() == ValueRole.REFERENCE ? e.within(0, e.maximum()) : e)
            .toList();
    try (LiveLink plain =
        new LiveLink(
            RegisterConnection.to(target(1), new RegisterMap(upward), Tap.NONE),
            DriveProfiles.CIA_402_VELOCITY,
            LiveLink.Times.of(clock),
            ReferenceLimit.NONE)) {
      plain.arm("A. Tester");
      plain.reference(5);
      assertThatThrownBy(() -> plain.want(Intent.START_REVERSE))
          .isInstanceOf(NotDone.class)
          .hasMessageContaining("frequency reference takes no negative value, 0 at least");
      assertThat(plain.read().state().orElseThrow().kind())
          .as("nothing was sent")
          .isEqualTo(WordState.Kind.BLOCKED);
    }
  }

  /** A speed written to a drive that homes or positions would be taken for something else. */
  @Test
  void inAModeThatCommandsNoSpeedNothingIsStarted() throws Exception {
    try (LiveLink homing =
        new LiveLink(
            RegisterConnection.to(target(1), DriveRegisters.map(), Tap.NONE),
            DriveProfiles.cia402(OperatingMode.HOMING),
            new LiveLink.Times(clock, clock::nanos),
            ReferenceLimit.NONE)) {
      homing.arm("A. Tester");
      assertThatThrownBy(() -> homing.want(Intent.START_FORWARD))
          .isInstanceOf(NotDone.class)
          .hasMessageContaining("homing mode");
      assertThat(read(DriveRegisters.CONTROL_WORD)).isZero();
      homing.want(Intent.STOP);
    }
  }

  @Test
  void armingEndsByItself() throws NotDone {
    link.arm("A. Tester");
    clock.pass(LiveLink.ARMED_FOR.minusSeconds(1));
    link.reference(1);
    clock.pass(LiveLink.ARMED_FOR.minusSeconds(1));
    assertThat(link.isArmed()).as("a command keeps it").isTrue();
    link.want(Intent.START_FORWARD);
    assertThat(link.expire()).as("not yet").isFalse();
    clock.pass(LiveLink.ARMED_FOR.plusSeconds(1));
    assertThat(link.isArmed()).isFalse();
    assertThat(link.expire()).isTrue();
    assertThat(link.log()).anyMatch(l -> l.contains("disarmed by itself"));
    assertThat(link.read().state().orElseThrow().kind())
        .as("handed back, not left running")
        .isEqualTo(WordState.Kind.BLOCKED);
    assertThat(link.expire()).as("once").isFalse();
  }

  /** A drive that does not answer when it is to be handed back is asked again until it does. */
  @Test
  void aHandBackThatFailedIsTriedAgain() throws Exception {
    link.arm("A. Tester");
    link.reference(1);
    link.want(Intent.START_FORWARD);
    clock.pass(LiveLink.ARMED_FOR.plusSeconds(1));
    standIns.server().misbehave(new Troubles(0, 1, 0));
    assertThatThrownBy(link::expire).hasMessageContaining("did not answer");
    assertThat(link.isOwed()).isTrue();
    standIns.server().misbehave(Troubles.NONE);
    assertThat(link.expire()).as("the arming had ended before").isFalse();
    assertThat(link.isOwed()).isFalse();
    assertThat(link.read().state().orElseThrow().kind()).isEqualTo(WordState.Kind.BLOCKED);
    assertThat(link.log()).last().asString().contains("control returned and checked");
  }

  /** Arming alone writes nothing, and its end neither: another controller may run the drive. */
  @Test
  void aDriveThatWasOnlyArmedIsLeftAlone() throws Exception {
    try (LiveLink controller = link(target(1))) {
      controller.arm("the controller");
      controller.reference(5);
      controller.want(Intent.START_FORWARD);
      link.arm("A. Tester");
      clock.pass(LiveLink.ARMED_FOR.plusSeconds(1));
      assertThat(link.expire()).isTrue();
      assertThat(link.isOwed()).isFalse();
      assertThat(link.read().state().orElseThrow().kind()).isEqualTo(WordState.Kind.RUNNING);
      controller.handBack();
    }
  }

  @Test
  void theStopWordGoesOutEvenWhereItIsNotArmed() throws NotDone {
    link.arm("A. Tester");
    link.reference(5);
    link.want(Intent.START_FORWARD);
    link.disarm();
    link.stop();
    assertThat(link.read().state().orElseThrow().kind()).isEqualTo(WordState.Kind.BLOCKED);
  }

  /** A stop while a command is under way: it goes out at once, and nothing follows it. */
  @Test
  void aStopDoesNotWaitAndNoStepFollowsIt() throws Exception {
    link.arm("A. Tester");
    link.reference(5);
    Thread starting =
        new Thread(
            () -> {
              try {
                for (int i = 0; i < 100; i++) {
                  link.want(Intent.START_FORWARD);
                  link.want(Intent.STOP);
                }
              } catch (NotDone stopped) {
                return;
              }
            });
    starting.start();
    await().until(() -> link.log().size() > 2);
    link.stop();
    starting.join(5000);
    assertThat(starting.isAlive()).isFalse();
    assertThat(link.isArmed()).isFalse();
    await()
        .untilAsserted(
            () ->
                assertThat(link.read().state().orElseThrow().kind())
                    .isEqualTo(WordState.Kind.BLOCKED));
  }

  @Test
  void whatTheDriveRefusesIsSaidInWords() throws IOException {
    link.arm("A. Tester");
    RegisterEntry timeout = DriveRegisters.LINK_TIMEOUT.entry();
    assertThatThrownBy(() -> link.set(timeout, 70))
        .hasMessageContaining("refused")
        .hasMessageContaining("illegal data value");
    assertThatThrownBy(() -> link.set(timeout, 7000)).hasMessageContaining("does not fit");
    try (LiveLink nobody = link(target(99))) {
      assertThatThrownBy(nobody::read)
          .hasMessageContaining("unit 99")
          .hasMessageContaining("silent");
    }
  }

  @Test
  void aDriveThatIsGoneIsTold() throws IOException {
    standIns.close();
    assertThatThrownBy(link::read).isInstanceOf(NotDone.class).hasMessageContaining("127.0.0.1");
  }

  @ParameterizedTest
  @CsvSource({"'', 502, 1, address", "x, 0, 1, port", "x, 70000, 1, port", "x, 502, 256, unit"})
  void impossibleTargetsAreRefused(String host, int port, int unit, String why) {
    assertThatThrownBy(() -> new Target(new Route.Tcp(host, port), unit)).hasMessageContaining(why);
  }

  @Test
  void aProjectWithoutDrivesHasNothingToAnswer() {
    assertThatThrownBy(
            () ->
                StandIns.start(
                    Project.empty("Empty"),
                    SheetLibrary.catalogue(),
                    StandIns.tcp(0),
                    DriveProfiles.RUN_AND_STOP,
                    System::nanoTime))
        .hasMessageContaining("Empty");
    assertThatThrownBy(() -> StandIns.profile("morse")).hasMessageContaining("cia402");
    assertThat(StandIns.profile("cia402-pv")).isEqualTo(DriveProfiles.CIA_402_PROFILE_VELOCITY);
  }

  /** No faster than the drive's settings, and no further than the register holds. */
  @Test
  void aReferenceBeyondAxisAndRegisterIsNotWritten() throws Exception {
    try (LiveLink drum = link(target(1), ReferenceLimit.of(Buses.drum(Demo.project())))) {
      drum.arm("A. Tester");
      drum.reference(50);
      assertThatThrownBy(() -> drum.reference(50.02))
          .hasMessageContaining("50.02 Hz, over 50 Hz")
          .hasMessageContaining("maximum frequency of the drive");
      assertThatThrownBy(() -> drum.reference(-51)).hasMessageContaining("51 Hz, over 50 Hz");
      assertThatThrownBy(() -> drum.reference(321)).hasMessageContaining("320 to 320 Hz, not 321");
      assertThatThrownBy(() -> drum.set(DriveRegisters.REFERENCE.entry(), 60))
          .hasMessageContaining("over 50 Hz");
      assertThat(drum.read().value(DriveRegisters.REFERENCE.entry())).hasValue(50);
    }
  }

  /** The stop takes the reference as well: the next start is from nothing. */
  @Test
  void aStopZeroesTheReference() throws NotDone {
    link.arm("A. Tester");
    link.reference(5);
    link.want(Intent.START_FORWARD);
    link.stop();
    assertThat(read(DriveRegisters.REFERENCE)).isZero();
    assertThat(link.log()).anyMatch(l -> l.contains("stop: frequency reference = 0"));
  }

  /** A drive that refuses to be handed back is asked five times, then it is said aloud. */
  @Test
  void aHandBackThatIsRefusedForEverEnds() throws Exception {
    link.arm("A. Tester");
    link.reference(1);
    link.want(Intent.START_FORWARD);
    clock.pass(LiveLink.ARMED_FOR.plusSeconds(1));
    standIns.server().misbehave(new Troubles(0, 1, 0));
    for (int i = 0; i < 4; i++) {
      assertThatThrownBy(link::expire).hasMessageContaining("did not answer");
      assertThat(link.isOwed()).isTrue();
    }
    assertThatThrownBy(link::expire)
        .hasMessageContaining("CONTROL NOT RETURNED after 5 tries")
        .hasMessageContaining("the machine's own stop");
    assertThat(link.expire()).as("it is not asked any more").isFalse();
    assertThat(standIns.units().get(0).unit().drive().state().kind())
        .as("the word got through, though nothing could be read and nobody answered")
        .isEqualTo(WordState.Kind.BLOCKED);
    standIns.server().misbehave(Troubles.NONE);
    assertThat(link.isOwed()).as("leaving and the end of the program try once more").isTrue();
    link.handBack();
    assertThat(link.read().state().orElseThrow().kind()).isEqualTo(WordState.Kind.BLOCKED);
  }

  /** What another controller wrote since is not overwritten, and is told. */
  @Test
  void aDriveThatSomebodyElseCommandsIsLeftAlone() throws Exception {
    link.arm("A. Tester");
    link.reference(1);
    link.want(Intent.START_FORWARD);
    try (LiveLink other = link(target(1))) {
      other.arm("the controller");
      other.want(Intent.STOP);
      other.reference(7);
      other.want(Intent.START_FORWARD);
      other.set(DriveRegisters.CONTROL_WORD.entry(), 0x17F);
      clock.pass(LiveLink.ARMED_FOR.plusSeconds(1));
      assertThatThrownBy(link::expire)
          .hasMessageContaining("left alone")
          .hasMessageContaining("0x017F");
      assertThat(link.isOwed()).isFalse();
      assertThat(read(DriveRegisters.REFERENCE)).isEqualTo(7);
      assertThat(read(DriveRegisters.CONTROL_WORD)).isEqualTo(0x17F);
    }
  }

  /** Setting the wall clock back keeps nothing armed: the time of an arming only goes forward. */
  @Test
  void aClockThatIsSetBackKeepsNothingArmed() throws NotDone {
    link.arm("A. Tester");
    clock.now = clock.now.minus(Duration.ofDays(1));
    clock.nanos += LiveLink.ARMED_FOR.plusSeconds(1).toNanos();
    assertThat(link.isArmed()).isFalse();
    assertThatThrownBy(() -> link.reference(1)).hasMessageContaining("not armed");
  }
}

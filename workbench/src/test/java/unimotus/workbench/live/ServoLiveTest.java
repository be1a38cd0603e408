package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.processdata.ServoByHand;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationState;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordState;
import unimotus.core.scaling.Holder;
import unimotus.core.value.PlacedValue;
import unimotus.devices.connection.NotDone;
import unimotus.devices.drive.StandInServo;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.Pace;
import unimotus.devices.ethercat.master.StationConnection;
import unimotus.devices.ethercat.station.RingTroubles;
import unimotus.devices.ethercat.station.ServoDevice;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/** A servo axis taken by hand over its station, and given back. */
class ServoLiveTest {
  /** Long enough for a test machine that stands still now and then. */
  private static final int WATCHDOG_MILLISECONDS = 1000;

  private StationStandIns standIns;
  private LiveLink link;

  private static StationDesign design(Project project) {
    return StationDesign.of(project.stations().get(1), SheetLibrary.catalogue().descriptions());
  }

  private void start(Project project, String id) throws IOException {
    standIns =
        StationStandIns.start(
            project, SheetLibrary.catalogue(), StationStandIns.udp(0), System::nanoTime);
    join(project, id);
  }

  private void join(Project project, String id) {
    ServoByHand hand = ServoByHand.of(design(project), ServoRig.axis(project, id)).orElseThrow();
    link =
        new LiveLink(
            new StationConnection(
                Cable.udp("127.0.0.1", standIns.server().port()),
                1,
                hand,
                new Pace(5000, WATCHDOG_MILLISECONDS),
                Exchange.Tap.NONE),
            DriveProfiles.cia402(OperatingMode.PROFILE_VELOCITY),
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.of(ServoRig.assembly(project, id)));
  }

  @AfterEach
  void end() throws IOException {
    if (link != null) {
      link.close();
      standIns.close();
    }
  }

  private Station station() {
    return standIns.stations().get(1).station();
  }

  private StandInServo servo(int at) {
    return ((ServoDevice) station().device()).axes().get(at);
  }

  private static void within20s(BooleanSupplier what) throws InterruptedException {
    // Asked once a time: what holds for a moment is enough.
    boolean holds = what.getAsBoolean();
    for (int i = 0; i < 1000 && !holds; i++) {
      TimeUnit.MILLISECONDS.sleep(20);
      holds = what.getAsBoolean();
    }
    assertThat(holds).isTrue();
  }

  private double told(String name) throws NotDone {
    Sample sample = link.read();
    PlacedValue value =
        sample.values().keySet().stream()
            .filter(v -> v.name().equals(name))
            .findFirst()
            .orElseThrow(() -> new AssertionError(name));
    return sample.value(value).orElseThrow();
  }

  /** Z stands at 120 mm, 131 072 counts for 20 mm; read freely, nothing is brought to motion. */
  @Test
  void thePositionIsReadInTheUnitOfTheAxis() throws Exception {
    start(Demo.project(), "slicer-z");
    assertThat(told("actual position")).isCloseTo(120, within(0.001));
    assertThat(told("actual velocity")).isZero();
    assertThat(station().state()).isEqualTo(StationState.PRE_OP);
    assertThat(servo(1).mode()).isEqualTo(OperatingMode.CYCLIC_POSITION);
  }

  /** A tenth of 600 mm/s and of 200 mm/s; the other axis of the drive stays where it is. */
  @ParameterizedTest
  @CsvSource({"slicer-x, 0, 60", "slicer-z, 1, 20"})
  void itIsTakenJoggedSlowlyAndGivenBack(String id, int at, double most) throws Exception {
    start(Demo.project(), id);
    double before = told("actual position");
    double other = servo(1 - at).position();
    link.arm("test");
    assertThatThrownBy(() -> link.reference(most * 1.01))
        .isInstanceOf(NotDone.class)
        .hasMessageContaining("mm/s");
    link.reference(most);
    Hand hand = new Hand();
    link.jog(Intent.START_FORWARD, hand);
    assertThat(servo(at).mode()).isEqualTo(OperatingMode.PROFILE_VELOCITY);
    within20s(() -> near(most));
    link.letGo(hand);
    within20s(() -> near(0));
    double gone = told("actual position") - before;
    assertThat(gone).isPositive();
    assertThat(servo(1 - at).position()).isEqualTo(other);
    link.reference(-most);
    Hand back = new Hand();
    link.jog(Intent.START_REVERSE, back);
    within20s(() -> near(-most));
    link.letGo(back);
    within20s(() -> near(0));
    link.handBack();
    link.close();
    assertThat(servo(at).mode()).as("put back").isEqualTo(OperatingMode.CYCLIC_POSITION);
    assertThat(station().state()).isEqualTo(StationState.INIT);
  }

  private boolean near(double speed) {
    try {
      return Math.abs(told("actual velocity") - speed) < 0.5;
    } catch (NotDone gone) {
      throw new AssertionError(gone);
    }
  }

  /** After a loss a new connection and a new command are needed; nothing goes on by itself. */
  @ParameterizedTest
  @ValueSource(strings = {"slicer-x", "slicer-z"})
  void aLossStopsItAndItsReturnStartsNothing(String id) throws Exception {
    start(Demo.project(), id);
    StandInServo axis = servo(id.equals("slicer-x") ? 0 : 1);
    link.arm("test");
    link.reference(15);
    Hand hand = new Hand();
    link.jog(Intent.START_FORWARD, hand);
    within20s(() -> axis.velocity() > 0);
    standIns.server().ring().troubles(new RingTroubles(1, 0, 0));
    within20s(() -> axis.state().kind() == WordState.Kind.FAULT);
    within20s(() -> axis.velocity() == 0);
    within20s(() -> link.standing().contains("ended") || hasRunEnded());
    standIns.server().ring().troubles(RingTroubles.NONE);
    TimeUnit.MILLISECONDS.sleep(300);
    assertThat(axis.velocity()).isZero();
    assertThatThrownBy(() -> link.reference(10)).hasMessageContaining("connect and arm anew");
    link.close();
    assertThat(axis.mode()).as("put back").isEqualTo(OperatingMode.CYCLIC_POSITION);
    assertThat(axis.state().kind()).isNotEqualTo(WordState.Kind.RUNNING);
  }

  private boolean hasRunEnded() {
    try {
      link.read();
      return false;
    } catch (NotDone ended) {
      return ended.getMessage().contains("cyclic run ended");
    }
  }

  /**
   * The cable is back before the run ends: the fault holds, and the word that stands starts
   * nothing.
   */
  @Test
  void aShortLossLeavesItInFault() throws Exception {
    start(Demo.project(), "slicer-x");
    link.arm("test");
    link.reference(15);
    link.jog(Intent.START_FORWARD, new Hand());
    StandInServo axis = servo(0);
    within20s(() -> axis.velocity() > 0);
    standIns.server().ring().troubles(new RingTroubles(1, 0, 0));
    within20s(() -> axis.state().kind() == WordState.Kind.FAULT);
    standIns.server().ring().troubles(RingTroubles.NONE);
    TimeUnit.MILLISECONDS.sleep(500);
    assertThat(axis.velocity()).isZero();
    assertThat(axis.state().kind()).isNotEqualTo(WordState.Kind.RUNNING);
  }

  /**
   * A start that is refused on its way has changed the mode already: it is put back all the same.
   */
  @Test
  void aStartThatFailsPutsTheModeBack() throws Exception {
    Project demo = Demo.project();
    standIns =
        StationStandIns.start(
            demo,
            SheetLibrary.catalogue(),
            StationStandIns.udp(0),
            System::nanoTime,
            List.of(StationFault.of("refuse-image@1=0x001D")));
    join(demo, "slicer-x");
    link.arm("test");
    assertThatThrownBy(() -> link.jog(Intent.START_FORWARD, new Hand()))
        .isInstanceOf(NotDone.class);
    assertThat(servo(0).mode()).isEqualTo(OperatingMode.PROFILE_VELOCITY);
    link.close();
    assertThat(servo(0).mode()).as("put back").isEqualTo(OperatingMode.CYCLIC_POSITION);
    assertThat(station().state()).isEqualTo(StationState.INIT);
  }

  /** What one count is has to be known, and the words have to be where a watchdog sees them. */
  @Test
  void whatCannotBeTakenIsRefused() {
    Project unread = MotionEdits.unread("slicer-x", Holder.DRIVE).change().apply(Demo.project());
    ServoAxis axis = ServoRig.axis(unread, "slicer-x");
    assertThat(ServoByHand.fault(design(unread), axis).orElseThrow()).contains("not read");
    assertThat(ServoByHand.of(design(unread), axis)).isEmpty();
    Project demo = Demo.project();
    ServoAxis first = ServoRig.axis(demo, "slicer-x");
    ServoAxis third =
        new ServoAxis(first.axis(), first.design().with().driveAxis(3).build(), first.plate());
    assertThat(ServoByHand.fault(design(demo), third).orElseThrow())
        .contains("axis 3 are not in the image");
  }
}

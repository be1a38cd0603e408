package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Project;
import unimotus.core.motor.SpeedScale;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ObjectEntry;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.processdata.StationDesign;
import unimotus.core.processdata.StationState;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordState;
import unimotus.core.review.LineReview;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.Pace;
import unimotus.devices.ethercat.master.StationConnection;
import unimotus.devices.ethercat.station.RingTroubles;
import unimotus.devices.ethercat.wire.Cable;
import unimotus.formats.esi.ShippedDescriptions;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** The demo's drum behind a station of process data: read, commanded, and left to its watchdog. */
@Timeout(120)
class StationLiveTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();
  private static final Pace PACE = new Pace(4000, 0);
  private static final int WATCHDOG_MILLISECONDS = 1000;

  private StationStandIns standIns;
  private LiveLink link;
  private SpeedScale speeds;

  /** A drive of the shipped description, behind a coupler, with an image that is chosen. */
  static Project project(List<Integer> image, StartUpCommand... startUp) {
    var description = ShippedDescriptions.find("frequency-drive").orElseThrow().description();
    var device = description.devices().get(0);
    BusStation drive =
        new BusStation(
            "drum-station",
            "Drum station",
            device.type(),
            description.vendorId(),
            device.productCode(),
            device.revision(),
            0,
            List.of(),
            image,
            List.of(startUp),
            "drum-drive");
    Project demo = Demo.project();
    BusStation coupler = demo.stations().get(0);
    var axis = demo.axis("rinse-drum").orElseThrow();
    var reference = axis.reference();
    return Buses.with(l -> FieldbusLink.USUAL)
        .with(axis.withReference(reference.withTerminals(null, null).setBy(null)))
        .withStations(List.of(coupler, drive));
  }

  static DriveImage image(Project project) {
    StationDesign design = StationDesign.of(project.stations().get(1), SHEETS.descriptions());
    return DriveImage.of(design).orElseThrow();
  }

  private static final List<Integer> VELOCITY = List.of(0x1600, 0x1A00);
  private static final List<Integer> PROFILE = List.of(0x1602, 0x1A02);

  private void start(Project project) throws IOException {
    standIns = StationStandIns.start(project, SHEETS, StationStandIns.udp(0), System::nanoTime);
    // A test machine may stand still for longer than the 100 ms as delivered.
    station().watchdog(WATCHDOG_MILLISECONDS);
    DriveImage image = image(project);
    StationConnection connection =
        new StationConnection(
            Cable.udp("127.0.0.1", standIns.server().port()), 1, image, PACE, Exchange.Tap.NONE);
    AxisAssembly axis = Buses.drum(project);
    speeds = SpeedScale.of(axis);
    link =
        new LiveLink(
            connection,
            DriveProfiles.cia402(image.mode().orElseThrow()),
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.of(axis));
  }

  @BeforeEach
  void velocity() throws IOException {
    start(project(VELOCITY));
  }

  @AfterEach
  void end() throws IOException {
    link.close();
    standIns.close();
  }

  private unimotus.devices.ethercat.station.Station station() {
    return standIns.stations().get(1).station();
  }

  /** The output frequency, of the drive itself. */
  private double hertz() {
    try {
      byte[] demand = station().device().objects().read(ProfileObject.VELOCITY_DEMAND.index(), 0);
      return speeds.hertz(demand[0] & 0xFF | demand[1] << 8, "rpm");
    } catch (Aborted none) {
      throw new AssertionError(none);
    }
  }

  private static void within20s(BooleanSupplier what) throws InterruptedException {
    for (int i = 0; i < 1000 && !what.getAsBoolean(); i++) {
      TimeUnit.MILLISECONDS.sleep(20);
    }
    assertThat(what.getAsBoolean()).isTrue();
  }

  private WordState.Kind state() throws NotDone {
    return link.read().state().orElseThrow().kind();
  }

  /** Reading opens the mailbox and no more: nothing is exchanged, nothing can turn. */
  @Test
  void readingIsFreeAndBringsNothingToMotion() throws NotDone {
    Sample sample = link.read();
    assertThat(sample.state()).isPresent();
    assertThat(sample.refusals()).isEmpty();
    assertThat(sample.value(ValueRole.REFERENCE)).hasValue(0);
    assertThat(station().state()).isEqualTo(StationState.PRE_OP);
    assertThat(link.identity()).contains("FD-1", "mode shown 2");
  }

  @Test
  void nothingIsWrittenWithoutArming() throws NotDone {
    assertThatThrownBy(() -> link.reference(300)).isInstanceOf(NotDone.class);
    assertThatThrownBy(() -> link.want(Intent.START_FORWARD)).isInstanceOf(NotDone.class);
    assertThat(station().state()).isNotEqualTo(StationState.OP);
    assertThat(link.isOwed()).isFalse();
  }

  /** What the path predicts of a number is what the drive behind the station turns at. */
  @ParameterizedTest
  @ValueSource(doubles = {0.25, 0.5, 0.9})
  void theNumberOfThePathGivesTheFrequencyOfThePath(double share) throws Exception {
    for (List<Integer> image : List.of(VELOCITY, PROFILE)) {
      end();
      var mode = StartUpCommand.number("PS", 0x6060, 0, 3, 1, "profile velocity");
      Project project = image == PROFILE ? project(image, mode) : project(image);
      start(project);
      SignalPath path =
          Objects.requireNonNull(
              LineReview.of(project, SHEETS).axis("rinse-drum").orElseThrow().path());
      assertThat(path.link().label()).isEqualTo("process data");
      double number =
          path.scale().atZero() + share * (path.scale().atFull() - path.scale().atZero());
      link.arm("test");
      link.reference(path.value(Station.COUNTS, number));
      link.want(Intent.START_FORWARD);
      double meant = path.value(Station.FREQUENCY, number);
      double step = path.step(Station.FREQUENCY);
      within20s(() -> Math.abs(hertz() - meant) <= 1.5 * step);
      assertThat(state()).isEqualTo(WordState.Kind.RUNNING);
      link.want(Intent.STOP);
      within20s(() -> hertz() == 0);
      link.handBack();
      assertThat(hertz()).isCloseTo(0, within(1e-9));
    }
  }

  private void run() throws Exception {
    link.arm("test");
    link.reference(600);
    link.want(Intent.START_FORWARD);
    within20s(() -> hertz() > 5);
  }

  @Test
  void aStopIsInTheDriveAtOnceAndNothingFollowsIt() throws Exception {
    run();
    link.stop();
    assertThat(link.isArmed()).isFalse();
    within20s(() -> hertz() == 0);
    assertThatThrownBy(() -> link.want(Intent.START_FORWARD)).isInstanceOf(NotDone.class);
    assertThat(hertz()).isZero();
    assertThat(station().state()).isEqualTo(StationState.OP);
  }

  /**
   * Whatever was lost: the drive is stopped by its station, and a returned cable starts nothing.
   */
  @Test
  void aLostCableStopsItAndItsReturnStartsNothing() throws Exception {
    run();
    standIns.server().ring().troubles(new RingTroubles(1, 0, 0));
    within20s(() -> hertz() == 0);
    standIns.server().ring().troubles(RingTroubles.NONE);
    TimeUnit.MILLISECONDS.sleep(300);
    assertThat(hertz()).isZero();
    assertThatThrownBy(() -> link.read()).hasMessageContaining("the cyclic run ended");
    assertThat(link.read().refusals())
        .anyMatch(r -> r.contains("the cyclic run ended") && r.contains("watchdog"));
    assertThatThrownBy(() -> link.want(Intent.START_FORWARD))
        .hasMessageContaining("connect and arm anew");
    assertThatThrownBy(() -> link.reference(300)).hasMessageContaining("connect and arm anew");
    link.handBack();
    assertThat(station().state()).isEqualTo(StationState.SAFE_OP);
  }

  @Test
  void leavingTakesTheStationOutOfOperation() throws Exception {
    run();
    link.close();
    within20s(() -> hertz() == 0);
    assertThat(station().state()).isEqualTo(StationState.INIT);
  }

  @Test
  void aDeviceOfAnotherRevisionIsNotCommanded() throws IOException {
    Project project = project(VELOCITY);
    DriveImage image = image(project);
    StationConnection other =
        new StationConnection(
            Cable.udp("127.0.0.1", standIns.server().port()), 0, image, PACE, Exchange.Tap.NONE);
    LiveLink wrong =
        new LiveLink(
            other,
            DriveProfiles.CIA_402_VELOCITY,
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.NONE);
    assertThatThrownBy(wrong::read).hasMessageContaining("revision").hasMessageContaining("not");
    wrong.close();
  }

  @Test
  void aRefusedObjectOfTheStartUpListKeepsItFromOperation() throws Exception {
    end();
    Project project = project(VELOCITY);
    Project refused = project(VELOCITY, StartUpCommand.number("PS", 0x6041, 0, 1, 2, "read only"));
    assertThat(refused.stations()).hasSameSizeAs(project.stations());
    start(refused);
    link.arm("test");
    assertThatThrownBy(() -> link.reference(300)).hasMessageContaining("0x6041:0 is not taken");
    assertThat(station().state()).isNotEqualTo(StationState.OP);
  }

  @Test
  void anotherControllersStationIsLeftAlone() throws Exception {
    run();
    DriveImage image = image(project(VELOCITY));
    StationConnection second =
        new StationConnection(
            Cable.udp("127.0.0.1", standIns.server().port()), 1, image, PACE, Exchange.Tap.NONE);
    LiveLink other =
        new LiveLink(
            second,
            DriveProfiles.CIA_402_VELOCITY,
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.NONE);
    assertThatThrownBy(other::read).hasMessageContaining("another controller runs this cable");
    other.arm("somebody else");
    assertThatThrownBy(() -> other.reference(100)).hasMessageContaining("another controller");
    Cable cable = Cable.udp("127.0.0.1", standIns.server().port());
    assertThatThrownBy(() -> StationSearch.search(cable, 100, false, Exchange.Tap.NONE))
        .hasMessageContaining("stop the controller first");
    assertThatThrownBy(() -> StationSearch.blink(cable, 100, 0, true))
        .hasMessageContaining("stop the controller first");
    assertThat(hertz()).isGreaterThan(1);
    other.close();
  }

  @Test
  void whyNoMotorRunsBehindAStationIsSaid() throws IOException {
    end();
    Project project = project(VELOCITY);
    start(
        project.withStations(
            List.of(project.stations().get(0), project.stations().get(1).withDrive("nobody"))));
    assertThat(standIns.stations()).extracting(StationStandIns.Placed::axis).containsOnly("");
    assertThat(standIns.stations().get(0).still()).as("a coupler leads to none").isEmpty();
    assertThat(standIns.stations().get(1).still()).isEqualTo("no axis is on drive 'nobody'");
  }

  /** Without its word in the image nothing would stop the motor when the link is lost. */
  @Test
  void aWordThatIsOnlyAnObjectStartsNothing() throws Exception {
    ObjectEntry word = new ObjectEntry(ProfileObject.CONTROL.value(1), 0x6040, 0);
    try (StationConnection connection =
        new StationConnection(
            Cable.udp("127.0.0.1", standIns.server().port()),
            1,
            image(project(VELOCITY)),
            PACE,
            Exchange.Tap.NONE)) {
      assertThatThrownBy(() -> connection.write(word, 0x7F, Gate.OPEN))
          .hasMessageContaining("control word is not in the image");
      assertThat(connection.takeBack(word, 0)).isEqualTo("00 00");
    }
    assertThat(hertz()).isZero();
  }
}

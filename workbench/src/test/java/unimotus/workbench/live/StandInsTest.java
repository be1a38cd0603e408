package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordState;
import unimotus.core.value.ValueRole;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.devices.serial.Parity;
import unimotus.devices.serial.SerialSettings;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** The drives of a project in every place, with their numbers, maps and words. */
class StandInsTest {

  private static StandIns start(Project project, StandIns.Place place) throws IOException {
    return StandIns.start(
        project, SheetLibrary.catalogue(), place, DriveProfiles.CIA_402_VELOCITY, System::nanoTime);
  }

  /** Two drives that claim one number: the first has it, the other the next that is free. */
  @Test
  void aNumberIsGivenOnce() throws IOException {
    Project project = Demo.project();
    for (String drive : List.of("drum-drive", "pump-drive")) {
      DriveRecord record = project.record(drive);
      project =
          project.with(
              record.withFieldbus(
                  record
                      .fieldbus()
                      .withUnit(2)
                      .withRegisters(DriveRegisters.map().entries())
                      .withProfile(DriveProfiles.RUN_AND_STOP.name())));
    }
    try (StandIns standIns = start(project, StandIns.tcp(0))) {
      assertThat(standIns.units()).extracting(StandIns.Placed::number).containsExactly(2, 1, 12, 3);
      assertThat(standIns.units())
          .extracting(StandIns.Placed::profile)
          .containsExactly(
              DriveProfiles.RUN_AND_STOP,
              DriveProfiles.RUN_AND_STOP,
              DriveProfiles.RUN_AND_STOP,
              DriveProfiles.CIA_402_VELOCITY);
    }
  }

  /** The same drive is started and stopped over each way there is. */
  @Test
  void everyPlaceIsSpokenTo() throws Exception {
    SerialSettings settings = new SerialSettings(38_400, Parity.NONE, 1);
    for (StandIns.Place place :
        List.of(StandIns.tcp(0), StandIns.serialOverTcp(0), StandIns.serial(settings))) {
      try (StandIns standIns = start(Demo.project(), place);
          LiveLink link =
              new LiveLink(
                  RegisterConnection.to(
                      new Target(standIns.server().route(), 3), DriveRegisters.map(), Tap.NONE),
                  DriveProfiles.CIA_402_VELOCITY,
                  LiveLink.Times.of(java.time.Clock.systemUTC()),
                  ReferenceLimit.NONE)) {
        assertThat(link.identity()).first().isEqualTo("Unimotus simulated drive");
        link.arm("A. Tester");
        link.reference(5);
        link.want(Intent.START_FORWARD);
        assertThat(standIns.units().get(3).unit().drive().state().kind())
            .isEqualTo(WordState.Kind.RUNNING);
        link.set(DriveRegisters.LINK_TIMEOUT.entry(), 2.5);
        assertThat(link.read().value(ValueRole.LINK_TIMEOUT)).hasValue(2.5);
        link.stop();
        assertThat(standIns.units().get(3).unit().drive().state().kind())
            .isEqualTo(WordState.Kind.BLOCKED);
        link.handBack();
      }
    }
  }

  /** Closing gives the place back: the same port can be had again at once. */
  @Test
  void aPortIsFreeAgainAfterwards() throws IOException {
    int port;
    try (StandIns first = start(Demo.project(), StandIns.tcp(0))) {
      port = ((Route.Tcp) first.server().route()).port();
    }
    try (StandIns again = start(Demo.project(), StandIns.tcp(port))) {
      assertThat(((Route.Tcp) again.server().route()).port()).isEqualTo(port);
    }
  }

  /** Nobody commands for two minutes: the drive is handed back, and that is told. */
  @Test
  void anArmingThatIsForgottenEndsByItself() throws Exception {
    AtomicReference<java.time.Instant> now =
        new AtomicReference<>(java.time.Instant.parse("2026-11-26T08:00:00Z"));
    java.time.Clock clock =
        new java.time.Clock() {
          @Override
          public java.time.ZoneId getZone() {
            return java.time.ZoneOffset.UTC;
          }

          @Override
          public java.time.Clock withZone(java.time.ZoneId zone) {
            return this;
          }

          @Override
          public java.time.Instant instant() {
            return now.get();
          }
        };
    CountDownLatch started = new CountDownLatch(1);
    CountDownLatch expired = new CountDownLatch(1);
    LiveWatch.Listener listener =
        new LiveWatch.Listener() {
          @Override
          public void read(Sample sample) {}

          @Override
          public void silent(String why) {}

          @Override
          public void done() {
            started.countDown();
          }

          @Override
          public void refused(String why) {}

          @Override
          public void expired() {
            expired.countDown();
          }
        };
    try (StandIns standIns = start(Demo.project(), StandIns.tcp(0))) {
      LiveLink link =
          new LiveLink(
              RegisterConnection.to(
                  new Target(standIns.server().route(), 1), DriveRegisters.map(), Tap.NONE),
              DriveProfiles.CIA_402_VELOCITY,
              new LiveLink.Times(clock, () -> now.get().getEpochSecond() * 1_000_000_000L),
              ReferenceLimit.NONE);
      try (LiveWatch watch = new LiveWatch(link, 20, listener)) {
        link.arm("A. Tester");
        watch.command(l -> l.want(Intent.START_FORWARD));
        assertThat(started.await(5, TimeUnit.SECONDS)).isTrue();
        assertThat(expired.getCount()).as("not yet").isEqualTo(1);
        now.updateAndGet(t -> t.plus(LiveLink.ARMED_FOR).plusSeconds(1));
        assertThat(expired.await(5, TimeUnit.SECONDS)).isTrue();
        assertThat(standIns.units().get(0).unit().drive().state().kind())
            .isEqualTo(WordState.Kind.BLOCKED);
      }
    }
  }
}

package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordState;
import unimotus.devices.modbus.Route;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/** Another program commands a stand-in of this one and ends while the motor runs. */
class EndOfProgramTest {

  /** That program: joins, arms, starts, and ends as it is told. */
  static final class Commander {
    private Commander() {}

    public static void main(String[] args) throws Exception {
      Target target = new Target(new Route.Tcp("127.0.0.1", Integer.parseInt(args[0])), 1);
      LiveLink link =
          new LiveLink(
              RegisterConnection.to(target, DriveRegisters.map(), Tap.NONE),
              DriveProfiles.CIA_402_VELOCITY,
              LiveLink.Times.of(Clock.systemUTC()),
              ReferenceLimit.NONE);
      LiveWatch.Listener silent =
          new LiveWatch.Listener() {
            @Override
            public void read(Sample sample) {}

            @Override
            public void silent(String why) {}

            @Override
            public void done() {
              System.out.println("running");
            }

            @Override
            public void refused(String why) {
              System.out.println("refused " + why);
            }

            @Override
            public void expired() {}
          };
      LiveWatch watch = new LiveWatch(link, 50, silent);
      link.arm("A. Tester");
      watch.command(
          l -> {
            l.reference(10);
            l.want(Intent.START_FORWARD);
          });
      // Told to exit, or terminated while it waits to be told.
      System.in.read();
      System.exit(0);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"exit", "terminated"})
  void anArmedDriveIsNotLeftRunning(String how) throws Exception {
    try (StandIns standIns =
        StandIns.start(
            Demo.project(),
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            DriveProfiles.CIA_402_VELOCITY,
            System::nanoTime)) {
      String port = standIns.server().route().toString().replaceAll(".*:", "");
      Process other =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-cp",
                  System.getProperty("java.class.path"),
                  Commander.class.getName(),
                  port)
              .start();
      BufferedReader said = other.inputReader();
      assertThat(said.readLine()).isEqualTo("running");
      assertThat(standIns.units().get(0).unit().drive().state().kind())
          .isEqualTo(WordState.Kind.RUNNING);
      if (how.equals("terminated")) {
        other.destroy();
      } else {
        other.getOutputStream().write('\n');
        other.getOutputStream().flush();
      }
      assertThat(other.waitFor(20, TimeUnit.SECONDS)).isTrue();
      assertThat(standIns.units().get(0).unit().drive().state().kind())
          .isEqualTo(WordState.Kind.BLOCKED);
    }
  }
}

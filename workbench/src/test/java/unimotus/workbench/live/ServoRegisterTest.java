package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Clock;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.DriveRecord;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.path.SignalPath;
import unimotus.core.path.Station;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.review.LineReview;
import unimotus.core.scaling.Holder;
import unimotus.core.way.PathFactory;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.DriveRegisters;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.ServoRegisters;
import unimotus.devices.registers.ServoUnit;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;

/**
 * The demo's slicer without its station: positions go into a register. The path says counts and
 * turns; the simulated drive, which knows nothing of the path, goes there.
 */
class ServoRegisterTest {
  private static final int PROFILE_POSITION = 1;

  private long nanos;

  /** As somebody would change the line: no station, and the drive's registers entered. */
  private static Project overRegisters(String axis) {
    Project demo = Demo.project();
    DriveRecord record = demo.record(demo.axis(axis).orElseThrow().drive());
    return demo.withStations(List.of())
        .with(record.withFieldbus(record.fieldbus().withRegisters(ServoRegisters.map().entries())));
  }

  private static AxisAssembly assembly(Project project, String axis) {
    return AxisAssembly.of(project, SheetLibrary.catalogue(), project.axis(axis).orElseThrow())
        .orElseThrow();
  }

  private static void put(ServoUnit unit, int address, int... words) throws Exception {
    unit.write(
        RegisterTable.HOLDING_REGISTER, address, java.util.Arrays.stream(words).boxed().toList());
  }

  @ParameterizedTest
  @CsvSource({"slicer-x, 300", "slicer-x, 12.5", "slicer-z, 20"})
  void theDriveGoesWhereThePathSays(String id, double millimetres) throws Exception {
    AxisAssembly assembly = assembly(overRegisters(id), id);
    SignalPath path = PathFactory.of(assembly);
    ServoAxis axis = ServoAxis.of(assembly).orElseThrow();
    ServoUnit unit =
        new ServoUnit(Positioned.build(axis, Positioned.sense(assembly)), "servo", () -> nanos);
    unit.servo().permit(true);
    put(unit, 1, PROFILE_POSITION);
    int counts = (int) path.value(Station.COUNTS, millimetres);
    for (int word : new int[] {0x06, 0x07, 0x0F}) {
      put(unit, 0, word);
      nanos += 100_000_000;
    }
    put(unit, 2, counts >>> 16, counts & 0xFFFF);
    put(unit, 0, 0x1F);
    nanos += 5_000_000_000L;
    double turn = axis.copies().of(Holder.DRIVE).orElseThrow().countsPerTurn().doubleValue();
    assertThat(unit.servo().position() / turn)
        .isCloseTo(path.value(Station.SHAFT, millimetres), within(1e-3));
  }

  /** The next step is not the missing station any more, and the command source is the fieldbus. */
  @ParameterizedTest
  @CsvSource({"slicer-x", "slicer-z"})
  void itIsNoLongerAnAxisWithoutAWay(String id) {
    List<Finding> found =
        LineReview.of(overRegisters(id), SheetLibrary.catalogue())
            .axis(id)
            .orElseThrow()
            .findings();
    assertThat(found).extracting(f -> f.rule().code()).doesNotContain("MOV-001");
    List<Finding> without =
        LineReview.of(Demo.project().withStations(List.of()), SheetLibrary.catalogue())
            .axis(id)
            .orElseThrow()
            .findings();
    assertThat(without)
        .extracting(Finding::seen)
        .anyMatch(s -> s.contains("none of its registers is the target position"));
  }

  /** What stood in the register from before would be gone to: Live reads such a drive only. */
  @ParameterizedTest
  @ValueSource(strings = {"slicer-x", "slicer-z"})
  void itIsReadNotCommanded(String id) throws Exception {
    try (StandIns standIns =
            StandIns.start(
                overRegisters(id),
                SheetLibrary.catalogue(),
                StandIns.tcp(0),
                DriveProfiles.CIA_402_VELOCITY,
                System::nanoTime);
        LiveLink link = link(standIns, standIns.servos().get(0).number(), ServoRegisters.map());
        LiveLink speed = link(standIns, standIns.units().get(0).number(), DriveRegisters.map())) {
      assertThat(link.read().values()).isNotEmpty();
      assertThatThrownBy(() -> link.arm("test"))
          .hasMessageContaining("what stands in its target position from before");
      assertThat(link.isArmed()).isFalse();
      speed.arm("test");
      assertThat(speed.isArmed()).isTrue();
      // A map from before there was such a role: the axis says so.
      try (RegisterConnection named =
          RegisterConnection.to(
                  new Target(standIns.server().route(), standIns.units().get(0).number()),
                  DriveRegisters.map(),
                  Tap.NONE)
              .ofPositions()) {
        assertThat(named.readOnly()).isPresent();
      }
    }
  }

  private static LiveLink link(StandIns standIns, int unit, RegisterMap map) {
    return new LiveLink(
        RegisterConnection.to(new Target(standIns.server().route(), unit), map, Tap.NONE),
        DriveProfiles.CIA_402_VELOCITY,
        LiveLink.Times.of(Clock.systemUTC()),
        ReferenceLimit.NONE);
  }
}

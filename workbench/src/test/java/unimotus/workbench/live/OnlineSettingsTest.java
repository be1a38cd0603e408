package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.sheet.SettingValue;
import unimotus.core.value.ValueType;
import unimotus.devices.connection.NotDone;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Truth;

/** The settings of a drive read over its link, laid beside the design. */
class OnlineSettingsTest {
  private final RegisterMap map = map();
  private final Project project =
      Buses.with(
          f ->
              f.withUnit(12)
                  .withProfile(DriveProfiles.CIA_402_VELOCITY.name())
                  .withRegisters(map.entries()));
  private final AxisAssembly drum = Buses.drum(project);
  private final List<String> progress = new ArrayList<>();
  private StandIns standIns;

  private static RegisterMap map() {
    List<RegisterEntry> entries = new ArrayList<>(Buses.OWN.entries());
    entries.add(Fixtures.register("M10 motor power", 500, ValueType.UNSIGNED_16, 0.01, "kW"));
    entries.add(Fixtures.register("M12 motor current", 501, ValueType.UNSIGNED_16, 0.01, "A"));
    entries.add(Fixtures.register("M15 poles", 502, ValueType.UNSIGNED_16, 1, ""));
    entries.add(Fixtures.register("A03 access", 510, ValueType.UNSIGNED_16, 1, ""));
    return new RegisterMap(entries);
  }

  @BeforeEach
  void start() throws IOException {
    standIns =
        StandIns.start(
            project,
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            DriveProfiles.CIA_402_VELOCITY,
            System::nanoTime);
  }

  @AfterEach
  void stop() throws IOException {
    standIns.close();
  }

  private LiveLink link(RegisterMap with) {
    return new LiveLink(
        RegisterConnection.to(new Target(standIns.server().route(), 12), with, Tap.NONE),
        DriveProfiles.CIA_402_VELOCITY,
        LiveLink.Times.of(Clock.systemUTC()),
        ReferenceLimit.NONE);
  }

  private OnlineSettings read(RegisterMap with) throws Exception {
    try (LiveLink link = link(with)) {
      return link.settings(
          drum.driveSheet(), (done, all) -> progress.add("%d/%d".formatted(done, all)));
    }
  }

  /** The stand-in holds the design: what is read is the same, the rest is told to be in none. */
  @Test
  void whatRegistersCarryIsReadAndTheRestIsSaid() throws Exception {
    OnlineSettings online = read(map);
    Map<String, SettingValue> designed = Truth.DESIGNED.of(drum).orElseThrow();
    assertThat(online.values()).containsOnlyKeys("M10", "M12", "M15", "A03");
    online
        .values()
        .forEach((code, value) -> assertThat(value).as(code).isEqualTo(designed.get(code)));
    assertThat(online.problems()).isEmpty();
    assertThat(online.missing()).hasSize(drum.driveSheet().settings().size() - 4);
    assertThat(online.missing().get("M11")).contains("no register");
    assertThat(progress).first().isEqualTo("0/4");
    assertThat(progress).last().isEqualTo("4/4");
  }

  /** A value somebody else wrote is read as it stands; one the drive cannot have is a problem. */
  @Test
  void whatStandsOtherwiseIsReadAsItStands() throws Exception {
    try (Client other = standIns.server().route().client(1000)) {
      assertThat(other.ask(12, new Request.WriteOne(6, 501, 777)))
          .isInstanceOf(Response.Done.class);
      other.ask(12, new Request.WriteOne(6, 502, 99));
    }
    OnlineSettings online = read(map);
    assertThat(online.values().get("M12")).isEqualTo(new SettingValue.Number(7.77));
    assertThat(online.values()).doesNotContainKey("M15");
    assertThat(online.problems()).containsExactly("M15: M15 poles reads 99, it takes 2 to 12");
  }

  /** A register that the drive does not have loses no other. */
  @Test
  void aRefusedRegisterLosesNoOther() throws Exception {
    List<RegisterEntry> more = new ArrayList<>(map.entries());
    more.add(Fixtures.register("M11 motor voltage", 503, ValueType.UNSIGNED_16, 1, "V"));
    OnlineSettings online = read(new RegisterMap(more));
    assertThat(online.values()).containsOnlyKeys("M10", "M12", "M15", "A03");
    assertThat(online.problems()).hasSize(1);
    assertThat(online.problems().get(0))
        .startsWith("M11: the drive refuses holding register 503 to 503: illegal data address");
    assertThat(progress).last().isEqualTo("5/5");
  }

  /** A register in another unit is named with its reason, and its value is not taken. */
  @Test
  void aRegisterInAnotherUnitIsNotTaken() throws Exception {
    List<RegisterEntry> more = new ArrayList<>(map.entries());
    more.add(Fixtures.register("M14 motor speed", 520, ValueType.UNSIGNED_16, 1, "s"));
    OnlineSettings online = read(new RegisterMap(more));
    assertThat(online.values()).doesNotContainKey("M14");
    assertThat(online.problems())
        .containsExactly("M14: M14 motor speed is counted in 's', the setting in 'rpm'");
  }

  @Test
  void aSilentDriveIsNoEmptyOne() throws Exception {
    standIns.close();
    try (LiveLink link = link(map)) {
      assertThatThrownBy(() -> link.settings(drum.driveSheet(), (done, all) -> {}))
          .isInstanceOf(NotDone.class);
    }
  }

  /** A map that carries none asks for none. */
  @Test
  void aMapWithoutSettingsReadsNone() throws Exception {
    OnlineSettings online = read(Buses.OWN);
    assertThat(online.values()).isEmpty();
    assertThat(online.problems()).isEmpty();
    assertThat(online.missing()).hasSize(drum.driveSheet().settings().size());
    assertThat(progress).containsExactly("0/0");
  }
}

package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.program.FunctionBlock;
import unimotus.devices.registers.DriveRegisters;
import unimotus.formats.fieldbus.MapCsv;
import unimotus.workbench.ControllerCode;
import unimotus.workbench.RegisterLists;

/** Registers and the controller's side, out to files and in from them. */
class ControllerCodeTest {
  private static final Clock CLOCK =
      Clock.fixed(Instant.parse("2026-11-26T08:00:00Z"), ZoneOffset.UTC);

  @TempDir private Path folder;

  private static AxisAssembly drum() {
    return Buses.drum(Buses.with(f -> f.withRegisters(DriveRegisters.map().entries()).withUnit(7)));
  }

  private Path written(String name) throws IOException {
    Path file = folder.resolve(name);
    FunctionBlock block = ControllerCode.block(drum(), null, new LinkWatch(0.05, 0.01));
    ControllerCode.write(file, drum(), block, CLOCK);
    return file;
  }

  @Test
  void theFilesNameTellsWhatIsWritten() throws IOException {
    String text = Files.readString(written("drum.st"));
    assertThat(text).startsWith("(* Rinse drum").endsWith("END_FUNCTION_BLOCK\n");
    String xml = Files.readString(written("drum.XML"));
    assertThat(xml).contains("creationDateTime=\"2026-11-26T08:00:00Z\"");
    assertThat(xml).contains("Silence(IN := NOT Answered, PT := T#200ms);");
    List<String> list = Files.readAllLines(written("drum.csv"));
    assertThat(list.get(0)).isEqualTo("name,type,direction,table,address,reference,comment");
    assertThat(list).anyMatch(l -> l.startsWith("Speed,REAL,input,"));
    assertThat(list)
        .anyMatch(l -> l.startsWith("output_frequency,signed 16,read,input register,1,300002,"));
    assertThat(folder.toFile().list()).hasSize(3);
  }

  @Test
  void whatStoodThereBeforeIsReplacedWhole() throws IOException {
    Path file = folder.resolve("drum.st");
    Files.writeString(file, "x".repeat(100_000));
    assertThat(Files.readString(written("drum.st"))).startsWith("(* Rinse drum");
    assertThatThrownBy(() -> written("none/drum.st")).isInstanceOf(IOException.class);
  }

  /** 19 + 8 + ... bytes as the serial line counts them: the cycle of 20 drives is 20 of one. */
  @Test
  void theUsualBusOfManyDrivesTakesSoManyTimesOne() {
    RegisterMap map = DriveRegisters.map();
    LinkWatch one = ControllerCode.usualWatch(map, 1);
    LinkWatch twenty = ControllerCode.usualWatch(map, 20);
    assertThat(twenty.cycleSeconds())
        .isCloseTo(20 * one.cycleSeconds(), org.assertj.core.api.Assertions.within(1e-9));
    // Two requests: 8 + 21 and 8 + 11 bytes of 11 bits at 19200 baud, twice 5 ms and four silences
    // of 3.5 characters (Modbus over Serial Line V1.02, from memory).
    double character = 11 / 19_200.0;
    double meant = 48 * character + 2 * 0.005 + 4 * 3.5 * character;
    assertThat(one.cycleSeconds()).isCloseTo(meant, org.assertj.core.api.Assertions.within(1e-6));
    assertThat(ControllerCode.usualWatch(new RegisterMap(List.of()), 3).cycleSeconds())
        .as("nothing to read")
        .isEqualTo(1);
  }

  @Test
  void aMapComesBackFromItsFileWithRolesAndTypes() throws IOException {
    Path file = folder.resolve("own.csv");
    RegisterLists.write(file, Buses.OWN);
    MapCsv.Read read = RegisterLists.read(file, null);
    assertThat(read.problems()).isEmpty();
    assertThat(read.map()).isEqualTo(Buses.OWN);
  }
}

package unimotus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import unimotus.core.machine.Project;
import unimotus.formats.capture.CaptureFile;
import unimotus.formats.capture.Packet;
import unimotus.formats.project.ProjectFile;

/**
 * The verb {@code esi}, and telegrams in {@code frame} and {@code capture}: a right station, spoilt
 * ones and incomplete ones.
 */
class ProcessDataVerbsTest {
  @TempDir private Path folder;
  private StringWriter out;
  private StringWriter err;

  @BeforeEach
  void fresh() {
    out = new StringWriter();
    err = new StringWriter();
  }

  private int run(String... arguments) {
    fresh();
    return Main.run(new PrintWriter(out, true), new PrintWriter(err, true), arguments);
  }

  private Path file(String name, String text) throws IOException {
    return Files.writeString(folder.resolve(name), text);
  }

  @Test
  void revisionsStandSideBySideAndOneIsChosen() throws IOException {
    assertThat(run("esi", "two-axis-servo")).isZero();
    assertThat(out.toString()).contains("0x00010000").contains("0x00020000").contains("24 B");
    assertThat(run("esi", "two-axis-servo", "--revision", "2", "--json")).isZero();
    JsonNode document = new ObjectMapper().readTree(out.toString());
    assertThat(document.at("/devices/0/outputs/byteLength").asInt()).isEqualTo(24);
    assertThat(document.at("/startUp")).hasSize(8);
    assertThat(run("esi", "two-axis-servo", "--revision", "3")).isEqualTo(2);
    assertThat(err.toString()).contains("SD-2 0x00020000");
    assertThat(run("esi", "two-axis-servo", "--cycle", "1")).isEqualTo(2);
    assertThat(err.toString()).contains("choose one");
  }

  @Test
  void theFirstDifferenceToTheControllersListIsNamed() throws IOException {
    String gap =
        file("gap.csv", "name,type\nStatusword,UINT\nVelocity actual value,INT\n").toString();
    assertThat(run("esi", "frequency-drive", "--compare", gap)).isZero();
    assertThat(out.toString()).contains("every variable is where the image has it");
    String shifted =
        file("shift.st", "VAR\n  Spare : BYTE;\n  Statusword : UINT;\n  Velocity : INT;\nEND_VAR\n")
            .toString();
    assertThat(run("esi", "frequency-drive", "--compare", shifted)).isEqualTo(1);
    assertThat(out.toString())
        .contains("first difference: Spare")
        .contains("bits 8 to 15 of Statusword, bits 0 to 7 of Velocity actual value");
    String words = file("words.st", "Statusword AT %IW2 : UINT;\n").toString();
    assertThat(run("esi", "frequency-drive", "--compare", words)).isEqualTo(2);
    assertThat(err.toString()).contains("line 1").contains("%QB4");
    String unknown = file("unknown.csv", "name,type\nStatusword,STRANGE\n").toString();
    assertThat(run("esi", "frequency-drive", "--compare", unknown)).isEqualTo(2);
    assertThat(err.toString()).contains("STRANGE").contains("line 2");
  }

  /** 0x06010002: write to an object that can only be read (CiA 301, from memory). */
  @Test
  void theAbortOfEveryPowerUpIsPredicted() throws IOException {
    String list =
        file(
                "list.csv",
                """
                transition,index,subindex,value,bytes,comment
                PS,0x6060,0,2,1,velocity mode
                PS,0x6041,0,0,2,
                PS,0x6046,2,4000,4,above
                PS,0x5000,0,1,1,
                """)
            .toString();
    assertThat(run("esi", "frequency-drive", "--start-up", list)).isEqualTo(1);
    assertThat(out.toString())
        .contains("abort 0x06010002")
        .contains("abort 0x06090031")
        .contains("4000 is above 3000")
        .contains("abort 0x06020000");
    String bad =
        file("bad.csv", "transition,index,subindex,value,bytes,comment\nXY,1,0,0,1,\n").toString();
    assertThat(run("esi", "frequency-drive", "--start-up", bad)).isEqualTo(2);
    assertThat(err.toString()).contains("line 2").contains("'XY'");
  }

  @Test
  void modulesAndImagesAreChosenAndRefusedInWords() {
    assertThat(run("esi", "slot-coupler", "--module", "3=DI8")).isZero();
    assertThat(out.toString()).contains("slot 3").contains("outputs, 8 bit");
    assertThat(run("esi", "slot-coupler", "--module", "9=DI8")).isEqualTo(2);
    assertThat(err.toString()).contains("0 to 3");
    assertThat(run("esi", "slot-coupler", "--module", "0=XX")).isEqualTo(2);
    assertThat(err.toString()).contains("DO8");
    assertThat(run("esi", "frequency-drive", "--pdo", "0x1600,0x1601,0x1A00")).isEqualTo(1);
    assertThat(out.toString()).contains("cannot be in the image together");
    assertThat(run("esi", "two-axis-servo", "--revision", "1", "--module", "0=")).isEqualTo(1);
    assertThat(out.toString()).contains("needs a module");
  }

  @Test
  void aFolderIsReadAndADamagedFileIsToldBesideTheRest() throws IOException {
    file("a.xml", "<EtherCATInfo><Vendor><Id>1</Id></Vendor></EtherCATInfo>");
    file("b.xml", "<EtherCATInfo><Vendor>");
    assertThat(run("esi", folder.toString())).isEqualTo(1);
    assertThat(out.toString()).contains("a.xml").contains("damaged: b.xml, line 1");
    assertThat(run("esi", folder.resolve("none.xml").toString())).isEqualTo(2);
    assertThat(err.toString()).contains("frequency-drive");
  }

  @Test
  void whatIsMissingAtStartUpIsOffered() {
    assertThat(run("esi", "two-axis-servo", "--revision", "2", "--mode", "csp", "--cycle", "2"))
        .isZero();
    assertThat(out.toString())
        .contains("0x60C2:1 interpolation time 2·10^-3 s, the bus cycle, write 02")
        .contains("0x68C2:1")
        .contains("time of the frames");
    assertThat(run("esi", "frequency-drive", "--cycle", "0")).isEqualTo(2);
  }

  /** A station at PRE-OP that refused a change, by hand. */
  @Test
  void aTelegramIsTakenApart() {
    String bytes = "0E 10 04 07 01 10 30 01 02 00 00 00 12 00 01 00";
    assertThat(run("frame", "--telegram", bytes)).isZero();
    assertThat(out.toString()).contains("FPRD").contains("station 0x1001").contains("PRE-OP");
    assertThat(run("frame", "--telegram", "0E 40")).isEqualTo(1);
    assertThat(out.toString()).contains("! byte 1: type 4");
    assertThat(run("frame", "--telegram", "--serial", bytes)).isEqualTo(2);
    assertThat(err.toString()).contains("--serial and --answer belong to Modbus");
  }

  /** The telegram by hand, and the file read back by {@code capture}. */
  @Test
  void aTelegramIsComposedAndWritten() {
    Path file = folder.resolve("one.pcap");
    assertThat(
            run(
                "frame",
                "--command",
                "FPRD",
                "--station",
                "0x1001",
                "--place",
                "0x0130",
                "--length",
                "2",
                "--capture",
                file.toString()))
        .isZero();
    assertThat(out.toString()).startsWith("0E 10 04 01 01 10 30 01 02 00 00 00 00 00 00 00");
    assertThat(run("capture", file.toString(), "--telegrams")).isZero();
    assertThat(out.toString()).contains("FPRD 1 0x01301001, 2 bytes");
    assertThat(run("frame", "--command", "LWR", "--place", "0x10000", "--data", "0F 00", "--json"))
        .isZero();
    assertThat(out.toString()).contains("process data");
    assertThat(run("frame", "--command", "FPRD", "--place", "0", "--length", "2")).isEqualTo(2);
    assertThat(err.toString()).contains("FPRD needs --station");
    assertThat(run("frame", "--command", "BRD", "--position", "1", "--place", "0")).isEqualTo(2);
    assertThat(err.toString()).contains("BRD takes no --position");
    assertThat(run("frame", "--telegram", "--length", "2", "0E 10")).isEqualTo(2);
    assertThat(err.toString()).contains("need --command");
  }

  @Test
  void telegramsOfACaptureAreListedAndADamagedOneIsTold() throws IOException {
    byte[] head = HexFormat.of().parseHex("ffffffffffff02000000000188a4");
    byte[] good = HexFormat.of().parseHex("0e100407011030010200000012000100");
    byte[] bad = HexFormat.of().parseHex("0e400407011030010200000012000100");
    Path file = folder.resolve("bus.pcap");
    CaptureFile.write(
        file, Packet.ETHERNET, List.of(packet(0, head, good), packet(1_000_000, head, bad)));
    assertThat(run("capture", file.toString(), "--telegrams")).isEqualTo(1);
    assertThat(out.toString())
        .contains("FPRD 7 0x01301001, 2 bytes, counter 1")
        .contains("0.001000  ! byte 1: type 4")
        .contains("2 telegrams in 2 packets");
    CaptureFile.write(file, Packet.ETHERNET, List.of(packet(0, head, good)));
    assertThat(run("capture", file.toString(), "--telegrams", "--json")).isZero();
  }

  private static Packet packet(long at, byte[] head, byte[] telegram) {
    byte[] all = Arrays.copyOf(head, head.length + telegram.length);
    System.arraycopy(telegram, 0, all, head.length, telegram.length);
    return new Packet(at, Packet.ETHERNET, all);
  }

  @Test
  void imagesAndStartUpListsOfAProjectAreWritten() throws IOException {
    Path images = folder.resolve("images.csv");
    assertThat(run("export", "demo", "--kind", "process-data", "--out", images.toString()))
        .isZero();
    // Coupler: 8 bits and two words out; 8 bits and twice five values and a gap in.
    assertThat(Files.readAllLines(images))
        .contains(
            "station,direction,byte,bit,bits,name,type,object",
            "Dock coupler,outputs,1,0,16,Output 1,INT,0x7030:1",
            "Dock coupler,inputs,1,4,11,padding of 11 bit,,",
            "Slicer drive,outputs,4,0,32,Target position,DINT,0x607A:0",
            "Slicer drive,outputs,12,0,16,Controlword,UINT,0x6840:0");
    Path list = folder.resolve("list.csv");
    assertThat(run("export", "demo", "--kind", "start-up", "--out", list.toString())).isZero();
    assertThat(Files.readString(list))
        .contains("Slicer drive,PS,0x60C2,1,1,1,Slicer X: interpolation time 1,taken,")
        .contains("Slicer drive,PS,0x1C12,1,5632,2,Axis outputs,taken,")
        .doesNotContain("refused");
    Path bare = file("bare.unimotus.json", bare());
    assertThat(run("export", bare.toString(), "--kind", "start-up", "--out", list.toString()))
        .isEqualTo(2);
    assertThat(err.toString()).contains("has no stations");
  }

  private static String bare() {
    return new String(ProjectFile.write(Project.empty("Bare")), StandardCharsets.UTF_8);
  }

  @Test
  void stationsAreServed() {
    assertThat(run("serve", "demo", "--over", "ethercat", "--port", "0", "--seconds", "1"))
        .isZero();
    assertThat(out.toString())
        .contains("station 0  Dock coupler: Coupler with four slots, revision 0x00010000")
        .contains("station 1  Slicer drive: Two-axis servo drive, revision 2")
        .contains("Target position");
    assertThat(run("serve", "demo", "--over", "ethercat", "--watchdog", "-1", "--port", "0"))
        .isEqualTo(2);
    assertThat(err.toString()).contains("--watchdog -1");
    assertThat(run("serve", "demo", "--over", "ethercat", "--interface", "nosuch0")).isEqualTo(2);
    assertThat(err.toString()).contains("'nosuch0'");
    assertThat(run("serve", "demo", "--over", "ethercat", "--port", "0", "--fault", "wet"))
        .isEqualTo(2);
    assertThat(err.toString()).contains("fault 'wet' is not one of open-after=N");
    assertThat(run("serve", "demo", "--fault", "late=5")).isEqualTo(2);
    assertThat(err.toString()).contains("--fault needs --over ethercat");
  }
}

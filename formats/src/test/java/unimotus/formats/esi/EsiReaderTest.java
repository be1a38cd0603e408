package unimotus.formats.esi;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.esi.Direction;
import unimotus.core.esi.EsiDevice;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.processdata.MappingObjects;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.ProcessImage;
import unimotus.core.processdata.StartUpCheck;
import unimotus.core.processdata.StartUpOffers;
import unimotus.core.processdata.StationSetup;

/** Descriptions that ship, damaged ones and hostile ones (form: ETG.2000, from memory). */
class EsiReaderTest {

  private static DescriptionFile read(String text) {
    return DescriptionFile.read(
        "test.xml", new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
  }

  private static String shipped(String name) throws IOException {
    try (InputStream in =
        Objects.requireNonNull(
            EsiReaderTest.class.getResourceAsStream("/unimotus/esi/" + name + ".xml"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static StationSetup delivered(String name, int device) {
    DescriptionFile file = ShippedDescriptions.find(name).orElseThrow();
    return StationSetup.delivered(file.description(), file.description().devices().get(device));
  }

  static List<String> names() {
    return ShippedDescriptions.NAMES;
  }

  @ParameterizedTest
  @MethodSource("names")
  void whatShipsHasNoFaultsAndStartsUpAsDelivered(String name) {
    DescriptionFile file = ShippedDescriptions.find(name).orElseThrow();
    assertThat(file.faults()).isEmpty();
    for (EsiDevice device : file.description().devices()) {
      StationSetup station = StationSetup.delivered(file.description(), device);
      assertThat(station.doubts()).isEmpty();
      assertThat(StartUpCheck.of(station, station.startUp()).refused()).isEmpty();
      assertThat(StartUpCheck.of(station, MappingObjects.of(station)).refused()).isEmpty();
    }
  }

  /** By hand: control word, mode, a gap, position, speed; the second axis 12 bytes later. */
  @Test
  void theImageOfTheServoByHand() {
    ProcessImage image = ProcessImage.of(delivered("two-axis-servo", 1));
    assertThat(image.outputs().stream().map(ImagePlace::place))
        .containsExactly("0.0", "2.0", "3.0", "4.0", "8.0", "12.0", "14.0", "15.0", "16.0", "20.0");
    assertThat(image.bytes(Direction.OUTPUTS)).isEqualTo(24);
    ImagePlace second = image.outputs().get(8);
    assertThat(second.entry().index()).isEqualTo(0x687A);
    assertThat(second.pdo()).isEqualTo(0x1610);
  }

  @Test
  void theImageOfTheCouplerByHand() {
    ProcessImage image = ProcessImage.of(delivered("slot-coupler", 0));
    // Eight inputs; then 1 + 1 + 2 + 11 + 1 bits and a value of 16 bits, twice.
    assertThat(image.bytes(Direction.INPUTS)).isEqualTo(9);
    assertThat(
            image.inputs().stream()
                .filter(p -> p.name().startsWith("Value") || p.name().startsWith("Toggle"))
                .map(ImagePlace::place))
        .containsExactly("2.7", "3.0", "6.7", "7.0");
    assertThat(image.bytes(Direction.OUTPUTS)).isEqualTo(5);
  }

  @Test
  void whatExcludesEachOtherIsTold() {
    StationSetup drive = delivered("frequency-drive", 0);
    assertThat(drive.withChosen(java.util.Set.of(0x1601, 0x1A01)).doubts()).isEmpty();
    assertThat(drive.withChosen(java.util.Set.of(0x1600, 0x1601, 0x1A00)).doubts())
        .allMatch(d -> d.seen().contains("0x1600") && d.seen().contains("0x1601"))
        .isNotEmpty();
    assertThat(drive.withChosen(java.util.Set.of(0x1700)).doubts())
        .anyMatch(d -> d.seen().contains("0x1700"));
    StationSetup servo = delivered("two-axis-servo", 0);
    assertThat(servo.withModule(0, null).doubts()).anyMatch(d -> d.seen().contains("slot 0"));
    assertThat(servo.withModule(1, null).doubts()).isEmpty();
  }

  @Test
  void theFreeMappingIsWrittenClosedFilledAndOpened() {
    StationSetup drive =
        delivered("frequency-drive", 0).withChosen(java.util.Set.of(0x1601, 0x1A01));
    List<String> written =
        MappingObjects.of(drive).stream().map(c -> c.object() + " " + c.data()).toList();
    assertThat(written)
        .startsWith(
            "0x1601:0 00",
            "0x1601:1 10004060",
            "0x1601:2 10004260",
            "0x1601:3 08006060",
            "0x1601:4 08000000",
            "0x1601:0 04",
            "0x1C12:0 00",
            "0x1C12:1 0116",
            "0x1C12:0 01");
    assertThat(StartUpCheck.of(drive, MappingObjects.of(drive)).refused()).isEmpty();
  }

  @Test
  void aDeviceThatCannotBeToldItsImageKeepsTheDeliveredOne() throws IOException {
    DescriptionFile file =
        read(shipped("frequency-drive").replace("PdoAssign=\"1\"", "PdoAssign=\"0\""));
    StationSetup drive =
        StationSetup.delivered(file.description(), file.description().devices().get(0));
    assertThat(drive.doubts()).isEmpty();
    assertThat(drive.withChosen(java.util.Set.of(0x1601, 0x1A01)).doubts())
        .singleElement()
        .asString()
        .contains("as delivered only");
  }

  @Test
  void aDeviceWithoutMailboxTakesNoCommand() throws IOException {
    DescriptionFile file =
        read(shipped("frequency-drive").replaceAll("(?s)<Mailbox.*?</Mailbox>", ""));
    StationSetup drive =
        StationSetup.delivered(file.description(), file.description().devices().get(0));
    assertThat(
            StartUpCheck.of(drive, List.of(StartUpCommand.number("PS", 0x6060, 0, 2, 1, "")))
                .refused())
        .singleElement()
        .asString()
        .contains("no mailbox");
  }

  @Test
  void aSlotThatStandsSeveralTimesIsSeveralSlots() throws IOException {
    String several =
        shipped("two-axis-servo")
            .replace(
                "MinInstances=\"0\" MaxInstances=\"1\"", "MinInstances=\"0\" MaxInstances=\"3\"");
    DescriptionFile file = read(several);
    StationSetup servo =
        StationSetup.delivered(file.description(), file.description().devices().get(1));
    assertThat(servo.modules()).hasSize(4);
    assertThat(ProcessImage.of(servo).bytes(Direction.OUTPUTS)).isEqualTo(24);
  }

  /** 0x06040041: the object cannot be mapped (CiA 301, from memory). */
  @Test
  void whatCannotBeInTheImageIsRefusedThere() {
    StationSetup drive = delivered("frequency-drive", 0);
    List<StartUpCommand> commands =
        List.of(
            StartUpCommand.number("PS", 0x1601, 0, 0, 1, ""),
            StartUpCommand.number("PS", 0x1601, 1, 0x60400010L, 4, ""),
            StartUpCommand.number("PS", 0x1601, 2, 0x20000010L, 4, ""),
            StartUpCommand.number("PS", 0x1601, 3, 0x5FFF0010L, 4, ""),
            StartUpCommand.number("PS", 0x1601, 4, 0x00000008L, 4, ""),
            // Never closed: 0x06010003, subindex 0 must be 0 first.
            StartUpCommand.number("PS", 0x1A01, 1, 0x60410010L, 4, ""));
    assertThat(StartUpCheck.of(drive, commands).refused())
        .extracting(StartUpCheck.Row::number, StartUpCheck.Row::abort)
        .containsExactly(
            org.assertj.core.groups.Tuple.tuple(3, ObjectAbort.NOT_MAPPABLE),
            org.assertj.core.groups.Tuple.tuple(4, ObjectAbort.NO_OBJECT),
            org.assertj.core.groups.Tuple.tuple(6, ObjectAbort.NOT_CLOSED));
  }

  @Test
  void whatADriveStillNeedsIsOffered() {
    List<StartUpOffers.Offer> offers =
        StartUpOffers.of(delivered("two-axis-servo", 1), List.of(), 8, 2_000_000);
    assertThat(offers)
        .anyMatch(o -> o.object().equals("0x60C2:1") && o.command().data().equals("02"))
        .anyMatch(o -> o.object().equals("0x60C2:2") && o.command().data().equals("FD"))
        .anyMatch(o -> o.object().equals("0x607D:1") && !o.isKnown())
        // The mode is sent in every cycle.
        .noneMatch(o -> o.object().equals("0x6060:0"));
    assertThat(StartUpOffers.of(delivered("two-axis-servo", 0), List.of(), 9, 1_000_000))
        .anyMatch(o -> o.object().equals("0x6060:0") && o.command().data().equals("09"));
  }

  /** A cycle that is not known, or has no such form, is asked for, not passed over. */
  @Test
  void anInterpolationTimeThatCannotBeToldIsAskedFor() {
    for (long cycle : new long[] {0, 257_000}) {
      assertThat(StartUpOffers.of(delivered("two-axis-servo", 1), List.of(), 8, cycle))
          .filteredOn(o -> o.command().index() == 0x60C2)
          .hasSize(2)
          .noneMatch(StartUpOffers.Offer::isKnown)
          .anyMatch(o -> o.what().contains(cycle == 0 ? "not known" : "257000 ns"));
    }
  }

  @Test
  void aNumberThatIsNoneIsToldWithItsPlaceAndTheRestIsKept() throws IOException {
    String spoilt =
        shipped("frequency-drive").replaceFirst("<BitLen>16</BitLen>", "<BitLen>x</BitLen>");
    DescriptionFile file = read(spoilt);
    assertThat(file.description().devices()).hasSize(1);
    assertThat(file.description().devices().get(0).pdos()).hasSize(5);
    assertThat(file.faults()).hasSize(2);
    assertThat(file.faults().get(0).problem()).contains("BitLen").contains("'x'");
    assertThat(file.faults().get(0).line()).isGreaterThan(10);
    assertThat(file.faults().get(1).problem()).contains("Velocity outputs");
  }

  @Test
  void aFileThatBreaksOffKeepsWhatWasBefore() throws IOException {
    String whole = shipped("two-axis-servo");
    String cut = whole.substring(0, whole.indexOf("<Module>") + 200);
    DescriptionFile file = read(cut);
    assertThat(file.description().devices()).hasSize(2);
    assertThat(file.faults()).singleElement().asString().contains("2 devices").contains("line");
  }

  @Test
  void aDeviceWithoutProductCodeIsLeftOutAndTold() throws IOException {
    String spoilt = shipped("two-axis-servo").replaceFirst("ProductCode=\"#x00000201\" ", "");
    DescriptionFile file = read(spoilt);
    assertThat(file.description().devices()).hasSize(1);
    assertThat(file.faults()).singleElement().asString().contains("ProductCode");
  }

  @Test
  void somethingElseIsRefusedInWords() {
    assertThat(read("<html/>").faults()).singleElement().asString().contains("EtherCATInfo");
    assertThat(read("").faults()).hasSize(1);
    assertThat(read("<EtherCATInfo/>").faults()).singleElement().asString().contains("vendor");
  }

  /** A file from outside must not read files of this machine. */
  @Test
  void externalEntitiesAreNotLookedUp() {
    DescriptionFile file =
        read(
            """
            <?xml version="1.0"?>
            <!DOCTYPE EtherCATInfo [<!ENTITY out SYSTEM "file:///etc/hostname">]>
            <EtherCATInfo><Vendor><Id>1</Id><Name>&out;</Name></Vendor></EtherCATInfo>
            """);
    assertThat(file.description().vendorName()).isEmpty();
  }

  /** Entities that grow without end are not grown. */
  @Test
  void entitiesAreNotMultiplied() {
    DescriptionFile file =
        read(
            """
            <?xml version="1.0"?>
            <!DOCTYPE EtherCATInfo [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]>
            <EtherCATInfo><Vendor><Id>1</Id><Name>&b;</Name></Vendor></EtherCATInfo>
            """);
    assertThat(file.description().vendorName()).isEmpty();
    assertThat(file.faults()).isNotEmpty();
  }
}

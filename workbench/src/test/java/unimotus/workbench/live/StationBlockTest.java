package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.program.StructuredText;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.CyclicImage;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.NoAnswer;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.master.StationStart;
import unimotus.devices.ethercat.station.RingTroubles;
import unimotus.devices.ethercat.wire.UdpWire;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.ControllerCode;

/**
 * The block of an axis over process data, statement by statement, on a simulated station: its
 * variables are laid at the bytes that its own comments name.
 */
@Timeout(120)
class StationBlockTest {
  private static final LinkWatch WATCH = new LinkWatch(0.010, 0.010);
  private static final int WATCHDOG_MILLISECONDS = 2000;

  private StationStandIns standIns;
  private Exchange exchange;
  private CyclicImage image;
  private CyclicImage.Member member;
  private StructuredText block;
  private String text;
  private DriveImage design;
  private boolean run;
  private boolean reset;
  private final long begun = System.nanoTime();

  private void begin(List<Integer> pdos, StartUpCommand... startUp) throws IOException {
    Project project = StationLiveTest.project(pdos, startUp);
    design = StationLiveTest.image(project);
    AxisAssembly axis = Buses.drum(project);
    text = ControllerCode.block(axis, null, WATCH).text();
    block = new StructuredText(text);
    standIns =
        StationStandIns.start(
            project, SheetLibrary.catalogue(), StationStandIns.udp(0), System::nanoTime);
    standIns.stations().get(1).station().watchdog(WATCHDOG_MILLISECONDS);
    exchange =
        new Exchange(UdpWire.to("127.0.0.1", standIns.server().port()), 100, 3, Exchange.Tap.NONE);
    operate();
  }

  /** Station 1 to OP, as a controller does it. */
  private void operate() throws IOException {
    StationLink link = BusScan.addressed(exchange, BusScan.count(exchange)).get(1);
    StationStart start = new StationStart(link, link.eeprom(), Gate.OPEN);
    start.reset();
    start.mailbox();
    assertThat(start.startUp(design.design().startUp(), "PS")).allMatch(w -> w.refusal().isEmpty());
    image = new CyclicImage();
    member = image.add(start.imageSize());
    start.processData(CyclicImage.START, member.size());
    start.operate(() -> image.exchange(exchange, Gate.OPEN));
  }

  @AfterEach
  void end() throws IOException {
    if (exchange != null) {
      exchange.close();
      standIns.close();
    }
  }

  /** The first byte of a variable, by its comment. */
  private int place(String variable, Direction direction) {
    Matcher at =
        Pattern.compile(
                "\\b%s : \\w+;\\s*\\(\\* %s, byte (\\d+) bit 0,"
                    .formatted(variable, direction.label()))
            .matcher(text);
    assertThat(at.find()).as(variable).isTrue();
    return Integer.parseInt(at.group(1));
  }

  /** One scan of the program with one exchange. */
  private void scan() throws IOException, InterruptedException {
    ByteBuffer outputs =
        ByteBuffer.allocate(member.size().outputs()).order(ByteOrder.LITTLE_ENDIAN);
    outputs.putShort(place("ControlWord", Direction.OUTPUTS), (short) block.whole("ControlWord"));
    int reference = place("ReferenceRaw", Direction.OUTPUTS);
    if (text.contains("ReferenceRaw : DINT")) {
      outputs.putInt(reference, block.whole("ReferenceRaw"));
    } else {
      outputs.putShort(reference, (short) block.whole("ReferenceRaw"));
    }
    image.outputs(member, outputs.array());
    boolean answered;
    try {
      answered = image.exchange(exchange, Gate.OPEN).isWhole();
    } catch (NoAnswer lost) {
      answered = false;
    }
    ByteBuffer inputs = ByteBuffer.wrap(image.inputs(member)).order(ByteOrder.LITTLE_ENDIAN);
    block.put(
        "StatusWord", Short.toUnsignedInt(inputs.getShort(place("StatusWord", Direction.INPUTS))));
    block.put("Answered", answered);
    block.put("Run", run);
    block.put("Reset", reset);
    block.put("Backward", false);
    block.put("Speed", 10.0);
    block.scan((System.nanoTime() - begun) / 1_000_000);
    TimeUnit.MILLISECONDS.sleep(5);
  }

  private void until(BooleanSupplier what) throws IOException, InterruptedException {
    for (int i = 0; i < 3000 && !what.getAsBoolean(); i++) {
      scan();
    }
    assertThat(what.getAsBoolean()).isTrue();
  }

  private int rpm() {
    try {
      byte[] demand =
          standIns
              .stations()
              .get(1)
              .station()
              .device()
              .objects()
              .read(ProfileObject.VELOCITY_DEMAND.index(), 0);
      return demand[0] & 0xFF | demand[1] << 8;
    } catch (Aborted none) {
      throw new AssertionError(none);
    }
  }

  @Test
  void aRunStartsAndAStopStops() throws Exception {
    begin(List.of(0x1600, 0x1A00));
    story();
  }

  @Test
  void theSameInProfileVelocityMode() throws Exception {
    begin(List.of(0x1602, 0x1A02), StartUpCommand.number("PS", 0x6060, 0, 3, 1, "mode"));
    assertThat(text).contains("ReferenceRaw : DINT");
    story();
  }

  private void story() throws Exception {
    until(() -> block.is("Ready"));
    assertThat(rpm()).isZero();
    run = true;
    until(() -> rpm() > 20);
    until(() -> rpm() == block.whole("ReferenceRaw"));
    run = false;
    until(() -> rpm() == 0);
  }

  /** A cable that comes back finds Run present, and nothing turns before it is given anew. */
  @Test
  void aLossTakesANewRun() throws Exception {
    begin(List.of(0x1600, 0x1A00));
    until(() -> block.is("Ready"));
    run = true;
    until(() -> rpm() > 20);
    standIns.server().ring().troubles(new RingTroubles(1, 0, 0));
    until(() -> block.is("LinkLost") && rpm() == 0);
    standIns.server().ring().troubles(RingTroubles.NONE);
    operate();
    until(() -> block.is("Locked") && !block.is("LinkLost"));
    for (int i = 0; i < 100; i++) {
      scan();
      assertThat(rpm()).isZero();
    }
    // The drive faulted on its watchdog; a reset alone starts nothing either.
    reset = true;
    until(() -> block.is("Ready"));
    assertThat(block.is("Locked")).isTrue();
    assertThat(rpm()).isZero();
    run = false;
    scan();
    run = true;
    until(() -> rpm() > 20);
  }

  /** The mode is written each cycle where the image carries it; what is not known is refused. */
  @Test
  void theModeIsWrittenWhereItIsInTheImage() {
    Project mapped =
        StationLiveTest.project(
            List.of(0x1601, 0x1A01), StartUpCommand.number("PS", 0x6060, 0, 2, 1, "mode"));
    assertThat(ControllerCode.block(Buses.drum(mapped), null, WATCH).text())
        .contains("ModeOfOperation := 2;");
    Project position =
        StationLiveTest.project(
            List.of(0x1600, 0x1A00), StartUpCommand.number("PS", 0x6060, 0, 8, 1, "mode"));
    assertThatThrownBy(() -> ControllerCode.block(Buses.drum(position), null, WATCH))
        .hasMessageContaining("cyclic synchronous position");
  }
}

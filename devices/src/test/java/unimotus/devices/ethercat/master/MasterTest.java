package unimotus.devices.ethercat.master;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicBoolean;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.StateCode;
import unimotus.core.processdata.StationState;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotSent;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.mailbox.ObjectClient;
import unimotus.devices.ethercat.station.DriveDevice;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.RingTroubles;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.TestStations;
import unimotus.devices.ethercat.wire.RingServer;
import unimotus.devices.ethercat.wire.UdpWire;

/** The controller's side over UDP: scan, start-up, objects, process data, and what goes wrong. */
class MasterTest {
  private final List<AutoCloseable> open = new ArrayList<>();
  private final List<Station> stations = new ArrayList<>();
  private Ring ring;

  @AfterEach
  void close() throws Exception {
    for (int i = open.size() - 1; i >= 0; i--) {
      open.get(i).close();
    }
  }

  private Exchange exchange(int milliseconds) throws IOException {
    ring = new Ring(stations);
    RingServer server = RingServer.udp(ring, 0);
    open.add(server);
    Exchange exchange =
        new Exchange(UdpWire.to("127.0.0.1", server.port()), milliseconds, 5, Exchange.Tap.NONE);
    open.add(exchange);
    return exchange;
  }

  private Exchange odd(int count) throws IOException {
    for (int i = 1; i <= count; i++) {
      stations.add(TestStations.odd(i, System::nanoTime));
    }
    return exchange(1000);
  }

  private static StationStart start(Exchange exchange, int position, Gate gate) throws IOException {
    StationLink link = BusScan.addressed(exchange, BusScan.count(exchange)).get(position);
    return new StationStart(link, link.eeprom(), gate);
  }

  @Test
  void aScanFindsWhoAnswersInTheOrderOfTheCable() throws IOException {
    Exchange exchange = odd(3);
    List<FoundStation> found = BusScan.scan(exchange);
    assertThat(found).hasSize(3);
    assertThat(found)
        .extracting(f -> f.eeprom().orElseThrow().serial())
        .containsExactly(101L, 102L, 103L);
    assertThat(found).allMatch(f -> f.eeprom().orElseThrow().isIntact());
    assertThat(found).extracting(f -> f.eeprom().orElseThrow().alias()).containsExactly(1, 2, 3);
    assertThat(found.get(0).eeprom().orElseThrow().name()).isEqualTo("Station ODD");
    assertThat(found).extracting(f -> f.isLinked(1)).containsExactly(true, true, false);
    assertThat(found.get(2).isClosed(1)).isTrue();
    assertThat(found.get(0).standing().told()).isEqualTo("INIT");
    ring.troubles(new RingTroubles(2, 0, 0));
    List<FoundStation> cut = BusScan.scan(exchange);
    assertThat(cut).hasSize(2);
    assertThat(cut.get(1).isLinked(1)).isFalse();
    assertThat(cut.get(1).lostLinks()).isEqualTo(1);
  }

  @Test
  void oneBlinksAndNothingElseChanges() throws IOException {
    Exchange exchange = odd(2);
    StationLink second = BusScan.addressed(exchange, 2).get(1);
    second.blink(true);
    assertThat(stations.get(1).isBlinking()).isTrue();
    assertThat(stations.get(0).isBlinking()).isFalse();
    assertThat(second.standing().state()).isEqualTo(StationState.INIT);
    second.blink(false);
    assertThat(stations.get(1).isBlinking()).isFalse();
  }

  @Test
  void objectsAreReadAndWrittenShortAndLong() throws Exception {
    StationStart start = start(odd(1), 0, Gate.OPEN);
    start.mailbox();
    ObjectClient objects = start.objects();
    assertThat(new String(objects.read(0x2000, 0), StandardCharsets.US_ASCII))
        .isEqualTo(TestStations.LONG_TEXT);
    Random random = new Random(5);
    for (int i = 0; i < 20; i++) {
      byte[] data = new byte[200];
      random.nextBytes(data);
      objects.write(0x2001, 0, data);
      assertThat(objects.read(0x2001, 0)).isEqualTo(data);
    }
    objects.write(0x3003, 0, new byte[] {0x34, 0x12});
    assertThat(objects.read(0x3003, 0)).containsExactly(0x34, 0x12);
  }

  @Test
  void everyRefusalComesWithItsCode() throws Exception {
    StationStart start = start(odd(1), 0, Gate.OPEN);
    start.mailbox();
    ObjectClient objects = start.objects();
    assertThat(abort(() -> objects.read(0x5FFF, 0))).isEqualTo(ObjectAbort.NO_OBJECT);
    assertThat(abort(() -> objects.read(0x1018, 9))).isEqualTo(ObjectAbort.NO_SUBINDEX);
    assertThat(abort(() -> objects.read(0x2002, 0))).isEqualTo(ObjectAbort.WRITE_ONLY);
    assertThat(abort(() -> objects.write(0x4001, 0, new byte[1]))).isEqualTo(ObjectAbort.READ_ONLY);
    assertThat(abort(() -> objects.write(0x3003, 0, new byte[3]))).isEqualTo(ObjectAbort.TOO_LONG);
    assertThat(abort(() -> objects.write(0x3003, 0, new byte[1]))).isEqualTo(ObjectAbort.TOO_SHORT);
    assertThat(abort(() -> objects.write(0x1600, 1, new byte[4])))
        .isEqualTo(ObjectAbort.NOT_CLOSED);
    stations.get(0).device().objects().refuse(0x3003, 0, ObjectAbort.LOCAL_CONTROL);
    assertThat(abort(() -> objects.write(0x3003, 0, new byte[2])))
        .isEqualTo(ObjectAbort.LOCAL_CONTROL);
    stations.get(0).device().objects().refuse(0x3003, 0, null);
    objects.write(0x3003, 0, new byte[2]);
  }

  private interface Access {
    void once() throws Exception;
  }

  private static ObjectAbort abort(Access access) throws Exception {
    try {
      access.once();
    } catch (Aborted aborted) {
      return ObjectAbort.of(aborted.code()).orElseThrow();
    }
    throw new AssertionError("was not refused");
  }

  @Test
  void theDictionaryIsListedWithEveryPart() throws Exception {
    StationStart start = start(odd(1), 0, Gate.OPEN);
    start.mailbox();
    ObjectClient objects = start.objects();
    List<Integer> listed = objects.objects();
    assertThat(listed).isSorted().contains(0x1018, 0x1C12, 0x2000, 0x2001, 0x3004, 0x4004);
    ObjectClient.Described text = objects.describe(0x2000);
    assertThat(text.name()).isEqualTo("object 2000");
    assertThat(text.top()).isZero();
    ObjectClient.DescribedPart part = objects.describe(0x3004, 0);
    assertThat(part.bits()).isEqualTo(32);
    // Unsigned of 32 bits; read and written in every state, in outputs (CiA 301, from memory).
    assertThat(part.type()).isEqualTo(7);
    assertThat(part.access()).isEqualTo(0x7F);
    assertThat(objects.describe(0x1018).top()).isEqualTo(4);
  }

  @Test
  void aStartUpListIsWrittenInOrderAndWhatIsRefusedIsNamed() throws Exception {
    StationStart start = start(odd(1), 0, Gate.OPEN);
    start.mailbox();
    List<StartUpCommand> list =
        List.of(
            StartUpCommand.number("PS", 0x3003, 0, 7, 2, ""),
            StartUpCommand.number("PS", 0x5000, 0, 7, 2, ""),
            StartUpCommand.number("SO", 0x3003, 0, 9, 2, ""),
            StartUpCommand.number("PS", 0x3004, 0, 8, 4, ""));
    List<StationStart.Written> written = start.startUp(list, "PS");
    assertThat(written)
        .extracting(w -> w.command().index())
        .containsExactly(0x3003, 0x5000, 0x3004);
    assertThat(written.get(1).refusal()).contains("0x06020000");
    assertThat(written.get(0).refusal() + written.get(2).refusal()).isEmpty();
    assertThat(start.objects().read(0x3003, 0)).containsExactly(7, 0);
  }

  @Test
  void lostTelegramsAndMailsAreMadeUpFor() throws Exception {
    for (int i = 1; i <= 3; i++) {
      stations.add(TestStations.odd(i, System::nanoTime));
    }
    Exchange exchange = exchange(20);
    ring.troubles(new RingTroubles(0, 7, 0));
    assertThat(BusScan.scan(exchange)).hasSize(3);
    StationStart start = start(exchange, 1, Gate.OPEN);
    start.mailbox();
    for (int i = 0; i < 5; i++) {
      assertThat(start.objects().read(0x2000, 0)).hasSize(400);
      start.objects().write(0x2001, 0, new byte[200]);
    }
    assertThat(start.objects().objects()).hasSizeGreaterThan(15);
    assertThat(exchange.repeated()).isPositive();
  }

  @Test
  void nobodyAtAllIsSaidSo() throws IOException {
    stations.add(TestStations.odd(1, System::nanoTime));
    Exchange exchange = exchange(10);
    ring.troubles(new RingTroubles(0, 1, 0));
    assertThatThrownBy(() -> BusScan.scan(exchange))
        .isInstanceOf(NoAnswer.class)
        .hasMessageContaining("within 10 ms, asked 6 times");
    ring.troubles(new RingTroubles(0, 0, 200));
    assertThatThrownBy(() -> BusScan.scan(exchange)).as("too late").isInstanceOf(NoAnswer.class);
  }

  @Test
  void aRefusedImageIsToldWithItsCodeAndWhatToDo() throws IOException {
    StationStart start = start(odd(1), 0, Gate.OPEN);
    start.mailbox();
    assertThatThrownBy(() -> start.processData(CyclicImage.START, new StationStart.ImageSize(6, 7)))
        .isInstanceOf(StateRefused.class)
        .hasMessageContaining("SAFE-OP is refused, it stays in PRE-OP")
        .hasMessageContaining("0x001D")
        .hasMessageContaining("compare the mapping")
        .extracting(e -> ((StateRefused) e).code())
        .isEqualTo(StateCode.OUTPUT_LENGTH.code());
    start.reset();
    start.mailbox();
    assertThat(start.station().standing().state()).isEqualTo(StationState.PRE_OP);
  }

  /** A drive in operation over process data, with what drives it. */
  private final class Running {
    final CyclicImage image = new CyclicImage();
    final CyclicImage.Member member;
    final DriveDevice drive;
    final StationStart start;

    Running(Exchange exchange, Gate gate) throws IOException {
      drive = (DriveDevice) stations.get(0).device();
      // Long enough for a machine that stalls now and then.
      stations.get(0).watchdog(1000);
      start = start(exchange, 0, gate);
      start.reset();
      start.mailbox();
      StationStart.ImageSize size = start.imageSize();
      member = image.add(size);
      start.processData(CyclicImage.START, size);
      start.operate(() -> image.exchange(exchange, gate));
    }

    void command(int word, int rpm) {
      image.outputs(
          member, new byte[] {(byte) word, (byte) (word >> 8), (byte) rpm, (byte) (rpm >> 8)});
    }

    int status() {
      byte[] in = image.inputs(member);
      return Byte.toUnsignedInt(in[0]) | Byte.toUnsignedInt(in[1]) << 8;
    }

    int rpm() {
      byte[] in = image.inputs(member);
      return (short) (Byte.toUnsignedInt(in[2]) | in[3] << 8);
    }

    void until(int word, int rpm, int mask, int status) {
      command(word, rpm);
      Awaitility.await("word 0x%02X".formatted(word)).until(() -> (status() & mask) == status);
    }

    /** The states of the profile (IEC 61800-7-201, from memory), with the velocity mode's bits. */
    void enable(int rpm) {
      until(0x06, 0, 0x6F, 0x21);
      until(0x07, 0, 0x6F, 0x23);
      until(0x0F, 0, 0x6F, 0x27);
      until(0x7F, rpm, 0x6F, 0x27);
    }
  }

  @Test
  void aDriveTurnsOverProcessDataAndStopsWithoutThem() throws Exception {
    stations.add(TestStations.drive(1, System::nanoTime));
    Exchange exchange = exchange(100);
    Running running = new Running(exchange, Gate.OPEN);
    CyclicRun run = CyclicRun.start(running.image, exchange, Gate.OPEN, 2000);
    open.add(run);
    running.enable(600);
    // The plate slips 70 rpm of 1000 at its full torque; the load asks for less.
    Awaitility.await().until(() -> running.rpm() > 570 && running.rpm() <= 600);
    run.close();
    assertThat(run.isRunning()).isFalse();
    Awaitility.await().until(() -> running.drive.fault() == 0x7500);
    StationLink.Standing standing = running.start.station().standing();
    assertThat(standing.state()).isEqualTo(StationState.SAFE_OP);
    assertThat(standing.code()).isEqualTo(StateCode.WATCHDOG.code());
    Awaitility.await().until(() -> Math.abs(rpm(running.drive)) < 1);
    assertThat(running.start.objects().emergencies()).isEmpty();
    running.start.objects().read(0x603F, 0);
    assertThat(running.start.objects().emergencies())
        .containsExactly("emergency 0x7500, error register 0x01");
  }

  /** One exchange; a telegram that is lost under load is followed by the next one. */
  private static void once(CyclicImage image, Exchange exchange) throws IOException {
    try {
      image.exchange(exchange, Gate.OPEN);
    } catch (NoAnswer lost) {
      assertThat(lost).hasMessageContaining("nothing came back");
    }
  }

  private static double rpm(DriveDevice drive) {
    byte[] value = shown(drive);
    return (short) (Byte.toUnsignedInt(value[0]) | value[1] << 8);
  }

  private static byte[] shown(DriveDevice drive) {
    try {
      return drive.objects().read(0x6044, 0);
    } catch (Aborted none) {
      throw new AssertionError(none);
    }
  }

  /** The old word still stands in the image when outputs count again: nothing may turn by it. */
  @Test
  void afterALossOldOutputsStartNothing() throws Exception {
    stations.add(TestStations.drive(1, System::nanoTime));
    Exchange exchange = exchange(100);
    for (int reaction = 0; reaction <= 1; reaction++) {
      Running running = new Running(exchange, Gate.OPEN);
      running.start.objects().write(0x2000, 0, new byte[] {(byte) reaction, 0});
      running.start.reset();
      Running again = new Running(exchange, Gate.OPEN);
      CyclicRun run = CyclicRun.start(again.image, exchange, Gate.OPEN, 2000);
      again.until(0x80, 0, 0x4F, 0x40);
      again.enable(600);
      Awaitility.await().until(() -> again.rpm() > 500);
      run.close();
      Awaitility.await().until(() -> Math.abs(rpm(again.drive)) < 1);
      // A controller that sends the old outputs as soon as it is in OP again.
      again.start.station().acknowledge();
      again.command(0x7F, 600);
      again.start.operate(() -> again.image.exchange(exchange, Gate.OPEN));
      for (int i = 0; i < 50; i++) {
        once(again.image, exchange);
        Thread.sleep(5);
      }
      assertThat(rpm(again.drive)).isZero();
      assertThat(again.status() & 0x6F).as("not enabled").isNotEqualTo(0x27);
    }
  }

  @Test
  void aClosedGateEndsTheRunAndKeepsOutputsBack() throws Exception {
    stations.add(TestStations.drive(1, System::nanoTime));
    Exchange exchange = exchange(100);
    AtomicBoolean armed = new AtomicBoolean(true);
    Gate gate =
        send -> {
          if (!armed.get()) {
            throw new NotSent("not armed");
          }
          send.now();
        };
    Running running = new Running(exchange, gate);
    CyclicRun run = CyclicRun.start(running.image, exchange, gate, 2000);
    open.add(run);
    running.enable(600);
    Awaitility.await().until(() -> running.rpm() > 500);
    armed.set(false);
    Awaitility.await().until(() -> !run.isRunning());
    assertThat(run.endedBy()).isEqualTo("not armed");
    Awaitility.await().until(() -> Math.abs(rpm(running.drive)) < 1);
    armed.set(true);
    Thread.sleep(100);
    assertThat(run.isRunning()).as("does not begin again by itself").isFalse();
  }

  @Test
  void aCableThatOpensIsSeenByTheCounter() throws Exception {
    Exchange exchange = odd(3);
    CyclicImage image = new CyclicImage();
    List<StationStart> starts = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      StationStart start = start(exchange, i, Gate.OPEN);
      start.mailbox();
      CyclicImage.Member member = image.add(start.imageSize());
      start.processData(CyclicImage.START + member.at(), member.size());
      starts.add(start);
    }
    for (StationStart start : starts) {
      start.operate(() -> image.exchange(exchange, Gate.OPEN));
    }
    assertThat(image.exchange(exchange, Gate.OPEN)).isEqualTo(new CyclicImage.Turn(9, 9));
    ring.troubles(new RingTroubles(1, 0, 0));
    CyclicImage.Turn cut = image.exchange(exchange, Gate.OPEN);
    assertThat(cut).isEqualTo(new CyclicImage.Turn(3, 9));
    assertThat(cut.isWhole()).isFalse();
  }
}

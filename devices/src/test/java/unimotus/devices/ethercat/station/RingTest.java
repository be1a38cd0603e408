package unimotus.devices.ethercat.station;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import unimotus.core.processdata.StateCode;
import unimotus.devices.ethercat.Command;
import unimotus.devices.ethercat.Datagram;
import unimotus.devices.ethercat.Telegram;
import unimotus.devices.ethercat.TelegramFault;

/**
 * Stations answer as the standard says: addressing, working counter, EEPROM, states with their
 * codes, mapping bit by bit, watchdog, clock (ETG.1000.4 and .6, from memory). Telegrams and
 * register numbers are written by hand.
 */
class RingTest {
  private static final HexFormat HEX = HexFormat.of();
  private static final long START = 0x10000;

  private final AtomicLong nanos = new AtomicLong(1_000_000_000);
  private final List<Station> stations = new ArrayList<>();

  private Ring ring(int count) {
    for (int i = 0; i < count; i++) {
      stations.add(TestStations.odd(i + 1, nanos::get));
    }
    return new Ring(stations);
  }

  private static Datagram pass(Ring ring, Datagram errand) throws TelegramFault {
    byte[] back = ring.pass(new Telegram(List.of(errand)).bytes());
    return Telegram.of(Objects.requireNonNull(back)).datagrams().get(0);
  }

  private static Datagram write(Ring ring, int position, int place, String hex)
      throws TelegramFault {
    return pass(ring, Datagram.toPosition(Command.APWR, 1, position, place, HEX.parseHex(hex)));
  }

  private static String read(Ring ring, int position, int place, int length) throws TelegramFault {
    Datagram answer =
        pass(ring, Datagram.toPosition(Command.APRD, 1, position, place, new byte[length]));
    return answer.counter() == 1 ? HEX.formatHex(answer.data()) : "nothing";
  }

  /** Sync managers and mappings of the odd station, by hand: seven bytes out, seven in. */
  private static void configure(Ring ring, int position, long logical) throws TelegramFault {
    write(ring, position, 0x0800, "0010800026000100");
    write(ring, position, 0x0808, "0012800022000100");
    write(ring, position, 0x0810, "0014070064000100");
    write(ring, position, 0x0818, "0018070020000100");
    write(ring, position, 0x0600, mapping(logical, 7, 0x1400, 2));
    write(ring, position, 0x0610, mapping(logical + 7, 7, 0x1800, 1));
  }

  private static String mapping(long logical, int length, int place, int type) {
    return HEX.formatHex(
        ByteBuffer.allocate(16)
            .order(ByteOrder.LITTLE_ENDIAN)
            .putInt((int) logical)
            .putShort((short) length)
            .put((byte) 0)
            .put((byte) 7)
            .putShort((short) place)
            .put((byte) 0)
            .put((byte) type)
            .put((byte) 1)
            .array());
  }

  private static void climb(Ring ring, int position, String... states) throws TelegramFault {
    for (String state : states) {
      write(ring, position, 0x0120, state + "00");
      assertThat(read(ring, position, 0x0130, 2)).isEqualTo(state + "00");
    }
  }

  @Test
  void everyStationCountsABroadcastAndPositionsCountUp() throws TelegramFault {
    Ring ring = ring(3);
    Datagram all =
        pass(ring, new Datagram(Command.BRD, 1, 0x0130L << 16, new byte[2], false, 0, 0));
    assertThat(all.counter()).isEqualTo(3);
    assertThat(all.first()).isEqualTo(3);
    assertThat(all.data()).containsExactly(1, 0);
    // Position 1 travels as -1; three stations later it stands at 2.
    Datagram one =
        pass(ring, Datagram.toPosition(Command.APWR, 1, 1, 0x0010, HEX.parseHex("0120")));
    assertThat(one.counter()).isEqualTo(1);
    assertThat(one.first()).isEqualTo(2);
    Datagram named = pass(ring, Datagram.toStation(Command.FPRD, 1, 0x2001, 0x0010, new byte[2]));
    assertThat(named.counter()).isEqualTo(1);
    assertThat(named.data()).containsExactly(0x01, 0x20);
    Datagram nobody = pass(ring, Datagram.toStation(Command.FPRD, 1, 0x2002, 0x0010, new byte[2]));
    assertThat(nobody.counter()).isZero();
    assertThat(write(ring, 0, 0x0000, "ee").counter()).isZero();
    // Read in the station meant, written in the two others: one and one and one.
    Datagram spread = pass(ring, Datagram.toPosition(Command.ARMW, 1, 0, 0x0910, new byte[8]));
    assertThat(spread.counter()).isEqualTo(3);
  }

  @Test
  void theEepromTellsWhoItIs() throws TelegramFault {
    Ring ring = ring(2);
    write(ring, 1, 0x0502, "000108000000");
    assertThat(read(ring, 1, 0x0508, 8)).isEqualTo("0100ffff" + "11000000");
    write(ring, 1, 0x0502, "00010c000000");
    assertThat(read(ring, 1, 0x0508, 8)).isEqualTo("00000100" + "66000000");
    // The alias is taken over at power on; one that is written then comes with the next.
    assertThat(read(ring, 1, 0x0012, 2)).isEqualTo("0200");
    write(ring, 1, 0x0508, "3700");
    write(ring, 1, 0x0502, "010204000000");
    assertThat(read(ring, 1, 0x0012, 2)).isEqualTo("0200");
    write(ring, 1, 0x0502, "000400000000");
    assertThat(read(ring, 1, 0x0012, 2)).isEqualTo("3700");
  }

  @Test
  void statesAreReachedStepByStepAndRefusedWithTheirCodes() throws TelegramFault {
    Ring ring = ring(1);
    write(ring, 0, 0x0120, "0200");
    assertThat(read(ring, 0, 0x0130, 6)).isEqualTo("11000000" + "1600");
    configure(ring, 0, START);
    write(ring, 0, 0x0120, "0200");
    assertThat(read(ring, 0, 0x0130, 2)).as("waits to be acknowledged").isEqualTo("1100");
    write(ring, 0, 0x0120, "1100");
    climb(ring, 0, "02");
    write(ring, 0, 0x0120, "0800");
    assertThat(read(ring, 0, 0x0130, 6)).as("skips a state").isEqualTo("12000000" + "1100");
    write(ring, 0, 0x0120, "1200");
    write(ring, 0, 0x0812, "0600");
    write(ring, 0, 0x0120, "0400");
    assertThat(read(ring, 0, 0x0130, 6)).as("outputs too short").isEqualTo("12000000" + "1d00");
    write(ring, 0, 0x0120, "1200");
    write(ring, 0, 0x0812, "0700");
    write(ring, 0, 0x081A, "0800");
    write(ring, 0, 0x0120, "0400");
    assertThat(read(ring, 0, 0x0130, 6)).as("inputs too long").isEqualTo("12000000" + "1e00");
    write(ring, 0, 0x0120, "1200");
    write(ring, 0, 0x081A, "0700");
    climb(ring, 0, "04", "08");
    write(ring, 0, 0x0120, "0500");
    assertThat(read(ring, 0, 0x0130, 6)).isEqualTo("18000000" + "1200");
    write(ring, 0, 0x0120, "1800");
    write(ring, 0, 0x0120, "0300");
    assertThat(read(ring, 0, 0x0130, 6)).as("no BOOT").isEqualTo("18000000" + "1300");
    climb(ring, 0, "01");
  }

  @Test
  void anImageIsRefusedOnDemand() throws TelegramFault {
    Ring ring = ring(1);
    configure(ring, 0, START);
    climb(ring, 0, "02");
    stations.get(0).refuseImage(StateCode.INPUT_MAPPING);
    write(ring, 0, 0x0120, "0400");
    assertThat(read(ring, 0, 0x0130, 6)).isEqualTo("12000000" + "2400");
  }

  /** 1 at bit 0, 9 at bits 1 to 4, 0xABC at bits 8 to 19, 0x12345678 at byte 3: by hand. */
  @Test
  void entriesOfOneFourTwelveAndThirtyTwoBitsStandWhereTheyAreCounted() throws TelegramFault {
    Ring ring = ring(2);
    configure(ring, 0, START);
    configure(ring, 1, START + 14);
    climb(ring, 0, "02", "04", "08");
    climb(ring, 1, "02", "04", "08");
    String outputs = "13" + "bc0a" + "78563412";
    DeviceObjects objects = stations.get(1).device().objects();
    objects.hold(0x4001, 0, new byte[] {1});
    objects.hold(0x4002, 0, new byte[] {9});
    objects.hold(0x4003, 0, new byte[] {(byte) 0xBC, 0x0A});
    objects.hold(0x4004, 0, new byte[] {0x78, 0x56, 0x34, 0x12});
    byte[] image = HEX.parseHex("00".repeat(14) + outputs + "00".repeat(7));
    Datagram back = pass(ring, Datagram.logical(Command.LRW, 1, START, image));
    assertThat(back.counter()).isEqualTo(6);
    assertThat(HEX.formatHex(back.data())).isEqualTo("00".repeat(14) + outputs + outputs);
    assertThat(objects.forImage(0x3001, 0)).containsExactly(1);
    assertThat(objects.forImage(0x3002, 0)).containsExactly(9);
    assertThat(objects.forImage(0x3003, 0)).containsExactly(0xBC, 0x0A);
    assertThat(objects.forImage(0x3004, 0)).containsExactly(0x78, 0x56, 0x34, 0x12);
    assertThat(stations.get(0).device().objects().forImage(0x3001, 0)).containsExactly(0);
    // Written alone counts one a station, read alone one.
    assertThat(pass(ring, Datagram.logical(Command.LWR, 1, START, image)).counter()).isEqualTo(2);
    assertThat(pass(ring, Datagram.logical(Command.LRD, 1, START, image)).counter()).isEqualTo(2);
  }

  @Test
  void aMappingOfSingleBitsPutsThemWhereItSays() throws TelegramFault {
    Ring ring = ring(1);
    configure(ring, 0, START);
    // Bits 3 to 6 of logical byte 0x20000 are bits 1 to 4 of the inputs' first byte.
    write(ring, 0, 0x0620, "00000200" + "0100" + "03" + "06" + "0018" + "01" + "01" + "01000000");
    climb(ring, 0, "02", "04");
    stations.get(0).device().objects().hold(0x4002, 0, new byte[] {0x0B});
    Datagram back = pass(ring, Datagram.logical(Command.LRD, 1, 0x20000, new byte[1]));
    assertThat(back.counter()).isEqualTo(1);
    assertThat(back.data()).containsExactly(0x0B << 3);
  }

  @Test
  void withoutOutputsTheWatchdogTakesItOutOfOperation() throws TelegramFault {
    Ring ring = ring(1);
    configure(ring, 0, START);
    climb(ring, 0, "02", "04", "08");
    nanos.addAndGet(99_000_000);
    pass(ring, Datagram.logical(Command.LRW, 1, START, new byte[14]));
    nanos.addAndGet(99_000_000);
    assertThat(read(ring, 0, 0x0130, 2)).isEqualTo("0800");
    // 100 ms from power on: (2498 + 2) x 40 ns x 1000.
    nanos.addAndGet(2_000_000);
    assertThat(read(ring, 0, 0x0130, 6)).isEqualTo("14000000" + "1b00");
    stations.get(0).starve(true);
    write(ring, 0, 0x0120, "1400");
    climb(ring, 0, "08");
    for (int i = 0; i < 3; i++) {
      nanos.addAndGet(50_000_000);
      pass(ring, Datagram.logical(Command.LRW, 1, START, new byte[14]));
    }
    assertThat(read(ring, 0, 0x0130, 2)).as("overlooks its outputs").isEqualTo("1400");
  }

  @Test
  void anOpenCableHidesWhatIsBehindIt() throws TelegramFault {
    Ring ring = ring(4);
    assertThat(read(ring, 1, 0x0110, 2)).isEqualTo("335a");
    assertThat(read(ring, 3, 0x0110, 2)).isEqualTo("1356");
    ring.troubles(new RingTroubles(2, 0, 0));
    Datagram all =
        pass(ring, new Datagram(Command.BRD, 1, 0x0130L << 16, new byte[2], false, 0, 0));
    assertThat(all.counter()).isEqualTo(2);
    assertThat(read(ring, 1, 0x0110, 2)).as("no link onward").isEqualTo("1356");
    assertThat(read(ring, 1, 0x0311, 1)).as("a link was lost").isEqualTo("01");
    assertThat(read(ring, 2, 0x0110, 2)).isEqualTo("nothing");
  }

  @Test
  void theTimeOfTheBusIsTheOwnTimeAndWhatIsAddedToIt() throws TelegramFault {
    Ring ring = ring(2);
    long own = Long.reverseBytes(Long.parseUnsignedLong(read(ring, 1, 0x0910, 8), 16));
    write(ring, 1, 0x0920, "e803000000000000");
    long later = Long.reverseBytes(Long.parseUnsignedLong(read(ring, 1, 0x0910, 8), 16));
    assertThat(later - own).isEqualTo(1000);
    pass(ring, new Datagram(Command.BWR, 1, 0x0900L << 16, new byte[4], false, 0, 0));
    long first = Integer.reverseBytes(Integer.parseUnsignedInt(read(ring, 0, 0x0900, 4), 16));
    long back = Integer.reverseBytes(Integer.parseUnsignedInt(read(ring, 0, 0x0904, 4), 16));
    assertThat(back - first).as("there and back through one station").isEqualTo(800);
    write(ring, 1, 0x0910, HEX.formatHex(bytes(later - 250)));
    assertThat(read(ring, 1, 0x092C, 4)).isEqualTo("fa000000");
    write(ring, 1, 0x0910, HEX.formatHex(bytes(later + 250)));
    assertThat(read(ring, 1, 0x092C, 4)).isEqualTo("fa000080");
  }

  private static byte[] bytes(long value) {
    return ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN).putLong(value).array();
  }

  @Test
  void aRingHasOneToSixtyFourStations() {
    assertThatThrownBy(() -> new Ring(List.of())).hasMessageContaining("1 to 64");
    for (int i = 0; i < 65; i++) {
      stations.add(TestStations.odd(i + 1, nanos::get));
    }
    assertThatThrownBy(() -> new Ring(stations)).hasMessageContaining("not 65");
    assertThat(new Ring(stations.subList(0, 64)).stations()).hasSize(64);
    assertThatThrownBy(() -> new RingTroubles(65, 0, 0)).hasMessageContaining("0 to 64");
  }
}

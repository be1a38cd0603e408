package unimotus.benchmarks;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import unimotus.core.esi.EsiDevice;
import unimotus.core.processdata.StationSetup;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.master.BusScan;
import unimotus.devices.ethercat.master.CyclicImage;
import unimotus.devices.ethercat.master.Exchange;
import unimotus.devices.ethercat.master.StationLink;
import unimotus.devices.ethercat.master.StationStart;
import unimotus.devices.ethercat.station.DeviceObjects;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.Station;
import unimotus.devices.ethercat.station.StationDevice;
import unimotus.devices.ethercat.station.StationIdentity;
import unimotus.devices.ethercat.wire.RingServer;
import unimotus.devices.ethercat.wire.UdpWire;
import unimotus.formats.esi.DescriptionFile;
import unimotus.formats.esi.ShippedDescriptions;

/**
 * Process data of so many stations every millisecond over UDP, stations and controller in one
 * process, beside a thread that only waits for its tick.
 */
public final class StationCycles {
  private static final long CYCLE_NANOS = 1_000_000;
  private static final int WARM_UP_CYCLES = 10_000;
  private static final int WATCHDOG_MILLISECONDS = 1000;

  private StationCycles() {}

  /** {@code STATIONS SECONDS}. */
  public static void main(String[] args) throws IOException, InterruptedException {
    int count = Integer.parseInt(args[0]);
    int cycles = (int) (Long.parseLong(args[1]) * 1_000_000_000L / CYCLE_NANOS);
    try (RingServer server = RingServer.udp(new Ring(stations(count)), 0);
        Exchange exchange =
            new Exchange(UdpWire.to("127.0.0.1", server.port()), 500, 3, Exchange.Tap.NONE)) {
      CyclicImage image = started(exchange, count);
      Ticks warm = new Ticks(() -> image.exchange(exchange, Gate.OPEN), WARM_UP_CYCLES);
      warm.start();
      warm.join();
      Ticks bare = new Ticks(() -> {}, cycles);
      bare.start();
      Ticks own = new Ticks(() -> image.exchange(exchange, Gate.OPEN), cycles);
      own.start();
      own.join();
      bare.join();
      System.out.printf("%d stations, %d bytes, every 1 ms: %s%n", count, image.length(), own);
      System.out.printf("a bare thread that only waits for its tick, beside it: %s%n", bare);
    }
  }

  private static List<Station> stations(int count) {
    List<Station> stations = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      String name = ShippedDescriptions.NAMES.get(i % ShippedDescriptions.NAMES.size());
      DescriptionFile file = ShippedDescriptions.find(name).orElseThrow();
      EsiDevice device = file.description().devices().get(0);
      StationIdentity identity =
          new StationIdentity(
              file.description().vendorId(), device.productCode(), device.revision(), i, 0);
      DeviceObjects objects =
          new DeviceObjects(StationSetup.delivered(file.description(), device), identity);
      Station station = new Station(identity, StationDevice.plain(objects), System::nanoTime);
      station.watchdog(WATCHDOG_MILLISECONDS);
      stations.add(station);
    }
    return stations;
  }

  private static CyclicImage started(Exchange exchange, int count) throws IOException {
    CyclicImage image = new CyclicImage();
    List<StationStart> starts = new ArrayList<>();
    for (StationLink link : BusScan.addressed(exchange, count)) {
      StationStart start = new StationStart(link, link.eeprom(), Gate.OPEN);
      start.mailbox();
      CyclicImage.Member member = image.add(start.imageSize());
      start.processData(CyclicImage.START + member.at(), member.size());
      starts.add(start);
    }
    for (StationStart start : starts) {
      start.operate(() -> image.exchange(exchange, Gate.OPEN));
    }
    return image;
  }

  /** Something done at every tick. */
  private interface Work {
    void once() throws IOException;
  }

  /** Does something at every tick and notes when it was done. */
  private static final class Ticks extends Thread {
    private final Work work;
    private final double[] micros;
    private int late;

    Ticks(Work work, int cycles) {
      this.work = work;
      this.micros = new double[cycles];
      setPriority(MAX_PRIORITY);
    }

    @Override
    public void run() {
      long due = System.nanoTime() + CYCLE_NANOS;
      for (int i = 0; i < micros.length; i++) {
        while (System.nanoTime() < due) {
          LockSupport.parkNanos(due - System.nanoTime());
        }
        try {
          work.once();
        } catch (IOException lost) {
          late++;
        }
        long taken = System.nanoTime() - due;
        micros[i] = taken / 1e3;
        due += CYCLE_NANOS;
        if (taken > CYCLE_NANOS) {
          late++;
          due = System.nanoTime() + CYCLE_NANOS;
        }
      }
      Arrays.sort(micros);
    }

    @Override
    public String toString() {
      int last = micros.length - 1;
      return "missed %d of %d; from the tick to its end median %.0f us, 99 %% %.0f us, longest %.0f us"
          .formatted(
              late, micros.length, micros[last / 2], micros[(int) (0.99 * last)], micros[last]);
    }
  }
}

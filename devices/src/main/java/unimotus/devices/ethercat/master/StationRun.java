package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.List;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.processdata.DriveView;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.processdata.StationState;
import unimotus.devices.connection.Gate;
import unimotus.devices.ethercat.master.StationStart.ImageSize;

/** One station in OP, with its image exchanged again and again. Outputs begin at 0. */
final class StationRun implements AutoCloseable {
  /** A change is in the drive after the exchange that is under way and the next one. */
  private static final int CYCLES_OF_A_CHANGE = 2;

  private static final int CHANGE_MILLISECONDS = 1000;
  private static final long NANOS_PER_MILLI = 1_000_000;

  private final CyclicImage cyclic;
  private final CyclicImage.Member member;
  private final CyclicRun run;
  private final byte[] outputs;
  private final Watchdog watchdog;

  private StationRun(
      CyclicImage cyclic,
      CyclicImage.Member member,
      CyclicRun run,
      byte[] outputs,
      Watchdog watchdog) {
    this.cyclic = cyclic;
    this.member = member;
    this.run = run;
    this.outputs = outputs;
    this.watchdog = watchdog;
  }

  /**
   * Brings a station to OP, where a gate lets each step out, and begins.
   *
   * @throws IOException where it refuses, an object of its start-up list is not taken, its image is
   *     not as long as described, or another controller has it in OP
   */
  static StationRun start(
      StationStart station, Exchange exchange, DriveView image, Gate gate, Pace pace)
      throws IOException {
    StationLink.Standing now = station.station().standing();
    if (now.state() == StationState.OP) {
      throw new Unexpected(
          "%s is in OP already: another controller commands it".formatted(station.station()));
    }
    station.reset();
    station.mailbox();
    List<StartUpCommand> list = image.startUp();
    taken(station.startUp(list, "PS"));
    ImageSize size = station.imageSize();
    ImageSize meant =
        new ImageSize(
            image.image().bytes(Direction.OUTPUTS), image.image().bytes(Direction.INPUTS));
    if (!size.equals(meant)) {
      throw new Unexpected(
          "%s has %d bytes of outputs and %d of inputs; %d and %d are described"
              .formatted(
                  station.station(),
                  size.outputs(),
                  size.inputs(),
                  meant.outputs(),
                  meant.inputs()));
    }
    CyclicImage cyclic = new CyclicImage();
    CyclicImage.Member member = cyclic.add(size);
    byte[] outputs = resting(image, size.outputs());
    Watchdog watchdog = Watchdog.set(station.station(), pace.watchdogMilliseconds());
    try {
      station.processData(CyclicImage.START + member.at(), size);
      taken(station.startUp(list, "SO"));
      cyclic.outputs(member, outputs);
      station.operate(() -> cyclic.exchange(exchange, gate));
    } catch (IOException refused) {
      watchdog.restoreAfter(refused);
      throw refused;
    }
    CyclicRun run = CyclicRun.start(cyclic, exchange, Gate.OPEN, pace.periodMicroseconds());
    return new StationRun(cyclic, member, run, outputs, watchdog);
  }

  /** All at 0 but what a 0 would take away. */
  private static byte[] resting(DriveView image, int length) {
    byte[] outputs = new byte[length];
    image
        .resting()
        .forEach(
            (place, value) -> {
              if (place.entry().bitLength() == Byte.SIZE) {
                place.put(outputs, new byte[] {value.byteValue()});
              }
            });
    return outputs;
  }

  private static void taken(List<StationStart.Written> written) throws Unexpected {
    for (StationStart.Written each : written) {
      if (!each.refusal().isEmpty()) {
        throw new Unexpected(
            "start-up %s%s is not taken: %s"
                .formatted(
                    each.command().object(),
                    each.command().index() == ProfileObject.MODE ? " (mode)" : "",
                    each.refusal()));
      }
    }
  }

  boolean isRunning() {
    return run.isRunning();
  }

  /** How the run went so far, in a few words. */
  String told() {
    CyclicRun.Count count = run.counted();
    return "%d cycles, %d late, %d lost".formatted(count.cycles(), count.late(), count.lost());
  }

  String endedBy() {
    return run.endedBy();
  }

  /**
   * Puts a value into the outputs where a gate lets it, in one step; waits until it was exchanged.
   *
   * @throws IOException where the gate keeps it back, or the run ends meanwhile
   */
  void output(ImageEntry entry, byte[] data, Gate gate) throws IOException {
    gate.pass(() -> put(entry, data));
    long begun = run.counted().cycles();
    long end = System.nanoTime() + CHANGE_MILLISECONDS * NANOS_PER_MILLI;
    while (run.counted().cycles() < begun + CYCLES_OF_A_CHANGE) {
      if (!run.isRunning()) {
        throw new Unexpected("the cyclic run ended: " + run.endedBy());
      }
      if (System.nanoTime() > end) {
        throw new Unexpected("no cycle took it within %d ms".formatted(CHANGE_MILLISECONDS));
      }
      StationLink.pause();
    }
  }

  private synchronized void put(ImageEntry entry, byte[] data) {
    entry.place().put(outputs, data);
    cyclic.outputs(member, outputs);
  }

  /** The bytes of an input as they came last. */
  byte[] input(ImageEntry entry) {
    return entry.place().taken(cyclic.inputs(member));
  }

  /** The station waits as long as before. */
  void restore() throws IOException {
    watchdog.restore();
  }

  @Override
  public void close() {
    run.close();
  }
}

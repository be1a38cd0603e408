package unimotus.devices.ethercat.master;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import unimotus.core.esi.Direction;
import unimotus.core.processdata.DriveView;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.ObjectEntry;
import unimotus.core.processdata.ProfileObject;
import unimotus.core.processdata.StationState;
import unimotus.core.value.HeldValue;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.connection.Gate;
import unimotus.devices.connection.NotDone;
import unimotus.devices.ethercat.EepromContent;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.mailbox.MailFault;
import unimotus.devices.ethercat.wire.Cable;

/**
 * A drive reached over process data. It is read through its objects; the first command brings its
 * station to OP and exchanges its image from then on. A run that ended takes no command any more:
 * somebody has to connect anew. Without outputs the watchdog of the station stops the drive, as the
 * drive is set.
 */
public final class StationConnection implements DriveConnection {
  private static final int TIMEOUT_MILLISECONDS = 25;
  private static final int RETRIES = 3;

  private final Cable cable;
  private final int position;
  private final DriveView image;
  private final Pace pace;
  private final Exchange.Tap tap;

  /** Held while something goes through the mailbox; never while the image is changed. */
  private final Object mail = new Object();

  private final Borrowed borrowed = new Borrowed();

  private @Nullable Exchange exchange;
  private @Nullable StationStart station;
  private volatile @Nullable StationRun run;

  /** The run that ended by itself; null where none did. */
  private volatile @Nullable StationRun over;

  /** Why the run ended by itself; empty while it did not. */
  private volatile String lost = "";

  /**
   * A connection; it joins with the first request.
   *
   * @param position the place of the station on the cable, from 0
   * @param image what of the drive stands in its image, by its description
   * @param pace how often the image is exchanged, and for how long the station waits for it
   * @param tap is shown each telegram
   */
  public StationConnection(
      Cable cable, int position, DriveView image, Pace pace, Exchange.Tap tap) {
    this.cable = cable;
    this.position = position;
    this.image = image;
    this.pace = pace;
    this.tap = tap;
  }

  @Override
  public List<PlacedValue> values() {
    return image.values();
  }

  /** Each goes by itself: an object is asked for alone. */
  @Override
  public List<List<PlacedValue>> together(List<? extends PlacedValue> wanted) {
    return wanted.stream()
        .filter(v -> v.value().access().isReadable())
        .map(List::<PlacedValue>of)
        .toList();
  }

  private static NotDone silent(String where, Exception why) {
    return new NotDone("%s: %s".formatted(where, why.getMessage()));
  }

  /** The station with its mailbox open; whoever calls holds the mail. */
  private StationStart joined() throws NotDone {
    StationStart known = station;
    if (known != null) {
      return known;
    }
    try {
      Exchange way = exchange;
      if (way == null) {
        way = new Exchange(cable.open(), TIMEOUT_MILLISECONDS, RETRIES, tap);
        exchange = way;
      }
      if (BusScan.isOperated(way)) {
        throw new NotDone(
            "%s: a station is in OP, another controller runs this cable. Nothing is done beside it."
                .formatted(this));
      }
      int count = BusScan.count(way);
      if (position >= count) {
        throw new NotDone("%s: %d stations answer".formatted(this, count));
      }
      StationLink link = BusScan.addressed(way, count).get(position);
      EepromContent content = link.eeprom();
      check(content);
      StationStart made = new StationStart(link, content, Gate.OPEN);
      made.mailbox();
      station = made;
      return made;
    } catch (IOException broken) {
      throw silent(toString(), broken);
    }
  }

  /** Who answers there has to be who is meant: offsets of another device move another thing. */
  private void check(EepromContent found) throws NotDone {
    Optional<String> other = found.differenceFrom(image.design().station());
    if (other.isPresent()) {
      throw new NotDone("%s: %s".formatted(this, other.get()));
    }
  }

  @Override
  public Map<PlacedValue, HeldValue> read(List<PlacedValue> together, List<String> refusals)
      throws NotDone {
    if (hasEnded()) {
      throw new NotDone(endWords());
    }
    if (!lost.isEmpty() && refusals.isEmpty()) {
      refusals.add(endWords());
    }
    Map<PlacedValue, HeldValue> read = new LinkedHashMap<>();
    for (PlacedValue value : together) {
      ObjectEntry object = value instanceof ImageEntry entry ? entry.object() : (ObjectEntry) value;
      StationRun now = run;
      if (now != null
          && value instanceof ImageEntry entry
          && entry.direction() == Direction.INPUTS) {
        read.put(value, object.read(now.input(entry)));
      } else {
        read(value, object, read, refusals);
      }
    }
    return read;
  }

  private void read(
      PlacedValue value,
      ObjectEntry object,
      Map<PlacedValue, HeldValue> read,
      List<String> refusals)
      throws NotDone {
    synchronized (mail) {
      try {
        byte[] data = joined().objects().read(object.index(), object.subindex());
        if (data.length == object.length()) {
          read.put(value, object.read(data));
        } else {
          refusals.add(
              "%s: %d bytes came, %d are described"
                  .formatted(object.sign(), data.length, object.length()));
        }
      } catch (Aborted | MailFault refused) {
        refusals.add("%s: %s".formatted(object.sign(), refused.getMessage()));
      } catch (IOException silent) {
        throw silent(toString(), silent);
      }
    }
  }

  /** Takes down why a run ended by itself, where it just did. */
  private boolean hasEnded() {
    StationRun now = run;
    if (now == null || now.isRunning()) {
      return false;
    }
    lost = now.endedBy();
    over = now;
    run = null;
    return true;
  }

  private String endWords() {
    return "the cyclic run ended: %s. The watchdog of the station stops the drive as it is set."
        .formatted(lost);
  }

  @Override
  public String write(PlacedValue value, double number, Gate gate) throws NotDone {
    if (!(value instanceof ImageEntry entry)) {
      if (value.role() == ValueRole.CONTROL_WORD
          || value.role() == ValueRole.REFERENCE && !isWatched()) {
        throw new NotDone(
            "%s: the %s is not in the image. As an object no watchdog would stop what it starts."
                .formatted(this, value.name()));
      }
      if (value.role() == ValueRole.REFERENCE) {
        refuseAfterEnd();
      }
      return writeObject((ObjectEntry) value, number, gate);
    }
    byte[] data = bytes(entry.object(), number);
    refuseAfterEnd();
    StationRun now = run;
    if (now == null) {
      now = started(gate);
    }
    try {
      now.output(entry, data, gate);
    } catch (IOException kept) {
      throw silent(toString(), kept);
    }
    return shown(data);
  }

  private void refuseAfterEnd() throws NotDone {
    if (hasEnded() || !lost.isEmpty()) {
      throw new NotDone(endWords() + " Find out why, then connect and arm anew.");
    }
  }

  /** Whether what starts the drive is in the image: without outputs it stops, whatever is told. */
  private boolean isWatched() {
    return image.entry(ValueRole.CONTROL_WORD).filter(ImageEntry.class::isInstance).isPresent();
  }

  private static byte[] bytes(ObjectEntry object, double number) throws NotDone {
    try {
      return object.bytes(number);
    } catch (IllegalArgumentException outside) {
      throw new NotDone("%s: %s".formatted(object.name(), outside.getMessage()));
    }
  }

  private static String shown(byte[] data) {
    return HexFormat.ofDelimiter(" ").withUpperCase().formatHex(data);
  }

  private StationRun started(Gate gate) throws NotDone {
    synchronized (mail) {
      StationStart known = joined();
      Exchange way = known.station().exchange();
      try {
        StationStart start = new StationStart(known.station(), known.content(), gate);
        borrowed.take(known, image.borrowed());
        StationRun made = StationRun.start(start, way, image, gate, pace);
        station = start;
        run = made;
        return made;
      } catch (IOException broken) {
        throw silent(toString(), broken);
      }
    }
  }

  private String writeObject(ObjectEntry object, double number, Gate gate) throws NotDone {
    byte[] data = bytes(object, number);
    synchronized (mail) {
      try {
        joined().write(object.index(), object.subindex(), data, gate);
        return shown(data);
      } catch (Aborted | MailFault refused) {
        throw new NotDone("%s refused: %s".formatted(this, refused.getMessage()));
      } catch (IOException broken) {
        throw silent(toString(), broken);
      }
    }
  }

  /** In the image where it is exchanged, at once; else in the object. */
  @Override
  public String takeBack(PlacedValue value, double number) throws NotDone {
    StationRun now = hasEnded() ? null : run;
    if (now == null || !(value instanceof ImageEntry entry)) {
      ObjectEntry object = value instanceof ImageEntry e ? e.object() : (ObjectEntry) value;
      return writeObject(object, number, Gate.OPEN);
    }
    byte[] data = bytes(entry.object(), number);
    try {
      now.output(entry, data, Gate.OPEN);
    } catch (IOException ended) {
      throw silent(toString(), ended);
    }
    return shown(data);
  }

  @Override
  public List<String> identity() throws NotDone {
    synchronized (mail) {
      StationStart now = joined();
      EepromContent content = now.content();
      List<String> told = new ArrayList<>();
      told.add(image.design().station().type());
      told.add("serial number %d".formatted(content.serial()));
      try {
        told.add("mode shown " + now.objects().read(ProfileObject.MODE_SHOWN, 0)[0]);
      } catch (Aborted | MailFault none) {
        told.add("mode not shown: " + none.getMessage());
      } catch (IOException broken) {
        throw silent(toString(), broken);
      }
      return told;
    }
  }

  @Override
  public String standing() {
    StationRun now = run;
    if (now != null) {
      return "in OP, " + now.told();
    }
    return lost.isEmpty() ? "not commanded: no outputs go out" : "the cyclic run ended";
  }

  /**
   * Whether a start that failed may have changed what was borrowed; not where the station is in OP,
   * which is then another controller's.
   */
  private boolean isHalfBegun(StationStart known) throws IOException {
    return !borrowed.isEmpty() && known.station().standing().state() != StationState.OP;
  }

  /** One controller only can be on the cable; what takes back does not wait on this one. */
  @Override
  public Optional<DriveConnection> beside() {
    return Optional.empty();
  }

  /** Outputs go out no more; the station goes back to INIT where it still answers. */
  @Override
  public void close() throws IOException {
    StationRun now = run;
    run = null;
    if (now != null) {
      now.close();
    }
    synchronized (mail) {
      try (Exchange way = exchange) {
        StationRun begun = now == null ? over : now;
        StationStart known = station;
        if (known != null && way != null && (begun != null || isHalfBegun(known))) {
          known.reset();
          if (begun != null) {
            begun.restore();
          }
          borrowed.giveBack(known).ifPresent(why -> lost = why);
        }
      } catch (NoAnswer gone) {
        // Nobody is there to be told; the watchdog of the station has stopped the drive.
        lost = String.valueOf(gone.getMessage());
      } finally {
        exchange = null;
        station = null;
      }
    }
  }

  @Override
  public String toString() {
    return "station %d, %s".formatted(position, image.design().station().name());
  }
}

package unimotus.workbench.live;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import unimotus.core.processdata.ObjectAbort;
import unimotus.core.processdata.StateCode;
import unimotus.devices.ethercat.station.Ring;
import unimotus.devices.ethercat.station.RingTroubles;

/**
 * A fault that simulated stations show on demand, as it is written: {@code KIND=VALUE} for the
 * cable, {@code KIND@POSITION=VALUE} for one station.
 *
 * @param kind what is wrong
 * @param position at which station, from 0; -1 for the cable
 * @param value how, as it was written
 */
public record StationFault(Kind kind, int position, String value) {
  private static final Pattern WRITTEN = Pattern.compile("([a-z-]+)(?:@(\\d{1,2}))?(?:=(.+))?");
  private static final Pattern REFUSED = Pattern.compile("(\\w+):(\\w+),(\\w+)");

  /** What can be wrong. */
  public enum Kind {
    /** The cable is open behind so many stations. */
    OPEN_AFTER("open-after", false),
    /** Every so many-th telegram does not come back. */
    LOSE_EVERY("lose-every", false),
    /** Every telegram comes back so many ms late. */
    LATE("late", false),
    /** The station says another revision. */
    REVISION("revision", true),
    /** The station refuses an object with an abort code. */
    REFUSE("refuse", true),
    /** The station refuses its image with a status code. */
    REFUSE_IMAGE("refuse-image", true),
    /** No outputs reach the station, so that its watchdog runs out. */
    STARVE("no-outputs", true);

    private final String word;
    private final boolean ofStation;

    Kind(String word, boolean ofStation) {
      this.word = word;
      this.ofStation = ofStation;
    }
  }

  /** How faults are written, for people. */
  public static final String FORMS =
      "open-after=N, lose-every=N, late=MS, revision@POSITION=N,"
          + " refuse@POSITION=INDEX:SUBINDEX,ABORT, refuse-image@POSITION=CODE,"
          + " no-outputs@POSITION";

  /**
   * Reads a fault.
   *
   * @throws IllegalArgumentException naming what is not known or outside its limits
   */
  public static StationFault of(String written) {
    Matcher parts = WRITTEN.matcher(written.strip());
    if (!parts.matches()) {
      throw new IllegalArgumentException("fault '%s' is not one of %s".formatted(written, FORMS));
    }
    Kind kind =
        List.of(Kind.values()).stream()
            .filter(k -> k.word.equals(parts.group(1)))
            .findFirst()
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "fault '%s' is not one of %s".formatted(written, FORMS)));
    if (kind.ofStation != (parts.group(2) != null)) {
      throw new IllegalArgumentException(
          kind.ofStation
              ? "fault '%s' needs a station: %s@POSITION".formatted(written, kind.word)
              : "fault '%s' is of the cable, not of a station".formatted(written));
    }
    boolean hasValue = parts.group(3) != null;
    if (hasValue == (kind == Kind.STARVE)) {
      throw new IllegalArgumentException(
          hasValue
              ? "fault '%s' takes no value".formatted(written)
              : "fault '%s' needs a value: one of %s".formatted(written, FORMS));
    }
    StationFault fault =
        new StationFault(
            kind,
            kind.ofStation ? Integer.parseInt(parts.group(2)) : -1,
            hasValue ? parts.group(3) : "");
    fault.effect();
    return fault;
  }

  /** What a station of this position says as its revision; empty where it says its own. */
  static Optional<Long> revision(List<StationFault> faults, int position) {
    return faults.stream()
        .filter(f -> f.kind == Kind.REVISION && f.position == position)
        .map(f -> f.number(0xFFFF_FFFFL))
        .reduce((first, second) -> second);
  }

  /**
   * Lets running stations show faults, besides the revision, which they say from the start.
   *
   * @throws IllegalArgumentException where there is no station of a position
   */
  public static void show(List<StationFault> faults, StationStandIns stations) {
    RingTroubles troubles = RingTroubles.NONE;
    for (StationFault each : faults) {
      if (each.position >= stations.stations().size()) {
        throw new IllegalArgumentException(
            "fault %s@%d: %d stations, from 0"
                .formatted(each.kind.word, each.position, stations.stations().size()));
      }
      troubles =
          switch (each.kind) {
            case OPEN_AFTER ->
                new RingTroubles(each.small(), troubles.dropEvery(), troubles.delayMilliseconds());
            case LOSE_EVERY ->
                new RingTroubles(troubles.openAfter(), each.small(), troubles.delayMilliseconds());
            case LATE -> new RingTroubles(troubles.openAfter(), troubles.dropEvery(), each.small());
            default -> troubles;
          };
      each.effect().ifPresent(e -> e.accept(stations.stations().get(each.position)));
    }
    stations.server().ring().troubles(troubles);
  }

  /** What it does to its station; empty for the cable and the revision. Checks the value. */
  private Optional<Consumer<StationStandIns.Placed>> effect() {
    return switch (kind) {
      case OPEN_AFTER -> {
        within(small(), 1, Ring.MOST);
        yield Optional.empty();
      }
      case LOSE_EVERY -> {
        within(small(), 1, Integer.MAX_VALUE);
        yield Optional.empty();
      }
      case LATE -> {
        new RingTroubles(0, 0, small());
        yield Optional.empty();
      }
      case REVISION -> {
        number(0xFFFF_FFFFL);
        yield Optional.empty();
      }
      case STARVE -> Optional.of(p -> p.station().starve(true));
      case REFUSE_IMAGE -> {
        int number = small();
        StateCode code =
            StateCode.of(number)
                .orElseThrow(
                    () ->
                        new IllegalArgumentException(
                            "refuse-image=%s: no status code of the standard".formatted(value)));
        yield Optional.of(p -> p.station().refuseImage(code));
      }
      case REFUSE -> refused();
    };
  }

  private Optional<Consumer<StationStandIns.Placed>> refused() {
    Matcher parts = REFUSED.matcher(value);
    if (!parts.matches()) {
      throw new IllegalArgumentException(
          "refuse=%s; expected INDEX:SUBINDEX,ABORT such as 0x6060:0,0x06090030".formatted(value));
    }
    int index = (int) number(parts.group(1), 0xFFFF);
    int subindex = (int) number(parts.group(2), 0xFF);
    int code = (int) number(parts.group(3), 0xFFFF_FFFFL);
    ObjectAbort abort =
        ObjectAbort.of(code)
            .orElseThrow(
                () ->
                    new IllegalArgumentException(
                        "refuse=%s: no abort code of the standard".formatted(value)));
    return Optional.of(p -> p.station().device().objects().refuse(index, subindex, abort));
  }

  private void within(int number, int least, int most) {
    if (number < least || number > most) {
      throw new IllegalArgumentException(
          "%s=%s is outside %d to %d".formatted(kind.word, value, least, most));
    }
  }

  private int small() {
    return (int) number(Integer.MAX_VALUE);
  }

  private long number(long most) {
    return number(value, most);
  }

  private long number(String text, long most) {
    long number;
    try {
      number = Long.decode(text);
    } catch (NumberFormatException none) {
      throw new IllegalArgumentException(
          "%s: '%s' is no whole number; 16 and 0x10 are".formatted(kind.word, text));
    }
    if (number < 0 || number > most) {
      throw new IllegalArgumentException(
          "%s=%s is outside 0 to %d".formatted(kind.word, text, most));
    }
    return number;
  }
}

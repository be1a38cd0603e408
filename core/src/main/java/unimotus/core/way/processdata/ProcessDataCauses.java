package unimotus.core.way.processdata;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import unimotus.core.detective.AxisCause;
import unimotus.core.detective.Cause;
import unimotus.core.detective.Variant;
import unimotus.core.path.SignalPath;
import unimotus.core.processdata.ImageEntry;
import unimotus.core.processdata.ImagePlace;
import unimotus.core.value.ValueType;
import unimotus.core.way.number.NumberCauses;
import unimotus.core.way.number.Taking;
import unimotus.core.way.station.StationCause;

/** A reference in a process image as it would be under each cause. */
final class ProcessDataCauses {
  /** Lengths of entries that are forgotten or added (common practice). */
  private static final int[] USUAL_BITS = {8, 16, 32};

  private static final EnumSet<ValueType> NUMBERS =
      EnumSet.of(
          ValueType.SIGNED_16,
          ValueType.UNSIGNED_16,
          ValueType.SIGNED_32,
          ValueType.UNSIGNED_32,
          ValueType.FLOAT_32);

  private final ProcessDataLink link;
  private final SignalPath path;
  private final NumberCauses numbers;
  private final ImageEntry entry;
  private final SentImage sent;

  ProcessDataCauses(ProcessDataLink link, SignalPath path) {
    this.link = link;
    this.path = path;
    this.numbers = new NumberCauses(link, path);
    this.entry = (ImageEntry) link.program().entry();
    this.sent = new SentImage(link.image(), entry);
  }

  /** The variants of a cause on this link; empty where it does not occur here. */
  List<Variant> variants(Cause cause) {
    if (cause == AxisCause.DRIVE_SPAN) {
      return numbers.spans();
    }
    if (cause instanceof StationCause ofStation) {
      return ofStation.variants(path, link.rows());
    }
    return cause instanceof ProcessDataCause own ? variants(own) : List.of();
  }

  private List<Variant> variants(ProcessDataCause cause) {
    return switch (cause) {
      case IMAGE_SHIFTED -> shifts();
      case IMAGE_TYPE -> types();
      case IMAGE_ORDER -> orders();
      case IMAGE_SCALE -> numbers.scales();
    };
  }

  /** What lies before the target is missing at one end: the drive reads earlier or later bits. */
  private List<Variant> shifts() {
    SortedMap<Integer, String> shifts = new TreeMap<>();
    for (int bits : USUAL_BITS) {
      shifts.put(bits, "%d bits later".formatted(bits));
      shifts.put(-bits, "%d bits earlier".formatted(bits));
    }
    for (ImagePlace place : link.image().image().outputs()) {
      if (place.bit() < entry.place().bit()) {
        int bits = place.entry().bitLength();
        shifts.put(-bits, "%d bits earlier, as without %s".formatted(bits, place.name()));
      }
    }
    return shifts.entrySet().stream()
        // What lies before the image is not known.
        .filter(e -> entry.place().bit() + e.getKey() >= 0)
        .map(
            e ->
                taken(
                    "taken " + e.getValue(),
                    raw -> sent.read(raw, e.getKey(), entry.value().type())))
        .flatMap(List::stream)
        .toList();
  }

  private List<Variant> types() {
    ValueType meant = entry.value().type();
    return NUMBERS.stream()
        .filter(t -> t != meant)
        .flatMap(
            t ->
                Stream.of(
                    taken("%s in the drive".formatted(t.label()), raw -> sent.read(raw, 0, t)),
                    taken(
                        "%s in the controller".formatted(t.label()),
                        raw -> sent.writtenAs(raw, t))))
        .flatMap(List::stream)
        .toList();
  }

  private List<Variant> orders() {
    List<int[]> orders =
        entry.value().type().words() == 1
            ? List.of(new int[] {1, 0})
            : List.of(new int[] {3, 2, 1, 0}, new int[] {1, 0, 3, 2}, new int[] {2, 3, 0, 1});
    return orders.stream()
        .map(o -> taken("byte by byte as " + Arrays.toString(o), raw -> sent.swapped(raw, o)))
        .flatMap(List::stream)
        .toList();
  }

  /** None where the drive would make the same of it at every tenth of the span. */
  private List<Variant> taken(String text, Taking taking) {
    boolean differs = false;
    for (int percent = 0; percent <= 100; percent += 10) {
      double raw = link.program().forward(percent);
      differs |= taking.of(raw) != raw;
    }
    return differs ? List.of(numbers.variant(text, link.drive().with(taking))) : List.of();
  }
}

package unimotus.core.fieldbus;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.value.PlacedValues;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;

/**
 * All registers of one device.
 *
 * @param entries the values, in the order they were entered
 */
public record RegisterMap(List<RegisterEntry> entries) implements PlacedValues {
  /** Fewer steps over the meant range than this are felt as jerks (common practice). */
  private static final double FEWEST_STEPS = 200;

  /** Takes a copy. */
  public RegisterMap {
    entries = List.copyOf(entries);
  }

  /** The entry of this name; empty where there is none. */
  public Optional<RegisterEntry> entry(String name) {
    return entries.stream().filter(e -> e.name().equals(name)).findFirst();
  }

  /** The first entry of this role; empty where there is none. */
  @Override
  public Optional<RegisterEntry> entry(ValueRole role) {
    return entries.stream().filter(e -> e.role() == role).findFirst();
  }

  /** This map with every address moved. */
  public RegisterMap shifted(int by) {
    return new RegisterMap(entries.stream().map(e -> e.at(e.address() + by)).toList());
  }

  /** What is doubtful in itself, in the order of the entries. */
  public List<MapDoubt> doubts() {
    List<MapDoubt> doubts = new ArrayList<>();
    for (int i = 0; i < entries.size(); i++) {
      RegisterEntry entry = entries.get(i);
      for (RegisterEntry other : entries.subList(0, i)) {
        overlap(entry, other, doubts);
      }
      range(entry, doubts);
      resolution(entry, doubts);
      readOnly(entry, doubts);
      unit(entry, doubts);
      sameRole(entry, entries.subList(0, i), doubts);
    }
    groups(doubts);
    return doubts;
  }

  private static void overlap(RegisterEntry entry, RegisterEntry other, List<MapDoubt> doubts) {
    if (entry.table() == other.table()
        && entry.address() < other.end()
        && other.address() < entry.end()) {
      doubts.add(
          new MapDoubt(
              MapDoubt.Kind.OVERLAP,
              entry.name(),
              "%s %d to %d is also %s"
                  .formatted(entry.table().label(), entry.address(), entry.end() - 1, other.name()),
              "A value of 32 bits takes two registers: look at the address after it."));
    }
  }

  private static void range(RegisterEntry entry, List<MapDoubt> doubts) {
    if (entry.type().isText()) {
      return;
    }
    double a = (entry.minimum() - entry.offset()) / entry.scale();
    double b = (entry.maximum() - entry.offset()) / entry.scale();
    if (Math.min(a, b) < entry.type().least() || Math.max(a, b) > entry.type().most()) {
      doubts.add(
          new MapDoubt(
              MapDoubt.Kind.RANGE,
              entry.name(),
              "%s to %s %s would be raw %.0f to %.0f; %s holds %.0f to %.0f"
                  .formatted(
                      entry.minimum(),
                      entry.maximum(),
                      entry.unit(),
                      Math.min(a, b),
                      Math.max(a, b),
                      entry.type().label(),
                      entry.type().least(),
                      entry.type().most()),
              "Take a signed or longer type, or another scale."));
    }
  }

  private static void resolution(RegisterEntry entry, List<MapDoubt> doubts) {
    double steps = (entry.maximum() - entry.minimum()) / Math.abs(entry.scale());
    boolean number =
        !entry.type().isText()
            && entry.type() != ValueType.BIT
            && entry.type() != ValueType.FLOAT_32;
    if (number && !entry.unit().isEmpty() && steps > 0 && steps < FEWEST_STEPS) {
      doubts.add(
          new MapDoubt(
              MapDoubt.Kind.RESOLUTION,
              entry.name(),
              "%.0f steps of %s %s over its range".formatted(steps, entry.scale(), entry.unit()),
              "Look whether the manual scales by 10, 100 or 16384."));
    }
  }

  private static void readOnly(RegisterEntry entry, List<MapDoubt> doubts) {
    if (entry.access().isWritable() && entry.table().mostWritten() == 0) {
      doubts.add(
          new MapDoubt(
              MapDoubt.Kind.READ_ONLY,
              entry.name(),
              "a %s cannot be written".formatted(entry.table().label()),
              "Commands belong in coils and holding registers."));
    }
  }

  private static void unit(RegisterEntry entry, List<MapDoubt> doubts) {
    if (!entry.role().isCountedIn(entry.unit())) {
      doubts.add(
          new MapDoubt(
              MapDoubt.Kind.UNIT,
              entry.name(),
              "the unit '%s' does not measure a %s".formatted(entry.unit(), entry.role().label()),
              "Enter the unit of one step times the scale: Hz, rpm or % for a speed, s or ms for a time."));
    }
  }

  /** Which of two is meant cannot be told. */
  private static void sameRole(
      RegisterEntry entry, List<RegisterEntry> before, List<MapDoubt> doubts) {
    before.stream()
        .filter(e -> entry.role() != ValueRole.NONE && e.role() == entry.role())
        .findFirst()
        .ifPresent(
            other ->
                doubts.add(
                    new MapDoubt(
                        MapDoubt.Kind.ROLE_TWICE,
                        entry.name(),
                        "%s is the %s as well".formatted(other.name(), entry.role().label()),
                        "Leave the role to the one the program uses.")));
  }

  /** A group is meant to be read in one request. */
  private void groups(List<MapDoubt> doubts) {
    Map<String, List<RegisterEntry>> groups = new HashMap<>();
    for (RegisterEntry entry : entries) {
      if (!entry.group().isEmpty()) {
        groups
            .computeIfAbsent(entry.group() + "/" + entry.table(), g -> new ArrayList<>())
            .add(entry);
      }
    }
    for (List<RegisterEntry> group : groups.values()) {
      int first = group.stream().mapToInt(RegisterEntry::address).min().orElse(0);
      int end = group.stream().mapToInt(RegisterEntry::end).max().orElse(0);
      RegisterEntry one = group.get(0);
      boolean written = group.stream().allMatch(e -> e.access().isWritable());
      if (written
          && one.table().mostWritten() > 0
          && end - first > one.table().mostWritten()
          && end - first <= one.table().mostRead()) {
        doubts.add(
            new MapDoubt(
                MapDoubt.Kind.TOO_LONG,
                one.name(),
                "group %s spans %d places, one request writes %d"
                    .formatted(one.group(), end - first, one.table().mostWritten()),
                "Divide the group where it is written."));
      }
      if (end - first > one.table().mostRead()) {
        doubts.add(
            new MapDoubt(
                MapDoubt.Kind.TOO_LONG,
                one.name(),
                "group %s spans %d places, one request reads %d"
                    .formatted(one.group(), end - first, one.table().mostRead()),
                "Divide the group."));
      }
    }
  }

  /**
   * Whether this map is another one moved by a place: the off-by-one of manuals that count from 1.
   *
   * @param known a map of the same device that is right
   * @return empty where not all entries of the same name are moved alike by 1 or −1
   */
  public Optional<MapDoubt> shiftAgainst(RegisterMap known) {
    List<Integer> moves = new ArrayList<>();
    for (RegisterEntry entry : entries) {
      known
          .entry(entry.name())
          .filter(k -> k.table() == entry.table())
          .ifPresent(k -> moves.add(entry.address() - k.address()));
    }
    boolean alike = moves.size() > 1 && moves.stream().distinct().count() == 1;
    return alike && Math.abs(moves.get(0)) == 1
        ? Optional.of(
            new MapDoubt(
                MapDoubt.Kind.SHIFTED,
                entries.get(0).name(),
                "all %d addresses are %s the device's"
                    .formatted(moves.size(), moves.get(0) > 0 ? "one above" : "one below"),
                "The manual counts from 1, the wire from 0: move them by one."))
        : Optional.empty();
  }
}

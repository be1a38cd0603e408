package unimotus.devices.ethercat.station;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import unimotus.core.esi.Direction;
import unimotus.core.esi.Pdo;

/**
 * What stands where in one side of a station's image, as its own objects say.
 *
 * @param entries in the order of the bits
 * @param contradicts whether objects are in it that exclude each other, or none that must be
 */
record ImageMapping(List<Mapped> entries, boolean contradicts) {

  /**
   * One value, or a gap.
   *
   * @param index the object; 0 for a gap
   * @param subindex its part
   * @param bits how many bits it takes
   * @param at its first bit
   */
  record Mapped(int index, int subindex, int bits, int at) {}

  static ImageMapping of(DeviceObjects objects, Direction direction) {
    List<Mapped> entries = new ArrayList<>();
    int list =
        direction == Direction.OUTPUTS ? DeviceObjects.ASSIGN_OUTPUTS : DeviceObjects.ASSIGN_INPUTS;
    List<Long> assigned = objects.listed(list);
    int at = 0;
    for (Long pdo : assigned) {
      for (Long word : objects.listed(pdo.intValue())) {
        int bits = (int) (word & 0xFF);
        int index = (int) (word >>> Short.SIZE);
        boolean gap = index <= MappingRules.LAST_DUMMY;
        entries.add(new Mapped(gap ? 0 : index, (int) (word >>> Byte.SIZE & 0xFF), bits, at));
        at += bits;
      }
    }
    return new ImageMapping(List.copyOf(entries), contradicts(objects, direction, assigned));
  }

  private static boolean contradicts(
      DeviceObjects objects, Direction direction, List<Long> assigned) {
    Set<Integer> in = new HashSet<>();
    assigned.forEach(p -> in.add(p.intValue()));
    return objects.setup().available().stream()
        .filter(p -> p.direction() == direction)
        .anyMatch(p -> excludesOneOf(p, in) || (p.mandatory() && !in.contains(p.index())));
  }

  private static boolean excludesOneOf(Pdo pdo, Set<Integer> in) {
    return in.contains(pdo.index()) && pdo.excludes().stream().anyMatch(in::contains);
  }

  /** How many bytes it takes, the last one filled up. */
  int bytes() {
    Mapped last = entries.isEmpty() ? new Mapped(0, 0, 0, 0) : entries.get(entries.size() - 1);
    return (last.at() + last.bits() + Byte.SIZE - 1) / Byte.SIZE;
  }

  /** Takes the values out of an image, the least significant bit first. */
  void unpack(byte[] image, DeviceObjects into) {
    for (Mapped each : entries) {
      if (each.index() != 0) {
        byte[] value = new byte[(each.bits() + Byte.SIZE - 1) / Byte.SIZE];
        copyBits(image, each.at(), value, 0, each.bits());
        into.fromImage(each.index(), each.subindex(), value);
      }
    }
  }

  /** Puts the values into an image. */
  byte[] pack(DeviceObjects from) {
    byte[] image = new byte[bytes()];
    for (Mapped each : entries) {
      if (each.index() != 0) {
        byte[] value = from.forImage(each.index(), each.subindex());
        copyBits(value, 0, image, each.at(), Math.min(each.bits(), Byte.SIZE * value.length));
      }
    }
    return image;
  }

  /** Copies bits; whole bytes at once where they stand so. */
  static void copyBits(byte[] from, int fromBit, byte[] to, int toBit, int bits) {
    int done = 0;
    if (fromBit % Byte.SIZE == 0 && toBit % Byte.SIZE == 0) {
      done = bits / Byte.SIZE * Byte.SIZE;
      System.arraycopy(from, fromBit / Byte.SIZE, to, toBit / Byte.SIZE, done / Byte.SIZE);
    }
    for (int i = done; i < bits; i++) {
      int source = fromBit + i;
      int target = toBit + i;
      int mask = 1 << target % Byte.SIZE;
      boolean set = (from[source / Byte.SIZE] >> source % Byte.SIZE & 1) != 0;
      int kept = to[target / Byte.SIZE] & ~mask;
      to[target / Byte.SIZE] = (byte) (set ? kept | mask : kept);
    }
  }
}

package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.esi.PdoEntry;

/**
 * One side of the image laid beside the variables of a controller.
 *
 * @param rows each variable of the controller with what it really covers
 * @param first the first row that differs; empty where none does
 * @param left places of the image that no variable covers, padding not among them
 */
public record ImageComparison(List<Row> rows, Optional<Row> first, List<ImagePlace> left) {

  /**
   * A variable beside the image.
   *
   * @param variable the controller's
   * @param bit where the controller has it
   * @param covers what stands there in the image
   * @param fault what is wrong; empty where it is as it should be
   */
  public record Row(ListedVariable variable, int bit, List<ImagePlace> covers, String fault) {
    /** Whether the variable is exactly one value of the image. */
    public boolean agrees() {
      return fault.isEmpty();
    }

    /** What the controller would read there, or write over, in words. */
    public String reads() {
      return covers.isEmpty()
          ? "nothing of the image"
          : covers.stream().map(p -> part(p)).collect(Collectors.joining(", "));
    }

    private String part(ImagePlace place) {
      int from = Math.max(bit, place.bit());
      int to = Math.min(bit + variable.bitLength(), place.end());
      return from == place.bit() && to == place.end()
          ? place.name()
          : "bits %d to %d of %s".formatted(from - place.bit(), to - 1 - place.bit(), place.name());
    }
  }

  /** A name cut shorter than this could be any. */
  private static final int LEAST_NAME = 4;

  /** Takes copies. */
  public ImageComparison {
    rows = List.copyOf(rows);
    left = List.copyOf(left);
  }

  /** Whether every variable is one value of the image and none is left over. */
  public boolean agrees() {
    return first.isEmpty() && left.isEmpty();
  }

  /** Lays a side of the image beside variables. */
  public static ImageComparison of(List<ImagePlace> side, List<ListedVariable> variables) {
    List<Row> rows = new ArrayList<>();
    int next = 0;
    for (ListedVariable variable : variables) {
      Integer told = variable.bit();
      int bit = told == null ? next : told;
      next = bit + variable.bitLength();
      rows.add(row(side, variable, bit));
    }
    List<ImagePlace> left =
        side.stream()
            .filter(p -> !p.entry().isPadding())
            .filter(p -> rows.stream().noneMatch(r -> r.covers().contains(p)))
            .toList();
    return new ImageComparison(rows, rows.stream().filter(r -> !r.agrees()).findFirst(), left);
  }

  private static Row row(List<ImagePlace> side, ListedVariable variable, int bit) {
    int end = bit + variable.bitLength();
    List<ImagePlace> covers = side.stream().filter(p -> p.bit() < end && p.end() > bit).toList();
    return new Row(variable, bit, covers, fault(variable, bit, covers));
  }

  private static String fault(ListedVariable variable, int bit, List<ImagePlace> covers) {
    String where = "%s at %d.%d".formatted(variable.name(), bit / 8, bit % 8);
    if (covers.isEmpty()) {
      return where + " is past the end of the image";
    }
    ImagePlace place = covers.get(0);
    PdoEntry entry = place.entry();
    boolean whole = covers.size() == 1 && place.bit() == bit;
    if (whole && entry.bitLength() == variable.bitLength()) {
      return nameFault(variable, where, entry);
    }
    if (whole || (covers.size() > 1 && place.bit() == bit)) {
      return "%s takes %d bits as %s; %s has %d"
          .formatted(where, variable.bitLength(), variable.type(), place.name(), entry.bitLength());
    }
    return "%s begins %d bits after the beginning of %s at %s"
        .formatted(where, bit - place.bit(), place.name(), place.place());
  }

  /** A gap may be a variable nobody uses; a value must be the one that is meant. */
  private static String nameFault(ListedVariable variable, String where, PdoEntry entry) {
    boolean isPadding = entry.isPadding();
    boolean meansPadding = isPaddingName(variable.name());
    if (isPadding != meansPadding) {
      return isPadding
          ? "%s covers padding, which carries nothing".formatted(where)
          : "%s is kept as a gap; %s stands there".formatted(where, entry.name());
    }
    if (!isPadding && !same(variable.name(), entry.name())) {
      return "%s covers %s".formatted(where, entry.name());
    }
    return isPadding || ListedVariable.isLike(variable.type(), entry.dataType())
        ? ""
        : "%s is %s; %s is %s".formatted(where, variable.type(), entry.name(), entry.dataType());
  }

  /** A gap has no name, or one that says that it is a gap. */
  static boolean isPaddingName(String name) {
    String bare = bare(name);
    return bare.isEmpty()
        || bare.startsWith("padding")
        || bare.startsWith("gap")
        || bare.startsWith("reserve")
        || bare.startsWith("dummy")
        || bare.startsWith("spare");
  }

  /**
   * Names are one where their letters and digits are, whatever stands between them; a variable may
   * have the axis before it, and a long name may be cut at its front.
   */
  private static boolean same(String variable, String entry) {
    String x = bare(variable);
    String y = bare(entry);
    return x.endsWith(y) || (x.length() >= LEAST_NAME && y.endsWith(x));
  }

  private static String bare(String name) {
    return name.toLowerCase(java.util.Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
  }
}

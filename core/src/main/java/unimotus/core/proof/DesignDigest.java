package unimotus.core.proof;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.TreeMap;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Wire;

/**
 * A short digest of each part of a design. Names and notes are left out: renaming a drive does not
 * make its proof stale.
 *
 * @param byPart the digest of each part
 */
public record DesignDigest(Map<Part, String> byPart) {
  private static final int DIGITS = 12;

  /** Takes a copy. */
  public DesignDigest {
    byPart = Map.copyOf(byPart);
  }

  /** The digest of an axis as it is designed now. */
  public static DesignDigest of(AxisAssembly axis) {
    Map<Part, String> parts = new EnumMap<>(Part.class);
    parts.put(Part.CONTROLLER, digest(axis.controller().sheet() + axis.controller().selectors()));
    parts.put(Part.PROGRAM, digest(axis.axis().reference().toString() + axis.axis().answer()));
    parts.put(
        Part.WIRES,
        digest(
            axis.wires().stream()
                .sorted(Comparator.comparing(Wire::id))
                .map(DesignDigest::ends)
                .toList()
                .toString()));
    parts.put(
        Part.DRIVE,
        digest(axis.drive().sheet() + axis.drive().selectors() + axis.drive().settings()));
    parts.put(Part.MOTOR, digest(axis.motor().plate().toString()));
    parts.put(Part.MECHANICS, digest(axis.axis().mechanics().toString() + axis.axis().load()));
    return new DesignDigest(parts);
  }

  /** The digests by part name, as a reading keeps them. */
  public Map<String, String> asBasis() {
    Map<String, String> basis = new TreeMap<>();
    byPart.forEach((part, digest) -> basis.put(part.name(), digest));
    return basis;
  }

  private static String ends(Wire wire) {
    return wire.from() + "–" + wire.to();
  }

  private static String digest(String text) {
    try {
      byte[] hash =
          MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(hash).substring(0, DIGITS);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java platform has SHA-256", e);
    }
  }
}

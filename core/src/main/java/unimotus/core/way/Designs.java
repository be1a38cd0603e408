package unimotus.core.way;

import java.util.EnumMap;
import java.util.Map;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.proof.DesignDigest;
import unimotus.core.proof.Part;

/** The digest of a design, with what the ways of command read of it. */
public final class Designs {
  private Designs() {}

  /** The digest of an axis as it is designed now. */
  public static DesignDigest digest(AxisAssembly axis) {
    Map<Part, String> ways = new EnumMap<>(Part.class);
    Ways.all()
        .forEach(
            w -> w.design(axis).forEach((part, text) -> ways.merge(part, text, String::concat)));
    return DesignDigest.of(axis, ways);
  }
}

package unimotus.core.identity;

/** Versions as numbers with points. */
public final class Firmware {
  private Firmware() {}

  /** Whether {@code version} is older than {@code other}; missing parts count as 0. */
  public static boolean isOlder(String version, String other) {
    String[] a = version.split("\\.");
    String[] b = other.split("\\.");
    for (int i = 0; i < Math.max(a.length, b.length); i++) {
      int difference = Long.compare(part(a, i), part(b, i));
      if (difference != 0) {
        return difference < 0;
      }
    }
    return false;
  }

  private static long part(String[] parts, int at) {
    return at < parts.length ? Long.parseLong(parts[at]) : 0;
  }
}

package unimotus.core.quantity;

/** How many of something there are, in words. */
public final class Count {
  private Count() {}

  /** Such as {@code 1 error} and {@code 2 errors}. */
  public static String of(long count, String one) {
    return of(count, one, one + "s");
  }

  /** Such as {@code 1 axis} and {@code 2 axes}. */
  public static String of(long count, String one, String many) {
    return "%d %s".formatted(count, count == 1 ? one : many);
  }
}

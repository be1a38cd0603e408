package unimotus.core;

/**
 * How many generated cases a test runs: whole with {@code ./run-tests --full}, few in every run,
 * and fewest where a mutation tester runs it again and again.
 */
public final class Campaign {
  private static final int MUTATION_SHARE = 20;

  private Campaign() {}

  /** Of so many in the full run and so many in every run. */
  public static int size(int full, int usual) {
    if (Boolean.getBoolean("campaign.mutation")) {
      return Math.max(1, usual / MUTATION_SHARE);
    }
    return Boolean.getBoolean("campaign.full") ? full : usual;
  }

  /** As above, and of so many where a mutation tester runs it. */
  public static int size(int full, int usual, int mutation) {
    return Boolean.getBoolean("campaign.mutation") ? mutation : size(full, usual);
  }
}

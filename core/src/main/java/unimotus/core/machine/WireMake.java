package unimotus.core.machine;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * What a wire is made of and where it runs.
 *
 * @param size cross-section
 * @param lengthMetres length of the way, 0 where not known
 * @param colour colour in words, empty where not chosen
 * @param cable name of the cable, empty for a single wire
 * @param core number or colour of the core within the cable, empty where not chosen
 * @param shield where the cable's shield is earthed
 * @param signal what it carries, in words, possibly empty
 */
@RecordBuilder
public record WireMake(
    ConductorSize size,
    double lengthMetres,
    String colour,
    String cable,
    String core,
    Shield shield,
    String signal)
    implements WireMakeBuilder.With {
  /** A single wire of the usual size and of no known length. */
  public static final WireMake PLAIN =
      new WireMake(ConductorSize.USUAL, 0, "", "", "", Shield.NONE, "");

  private static final double LONGEST_METRES = 10_000;

  /** Checks the length. */
  public WireMake {
    if (!(lengthMetres >= 0 && lengthMetres <= LONGEST_METRES)) {
      throw new IllegalArgumentException(
          "wire length %s m is outside 0 to %s m".formatted(lengthMetres, LONGEST_METRES));
    }
  }

  /** Resistance of one conductor over its length at 20 °C, in ohms. */
  public double ohms() {
    return size.ohmsPerKilometre() * lengthMetres / 1000;
  }

  /** This make with another length in metres. */
  public WireMake withLength(double next) {
    return withLengthMetres(next);
  }

  /** This make as a core of a cable. */
  public WireMake withCable(String nextCable, String nextCore) {
    return with().cable(nextCable).core(nextCore).build();
  }
}

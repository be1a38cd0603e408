package unimotus.core.way.position;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive brings the shaft to where the counts say: turns = counts / counts a turn.
 *
 * @param counted what it counts in
 * @param countsPerTurn counts that are one turn to the drive; negative the other way
 * @param moves whether it moves at all
 * @param taking what of the counts it takes
 */
public record TurnsStage(Counted counted, double countsPerTurn, boolean moves, Taking taking)
    implements Stage {
  private static final int WORD_BITS = 16;

  /** What of the 32 bits of a position arrives. */
  public enum Taking {
    /** All of it. */
    WHOLE,
    /** Its words the other way round. */
    EXCHANGED,
    /** Its low word alone. */
    LOW_WORD;

    double of(double counts) {
      int whole = (int) Math.rint(counts);
      return switch (this) {
        case WHOLE -> counts;
        case EXCHANGED -> Integer.rotateLeft(whole, WORD_BITS);
        case LOW_WORD -> whole & 0xFFFF;
      };
    }
  }

  /** A drive that takes the whole position. */
  public TurnsStage(Counted counted, double countsPerTurn, boolean moves) {
    this(counted, countsPerTurn, moves, Taking.WHOLE);
  }

  /** This drive taking another part of it. */
  public TurnsStage with(Taking next) {
    return new TurnsStage(counted, countsPerTurn, moves, next);
  }

  /** This drive counting another number a turn. */
  public TurnsStage with(double next) {
    return new TurnsStage(counted, next, moves, taking);
  }

  /** This drive standing still. */
  public TurnsStage still() {
    return new TurnsStage(counted, countsPerTurn, false, Taking.WHOLE);
  }

  @Override
  public Station from() {
    return Station.COUNTS;
  }

  @Override
  public Station to() {
    return Station.SHAFT;
  }

  @Override
  public MeasureUnit unit() {
    return MeasureUnit.REVOLUTION;
  }

  @Override
  public double forward(double counts) {
    return moves ? taking.of(counts) / countsPerTurn : 0;
  }

  @Override
  public double inverse(double turns) {
    return turns * countsPerTurn;
  }

  @Override
  public String origin() {
    return "drive: %s a turn".formatted(text(countsPerTurn, MeasureUnit.COUNTS));
  }

  @Override
  public Step sum(double in, double out) {
    return new Step(
        "turns of the shaft",
        "%s / %s a turn".formatted(counted.word(), counted.word()),
        "%s / %s".formatted(text(in, MeasureUnit.COUNTS), text(countsPerTurn, MeasureUnit.COUNTS)),
        out,
        unit(),
        counted.source());
  }
}

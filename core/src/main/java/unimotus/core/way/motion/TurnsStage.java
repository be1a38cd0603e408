package unimotus.core.way.motion;

import static unimotus.core.path.Numbers.text;

import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/**
 * The drive brings the shaft to where the counts say: turns = counts / counts a turn.
 *
 * @param countsPerTurn counts that are one turn to the drive; negative the other way
 * @param moves whether it moves at all
 * @param taking what of the counts it takes
 */
record TurnsStage(double countsPerTurn, boolean moves, Taking taking) implements Stage {
  private static final int WORD_BITS = 16;

  /** What of the 32 bits of a position arrives. */
  enum Taking {
    WHOLE,
    EXCHANGED,
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

  TurnsStage(double countsPerTurn, boolean moves) {
    this(countsPerTurn, moves, Taking.WHOLE);
  }

  TurnsStage with(Taking next) {
    return new TurnsStage(countsPerTurn, moves, next);
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
        "counts / counts a turn",
        "%s / %s".formatted(text(in, MeasureUnit.COUNTS), text(countsPerTurn, MeasureUnit.COUNTS)),
        out,
        unit(),
        "IEC 61800-7-201 (from memory)");
  }
}

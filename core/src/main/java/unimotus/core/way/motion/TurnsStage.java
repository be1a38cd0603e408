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
 */
record TurnsStage(double countsPerTurn, boolean moves) implements Stage {

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
    return moves ? counts / countsPerTurn : 0;
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

package unimotus.core.way;

import unimotus.core.derivation.Step;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.quantity.MeasureUnit;

/** A stage of a way that nobody builds: out = in times a factor, in steps where one is given. */
record StraightStage(Station from, Station to, MeasureUnit unit, double factor, double step)
    implements Stage {
  @Override
  public double forward(double in) {
    return step > 0 ? Math.rint(in * factor / step) * step : in * factor;
  }

  @Override
  public double inverse(double out) {
    return out / factor;
  }

  @Override
  public String origin() {
    return "the toy";
  }

  @Override
  public Step sum(double in, double out) {
    return new Step("toy", "x·k", in + "·" + factor, out, unit, "plate of the toy");
  }
}

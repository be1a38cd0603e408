package unimotus.desktop.stop;

import java.util.List;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.stops.StopTimeline;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.Series;

/** Speed of the shaft from the demand on, with the moment at which the torque goes. */
final class SpeedTrace {
  private static final int SAMPLES = 400;

  /** How much of a load that never stands is drawn. */
  private static final double ENDLESS_SECONDS = 60;

  private final Desk desk;
  private final Plot plot = new Plot("Speed of the shaft after the demand", "s", "rpm");

  SpeedTrace(Desk desk) {
    this.desk = desk;
    plot.setId("stop-trace");
    plot.setPrefHeight(210);
    plot.setMinHeight(150);
  }

  Plot node() {
    return plot;
  }

  void show(StopTimeline timeline) {
    MeasureUnit unit = desk.units().shown(MeasureUnit.RPM);
    double per = MeasureUnit.RPM.convert(1, unit);
    double off = timeline.torqueOffSeconds();
    double last = timeline.comesToRest() ? timeline.standstillSeconds() : ENDLESS_SECONDS;
    double end = 1.08 * Math.max(last, Double.isFinite(off) ? off : 0);
    double top = 1.12 * per * timeline.phases().get(0).fromRpm();
    Series speed =
        new Series(
            "shaft",
            "plot-live",
            SAMPLES + 1,
            i -> end * i / SAMPLES,
            i -> per * timeline.rpmAt(end * i / SAMPLES));
    Series torque = new Series("torque off", "plot-predicted", 2, i -> off, i -> i == 0 ? 0 : top);
    plot.setFormat(desk.units().format());
    plot.setYUnit(unit.symbol());
    plot.show(Double.isFinite(off) ? List.of(speed, torque) : List.of(speed), 0, end, 0, top);
  }
}

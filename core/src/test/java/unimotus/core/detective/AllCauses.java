package unimotus.core.detective;

import java.util.List;
import java.util.stream.Stream;
import unimotus.core.way.analog.AnalogCause;
import unimotus.core.way.motion.MotionCause;
import unimotus.core.way.processdata.ProcessDataCause;
import unimotus.core.way.register.RegisterCause;
import unimotus.core.way.station.StationCause;

/** The causes of every axis and of every way of command that ships. */
final class AllCauses {
  private AllCauses() {}

  static List<Cause> all() {
    return Stream.<Cause[]>of(
            AxisCause.values(),
            AnalogCause.values(),
            RegisterCause.values(),
            ProcessDataCause.values(),
            MotionCause.values(),
            StationCause.values())
        .flatMap(Stream::of)
        .toList();
  }
}

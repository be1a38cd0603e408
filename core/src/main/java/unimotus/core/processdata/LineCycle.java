package unimotus.core.processdata;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import unimotus.core.esi.DescriptionCatalogue;
import unimotus.core.esi.Direction;
import unimotus.core.esi.StartUpCommand;
import unimotus.core.finding.Severity;
import unimotus.core.machine.Axis;
import unimotus.core.machine.BusTiming;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.Project;

/**
 * The cycle of a line's process-data fieldbus, with the frames of its stations, what their drives
 * were told and what their motion axes count on.
 *
 * @param review the cycle with the frames of all stations that are described
 * @param undescribed names of stations whose frames are not known
 * @param doubts what does not fit, that of single stations and axes among it
 */
public record LineCycle(
    CycleReview review, List<String> undescribed, List<CycleReview.Doubt> doubts) {
  private static final int MANTISSA = 0x60C2;
  private static final int NEXT_AXIS = 0x800;
  private static final int MOST_AXES = 8;
  private static final double NANOSECONDS = 1e9;

  /** Takes copies. */
  public LineCycle {
    undescribed = List.copyOf(undescribed);
    doubts = List.copyOf(doubts);
  }

  /** Looks over the cycle of a line; empty where it has no stations or its cycle is not known. */
  public static Optional<LineCycle> of(Project project, DescriptionCatalogue catalogue) {
    BusTiming timing = project.busTiming();
    if (timing == null || project.stations().isEmpty()) {
      return Optional.empty();
    }
    List<StationDesign> designs =
        project.stations().stream().map(s -> StationDesign.of(s, catalogue)).toList();
    List<String> undescribed =
        designs.stream().filter(d -> d.known().isEmpty()).map(d -> d.station().name()).toList();
    int bytes = designs.stream().flatMap(d -> d.known().stream()).mapToInt(LineCycle::bytes).sum();
    BusCycle bus =
        new BusCycle(timing, bytes == 0 ? List.of() : datagrams(bytes), designs.size(), null);
    CycleReview review = CycleReview.of(bus);
    List<CycleReview.Doubt> doubts = new ArrayList<>(review.doubts());
    for (StationDesign each : designs) {
      interpolation(each).forEach((object, ns) -> doubts.addAll(of(each, object, bus, ns)));
    }
    for (Axis axis : project.axes()) {
      MotionDesign motion = axis.motion();
      boolean isOnBus = designs.stream().anyMatch(d -> d.station().drive().equals(axis.drive()));
      if (motion != null && isOnBus) {
        axis(axis, motion, timing).ifPresent(doubts::add);
      }
    }
    return Optional.of(new LineCycle(review, undescribed, doubts));
  }

  private static int bytes(StationSetup setup) {
    ProcessImage image = ProcessImage.of(setup);
    return image.bytes(Direction.OUTPUTS) + image.bytes(Direction.INPUTS);
  }

  /** As few datagrams as carry so many bytes. */
  private static List<Integer> datagrams(int bytes) {
    List<Integer> datagrams = new ArrayList<>();
    for (int left = bytes; left > 0; left -= FrameTime.MOST_DATA) {
      datagrams.add(Math.min(left, FrameTime.MOST_DATA));
    }
    return datagrams;
  }

  /** What each axis of a drive is told as its interpolation time, in ns, by its object. */
  private static Map<String, Long> interpolation(StationDesign design) {
    Map<String, Long> told = new LinkedHashMap<>();
    for (int axis = 0; axis < MOST_AXES; axis++) {
      int index = MANTISSA + axis * NEXT_AXIS;
      Optional<StartUpCommand> mantissa = last(design, index, 1);
      Optional<StartUpCommand> exponent = last(design, index, 2);
      if (mantissa.isPresent() && exponent.isPresent()) {
        double seconds = mantissa.get().number() * Math.pow(10, (byte) exponent.get().number());
        told.put("0x%04X".formatted(index), Math.round(NANOSECONDS * seconds));
      }
    }
    return told;
  }

  private static Optional<StartUpCommand> last(StationDesign design, int index, int subindex) {
    return design.startUp().stream()
        .filter(c -> c.index() == index && c.subindex() == subindex)
        .reduce((first, second) -> second);
  }

  private static List<CycleReview.Doubt> of(
      StationDesign design, String object, BusCycle bus, long ns) {
    List<CycleReview.Doubt> all = CycleReview.of(bus.interpolating(ns)).doubts();
    List<CycleReview.Doubt> without = CycleReview.of(bus).doubts();
    return all.stream()
        .filter(d -> !without.contains(d))
        .map(
            d ->
                new CycleReview.Doubt(
                    d.severity(),
                    "%s, %s: %s".formatted(design.station().name(), object, d.seen()),
                    d.remedy().replace("0x60C2", object),
                    d.source()))
        .toList();
  }

  private static Optional<CycleReview.Doubt> axis(
      Axis axis, MotionDesign motion, BusTiming timing) {
    long ns = Math.round(NANOSECONDS * motion.cycleSeconds());
    return ns == timing.cycleNs()
        ? Optional.empty()
        : Optional.of(
            new CycleReview.Doubt(
                Severity.ERROR,
                "%s: the motion axis gives a set-point every %s, the cycle is %s"
                    .formatted(
                        axis.name(), CycleReview.time(ns), CycleReview.time(timing.cycleNs())),
                "Let the motion axis run in the bus cycle.",
                "common practice"));
  }
}
